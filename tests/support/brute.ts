import type { Build, Claim, Item, Part, PartFunction, PartSet } from '../../src/lib/core/model';

/**
 * An independent oracle: walks through every combination of positions and judges each from first
 * principles (explicit sets of addresses, its own reading of the sharing rules and of the costs).
 * Shares no code with the solver.
 */
export type Vector = [
  off: number,
  shares: number,
  hard: number,
  wishes: number,
  moves: number,
  distance: number
];

interface Taken {
  item: string;
  fn: PartFunction;
  claim: Claim;
  value: number;
  bus: 'board' | 'isa8' | 'isa16';
}

type Choice = Record<string, Record<string, string>>;

export interface BruteOptions {
  allowOff: boolean;
  /** `item/function` that take no part: no lines, no duties. */
  without?: ReadonlySet<string>;
}

export class Brute {
  private readonly at: boolean;
  private readonly items: { item: Item; part: Part; bus: 'isa8' | 'isa16' }[];
  private readonly meets = new Map<string, boolean>();

  constructor(
    private readonly build: Build,
    parts: PartSet
  ) {
    const board = parts.get(build.board.part)!.board!;
    this.at = board.class === 'at';
    this.items = build.items.map((item) => {
      const part = parts.get(item.part)!;
      const slot = board.slots.find((s) => s.id === item.slot)!;
      return { item, part, bus: slot.bus === 'isa8' || part.card!.bus === 'isa8' ? 'isa8' : 'isa16' };
    });
  }

  /** The best vector over all combinations, or null. */
  best(options: BruteOptions): Vector | null {
    let best: Vector | null = null;
    for (const choice of this.choices()) {
      const vector = this.judge(choice, options);
      if (vector && (!best || less(vector, best))) best = vector;
    }
    return best;
  }

  possible(options: BruteOptions): boolean {
    for (const choice of this.choices()) if (this.judge(choice, options)) return true;
    return false;
  }

  private *choices(): Generator<Choice> {
    const axes = this.items.flatMap(({ item, part }) =>
      part.settings.map((s) => {
        const stands = item.chosen[s.id] ?? item.asFound[s.id] ?? s.default!;
        const stay = !s.known || item.locked.includes(s.id) || !this.matters(part, s.id);
        return { item: item.id, setting: s.id, positions: stay ? [stands] : s.positions.map((p) => p.id) };
      })
    );
    const choice: Choice = Object.fromEntries(this.items.map(({ item }) => [item.id, {}]));
    const walk = function* (i: number): Generator<Choice> {
      if (i === axes.length) {
        yield choice;
        return;
      }
      for (const position of axes[i].positions) {
        choice[axes[i].item][axes[i].setting] = position;
        yield* walk(i + 1);
      }
    };
    yield* walk(0);
  }

  private matters(part: Part, setting: string): boolean {
    return JSON.stringify([part.functions, part.constraints]).includes(`"${setting}"`);
  }

