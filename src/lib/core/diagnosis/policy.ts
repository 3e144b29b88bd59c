import { perform, repair, runs, FIXED_ORDER, type Course, type Random } from './course';
import { testById } from './bench-tests';
import { diagnose, type Diagnosis } from './diagnose';
import { episodeOf, stepsOf } from './episode';
import { explanations } from './machine';
import { nextTests } from './next-test';
import { orderOf } from './trace';

/** A course is given up after so many tests. */
export const MOST_TESTS = 40;
/** From this chance on a repair is made instead of one more test. */
const SURE = 0.75;

export interface Played {
  course: Course;
  /** What was told after the first start, the likeliest first, as sets of modes. */
  first: readonly (readonly number[])[];
  /** What was told before the first repair, after the tests; the same as `first` where none was made. */
  last: readonly (readonly number[])[];
  /** Repairs that were of something that was wrong, and all that were made. */
  right: number;
  repairs: number;
}

const weighed = (course: Course): Diagnosis =>
  diagnose(course.modes, episodeOf(course.notes), course.era, course.family);

/** The component that hinders first, with its chance: what would be repaired now. */
function firstRepair(d: Diagnosis, course: Course): { mode: number; p: number } | null {
  const order = orderOf(course.family, course.era);
  const each = new Map<string, { mode: number; p: number }>();
  for (const { faults, p } of d.now.sets) {
    const first = [...faults].sort(
      (a, b) => order.indexOf(d.modes[a].effect.at) - order.indexOf(d.modes[b].effect.at)
    )[0];
    if (first === undefined) continue;
    const { component } = d.modes[first];
    const there = each.get(component);
    each.set(component, { mode: there?.mode ?? first, p: (there?.p ?? 0) + p });
  }
  return [...each.values()].sort((a, b) => b.p - a.p)[0] ?? null;
}

/** Plays a course as the product advises: the best test, until one repair is sure enough. */
export function playAdvised(begun: Course, random: Random): Played {
  let course = begun;
  const first = explanations(weighed(course)).map((e) => e.faults);
  let last = first;
  let [right, repairs] = [0, 0];
  while (!runs(course) && course.tests < MOST_TESTS) {
    const d = weighed(course);
    const fix = firstRepair(d, course);
    const best = nextTests(d, course.era, course.family, stepsOf(episodeOf(course.notes))).find(
      (t) => !t.isRefused
    );
    if (fix && (fix.p >= SURE || !best)) {
      if (!repairs) last = explanations(d).map((e) => e.faults);
      repairs++;
      const { component } = course.modes[fix.mode];
      if (course.left.some((i) => course.modes[i].component === component)) right++;
      course = repair(course, fix.mode, random);
    } else if (best) course = perform(course, testById.get(best.test.id)!, random);
    else course = perform(course, testById.get('listen')!, random);
  }
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
    course = repair(course, course.left[0], random);
  return course;
}
