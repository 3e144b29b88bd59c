import { there } from '../model';
import type { Notebook, State } from '../model';
import { elementsOf, hazardous, predicted, spokenOf, stateOf, type Element, type Guess } from './guess';

/** What a fact would show: a value, or nothing that a table has, or what it shows already. */
export type Would = { value: string } | { is: 'no-row' | 'as-before' };

export interface NextTry {
  /** Index of the element to change, and the number of its new state. */
  element: number;
  to: number;
  states: Record<string, State>;
  /** Bits that the answer is expected to give. */
  bits: number;
  /** What each fact would show, with how many guesses say so. */
  would: { subject: string; values: { value: Would; guesses: number }[] }[];
}

/** What an element may set that is never tried. */
export type Barred = 'volts' | 'clock';
/** Why there is nothing to try. */
export type NothingToTry = 'no-start' | 'no-safe-change' | 'nothing-open';

export interface NextTries {
  best: NextTry | null;
  others: NextTry[];
  /** Elements that are left alone, and why. */
  barred: { element: Element; why: Barred }[];
  done: NothingToTry | null;
}

/** Keys beside the values that people type, which hold no control characters. */
const NO_ROW = '\0no-row';
const AS_BEFORE = '\0as-before';
const wouldOf = (value: string): Would =>
  value === NO_ROW ? { is: 'no-row' } : value === AS_BEFORE ? { is: 'as-before' } : { value };

const entropy = (counts: readonly number[]): number => {
  const all = counts.reduce((a, b) => a + b, 0);
  return counts.reduce((sum, n) => (n ? sum - (n / all) * Math.log2(n / all) : sum), 0);
};

/**
 * The one change to the last state that separates the remaining guesses best. One element changes at a start,
 * so that an effect has one cause; an element that may set a voltage or a clock is left alone.
 */
export function nextTries(notebook: Notebook, left: readonly Guess[]): NextTries {
  const elements = elementsOf(notebook);
  const last = notebook.tries.at(-1);
  if (!last) return { best: null, others: [], barred: [], done: 'no-start' };
  const barred = new Map<number, Barred>();
  const bars = (subject: string): Barred => (subject === 'volts' ? 'volts' : 'clock');
  for (const guess of left)
    if (hazardous.has(guess.subject)) for (const e of guess.elements) barred.set(e, bars(guess.subject));
  // What a document names is left alone also where nobody asks for that fact.
  for (const fragment of notebook.fragments)
    for (const row of fragment.rows)
      if (hazardous.has(row.subject))
        for (const e of spokenOf(elements, row.block, row.state)) barred.set(e, bars(row.subject));
  const known = new Map(notebook.subjects.map((s) => [s, last.saw[s]]));
  const tries = elements
    .flatMap((element, index) => {
      const now = stateOf(element, last.states);
      if (now < 0 || barred.has(index)) return [];
      return element.states.flatMap((_, to) =>
        to === now ? [] : [evaluated(elements, index, to, last.states, left, known)]
      );
    })
    .filter((t) => t.bits > 1e-9)
    .sort((a, b) => b.bits - a.bits || a.element - b.element || a.to - b.to);
  const open = notebook.subjects.filter((s) => left.filter((g) => g.subject === s).length > 1);
  return {
    best: tries[0] ?? null,
    others: tries.slice(1, 4),
    barred: [...barred].map(([e, why]) => ({ element: there(elements[e]), why })),
    done: tries.length ? null : open.length ? 'no-safe-change' : 'nothing-open'
  };
}

function evaluated(
  elements: readonly Element[],
  element: number,
  to: number,
  from: Readonly<Record<string, State>>,
  left: readonly Guess[],
  known: ReadonlyMap<string, string | undefined>
): NextTry {
  const states = withState(there(elements[element]), to, from);
  const would = new Map<string, Map<string, number>>();
  for (const guess of left) {
    const said = guess.elements.length ? predicted(guess, elements, states) : known.get(guess.subject);
    const value = said ?? (guess.elements.length ? NO_ROW : AS_BEFORE);
    const counts = would.get(guess.subject) ?? new Map<string, number>();
    counts.set(value, (counts.get(value) ?? 0) + 1);
    would.set(guess.subject, counts);
  }
  const bits = [...would.values()].reduce((sum, counts) => sum + entropy([...counts.values()]), 0);
  return {
    element,
    to,
    states,
    bits,
    would: [...would]
      .filter(([, counts]) => counts.size > 1)
      .map(([subject, counts]) => ({
        subject,
        values: [...counts]
          .map(([value, guesses]) => ({ value: wouldOf(value), guesses }))
          .sort((a, b) => b.guesses - a.guesses)
          .slice(0, 6)
      }))
  };
}

/** The states with one element in another place. */
export function withState(
  element: Element,
  to: number,
  from: Readonly<Record<string, State>>
): Record<string, State> {
  const state = there(element.states[to]);
  const before = from[element.block];
  const next =
    'switches' in state && before && 'switches' in before
      ? { switches: { ...before.switches, ...state.switches } }
      : state;
  return { ...from, [element.block]: next };
}