  judge(choice: Choice, { allowOff, without }: BruteOptions): Vector | null {
    const taken: Taken[] = [];
    let off = 0;
    let distance = 0;
    let moves = 0;
    const on = new Set<string>();
    for (const { item, part, bus } of this.items) {
      const chosen = choice[item.id];
      const present = part.functions.filter((fn) => !without?.has(`${item.id}/${fn.id}`));
      if (present.length && !this.allowed(part, chosen)) return null;
      for (const fn of present) {
        const isOff = fn.off.some((m) => Object.entries(m).every(([s, ps]) => ps.includes(chosen[s])));
        const is = (r: { item: string; function: string }) => r.item === item.id && r.function === fn.id;
        const must = this.build.brief.mustBeOn.some(is);
        const standsOff = fn.off.some((m) =>
          Object.entries(m).every(([s, ps]) => {
            const setting = part.settings.find((x) => x.id === s)!;
            return ps.includes(item.chosen[s] ?? item.asFound[s] ?? setting.default!);
          })
        );
        const wanted = must || (!this.build.brief.mayBeOff.some(is) && !standsOff);
        if (isOff && (must || (wanted && !allowOff))) return null;
        if (isOff && wanted) off++;
        if (isOff) continue;
        if (bus === 'isa8' && part.card!.bus === 'isa16' && part.card!.fallback8 === 'no') return null;
        on.add(`${item.id}/${fn.id}`);
        for (const claim of fn.claims) {
          const value = valueOf(claim, chosen);
          if (value === null) continue;
          const one = {
            item: item.id,
            fn,
            claim,
            value: this.at && claim.resource === 'irq' && value === 2 ? 9 : value,
            bus
          };
          if (!this.reaches(one)) return null;
          if (!usual(fn.kind, claim.resource, one.value, value)) distance++;
          taken.push(one);
        }
      }
      for (const s of part.settings) {
        const found = item.asFound[s.id] ?? s.default!;
        const state = (id: string) => s.positions.findIndex((p) => p.id === id);
        const kind = part.blocks.find((b) => b.id === s.block)!.kind;
        if (chosen[s.id] !== found)
          moves +=
            kind === 'header'
              ? 3
              : kind === 'software'
                ? 1
                : 2 * bitCount(state(found) ^ state(chosen[s.id]));
        if (chosen[s.id] !== s.default) distance++;
      }
    }
    let shares = 0;
    for (let i = 0; i < taken.length; i++)
      for (let j = i + 1; j < taken.length; j++) {
        const verdict = this.pair(taken[i], taken[j]);
        if (verdict === 'clash') return null;
        if (verdict === 'share') shares++;
      }
    let hard = 0;
    let wishes = 0;
    for (const need of this.build.brief.profiles.flatMap((p) => p.needs)) {
      const met = this.items.some(({ item, part }) =>
        part.functions.some(
          (fn) =>
            fn.kind === need.kind &&
            on.has(`${item.id}/${fn.id}`) &&
            (['irq', 'dma', 'io', 'memory'] as const).every((resource) => {
              const list = need[resource];
              if (!list) return true;
              const claim = fn.claims.find((c) => c.resource === resource);
              const value = claim && valueOf(claim, choice[item.id]);
              if (value === null || value === undefined) return false;
              const same = (n: number) => (this.at && resource === 'irq' && n === 2 ? 9 : n);
              return list.some((n) => same(n) === same(value));
            })
        )
      );
      if (!met) {
        if (need.weight === 'hard') hard++;
        else wishes += need.weight;
      }
    }
    return [off, shares, hard, wishes, moves, distance];
  }

  private allowed(part: Part, chosen: Record<string, string>): boolean {
    return part.constraints.every((c) => {
      if ('forbid' in c) return !Object.entries(c.forbid).every(([s, ps]) => ps.includes(chosen[s]));
      if ('allow' in c)
        return c.allow.rows.some((row) => row.every((p, i) => chosen[c.allow.settings[i]] === p));
      return true;
    });
  }

  private reaches({ claim, value, bus }: Taken): boolean {
    if (claim.resource === 'irq') {
      const eight = this.at ? [3, 4, 5, 6, 7, 9] : [2, 3, 4, 5, 6, 7];
      return (bus === 'isa8' || !this.at ? eight : [...eight, 10, 11, 12, 14, 15]).includes(value);
    }
    if (claim.resource === 'dma') {
      const narrow = bus === 'isa8' || !this.at;
      if (claim.busMaster && (narrow || ![0, 5, 6, 7].includes(value))) return false;
      return (narrow ? [1, 2, 3] : [0, 1, 2, 3, 5, 6, 7]).includes(value);
    }
    if (claim.resource !== 'io') return true;
    if (!this.at && claim.access !== 'write' && (value & 0x200) === 0) return false;
    // The board's own devices compare ten lines and sit below 100h, with gaps on the XT class.
    for (let i = 0; i < claim.length; i++) {
      const common = 0x3ff & (claim.mask ?? 0x3ff);
      for (let port = 0; port < 0x100; port++) {
        if (!this.at && ((port >= 0x70 && port < 0x80) || port >= 0xc0)) continue;
        if (((value + i) & common) === (port & common)) return false;
      }
    }
    return true;
  }

