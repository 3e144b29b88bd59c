import { z } from 'zod';
import { Build, Part, Profile, partSet, type PartSet } from '../../src/lib/core/model';
import { Seeded } from './random';

type PartIn = z.input<typeof Part>;
type FunctionIn = NonNullable<PartIn['functions']>[number];
type SettingIn = NonNullable<PartIn['settings']>[number];
type ItemIn = NonNullable<z.input<typeof Build>['items']>[number];

export interface RandomOptions {
  cards: number;
  /** Largest number of joint positions; cards are cut down to stay below. */
  combinations?: number;
  /** Roughly how hard: 0 loose, 1 tight. */
  tight?: number;
  rich?: boolean;
}

const lineSets = {
  irq: [
    [2, 3, 5, 7],
    [3, 4, 5, 7],
    [5, 7, 10, 11],
    [3, 5, 9, 10],
    [10, 11, 12, 15],
    [4, 3],
    [5, 7]
  ],
  dma: [
    [1, 3],
    [0, 1, 3],
    [5, 6, 7],
    [1, 2, 3]
  ],
  io: [
    [0x220, 0x240, 0x260],
    [0x300, 0x320, 0x340, 0x360],
    [0x330, 0x300],
    [0x3f8, 0x2f8, 0x3e8, 0x2e8],
    [0x210, 0x230, 0x310]
  ],
  memory: [
    [0xc8000, 0xcc000, 0xd0000],
    [0xd0000, 0xd4000, 0xd8000],
    [0xd8000, 0xc8000]
  ]
} as const;

/** A random small machine in the shapes that real cards have: coupled, partial, switchable. */
export function randomMachine(seed: number, options: RandomOptions): { build: Build; parts: PartSet } {
  const r = new Seeded(seed);
  const xt = r.chance(0.3);
  const rich = options.rich ?? true;
  let room = options.combinations ?? Infinity;
  const parts: PartIn[] = [];
  const items: ItemIn[] = [];
  const slots = Array.from({ length: options.cards }, (_, i) => ({
    id: `s${i + 1}`,
    bus: xt || r.chance(0.25) ? ('isa8' as const) : ('isa16' as const)
  }));
  for (let c = 0; c < options.cards; c++) {
    const made = randomCard(r, `card${c}`, room, options.tight ?? 0.5, rich);
    room = Math.max(1, Math.floor(room / made.combinations));
    parts.push(made.part);
    items.push({ id: `i${c}`, part: made.part.id, slot: slots[c].id, ...found(r, made.part) });
  }
  parts.push({
    id: 'mainboard',
    kind: 'board',
    maker: 'test',
    name: 'board',
    board: { class: xt ? 'xt' : 'at', slots }
  });
  const parsed = parts.map((p) => Part.parse(p));
  const refs = items.flatMap((item, i) =>
    (parts[i].functions ?? []).map((f) => ({ item: item.id, function: f.id }))
  );
  const build = Build.parse({
    id: `random-${seed}`,
    name: `Random ${seed}`,
    board: { id: 'board', part: 'mainboard' },
    items,
    neverTogether: r.chance(0.5) && refs.length > 1 ? [r.some(refs, 2), r.some(refs, 2)] : [],
    resident: r.chance(0.2) ? [r.pick(refs)] : [],
    brief: {
      mustBeOn: r.chance(0.3) ? [r.pick(refs)] : [],
      mayBeOff: r.chance(0.3) ? [r.pick(refs)] : [],
      profiles: rich && r.chance(0.4) ? [randomProfile(r)] : []
    }
  });
  return { build, parts: partSet(parsed) };
}

function randomProfile(r: Seeded): z.input<typeof Profile> {
  return {
    id: 'p',
    name: 'Profile',
    needs: [
      {
        kind: 'audio',
        irq: r.some([5, 7, 2], 2),
        ...(r.chance(0.5) ? { io: [0x220] } : {}),
        weight: r.chance(0.5) ? 'hard' : 5
      },
      { kind: 'network', ...(r.chance(0.5) ? { irq: [3] } : {}), weight: 2 }
    ]
  };
}

function found(r: Seeded, part: PartIn): Pick<ItemIn, 'asFound' | 'locked'> {
  const asFound: Record<string, string> = {};
  const locked: string[] = [];
  for (const setting of part.settings ?? []) {
    if (r.chance(0.8)) asFound[setting.id] = r.pick(setting.positions!).id;
    if (r.chance(0.06)) locked.push(setting.id);
  }
  return { asFound, locked };
}

