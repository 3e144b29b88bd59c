import { entryOf, there } from '../model';
import type { Diagnosis } from './diagnose';
import { doneIn, type Step } from './episode';
import { firstRepair } from './first-repair';
import { soundsOf, type Era, type Family } from './families';
import { heardAs } from './likelihood';
import { outWithCards, testById, testOf, testsOf, type BenchTest } from './bench-tests';
import { gain, mixed, type Outcomes } from './information';
import type { FaultMode } from './modes';
import type { FaultSet } from './sets';
import { traces } from './trace';

export interface Valued {
  /** What the test is and costs, as plain data. */
  test: Pick<BenchTest, 'id' | 'minutes' | 'money' | 'risk'>;
  /** Bits about the first repair. */
  bits: number;
  /** Beyond what switching on once more would tell; of a reading all of it. */
  beyondRepeat: number;
  perMinute: number;
  /** It tells less than this machine can use; done all the same it only costs. */
  isRefused: boolean;
  /** Why it is not offered though it would tell something: the rails of the part were not measured. */
  guard?: 'ohms-first';
}

/** From this chance of a pulled-down rail on nobody is told to switch on before the rails were measured. */
const RISKY = 0.1;
/** Chance that a start with these faults does not bring the rails up. */
const pullsDown = (modes: readonly FaultMode[], faults: FaultSet): number =>
  1 - faults.reduce((least, i) => Math.min(least, runs(there(modes[i]))), 1);
const runs = ({ effect }: FaultMode): number =>
  effect.power ? (effect.power.runs ?? 0) : effect.at === 'rails' ? 1 - effect.stops : 1;

/** Less than this is not worth a test. */
export const LEAST_BITS = 0.05;
/** Another machine is put at risk for no less than this. */
const LEAST_ELSEWHERE = 0.3;
/** Explanations that are looked at; the rest weigh nothing. */
const MOST_SETS = 150;

/** What the start after a test would look and sound like. */
function afterStart(modes: readonly FaultMode[], faults: FaultSet, family: Family, era: Era): Outcomes {
  const out = new Map<string, number>();
  for (const t of traces(modes, faults, family, era))
    for (const sound of soundsOf(family)) {
      const p = t.p * heardAs(sound, t.sound, family, false);
      const key = `${t.power} ${sound} ${t.screen} ${t.messages.join()}`;
      out.set(key, (out.get(key) ?? 0) + p);
    }
  return out;
}

/** A test that restarts nothing and powers nothing. */
const isReading = (t: BenchTest): boolean => t.reads !== undefined && !t.isPowered;

/** The exchange or reseating before the last start, if there was one. */
function lastCure(steps: readonly Step[]): BenchTest | null {
  const last = steps.findLast((s) => s.kind === 'start');
  const test = last?.after ? testById.get(last.after) : undefined;
  return test?.removes && test.id.startsWith('other-') ? test : null;
}

/**
 * Putting the old part back after a cure: stays it cured, it was the seating; fails it again, it is the part. What was
 * wrong at first is what the answer is about.
 */
function putBack(
  d: Diagnosis,
  cure: BenchTest,
  start: (faults: FaultSet) => Outcomes,
  need: (faults: FaultSet) => string
): Valued {
  const { id, minutes, money, risk } = entryOf(testById, 'put-back');
  const sets = d.post.sets.slice(0, MOST_SETS);
  const total = sets.reduce((s, x) => s + x.p, 0);
  const post = { ...d.post, sets: sets.map((s) => ({ ...s, p: s.p / total })) };
  const back = (faults: FaultSet) =>
    start(
      faults.filter((i) => there(d.modes[i]).cure === 'exchange' || !cure.removes!.cures(there(d.modes[i])))
    );
  const bits = gain(post, back, need);
  return {
    test: { id, minutes, money, risk },
    bits,
    beyondRepeat: bits,
    perMinute: (bits - risk) / minutes,
    isRefused: bits < LEAST_BITS
  };
}

/**
 * Tests by what they tell for their minutes, the best first. Sets of faults that want the same first repair count as
 * one. A start after a change tells only what goes beyond a mere repeat. While a rail may be pulled down, readings come
 * before every start, and nobody is told just to switch on again. A suspect part goes into another machine only after
 * its rails were measured, and only for an answer that is worth the risk.
 * @param steps what was done so far
 * @param mayStart false: the checks say not to power on, and only readings are offered
 */