  private pair(a: Taken, b: Taken): 'clash' | 'share' | null {
    if (a.claim.resource !== b.claim.resource || !this.meet(a, b)) return null;
    if (a.item === b.item) {
      const part = this.items.find((i) => i.item.id === a.item)!.part;
      const apart = part.constraints.some(
        (c) => 'apart' in c && c.apart.includes(a.fn.id) && c.apart.includes(b.fn.id) && a.fn.id !== b.fn.id
      );
      const mixed = (a.claim.sharing === 'level') !== (b.claim.sharing === 'level');
      return apart || mixed ? 'clash' : null;
    }
    const names = (x: Taken, y: Taken) => x.claim.sharesWith.some((w) => w === y.fn.kind || w === y.fn.id);
    if (names(a, b) || names(b, a)) return null;
    const busy = (x: Taken) =>
      x.fn.resident || this.build.resident.some((r) => r.item === x.item && r.function === x.fn.id);
    const is = (x: Taken, r: { item: string; function: string }) =>
      x.item === r.item && x.fn.id === r.function;
    const apart = this.build.neverTogether.some(([p, q]) => (is(a, p) && is(b, q)) || (is(a, q) && is(b, p)));
    if (a.claim.sharing === 'idle' && b.claim.sharing === 'idle' && apart && !busy(a) && !busy(b))
      return 'share';
    if (a.claim.resource === 'irq' && [a, b].some((x) => x.claim.sharing === 'unused' && !busy(x)))
      return 'share';
    return 'clash';
  }

  private meet(a: Taken, b: Taken): boolean {
    if (a.claim.resource === 'irq' || a.claim.resource === 'dma') return a.value === b.value;
    const name = [a, b]
      .map(
        (x) =>
          `${x.value} ${JSON.stringify([x.claim.resource, 'length' in x.claim && x.claim.length, 'mask' in x.claim && x.claim.mask, 'access' in x.claim && x.claim.access])}`
      )
      .join('|');
    let meets = this.meets.get(name);
    if (meets === undefined) this.meets.set(name, (meets = overlap(a, b)));
    return meets;
  }
}

const less = (a: Vector, b: Vector): boolean => {
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return a[i] < b[i];
  return false;
};

function bitCount(n: number): number {
  return n === 0 ? 0 : (n & 1) + bitCount(n >> 1);
}

function valueOf(claim: Claim, chosen: Record<string, string>): number | null {
  if (claim.value !== undefined) return claim.value;
  if (!claim.from) return null;
  if ('setting' in claim.from) return claim.from.values[chosen[claim.from.setting]] ?? null;
  for (const row of claim.from.rows)
    if (Object.entries(row.when).every(([s, p]) => chosen[s] === p)) return row.value;
  return null;
}

/** Every port of the 64 Ki at which a claim answers. */
function answers(x: Taken): Set<number> {
  const claim = x.claim as Extract<Claim, { resource: 'io' }>;
  const mask = claim.mask ?? 0x3ff;
  const own = new Set(Array.from({ length: claim.length }, (_, i) => (x.value + i) & mask));
  const all = new Set<number>();
  for (let port = 0; port < 0x10000; port++) if (own.has(port & mask)) all.add(port);
  return all;
}

function overlap(a: Taken, b: Taken): boolean {
  if (a.claim.resource === 'memory' && b.claim.resource === 'memory') {
    for (let i = 0; i < a.claim.length; i += 1024)
      if (a.value + i >= b.value && a.value + i < b.value + b.claim.length) return true;
    return false;
  }
  if (a.claim.resource !== 'io' || b.claim.resource !== 'io') return false;
  if (
    (a.claim.access === 'read' && b.claim.access === 'write') ||
    (a.claim.access === 'write' && b.claim.access === 'read')
  )
    return false;
  const other = answers(b);
  for (const port of answers(a)) if (other.has(port)) return true;
  return false;
}

/** The usual numbers, typed again from the table of usual owners. */
const usualNumbers: Record<string, Partial<Record<Claim['resource'], number[]>>> = {
  audio: { irq: [5, 7], dma: [1, 5], io: [0x220] },
  network: { irq: [10, 3], io: [0x300] },
  scsi: { irq: [11], dma: [5], io: [0x330], memory: [0xc8000, 0xd8000] },
  serial: { irq: [4, 3], io: [0x3f8, 0x2f8] },
  parallel: { irq: [7], io: [0x378, 0x3bc] }
};

function usual(kind: string, resource: Claim['resource'], value: number, printed: number): boolean {
  const list = usualNumbers[kind]?.[resource];
  return !list || list.includes(value) || list.includes(printed);
}