function randomCard(
  r: Seeded,
  id: string,
  room: number,
  tight: number,
  rich: boolean
): { part: PartIn; combinations: number } {
  const settings: SettingIn[] = [];
  const blocks: NonNullable<PartIn['blocks']> = [];
  const functions: FunctionIn[] = [];
  const constraints: NonNullable<PartIn['constraints']> = [];
  let combinations = 1;
  const fits = (n: number) => combinations * n <= room;
  const setting = (name: string, positions: string[]): string => {
    combinations *= positions.length;
    const kind = r.pick(['header', 'dip', 'software'] as const);
    const block = `b-${name}`;
    const state = (i: number) =>
      kind === 'header'
        ? { caps: [[2 * i + 1, 2 * i + 2] as [number, number]] }
        : kind === 'dip'
          ? {
              switches: {
                1: i & 1 ? ('on' as const) : ('off' as const),
                2: i & 2 ? ('on' as const) : ('off' as const),
                3: i & 4 ? ('on' as const) : ('off' as const)
              }
            }
          : { value: String(i) };
    blocks.push(
      kind === 'header'
        ? { id: block, kind, rows: 2, columns: positions.length }
        : kind === 'dip'
          ? { id: block, kind, switches: 3 }
          : { id: block, kind, program: 'SETUP' }
    );
    settings.push({
      id: name,
      label: name,
      block,
      positions: positions.map((p, i) => ({ id: p, label: p, state: state(i) })),
      default: r.pick(positions)
    });
    return name;
  };
  const count = r.chance(0.5) ? 1 : 2;
  for (let f = 0; f < count; f++) {
    const fn: FunctionIn = {
      id: `f${f}`,
      label: `function ${f}`,
      kind: r.pick(['audio', 'network', 'scsi', 'serial', 'parallel'] as const),
      claims: []
    };
    const enable = fits(2) && r.chance(0.3) ? setting(`en${f}`, ['on', 'off']) : null;
    if (enable) fn.off = [{ [enable]: ['off'] }];
    for (const resource of ['irq', 'dma', 'io', 'memory'] as const) {
      if (!r.chance({ irq: 0.85, dma: 0.4, io: 0.7, memory: 0.2 }[resource])) continue;
      fn.claims!.push(randomClaim(r, resource, f, tight, rich, fits, setting, settings));
    }
    if (r.chance(0.1)) fn.resident = true;
    functions.push(fn);
  }
  if (rich && r.chance(0.25) && settings.length > 1) {
    const [a, b] = r.some(settings, 2);
    constraints.push({
      forbid: { [a.id]: [r.pick(a.positions!).id], [b.id]: [r.pick(b.positions!).id] },
      why: 'not made to work'
    });
  }
  if (rich && r.chance(0.1) && settings.length > 1) {
    const [a, b] = r.some(settings, 2);
    constraints.push({
      allow: { settings: [a.id, b.id], rows: a.positions!.map((p) => [p.id, r.pick(b.positions!).id]) },
      why: 'listed combinations only'
    });
  }
  if (rich && functions.length > 1 && r.chance(0.4))
    constraints.push({ apart: ['f0', 'f1'], why: 'may not meet' });
  return {
    part: {
      id,
      kind: 'card',
      maker: 'test',
      name: id,
      card: { bus: r.chance(0.3) ? 'isa8' : 'isa16', fallback8: r.chance(0.1) ? 'no' : 'yes' },
      blocks,
      settings,
      functions,
      constraints
    },
    combinations
  };
}

function randomClaim(
  r: Seeded,
  resource: 'irq' | 'dma' | 'io' | 'memory',
  f: number,
  tight: number,
  rich: boolean,
  fits: (n: number) => boolean,
  setting: (name: string, positions: string[]) => string,
  settings: SettingIn[]
): NonNullable<FunctionIn['claims']>[number] {
  const all = r.pick<readonly number[]>(lineSets[resource]);
  const options = r.some(all, Math.max(1, Math.round(all.length * (1.2 - tight * r.next()))));
  const sharing = r.pick(['never', 'never', 'never', 'idle', 'unused'] as const);
  const extra = {
    sharing: rich ? sharing : ('never' as const),
    ...(rich && r.chance(0.1) ? { sharesWith: [r.pick(['audio', 'network', 'f1'])] } : {})
  };
  const shape =
    resource === 'io'
      ? {
          resource,
          length: r.pick([1, 4, 8, 16, 32]),
          ...(rich && r.chance(0.2) ? { mask: r.pick([0xffff, 0x3f0, 0xfff, 0x3ff]) } : {}),
          ...(rich && r.chance(0.15) ? { access: r.pick(['read', 'write'] as const) } : {})
        }
      : resource === 'memory'
        ? { resource, length: 0x4000 }
        : resource === 'dma'
          ? { resource, width: 8 as const, busMaster: rich && r.chance(0.1) }
          : { resource };
  const other = settings.length ? r.pick(settings) : null;
  if (rich && other && r.chance(0.25)) {
    // Coupled: several claims on one setting, sometimes taking nothing in one of its positions.
    const values = Object.fromEntries(
      other.positions!.map((p, i) => [p.id, r.chance(0.1) ? null : options[i % options.length]])
    );
    return { ...shape, ...extra, from: { setting: other.id, values } } as NonNullable<
      FunctionIn['claims']
    >[number];
  }
  if (options.length > 1 && fits(options.length)) {
    const id = setting(
      `${resource}${f}`,
      options.map((v) => v.toString(16))
    );
    if (rich && other && other.id !== id && r.chance(0.15)) {
      const [first] = other.positions!;
      const rows = [
        { when: { [other.id]: first.id }, value: r.pick(options) },
        ...options.map((v) => ({ when: { [id]: v.toString(16) }, value: v }))
      ];
      return { ...shape, ...extra, from: { settings: [id, other.id], rows } } as NonNullable<
        FunctionIn['claims']
      >[number];
    }
    return {
      ...shape,
      ...extra,
      from: { setting: id, values: Object.fromEntries(options.map((v) => [v.toString(16), v])) }
    } as NonNullable<FunctionIn['claims']>[number];
  }
  return { ...shape, ...extra, value: options[0] } as NonNullable<FunctionIn['claims']>[number];
}
