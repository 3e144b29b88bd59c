import { expect } from 'chai';
import { checked } from '../../src/lib/core/rules';
import { resolve } from '../../src/lib/core/solver';
import { Build, Part, partSet } from '../../src/lib/core/model';
import { board, card, jumper, type ClaimIn } from '../support/make';
import { Seeded } from '../support/random';
import { torture } from '../support/torture';

/**
 * What the hardware does, played without anything of the product: cards on an ISA bus drive interrupt and DMA lines,
 * and answer at every port and address that their comparators let through. Two that drive one line, or answer at one
 * place, are a clash.
 */
interface Taken {
  irq: Set<number>;
  dma: Set<number>;
  io: { base: number; length: number; mask: number }[];
  memory: { base: number; length: number }[];
}
/** On an AT the line of the slot that is called 2 leads to input 9 of the second controller. */
const wire = (irq: number): number => (irq === 2 ? 9 : irq);

/** Every one of the 65,536 ports at which a card answers. */
function answering({ io }: Taken): Uint8Array {
  const ports = new Uint8Array(0x10000);
  for (const { base, length, mask } of io) {
    // The lines above those that are compared may be anything.
    for (let i = 0; i < length; i++)
      for (let port = (base + i) & mask; port < 0x10000; port += mask + 1) ports[port] = 1;
  }
  return ports;
}
const meets = (a: ReadonlySet<number>, b: ReadonlySet<number>): boolean => [...a].some((x) => b.has(x));

function clashing(a: Taken, b: Taken): boolean {
  if (meets(a.irq, b.irq) || meets(a.dma, b.dma)) return true;
  const [one, two] = [answering(a), answering(b)];
  for (let port = 0; port < 0x10000; port++) if (one[port] && two[port]) return true;
  const bytes = (t: Taken) =>
    new Set(
      t.memory.flatMap(({ base, length }) => Array.from({ length: length / 1024 }, (_, i) => base / 1024 + i))
    );
  return meets(bytes(a), bytes(b));
}

const IRQS = [2, 3, 5, 7, 9, 10, 11, 12, 15];
const DMAS = [1, 3, 5, 6, 7];
/** Where cards of the time sit, and what comparators they had: ten lines, twelve, or all sixteen. */
const PORTS = [
  0x110, 0x200, 0x220, 0x240, 0x280, 0x300, 0x310, 0x320, 0x330, 0x340, 0x388, 0x620, 0x710, 0x2220, 0x2710
];
const LENGTHS = [1, 2, 4, 8, 16, 32];
const WINDOWS = [0xc8000, 0xcc000, 0xd0000, 0xd4000, 0xd8000, 0xe0000];

interface Drawn {
  claims: ClaimIn[];
  taken: Taken;
}
function drawn(r: Seeded): Drawn {
  const claims: ClaimIn[] = [];
  const taken: Taken = { irq: new Set(), dma: new Set(), io: [], memory: [] };
  if (r.chance(0.7)) {
    const irq = r.pick(IRQS);
    claims.push({ resource: 'irq', value: irq });
    taken.irq.add(wire(irq));
  }
  if (r.chance(0.5)) {
    const dma = r.pick(DMAS);
    claims.push({ resource: 'dma', value: dma, width: dma > 3 ? 16 : 8 });
    taken.dma.add(dma);
  }
  for (let n = r.int(3); n > 0; n--) {
    const base = r.pick(PORTS);
    const length = r.pick(LENGTHS);
    const mask = base > 0x3ff ? 0xffff : r.pick([0x3ff, 0x3ff, 0xffff, 0xfff]);
    claims.push({ resource: 'io', value: base.toString(16), length, mask: mask.toString(16) });
    taken.io.push({ base, length, mask });
  }
  if (r.chance(0.4)) {
    const base = r.pick(WINDOWS);
    const length = r.pick([0x2000, 0x4000, 0x8000]);
    const at = base - (base % length);
    claims.push({ resource: 'memory', value: at.toString(16), length: length.toString(16), use: 'ram' });
    taken.memory.push({ base: at, length });
  }
  return { claims, taken };
}

function machineOf(cards: readonly ClaimIn[][]) {
  const mainboard = Part.parse(
    board(
      'at',
      cards.map(() => 'isa16')
    )
  );
  const parts = cards.map((claims, i) => Part.parse(card(`card-${i}`, claims)));
  const build = Build.parse({
    id: 'm',
    name: 'M',
    board: { id: 'board', part: mainboard.id },
    items: parts.map((p, i) => ({ id: `c${i}`, part: p.id, slot: `s${i + 1}` }))
  });
  return { build, parts: partSet([mainboard, ...parts]) };
}

