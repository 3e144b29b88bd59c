import { z } from 'zod';
import { Build, Part, partSet, type PartSet } from '../../src/lib/core/model';
import { Seeded } from './random';

type PartIn = z.input<typeof Part>;
type SettingIn = NonNullable<PartIn['settings']>[number];
type FunctionIn = NonNullable<PartIn['functions']>[number];

/**
 * Machines for timing. Plain ones have the mix of a well-filled AT: a few cards want each kind of
 * line. Adversarial ones want nearly every line there is, with coupled settings and few positions.
 */
export function benchMachine(seed: number, cards: number, adversarial: boolean): [Build, PartSet] {
  const r = new Seeded(seed * 7919 + (adversarial ? 1 : 0));
  const parts: PartIn[] = [
    {
      id: 'mainboard',
      kind: 'board',
      maker: 'bench',
      name: 'board',
      board: {
        class: 'at',
        slots: Array.from({ length: cards }, (_, i) => ({
          id: `s${i}`,
          bus: i % 7 === 6 ? ('isa8' as const) : ('isa16' as const)
        }))
      }
    }
  ];
  const irqCards = adversarial ? Math.min(cards, 11) : Math.min(9, Math.ceil(cards * 0.6));
  const dmaCards = adversarial ? Math.min(cards, 6) : Math.min(5, Math.ceil(cards * 0.35));
  const order = r.some([...Array(cards).keys()], cards);
  const wantsIrq = new Set(order.slice(0, irqCards));
  const wantsDma = new Set(r.some([...Array(cards).keys()], dmaCards));
  const items: NonNullable<z.input<typeof Build>['items']> = [];
  for (let c = 0; c < cards; c++) {
    const narrow = c % 7 === 6;
    const part = card(r, `card${c}`, narrow, wantsIrq.has(c), wantsDma.has(c), adversarial);
    parts.push(part);
    items.push({
      id: `i${c}`,
      part: part.id,
      slot: `s${c}`,
      asFound: Object.fromEntries(part.settings!.map((s) => [s.id, r.pick(s.positions!).id])),
      locked: r.chance(0.03) ? [r.pick(part.settings!).id] : []
    });
  }
  const build = Build.parse({
    id: `bench-${seed}`,
    name: 'Bench',
    board: { id: 'board', part: 'mainboard' },
    items
  });
  return [build, partSet(parts.map((p) => Part.parse(p)))];
}

function card(
  r: Seeded,
  id: string,
  narrow: boolean,
  irq: boolean,
  dma: boolean,
  adversarial: boolean
): PartIn {
  const settings: SettingIn[] = [];
  const claims: NonNullable<FunctionIn['claims']> = [];
  const add = (name: string, numbers: readonly number[]) => {
    const positions = numbers.map((n, i) => ({
      id: n.toString(16),
      label: String(n),
      state: { caps: [[2 * i + 1, 2 * i + 2] as [number, number]] }
    }));
    settings.push({ id: name, label: name, block: `b-${name}`, positions, default: positions[0].id });
    return { setting: name, values: Object.fromEntries(numbers.map((n) => [n.toString(16), n])) };
  };
  const irqs = narrow ? [3, 4, 5, 7, 9] : [3, 4, 5, 7, 9, 10, 11, 12, 14, 15, 6];
  const dmas = narrow ? [1, 2, 3] : r.chance(0.5) ? [0, 1, 3] : [5, 6, 7];
  const bases = [
    0x200, 0x210, 0x220, 0x240, 0x250, 0x260, 0x270, 0x280, 0x2a0, 0x2c0, 0x2e0, 0x300, 0x310, 0x320, 0x330,
    0x340, 0x350, 0x360, 0x380, 0x3a0, 0x3c0, 0x3e0
  ];
  const few = adversarial ? 3 : 4;
  if (irq) claims.push({ resource: 'irq', from: add('irq', r.some(irqs, few + r.int(3))) });
  if (dma) claims.push({ resource: 'dma', from: add('dma', r.some(dmas, 3)) });
  const io = add('io', r.some(bases, few + r.int(4)));
  claims.push({ resource: 'io', length: r.pick(adversarial ? [16, 16, 32] : [4, 8, 16, 16, 32]), from: io });
  // Coupled: a second range or a window hangs on the same setting as the first.
  if (r.chance(adversarial ? 0.4 : 0.15))
    claims.push({
      resource: 'memory',
      length: 0x4000,
      from: {
        setting: 'io',
        values: Object.fromEntries(
          Object.keys(io.values).map((k) => [k, 0xc8000 + 0x4000 * r.int(adversarial ? 8 : 10)])
        )
      }
    });
  if (irq && r.chance(adversarial ? 0.3 : 0.1)) {
    const values = (settings[0].positions ?? []).map((p) => [p.id, 0x200 + 0x10 * r.int(31)] as const);
    claims.push({ resource: 'io', length: 8, from: { setting: 'irq', values: Object.fromEntries(values) } });
  }
  return {
    id,
    kind: 'card',
    maker: 'bench',
    name: id,
    card: { bus: narrow ? 'isa8' : 'isa16', fallback8: 'yes' },
    blocks: settings.map((s) => ({
      id: `b-${s.id}`,
      kind: 'header' as const,
      rows: 2,
      columns: s.positions!.length
    })),
    settings,
    functions: [{ id: 'f', label: 'f', kind: 'other', claims }]
  };
}
