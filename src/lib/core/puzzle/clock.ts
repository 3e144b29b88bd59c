import type { Notebook, State } from '../model';
import { mergeFragments, shows, stateKey, type Cell } from './merge';

/** A state of a clock or voltage setting that could be tried, with what the sources say of it. */
export interface ClockTry {
  block: string;
  state: State;
  /** Lowest and highest number that a source gives. */
  low: number;
  high: number;
  said: Cell['said'];
  /** What happened when it was tried. */
  happened: string | null;
}

export interface ClockPlan {
  next: ClockTry | null;
  why: string;
  /** Every state, slowest first. */
  all: ClockTry[];
}

const numberIn = (text: string): number | null => {
  const m = /(\d+(?:[.,]\d+)?)/.exec(text);
  return m ? Number(m[1].replace(',', '.')) : null;
};

/**
 * The safest state to try when sources disagree on a clock or a voltage, then the next from what was tried. The
 * slowest comes first: of the states that nobody tried, that whose highest claim is lowest. After one that ran,
 * the next higher; after one that froze or stayed dead, nothing that any source calls as fast or faster.
 * @param most rating of the CPU in MHz or V: nothing that any source puts above it is tried
 */
export function clockPlan(notebook: Notebook, subject: 'bus-mhz' | 'volts', most: number | null): ClockPlan {
  const table = mergeFragments(notebook).find((t) => t.subject === subject);
  const all = (table?.cells ?? [])
    .flatMap((cell): ClockTry[] => {
      const numbers = cell.said.flatMap((s) => numberIn(s.value) ?? []);
      if (!numbers.length) return [];
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
  if (!all.length) return { next: null, why: 'No source gives a number yet.', all };
  const tooFast = all.filter((t) => t.happened === 'froze' || t.happened === 'dead');
  const ceiling = Math.min(most === null ? Infinity : most * 1.035, ...tooFast.map((t) => t.low - 0.01));
  const good = all.filter((t) => t.happened === 'ran');
  const open = all.filter((t) => t.happened === null && t.high <= ceiling);
  const unit = subject === 'volts' ? 'V' : 'MHz';
  // A CPU that ran at what every source calls its rating has nothing left to gain.
  const isThere = most !== null && good.some((t) => t.low >= most * 0.965);
  if (isThere) return { next: null, why: `It ran at its rated ${most} ${unit}.`, all };
  const next = open[0] ?? null;
  if (next)
    return {
      next,
      why: good.length
        ? `The next higher: no source puts it above ${next.high} ${unit}.`
        : `The safest first: no source puts it above ${next.high} ${unit}${next.low === next.high ? '' : `, one says ${next.low}`}.`,
      all
    };
  return {
    next: null,
    why: tooFast.length
      ? `Everything left may be as fast as what ${tooFast[0].happened === 'dead' ? 'stayed dead' : 'froze'}. Stay with what ran, or look for the fault elsewhere.`
      : most !== null
        ? subject === 'volts'
          ? `Every state that is left may give more than ${most} V. Do not try: measure at the empty socket.`
          : `Every state that is left may be faster than the rated ${most} MHz.`
        : 'Everything was tried.',
    all
  };
}
