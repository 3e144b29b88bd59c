import { socketTakes } from '../../src/lib/core/boards';
import { Build, type Part, type PartSet, type Wish } from '../../src/lib/core/model';
import { obstacle } from '../../src/lib/core/resources';
import { readSoftware } from '../../src/lib/server/catalogue';
import { parts } from './demo';
import { Seeded } from './random';

const all = [...parts.values()];
const software = readSoftware(new URL('../../catalogue', import.meta.url).pathname);
const systems = [
  'DOS 2.1',
  'DOS 3.3',
  'DOS 5',
  'DOS 6.22',
  'Windows 3.1 on DOS 6.22',
  'Windows 95',
  'Windows 98'
];
const ribbons = ['straight', 'floppy-twist', 'disk-twist', 'end-terminator', 'cable-select'] as const;
const units = ['master', 'slave', 'single', 'cable select', 'first', 'second', '0', '1', '6', '7'];
const selects = ['first', 'second', 'third'] as const;
const wishes: Wish[] = [
  { kind: 'have', what: 'network' },
  { kind: 'have', what: 'usb' },
  { kind: 'real-disk' },
  { kind: 'colour' },
  { kind: 'quiet' },
  { kind: 'original-look' },
  { kind: 'emulator-outside' },
  { kind: 'spare-slots', count: 5 },
  { kind: 'never', part: 'brim-v16' },
  { kind: 'keep', part: 'oddmere-mono' }
];

/**
 * A machine that nobody would build: any board with any cards in any slots, any drives, modules, monitor and supply,
 * set in any way. Every rule meets something here sooner or later.
 */
export function anything(seed: number): { build: Build; parts: PartSet } {
  const r = new Seeded(seed);
  const one = <T>(list: readonly T[]): T => list[r.int(list.length)];
  const some = (test: (p: Part) => unknown, most: number): Part[] => {
    const list = all.filter(test);
    return Array.from({ length: list.length ? r.int(most + 1) : 0 }, () => one(list));
  };
  const positions = (part: Part): Record<string, string> =>
    Object.fromEntries(
      part.settings.filter((s) => s.positions.length && r.chance(0.6)).map((s) => [s.id, one(s.positions).id])
    );
  const board = one(all.filter((p) => p.board));
  const slots = board.board!.slots.map((s) => s.id);
  const forms = new Set(board.board!.memory?.banks.flatMap((b) => b.forms));
  const banks = board.board!.memory?.banks.map((b) => b.id) ?? [];
  const chosen = [
    ...some((p) => p.cpu && (r.chance(0.2) || socketTakes(board, p)), 1),
    ...some((p) => p.fpu, 1),
    ...some((p) => p.module && (r.chance(0.2) || forms.has(p.module.form)), 3),
    ...some((p) => p.card && (r.chance(0.3) || board.board!.slots.some((s) => !obstacle(p, s))), 6),
    ...some((p) => p.drive, 4),
    ...some((p) => p.monitor, 1),
    ...some((p) => p.supply, 1),
    ...some((p) => p.keyboard, 1),
    ...some((p) => p.chassis, 1),
    ...some((p) => p.adapter, 1)
  ];
  const ids = chosen.map((_, i) => `i${i}`);
  const hosts = chosen.flatMap((p, i) =>
    p.functions
      .filter((f) => f.speaks)
      .map((f) => ({ to: ids[i], function: f.id, speaks: f.speaks as readonly string[] }))
  );
  /** Mostly a slot that takes the card, sometimes any. */
  const slotFor = (part: Part) => {
    const good = board.board!.slots.filter((s) => !obstacle(part, s));
    return good.length && r.chance(0.8) ? one(good).id : one(slots);
  };
  /** Mostly a controller of its interface, sometimes any. */
  const cableFor = (part: Part) => {
    const good = hosts.filter((h) => h.speaks.includes(part.drive!.interface));
    const host = good.length && r.chance(0.9) ? one(good) : hosts.length ? one(hosts) : null;
    if (!host) return {};
    const { to, function: fn } = host;
    const unit = r.chance(0.8) ? { unit: one(units), select: one(selects) } : {};
    return { cable: { to, function: fn, plug: 1 + r.int(2), ...unit } };
  };
  const items = chosen.map((part, i) => ({
    id: ids[i],
    part: part.id,
    asFound: positions(part),
    ...(part.card && slots.length && r.chance(0.85) ? { slot: slotFor(part) } : {}),
    ...(part.functions.some((f) => f.speaks) && r.chance(0.5)
      ? {
          ribbons: Object.fromEntries(part.functions.filter((f) => f.speaks).map((f) => [f.id, one(ribbons)]))
        }
      : {}),
    ...(r.chance(0.3) ? { terminated: r.chance(0.5) } : {}),
    ...(part.module && r.chance(0.8) && banks.length ? { place: one(banks) } : {}),
    ...(part.module ? { count: 1 + r.int(4) } : {}),
    ...(part.drive && r.chance(0.7) ? cableFor(part) : {})
  }));
  const functions = chosen.flatMap((p, i) => p.functions.map((f) => ({ item: ids[i], function: f.id })));
  const build = Build.parse({
    id: 'm',
    name: 'M',
    brief: {
      date: String(1982 + r.int(18)),
      os: one(systems),
      strictness: one(['exact', 'spirit', 'convenient']),
      profiles: r.chance(0.6) ? [one(software)] : [],
      wishes: r.chance(0.5) ? [one(wishes)] : [],
      mustBeOn: functions.length && r.chance(0.3) ? [one(functions)] : []
    },
    board: { id: 'board', part: board.id, asFound: positions(board) },
    items,
    neverTogether: functions.length > 1 && r.chance(0.3) ? [[one(functions), one(functions)]] : []
  });
  return { build, parts };
}
