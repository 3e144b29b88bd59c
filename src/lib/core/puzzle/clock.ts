import { there } from '../model';
import { tooSlow } from '../boards';
import type { Notebook, State } from '../model';
import { mergeFragments, shows, stateKey, type Cell } from './merge';

/** A state of a clock or voltage setting that could be tried, with what the sources say of it. */
export interface ClockTry {
  block: string;
  state: State;
  /** Lowest and highest number that a source gives, whatever clock it means. */
  low: number;
  high: number;
  said: Cell['said'];
  /** What happened when it was tried. */
  happened: Notebook['tries'][number]['happened'] | null;
}

/** Why a state comes next, or why none does; clocks in MHz on the bus, voltages in V. */
export type ClockReason =
  | { is: 'no-number' | 'no-multiplier' | 'no-clock' | 'no-voltage' | 'ran' }
  | { is: 'ran-rated'; rated: number }
  | { is: 'next-clock'; isFirst: boolean; low: number; high: number; rated: number }
  | { is: 'as-fast-as-failed'; failed: 'dead' | 'froze' }
  | { is: 'all-faster'; rated: number }
  | { is: 'next-voltage'; high: number; rated: number }
  | { is: 'all-higher'; rated: number };

export interface ClockPlan {
  next: ClockTry | null;
  why: ClockReason;
  /** Every state, lowest first. */
  all: ClockTry[];
}

/** What is printed on a CPU of its clock. A doubled one prints its core clock and runs its bus at half of it. */
export interface ClockRating {
  mhz: number;
  /** Which clock the number is. */
  of: 'core' | 'bus';
  /** Core clock ÷ bus clock; null: not known. */
  multiplier: number | null;
}

/** Every number in what a source says: `3.3 to 3.45 V` gives two. */
const numbersIn = (text: string): number[] =>
  [...text.matchAll(/\d+(?:[.,]\d+)?/g)].map((m) => Number(m[0].replace(',', '.')));

/**
 * A number as it is printed on a chip: `33`, `3.45 V`, `66MHz`, or a range `3.3-3.6`, of which the upper end counts.
 * @returns null when nothing was typed, `unclear` when it is no single number or range
 */
export function printedNumber(text: string): number | null | 'unclear' {
  const bare = text.trim();
  if (!bare) return null;
  const number = String.raw`\d{1,4}(?:[.,]\d{1,3})?`;
  const unit = String.raw`\s*(?:v|volts?|mhz)?`;
  const m = new RegExp(`^(${number})${unit}(?:\\s*(?:-|–|to)\\s*(${number})${unit})?$`, 'i').exec(bare);
  if (!m) return 'unclear';
  const numberOf = (text: string) => Number(text.replace(',', '.'));
  const low = numberOf(there(m[1]));
  const high = m[2] === undefined ? low : numberOf(m[2]);
  return low <= high && high > 0 ? high : 'unclear';
}

/** Clock names are rounded: 33 stands for 33⅓, 66 for 66⅔. */
const ROUNDING = 1.011;

function statesOf(notebook: Notebook, subject: 'bus-mhz' | 'volts'): ClockTry[] {
  const table = mergeFragments(notebook).find((t) => t.subject === subject);
  return (table?.cells ?? [])
    .flatMap((cell): ClockTry[] => {
      const numbers = cell.said.flatMap((s) => numbersIn(s.value));
      // A source that gives no number may mean any.
      if (!numbers.length || cell.said.some((s) => !numbersIn(s.value).length)) return [];
      const tried = notebook.tries.filter(
        (t) => shows(t.states[cell.block], cell.state) && t.happened !== 'not-noted'
      );
      return [
        {
          block: cell.block,
          state: cell.state,
          low: Math.min(...numbers),
          high: Math.max(...numbers),
          said: cell.said,
          happened: tried.at(-1)?.happened ?? null
        }
      ];
    })
    .sort((a, b) => a.high - b.high || a.low - b.low || (stateKey(a.state) < stateKey(b.state) ? -1 : 1));
}

/**
 * The highest number that a row of a clock table may carry for this CPU, whichever clock the table means: read as
 * the bus clock a number gives the highest core clock, so that reading sets the limit. Null while core clock and
 * multiplier are not both known.
 */
export function clockCeiling(rating: ClockRating | null): number | null {
  if (!rating) return null;
  if (rating.of === 'bus') return rating.mhz;
  return rating.multiplier === null ? null : rating.mhz / rating.multiplier;
}

/**
 * The safest clock to try when sources disagree, then the next from what was tried: of the states that nobody tried
 * and that no reading puts above the rating, that whose highest claim is lowest. After one that froze or stayed
 * dead, nothing that any source calls as fast or faster. Without a rating nothing is proposed.
 */
export function clockPlan(notebook: Notebook, rating: ClockRating | null): ClockPlan {
  const all = statesOf(notebook, 'bus-mhz');
  if (!all.length) return { next: null, why: { is: 'no-number' }, all };
  const most = clockCeiling(rating);
  if (most === null) return { next: null, why: { is: rating ? 'no-multiplier' : 'no-clock' }, all };
  const tooFast = all.filter((t) => t.happened === 'froze' || t.happened === 'dead');
  const ceiling = Math.min(most * ROUNDING, ...tooFast.map((t) => t.low - 0.01));
  const good = all.filter((t) => t.happened === 'ran');
  if (good.some((t) => !tooSlow(t.low, most) && t.high <= most * ROUNDING))
    return { next: null, why: { is: 'ran-rated', rated: most }, all };
  const next = all.find((t) => t.happened === null && t.high <= ceiling) ?? null;
  if (next) {
    const { low, high } = next;
    return { next, why: { is: 'next-clock', isFirst: !good.length, low, high, rated: most }, all };
  }
  return {
    next: null,
    why: tooFast.length
      ? { is: 'as-fast-as-failed', failed: there(tooFast[0]).happened === 'dead' ? 'dead' : 'froze' }
      : { is: 'all-faster', rated: most },
    all
  };
}

/**
 * The voltage to try first. A wrong clock stops a CPU, a wrong voltage destroys it: nothing is proposed that was not
 * read off the chip, nothing that any source puts above it, and nothing at all once a state ran.
 * @param rated highest voltage printed on the chip, in V; null: not read
 */
export function voltagePlan(notebook: Notebook, rated: number | null): ClockPlan {
  const all = statesOf(notebook, 'volts');
  if (!all.length) return { next: null, why: { is: 'no-number' }, all };
  // Whatever voltage that was, it does: also where the block was not written down.
  if (notebook.tries.some((t) => t.happened === 'ran' || t.happened === 'slow'))
    return { next: null, why: { is: 'ran' }, all };
  if (rated === null) return { next: null, why: { is: 'no-voltage' }, all };
  const next = all.find((t) => t.happened === null && t.high <= rated) ?? null;
  return next
    ? { next, why: { is: 'next-voltage', high: next.high, rated }, all }
    : { next: null, why: { is: 'all-higher', rated }, all };
}
