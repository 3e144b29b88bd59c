import { sure, there } from '../model';
import { perform, repair, runs, FIXED_ORDER, type Course, type Random } from './course';
import { outWithCards, testOf } from './bench-tests';
import { diagnose, type Diagnosis } from './diagnose';
import { doneIn, episodeOf, stepsOf } from './episode';
import { firstRepair } from './first-repair';
import { explanations } from './machine';
import { nextTests } from './next-test';

/** A course is given up after so many tests. */
export const MOST_TESTS = 40;
/** From this chance on a repair is made instead of one more test. */
const SURE = 0.75;

export interface Played {
  course: Course;
  /** What was told after the first start, the likeliest first, as sets of modes. */
  first: readonly (readonly number[])[];
  /** What was told after the tests, before the first repair if there was one. */
  last: readonly (readonly number[])[];
  /** Repairs that were of something that was wrong, and all that were made. */
  right: number;
  repairs: number;
}

const weighed = (course: Course): Diagnosis =>
  diagnose(course.modes, episodeOf(course.notes), course.era, course.family);

/** The component that would be repaired now, with its chance. */
function likeliestRepair(d: Diagnosis, course: Course): { mode: number; p: number } | null {
  const firstOf = firstRepair(d, course.family, course.era);
  const each = new Map<string, { mode: number; p: number }>();
  for (const { faults, p } of d.now.sets) {
    const first = firstOf(faults);
    if (first === undefined) continue;
    const { component } = there(d.modes[first]);
    const known = each.get(component);
    each.set(component, { mode: known?.mode ?? first, p: (known?.p ?? 0) + p });
  }
  return [...each.values()].sort((a, b) => b.p - a.p)[0] ?? null;
}

/**
 * The machine runs, whole, and not by luck: one good start after bad ones, with nothing changed between them, says only
 * that the fault comes and goes.
 */
export function isMended(course: Course): boolean {
  if (!runs(course)) return false;
  const steps = stepsOf(episodeOf(course.notes));
  const isOut = outWithCards(doneIn(steps));
  const starts = course.notes.filter((n) => !n.read);
  return !course.modes.some(isOut) && (starts.length === 1 || starts.at(-1)?.after !== 'nothing');
}

/** Plays a course as the product advises: the best test, until one repair is sure enough. */
export function playAdvised(begun: Course, random: Random): Played {
  let course = begun;
  const first = explanations(weighed(course)).map((e) => e.faults);
  let last = first;
  let [right, repairs] = [0, 0];
  while (!isMended(course) && course.tests < MOST_TESTS) {
    const d = weighed(course);
    const fix = likeliestRepair(d, course);
    const best = nextTests(d, course.era, course.family, stepsOf(episodeOf(course.notes))).find(
      (t) => !t.isRefused
    );
    if (fix && (fix.p >= SURE || !best)) {
      if (!repairs) last = explanations(d).map((e) => e.faults);
      repairs++;
      const { component } = there(course.modes[fix.mode]);
      if (course.left.some((i) => there(course.modes[i]).component === component)) right++;
      course = repair(course, fix.mode, random);
    } else course = perform(course, sure(testOf(best?.test.id ?? 'listen'), 'the test'), random);
  }
  if (!repairs) last = explanations(weighed(course)).map((e) => e.faults);
  return { course, first, last, right, repairs };
}

/** Plays a course by swapping one thing after the other, the same for every machine, then the board. */
export function playFixed(begun: Course, random: Random): Course {
  let course = begun;
  for (const test of FIXED_ORDER) {
    if (runs(course)) return course;
    course = perform(course, test, random);
  }
  return rest(course, random);
}

/** Plays a course by what is most often wrong with such machines, whatever was seen. */
export function playPrior(begun: Course, random: Random): Course {
  let course = begun;
  const order = course.modes
    .map((m, i) => ({ i, p: m.prior }))
    .filter(({ p }) => p < 1)
    .sort((a, b) => b.p - a.p);
  for (const { i } of order) {
    if (runs(course)) return course;
    course = repair(course, i, random);
  }
  return rest(course, random);
}

/** What is left is made good one by one. */
function rest(begun: Course, random: Random): Course {
  let course = begun;
  for (let n = 0; n < MOST_TESTS && !runs(course) && course.left.length; n++)
    course = repair(course, there(course.left[0]), random);
  return course;
}
