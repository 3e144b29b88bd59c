import { there } from '../model';
import { needOf, peakOf, type Line } from './line';

/** Fills that are kept; beyond them only the sizes count. */
const MOST_FILLS = 2_000_000;
/** Rounds in which the prices are improved. */
const ROUNDS = 60;

/**
 * The most that one region takes of a set of lines, each needing its load at its moment, in the order that is best when
 * no line waits for another.
 */
class OneRegion {
  private readonly known = new Map<number, number>();
  constructor(
    private readonly lines: readonly Line[],
    /** Places of the lines in the best order: by file, then falling peak. */
    private readonly order: readonly number[],
    /** What a line counts when it is in. */
    private readonly worth: readonly number[]
  ) {}
  get size(): number {
    return this.known.size;
  }

  /** The most worth of a set in a region with so much free. @param from place in the order to look from */
  most(set: number, free: number, from = 0): number {
    let at = from;
    while (at < this.order.length && !(set & (1 << there(this.order[at])))) at++;
    if (at >= this.order.length) return 0;
    const key = set * 2_097_152 + free;
    const known = this.known.get(key);
    if (known !== undefined) return known;
    const i = there(this.order[at]);
    const line = there(this.lines[i]);
    const rest = set & ~(1 << i);
    let most = this.most(rest, free, at + 1);
    if (there(this.worth[i]) > 0 && needOf(line) <= free)
      most = Math.max(most, there(this.worth[i]) + this.most(rest, free - line.stay, at + 1));
    this.known.set(key, most);
    return most;
  }

  /** Lines of a best filling, as bits. */
  chosen(set: number, free: number, from = 0): number {
    let at = from;
    while (at < this.order.length && !(set & (1 << there(this.order[at])))) at++;
    if (at >= this.order.length) return 0;
    const i = there(this.order[at]);
    const line = there(this.lines[i]);
    const rest = set & ~(1 << i);
    const without = this.most(rest, free, at + 1);
    if (this.most(set, free, from) === without) return this.chosen(rest, free, at + 1);
    return (1 << i) | this.chosen(rest, free - line.stay, at + 1);
  }
}

/**
 * How much regions can hold together, never too little. Each region by itself could take the same line as another; a
 * price on every line makes that dear (Lagrange), and whatever the prices are the bound holds.
 */
export class Fills {
  private readonly plain: OneRegion;
  private priced: OneRegion | null = null;
  private prices: readonly number[] = [];
  private readonly order: readonly number[];

  constructor(private readonly lines: readonly Line[]) {
    this.order = lines
      .map((_, i) => i)
      .sort(
        (a, b) =>
          there(lines[a]).stage - there(lines[b]).stage ||
          peakOf(there(lines[b])) - peakOf(there(lines[a])) ||
          a - b
      );
    this.plain = this.region(lines.map((l) => l.stay));
  }
  private region(worth: readonly number[]): OneRegion {
    return new OneRegion(this.lines, this.order, worth);
  }

  /**
   * Looks for prices that make the bound of a set low, from those that were found before on.
   * @param enough a bound that need not be lowered any more
   */
  improve(set: number, free: readonly number[], enough = -Infinity): void {
    let prices = this.prices.length ? this.prices : this.lines.map(() => 0);
    let best = Infinity;
    let step = 0.4;
    const members = this.order.filter((i) => set & (1 << i));
    for (let round = 0; round < ROUNDS; round++) {
      const region = this.region(this.lines.map((l, i) => l.stay - there(prices[i])));
      const value =
        members.reduce((n, i) => n + there(prices[i]), 0) + free.reduce((n, f) => n + region.most(set, f), 0);
      if (region.size > MOST_FILLS / 4) return;
      if (value < best - 1e-6) {
        best = value;
        this.prices = prices;
        this.priced = region;
        if (best <= enough) return;
      } else step *= 0.85;
      const used = this.lines.map(() => 0);
      for (const f of free) {
        const chosen = region.chosen(set, f);
        for (const i of members) if (chosen & (1 << i)) used[i] = there(used[i]) + 1;
      }
      if (members.every((i) => there(used[i]) <= 1 && (used[i] === 1 || prices[i] === 0))) return;
      prices = prices.map((p, i) =>
        set & (1 << i)
          ? Math.min(
              there(this.lines[i]).stay,
              Math.max(0, p + step * there(this.lines[i]).stay * (there(used[i]) - 1))
            )
          : p
      );
    }
  }

  /** Never less than what the regions can really hold of a set together. */
  most(set: number, free: readonly number[]): number {
    if (this.plain.size > MOST_FILLS) return free.reduce((a, b) => a + b, 0);
    const plain = free.reduce((n, f) => n + this.plain.most(set, f), 0);
    const { priced } = this;
    if (!priced || priced.size > MOST_FILLS) return plain;
    let dear = 0;
    for (const i of this.order) if (set & (1 << i)) dear += there(this.prices[i]);
    for (const f of free) dear += priced.most(set, f);
    return Math.min(plain, dear + 1e-6);
  }
}
