import { STAGES, type StageId, type Start, entryOf, there } from '../model';
import { benchTests, testById, type BenchTest } from './bench-tests';
import { afterTest } from './episode';
import { readBeeps, soundIn, soundsOf, type Era, type Family, type Sound } from './families';
import { MISSES, heardAs } from './likelihood';
import type { FaultMode } from './modes';
import type { FaultSet } from './sets';
import { traces, type Trace } from './trace';

/** A number from 0 up to 1, the next of a row. */
export type Random = () => number;

/** A machine with faults that whoever diagnoses it does not know. */
export interface Course {
  modes: readonly FaultMode[];
  era: Era;
  family: Family;
  /** What was wrong at first. */
  hidden: FaultSet;
  /** What still is. */
  left: FaultSet;
  /** Out with a part that was taken out last. */
  out: FaultSet;
  /** Starts and readings, as they are noted. */
  notes: Start[];
  minutes: number;
  money: number;
  tests: number;
}

export type Deal = 'one' | 'two' | 'none';

/** As many faults as asked for, each as likely as its prior makes it; what is known to be wrong is in it anyhow. */
export function dealt(modes: readonly FaultMode[], deal: Deal, random: Random): FaultSet {
  const chosen = modes.flatMap((m, i) => (m.prior >= 1 ? [i] : []));
  const want = deal === 'two' ? 2 : deal === 'one' ? 1 : 0;
  for (let n = 0; n < want; n++) {
    const free = modes.map((m, i) => (m.prior >= 1 || chosen.includes(i) ? 0 : m.prior / (1 - m.prior)));
    chosen.push(drawn(free, random));
  }
  return chosen.sort((a, b) => a - b);
}

/** Place of one of the weights, each as often as it weighs. */
function drawn(weights: readonly number[], random: Random): number {
  let at = random() * weights.reduce((a, b) => a + b, 0);
  for (let i = 0; i < weights.length; i++) {
    at -= there(weights[i]);
    if (at < 0) return i;
  }
  return weights.length - 1;
}

/** Beeps that somebody may note; which of them say what, the family knows. */
export const BEEP_PATTERNS = [
  'none',
  '1',
  '2',
  '3',
  '4',
  '5',
  '6',
  '7',
  '8',
  '9',
  '11',
  '1 long 1 short',
  '1 long 2 short',
  '1 long 3 short',
  'repeated long',
  'repeated short',
  '1-1-4',
  '1-2-1',
  '1-3-3',
  '3-2-4',
  '3-3-4'
];
const patternOf = (family: Family, sound: Sound): string | undefined =>
  BEEP_PATTERNS.find((p) => {
    const beeps = readBeeps(p);
    return beeps !== null && soundIn(family, beeps) === sound;
  });

/** A good monitor was tried elsewhere before so often. */
const KNOWN_GOOD = 0.5;

/** What somebody notes who looks and listens with care, and mishears or overlooks now and then. */
function notedOf(t: Trace, family: Family, random: Random): Omit<Start, 'at'> {
  const sounds = soundsOf(family);
  const heard = there(
    sounds[
      drawn(
        sounds.map((s) => heardAs(s, t.sound, family, false)),
        random
      )
    ]
  );
  const beeps = patternOf(family, heard);
  const lastSeen = t.stop === null ? 'prompt' : before(t.stop);
  return {
    power: t.power,
    ...(beeps ? { beeps } : {}),
    screen: t.screen,
    ...(t.screen === 'dark'
      ? // Whoever tried the monitor elsewhere knows that it is good; one that is bad does not pass for that.
        { darkSure: !t.isHidden && random() < KNOWN_GOOD }
      : {
          messages: [...new Set(t.messages)].filter(() => random() >= MISSES.message),
          ...(lastSeen ? { reached: lastSeen, ...(t.stop ? { stays: true } : {}) } : {})
        })
  };
}