export function nextTests(
  d: Diagnosis,
  era: Era,
  family: Family | null,
  steps: readonly Step[] = [],
  mayStart = true
): Valued[] {
  const pulled = d.now.sets.reduce((sum, s) => sum + s.p * pullsDown(d.modes, s.faults), 0);
  const isRisky = pulled >= RISKY;
  const of = family ?? there(d.families[0]).family;
  const kept = d.now.sets.slice(0, MOST_SETS);
  const total = kept.reduce((s, x) => s + x.p, 0);
  const post = { ...d.now, sets: kept.map((s) => ({ ...s, p: s.p / total })) };
  const first = firstRepair(d, of, era);
  const need = (faults: FaultSet): string => {
    const one = first(faults);
    return one === undefined ? 'nothing' : there(d.modes[one]).id;
  };
  const known = new Map<string, Outcomes>();
  const start = (faults: FaultSet): Outcomes => {
    const key = faults.join();
    const there = known.get(key) ?? afterStart(d.modes, faults, of, era);
    known.set(key, there);
    return there;
  };
  const isOut = outWithCards(doneIn(steps));
  const outcome =
    ({ reads, removes, restores }: BenchTest) =>
    (wrong: FaultSet): Outcomes => {
      const faults = restores ? wrong : wrong.filter((i) => !isOut(there(d.modes[i])));
      if (reads) {
        const found = faults.filter((i) => reads.finds(there(d.modes[i])));
        const p = found.length ? reads.sure : 1 - reads.sure;
        return new Map([
          ['found', p],
          ['not found', 1 - p]
        ]);
      }
      if (!removes) return start(faults);
      const left = faults.filter((i) => !removes.cures(there(d.modes[i])));
      return left.length === faults.length ? start(faults) : mixed(removes.sure, start(left), start(faults));
    };
  const readIn = new Set(steps.flatMap((s) => (s.kind === 'read' ? [s.test] : [])));
  const railsRead = steps.some((s) => s.kind === 'read' && s.test === 'ohms' && !s.found);
  /** The rails are measured first, then whatever else is only read. */
  const before = ({ id }: Valued['test']) => {
    const test = testOf(id);
    return id === 'ohms' ? 0 : test && isReading(test) ? 1 : 2;
  };
  const repeat = gain(post, outcome(entryOf(testById, 'listen')), need);
  /** The same with everything back that was taken out. */
  const wholeRepeat = gain(post, start, need);
  const cure = lastCure(steps);
  return testsOf(d.modes)
    .filter((t) => t.id !== 'put-back' && !readIn.has(t.id))
    .filter((t) => (isReading(t) && !t.isElsewhere) || (mayStart && !(isRisky && t.id === 'listen')))
    .filter((t) =>
      t.reads
        ? d.modes.some(t.reads.finds)
        : t.id === 'listen' || (t.removes !== undefined && d.modes.some(t.removes.cures))
    )
    .map((test): Valued => {
      const bits = test.id === 'listen' ? repeat : gain(post, outcome(test), need);
      const mere = test.restores ? wholeRepeat : repeat;
      const beyondRepeat = test.reads || test.id === 'listen' ? bits : Math.max(0, bits - mere);
      const { id, minutes, money, risk } = test;
      const guard = test.isElsewhere ? (railsRead ? null : 'ohms-first') : null;
      return {
        test: { id, minutes, money, risk },
        bits,
        beyondRepeat,
        perMinute: (Math.max(0, beyondRepeat) - risk) / minutes,
        isRefused: guard !== null || beyondRepeat < (test.isElsewhere ? LEAST_ELSEWHERE : LEAST_BITS),
        ...(guard ? { guard } : {})
      };
    })
    .concat(cure && mayStart && !isRisky ? [putBack(d, cure, start, need)] : [])
    .sort(
      (a, b) =>
        (isRisky ? before(a.test) - before(b.test) : 0) ||
        Number(a.isRefused) - Number(b.isRefused) ||
        b.perMinute - a.perMinute
    );
}
