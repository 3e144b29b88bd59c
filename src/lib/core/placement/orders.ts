import type { Budget } from '../kernel';
import { there } from '../model';
import type { Fills } from './fills';
import { needOf, type Line } from './line';

/** Where a line lies: 0 is conventional memory, 1 and up the upper regions. */
export interface PlacedLine {
  name: string;
  region: number;
}

/** A plan that was found: bytes left low, the lines in their order, and what stays free in each region. */
export interface Found {
  low: number;
  order: PlacedLine[];
  free: number[];
}

/**
 * Looks at every order and place by branch and bound.
 *
 * Two neighbours of which the second has the larger peak can change places without harm, unless the second waits for
 * the first (exchange argument). So only orders are looked at in which a line with a larger peak than the one before
 * it waits for that one.
 */
export class Orders {
  best: Found;
  private readonly full: number;
  private readonly rankOf: number[];
  private readonly seen = new Map<string, number>();
  private readonly trail: PlacedLine[] = [];

  /**
   * @param rank lines by falling peak
   * @param pre for each line those that it waits for, as bits
   * @param bound with so few bytes low nothing is left to look for
   * @param best what is to be beaten
   */
  constructor(
    private readonly lines: readonly Line[],
    private readonly rank: readonly number[],
    private readonly pre: readonly number[],
    private readonly fills: Fills,
    private readonly bound: number,
    private readonly budget: Budget,
    best: Found
  ) {
    this.best = best;
    this.full = 2 ** lines.length - 1;
    this.rankOf = rank.reduce<number[]>((out, line, place_) => ((out[line] = place_), out), []);
  }

  /**
   * @param done lines that are placed, as bits
   * @param last the last of them; -1: none
   * @throws Stopped when the budget is spent; `best` is what was found until then
   */
  go(done: number, last: number, free: number[], low: number): void {
    if (this.best.low <= this.bound) return;
    this.budget.spend();
    if (low + this.leastOf(done, free) >= this.best.low) return;
    if (done === this.full) {
      this.best = { low, order: [...this.trail], free: [...free] };
      return;
    }
    const key = `${done} ${last} ${[...free].sort((a, b) => a - b).join()}`;
    const known = this.seen.get(key);
    if (known !== undefined && known <= low) return;
    this.seen.set(key, low);
    for (const i of this.rank) {
      const bit = 1 << i;
      const waits = there(this.pre[i]);
      if (done & bit || waits & ~done) continue;
      const isLater = last < 0 || there(this.rankOf[i]) > there(this.rankOf[last]);
      if (isLater || waits & (1 << last)) this.put(i, done | bit, free, low);
    }
  }

  /** Puts a line into every region that takes it, and low. */
  private put(i: number, done: number, free: number[], low: number): void {
    const line = there(this.lines[i]);
    // The tightest region first; equal ones are one choice.
    const fits = free
      .map((f, r) => ({ f, r }))
      .filter(({ f }) => line.high && needOf(line) <= f)
      .sort((a, b) => a.f - b.f || a.r - b.r)
      .filter(({ f }, k, all) => k === 0 || there(all[k - 1]).f !== f);
    for (const { f, r } of fits) {
      this.trail.push({ name: line.name, region: r + 1 });
      free[r] = f - line.stay;
      this.go(done, i, free, low);
      free[r] = f;
      this.trail.pop();
    }
    this.trail.push({ name: line.name, region: 0 });
    this.go(done, i, free, low + line.stay);
    this.trail.pop();
  }

  /** Bytes that the lines that are still to be placed leave low at the least. */
  private leastOf(done: number, free: readonly number[]): number {
    let mustLow = 0;
    let rest = 0;
    let open = 0;
    const most = Math.max(0, ...free);
    this.lines.forEach((line, i) => {
      if (done & (1 << i)) return;
      if (!line.high || needOf(line) > most) mustLow += line.stay;
      else {
        rest += line.stay;
        open |= 1 << i;
      }
    });
    return mustLow + Math.max(0, rest - this.fills.most(open, free));
  }
}
