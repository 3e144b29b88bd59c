import { type MessageId, type StageId, type Start, entryOf, there } from '../model';
import { FAMILIES, familyPriors, readBeeps, soundIn, type Era, type Family } from './families';
import { stepsOf } from './episode';
import { firstStage, priorOf } from './frame';
import type { FaultMode } from './modes';
import { bySize, type Posterior } from './sets';
import { orderOf } from './trace';
import { weigh, type Weighing } from './weigh';

export type Verdict =
  /** What was seen speaks for it. */
  | 'implicated'
  /** What was seen speaks against it. */
  | 'cleared'
  /** The start did not come to where it would show. Nothing is known of it. */
  | 'untested'
  | 'open';

export interface ComponentVerdict {
  component: string;
  item?: string;
  /** One of its modes, for its words. */
  mode: FaultMode;
  prior: number;
  posterior: number;
  verdict: Verdict;
  modes: { id: string; prior: number; posterior: number }[];
  /** The likeliest of them lies in the thing itself, and not in what is set, or written on it. */
  isOfPart: boolean;
}

export interface Diagnosis {
  modes: readonly FaultMode[];
  /** Which BIOS it may be, the likeliest first. */
  families: { family: Family; p: number }[];
  post: Posterior;
  /** What is still wrong, after what was done between the starts; without that the same as `post`. */
  now: Posterior;
  components: ComponentVerdict[];
  /** Chances that nothing, one, two, three things are wrong, of what the start came to. */
  sizes: number[];
  /** Share of what is possible that sets of three cover. */
  covered: number;
  /** Messages that were read at the last start. */
  said: readonly MessageId[];
  /** Those of them that nothing in the machine, as it is described, ever says: no fault explains them. */
  unexplained: readonly MessageId[];
  /** Beeps of that start that no BIOS of the families in question makes; null: there were none such. */
  unheard: string | null;
  /** The screen stayed dark then. */
  isDark: boolean;
  /** Where the start stood, with chances; null: it came to the prompt. */
  stops: { stage: StageId | null; p: number }[];
}

/** Sets of more faults than this are not looked at. */
const MOST_FAULTS = 3;

/**
 * What is wrong with a machine, from what was seen and heard of its starts.
 * @param starts starts and readings of one episode: nothing was changed between them but by the tests they name
 * @param family the BIOS family; null: nobody knows
 * @param most faults together at most, beside what is known to be wrong
 */
export function diagnose(
  modes: readonly FaultMode[],
  starts: readonly Start[],
  era: Era,
  family: Family | null,
  most = MOST_FAULTS
): Diagnosis {
  const families = FAMILIES.flatMap((f): [Family, number][] =>
    family === null ? [[f, familyPriors[era][f]]] : f === family ? [[f, 1]] : []
  );
  const w = weigh(modes, stepsOf(starts), families, era, most);
  const post: Posterior = { sets: w.sets, evidence: 1, covered: w.covered };
  const last = starts.findLast((s) => !s.read);
  const now = [...w.now.values()].sort((a, b) => b.p - a.p);
  const unexplained = (last?.messages ?? []).filter((m) => !modes.some((mode) => says(mode, m)));
  const order = orderOf(there([...w.families].sort((a, b) => b[1] - a[1])[0])[0], era);
  const stops = w.stops.map((own, s) => ({
    stage: order[s] ?? null,
    p: own.reduce((a, b) => a + b, 0)
  }));
  return {
    modes,
    families: [...w.families].map(([f, p]) => ({ family: f, p })).sort((a, b) => b.p - a.p),
    post,
    now: { ...post, sets: now },
    components: verdicts(modes, w, stops, order, unexplained.length > 0),
    sizes: bySize(post),
    covered: w.covered,
    said: last?.messages ?? [],
    unexplained,
    unheard: unheardIn(last, [...w.families.keys()]),
    isDark: last?.screen === 'dark',
    stops: stops.filter((x) => x.p > 1e-6).sort((a, b) => b.p - a.p)
  };
}

/** Beeps that none of some families has. */
function unheardIn(start: Start | undefined, families: readonly Family[]): string | null {
  const pattern = start?.beeps ? readBeeps(start.beeps) : null;
  return start?.beeps && pattern && families.every((f) => soundIn(f, pattern) === 'unknown')
    ? start.beeps
    : null;
}

const says = ({ effect }: FaultMode, message: MessageId): boolean =>
  effect.says === message || effect.then?.says === message;

const odds = (p: number): number => p / (1 - Math.min(p, 1 - 1e-9));

/** @param isUnclear something was read that nobody can explain: how far the start came behind its picture is not known */
function verdicts(
  modes: readonly FaultMode[],
  w: Weighing,
  stops: readonly { stage: StageId | null; p: number }[],
  order: readonly StageId[],
  isUnclear: boolean
): ComponentVerdict[] {
  const prior = (i: number) => priorOf(there(modes[i]));
  const oneOf = (list: readonly number[]) => 1 - list.reduce((p, q) => p * (1 - q), 1);
  const isBehindPicture = (i: number) =>
    order.indexOf(firstStage(there(modes[i]))) > order.indexOf('display');
  /** Chance that the start stood before a stage. */
  const before = (stage: StageId) =>
    stops.reduce(
      (sum, x) => (x.stage !== null && order.indexOf(x.stage) < order.indexOf(stage) ? sum + x.p : sum),
      0
    );
  return [...new Set(modes.map((m) => m.component))].map((component): ComponentVerdict => {
    const own = modes.flatMap((m, i) => (m.component === component ? [i] : []));
    const each = own.map((i) => ({
      id: there(modes[i]).id,
      prior: prior(i),
      posterior: there(w.marginals[i])
    }));
    const isCertain = own.some((i) => there(modes[i]).prior >= 1);
    const [was, is] = [oneOf(each.map((m) => m.prior)), isCertain ? 1 : entryOf(w.any, component)];
    const mode = there(modes[there(own[0])]);
    const worst = own.reduce((a, b) => (there(w.marginals[b]) > there(w.marginals[a]) ? b : a));
    const isOfPart = !['setting', 'enter'].includes(there(modes[worst]).cure);
    const { item } = mode;
    const verdict: Verdict =
      was < 1 && own.every((i) => before(firstStage(there(modes[i]))) >= 0.9)
        ? 'untested'
        : (odds(is) > 3 * odds(was) || was >= 1) && is > 0.3
          ? 'implicated'
          : odds(is) < odds(was) / 3 && is < 0.05 && !(isUnclear && own.some(isBehindPicture))
            ? 'cleared'
            : 'open';
    return {
      component,
      ...(item ? { item } : {}),
      mode,
      prior: was,
      posterior: is,
      verdict,
      modes: each,
      isOfPart
    };
  });
}