/** The last stage that shows before a stop; null: none does. */
function before(stop: StageId): StageId | null {
  const at = STAGES.indexOf(stop) - 1;
  return at >= STAGES.indexOf('display') ? there(STAGES[at]) : null;
}

const START_MINUTES = 1;
/** A course has no clock of its own. */
const AT = '2000-01-01T00:00:00.000Z';

/** Switches the machine on and notes what is seen and heard. */
function started(course: Course, after: string | null, random: Random): Course {
  const ways = traces(course.modes, course.left, course.family, course.era);
  const way = there(
    ways[
      drawn(
        ways.map((w) => w.p),
        random
      )
    ]
  );
  const note: Start = { at: AT, ...notedOf(way, course.family, random), ...(after ? { after } : {}) };
  return { ...course, notes: [...course.notes, note], minutes: course.minutes + START_MINUTES };
}

/** A course with its first start. */
export function beginCourse(
  modes: readonly FaultMode[],
  hidden: FaultSet,
  era: Era,
  family: Family,
  random: Random
): Course {
  const course = {
    modes,
    era,
    family,
    hidden,
    left: hidden,
    out: [],
    notes: [],
    minutes: 0,
    money: 0,
    tests: 0
  };
  return started(course, null, random);
}

/** Does a test on the machine and notes what comes of it. What it costs is added up. */
export function perform(course: Course, test: BenchTest, random: Random): Course {
  const paid = {
    ...course,
    minutes: course.minutes + test.minutes,
    money: course.money + test.money,
    tests: course.tests + 1
  };
  const { reads } = test;
  if (reads) {
    const is = paid.left.some((i) => reads.finds(there(paid.modes[i])));
    const found = random() < reads.sure ? is : !is;
    return { ...paid, notes: [...paid.notes, { at: AT, read: { test: test.id, found } }] };
  }
  if (test.id === 'listen') return started(paid, 'nothing', random);
  const ways = afterTest(paid.modes, { p: 1, now: paid.left, out: paid.out }, test);
  const way = drawn(
    ways.map((w) => w.p),
    random
  );
  const { now, out } = there(ways[way]);
  return started({ ...paid, left: now, out }, test.id, random);
}

/** Minutes to make good what no test of the list makes good: an estimate. */
const REPAIR_MINUTES: Readonly<Record<string, number>> = {
  short: 20,
  board: 60,
  leak: 40,
  rom: 20,
  cell: 5,
  roms: 5,
  disk: 15
};
const OTHER_REPAIR = 10;

/** Makes one thing good for sure and starts the machine: the end of a guess. */
export function repair(course: Course, mode: number, random: Random): Course {
  const { component, way } = there(course.modes[mode]);
  const test = benchTests.find((t) => t.removes?.cures(there(course.modes[mode])));
  const minutes = test?.minutes ?? REPAIR_MINUTES[component] ?? REPAIR_MINUTES[way] ?? OTHER_REPAIR;
  const left = course.left.filter((i) => there(course.modes[i]).component !== component);
  // What was seen before is of another machine now.
  const paid = {
    ...course,
    left,
    out: [],
    notes: [],
    minutes: course.minutes + minutes,
    tests: course.tests + 1
  };
  return started(paid, null, random);
}

/** The last start came to its prompt, with a picture and without a message. */
export function runs({ notes }: Course): boolean {
  const last = notes.findLast((n) => !n.read);
  return last?.reached === 'prompt' && last.screen === 'text' && !last.messages?.length;
}

/** The order in which parts are swapped by whoever does not weigh. */
export const FIXED_ORDER = [
  'reseat-cards',
  'reseat-memory',
  'reseat-cpu',
  'cables',
  'other-monitor',
  'other-display',
  'other-memory',
  'other-supply',
  'other-keyboard',
  'other-floppy',
  'strip',
  'warm-restart',
  'boot-floppy'
].map((id) => entryOf(testById, id));
