import { z } from 'zod';
import { Build, Part, partSet, type PartSet } from '../../src/lib/core/model';
import { Seeded } from './random';

type PartIn = z.input<typeof Part>;
type SettingIn = NonNullable<PartIn['settings']>[number];
type FunctionIn = NonNullable<PartIn['functions']>[number];

/**
 * Machines for timing. Plain ones have the mix of a well-filled AT: a few cards want each kind of line. Adversarial ones
 * want nearly every line there is, with coupled settings and few positions. Roomy ones leave ports for thirty cards. Of
 * coupled ones a single setting picks interrupt and ports together.
 */
export type BenchKind = 'plain' | 'adversarial' | 'roomy' | 'coupled';
const SEED_OF: Record<BenchKind, number> = { plain: 0, adversarial: 1, roomy: 2, coupled: 3 };

export function benchMachine(seed: number, cards: number, kind: BenchKind): [Build, PartSet] {
  const adversarial = kind === 'adversarial';
  const r = new Seeded(seed * 7919 + SEED_OF[kind]);
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
  const irqCards = adversarial
    ? Math.min(cards, 11)
    : Math.min(kind === 'coupled' ? 10 : 9, kind === 'coupled' ? cards : Math.ceil(cards * 0.6));
  const dmaCards = adversarial ? Math.min(cards, 6) : Math.min(5, Math.ceil(cards * 0.35));
  const order = r.some([...Array(cards).keys()], cards);
  const wantsIrq = new Set(order.slice(0, irqCards));
  const wantsDma = new Set(r.some([...Array(cards).keys()], dmaCards));
  const items: NonNullable<z.input<typeof Build>['items']> = [];
  for (let c = 0; c < cards; c++) {
    const narrow = c % 7 === 6;
    const part =
      kind === 'coupled'
        ? coupledCard(r, `card${c}`, narrow, wantsIrq.has(c))
        : card(r, `card${c}`, narrow, wantsIrq.has(c), wantsDma.has(c), kind);
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

function card(r: Seeded, id: string, narrow: boolean, irq: boolean, dma: boolean, kind: BenchKind): PartIn {
  const adversarial = kind === 'adversarial';
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
  const bases =
    kind === 'roomy'
      ? ROOMY
      : [
          0x200, 0x210, 0x220, 0x240, 0x250, 0x260, 0x270, 0x280, 0x2a0, 0x2c0, 0x2e0, 0x300, 0x310, 0x320,
          0x330, 0x340, 0x350, 0x360, 0x380, 0x3a0, 0x3c0, 0x3e0
        ];
  const few = adversarial ? 3 : 4;
  if (irq) claims.push({ resource: 'irq', from: add('irq', r.some(irqs, few + r.int(3))) });
  if (dma) claims.push({ resource: 'dma', from: add('dma', r.some(dmas, 3)) });
  const io = add('io', r.some(bases, few + r.int(4)));
  const lengths = adversarial ? [16, 16, 32] : kind === 'roomy' ? [4, 8, 8, 16] : [4, 8, 16, 16, 32];
  claims.push({ resource: 'io', length: r.pick(lengths), from: io });
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

/** Every sixteen ports from 200h on. */
const ROOMY = Array.from({ length: 0x1e }, (_, i) => 0x200 + i * 0x10);

/** One setting of eight positions, each with an interrupt and a base of its own. */
function coupledCard(r: Seeded, id: string, narrow: boolean, irq: boolean): PartIn {
  const irqs = narrow ? [3, 4, 5, 7, 9] : [3, 4, 5, 7, 9, 10, 11, 12, 14, 15];
  const positions = Array.from({ length: 8 }, (_, i) => ({
    id: `p${i}`,
    label: `choice ${i}`,
    state: { caps: [[2 * i + 1, 2 * i + 2] as [number, number]] }
  }));
  const values = (pick: () => number) => Object.fromEntries(positions.map((p) => [p.id, pick()]));
  return {
    id,
    kind: 'card',
    maker: 'bench',
    name: id,
    card: { bus: narrow ? 'isa8' : 'isa16', fallback8: 'yes' },
    blocks: [{ id: 'b', kind: 'header', rows: 2, columns: 8 }],
    settings: [{ id: 'mode', label: 'mode', block: 'b', positions, default: 'p0' }],
    functions: [
      {
        id: 'f',
        label: 'f',
        kind: 'other',
        claims: [
          ...(irq
            ? [{ resource: 'irq' as const, from: { setting: 'mode', values: values(() => r.pick(irqs)) } }]
            : []),
          {
            resource: 'io' as const,
            length: 16,
            from: { setting: 'mode', values: values(() => 0x200 + 0x10 * r.int(30)) }
          }
        ]
      }
    ]
  };
}