/** Pairs of cards of which the check says that they clash. */
function toldPairs(build: Build, parts: ReturnType<typeof partSet>): string[] {
  const { findings } = checked(build, parts);
  const pairs = findings
    .filter((f) => f.severity === 'clash')
    .map((f) => [...new Set(f.subjects.map((a) => a.item))].filter((id) => /^c\d$/.test(id)).sort())
    .filter((ids) => ids.length === 2)
    .map((ids) => ids.join(' '));
  return [...new Set(pairs)].sort();
}

describe('cards on a bus, played port by port', () => {
  it('clash exactly where two of them drive a line or answer at a place', () => {
    let clashes = 0;
    for (let seed = 1; seed <= torture(4000, 150); seed++) {
      const r = new Seeded(seed);
      const cards = Array.from({ length: 2 + r.int(3) }, () => drawn(r));
      const { build, parts } = machineOf(cards.map((c) => c.claims));
      const expected: string[] = [];
      cards.forEach((a, i) =>
        cards.slice(i + 1).forEach((b, j) => {
          if (clashing(a.taken, b.taken)) expected.push(`c${i} c${i + 1 + j}`);
        })
      );
      clashes += expected.length;
      const why = `seed ${seed}: ${JSON.stringify(cards.map((c) => c.claims))}`;
      expect(toldPairs(build, parts), why).to.deep.equal(expected.sort());
    }
    expect(clashes).to.be.greaterThan(100);
  });

  it('what the solver sets can be switched on: nothing drives a line twice or answers twice', () => {
    let solved = 0;
    for (let seed = 1; seed <= torture(1500, 80); seed++) {
      const r = new Seeded(seed);
      const sets = Array.from({ length: 2 + r.int(4) }, (_, i) => {
        const irqs = r.some([3, 5, 7, 9, 10, 11], 2 + r.int(3));
        const bases = r.some([0x220, 0x240, 0x280, 0x300, 0x320, 0x340], 2 + r.int(2));
        const length = r.pick([8, 16, 32]);
        return { i, irqs, bases, length, irq: jumper('irq', irqs), io: jumper('io', bases) };
      });
      const mainboard = Part.parse(
        board(
          'at',
          sets.map(() => 'isa16')
        )
      );
      const parts = sets.map(({ i, irq, io, length }) =>
        Part.parse(
          card(
            `card-${i}`,
            [
              { resource: 'irq', from: irq.from },
              {
                resource: 'io',
                length,
                from: {
                  setting: 'io',
                  values: Object.fromEntries(
                    Object.entries(io.from.values).map(([p, n]) => [p, n.toString(16)])
                  )
                }
              }
            ],
            { blocks: [irq.block, io.block], settings: [irq.setting, io.setting] }
          )
        )
      );
      const build = Build.parse({
        id: 'm',
        name: 'M',
        board: { id: 'board', part: mainboard.id },
        items: parts.map((p, i) => ({ id: `c${i}`, part: p.id, slot: `s${i + 1}` }))
      });
      const found = resolve(build, partSet([mainboard, ...parts]), { alternatives: 0, relaxations: 0 });
      // Whether it can be done at all, by trying everything.
      const options = sets.flatMap((s) => [
        s.irqs.map((irq) => ({ irq })),
        s.bases.map((base) => ({ base }))
      ]);
      const takenOf = (chosen: readonly number[]): Taken[] =>
        sets.map((s, i) => ({
          irq: new Set([wire(s.irqs[chosen[2 * i]!]!)]),
          dma: new Set(),
          io: [{ base: s.bases[chosen[2 * i + 1]!]!, length: s.length, mask: 0x3ff }],
          memory: []
        }));
      const isQuiet = (all: readonly Taken[]) =>
        all.every((a, i) => all.slice(i + 1).every((b) => !meets(a.irq, b.irq) && !overlap(a, b)));
      const walk = (chosen: number[]): boolean =>
        chosen.length === options.length
          ? isQuiet(takenOf(chosen))
          : options[chosen.length]!.some((_, n) => walk([...chosen, n]));
      if (found.status === 'solved') {
        solved++;
        const chosen = sets.flatMap((s) => {
          const at = found.positions[`c${s.i}`]!;
          const index = (list: readonly number[], p: string) => list.findIndex((n) => n.toString(16) === p);
          return [index(s.irqs, at.irq!), index(s.bases, at.io!)];
        });
        const all = takenOf(chosen);
        all.forEach((a, i) =>
          all.slice(i + 1).forEach((b) => expect(clashing(a, b), `seed ${seed}: card ${i}`).to.equal(false))
        );
      } else if (sets.length <= 4) expect(walk([]), `seed ${seed}: said to be impossible`).to.equal(false);
    }
    expect(solved).to.be.greaterThan(30);
  });
});

/** Windows of ten compared lines, all below 400h. */
const overlap = (a: Taken, b: Taken): boolean =>
  a.io.some((x) => b.io.some((y) => x.base < y.base + y.length && y.base < x.base + x.length));
