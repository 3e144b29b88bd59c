import { join } from 'node:path';
import { readFileSync } from 'node:fs';
import {
  beginCourse,
  dealt,
  diagnose,
  eraOf,
  modesOf,
  nextTests,
  playAdvised,
  playFixed,
  playPrior,
  runs,
  type Course,
  type Deal,
  type FaultMode,
  type Family
} from '../src/lib/core/diagnosis';
import { kitOf } from '../src/lib/core/kit';
import { Build, partSet } from '../src/lib/core/model';
import { readCatalogue } from '../src/lib/server/catalogue';
import { spread, timed } from './figures';

const root = join(import.meta.dirname, '..');

/** Numbers that follow from a seed: the same courses at every run. */
function seeded(seed: number): () => number {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = Math.imul(a ^ (a >>> 15), a | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}

interface Machine {
  name: string;
  modes: FaultMode[];
  era: Course['era'];
  family: Family;
}

function machines(): Machine[] {
  const parts = partSet(readCatalogue(join(root, 'catalogue')));
  return (JSON.parse(readFileSync(join(root, 'demo/builds.json'), 'utf8')) as unknown[])
    .map((b) => Build.parse(b))
    .filter((b) => b.items.length > 0)
    .map((build) => {
      const kit = kitOf(build, parts);
      const era = eraOf(kit);
      return {
        name: build.id,
        modes: modesOf(kit, era, []),
        era,
        family: kit.firmware?.firmware?.beeps ?? 'A'
      };
    });
}

const mean = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0) / list.length;
const percent = (list: readonly boolean[]): string => `${(100 * mean(list.map(Number))).toFixed(1)} %`;

/** What hinders the start among what is hidden: the rest is nothing that a start speaks for. */
const hinders = (m: Machine, hidden: readonly number[]): number[] =>
  hidden.filter((i) => m.modes[i]!.effect.stops > 0 || m.modes[i]!.effect.says || m.modes[i]!.effect.dark);

/**
 * Hidden faults on the demo machines: 60 % one, 30 % two, 10 % none. The machine that plays and the one that judges
 * have the same model: it shows that the weighing is right, not that the estimates are.
 * @param count how many
 */
export function benchDiagnosis(count = 200): Promise<void> {
  const all = machines();
  const random = seeded(7);
  const rows: {
    first: boolean;
    three: boolean;
    tested: boolean;
    /** The first start showed that something is wrong. */
    shown: boolean;
    right: boolean;
    minutes: number[];
    tests: number;
    solved: boolean;
  }[] = [];
  for (let n = 0; n < count; n++) {
    const m = all[n % all.length]!;
    const x = random();
    const deal: Deal = x < 0.6 ? 'one' : x < 0.9 ? 'two' : 'none';
    const hidden = dealt(m.modes, deal, random);
    const begun = beginCourse(m.modes, hidden, m.era, m.family, random);
    const advised = playAdvised(begun, random);
    const need = hinders(m, hidden);
    // The truth is told when what is told are things that are wrong, and the first of them is among these.
    const tells = (faults: readonly number[]) =>
      need.length === 0 ? faults.length === 0 : faults.length > 0 && faults.every((i) => need.includes(i));
    rows.push({
      first: advised.first.slice(0, 1).some(tells),
      three: advised.first.slice(0, 3).some(tells),
      tested: advised.last.slice(0, 3).some(tells),
      shown: need.length === 0 || !runs(begun),
      right: advised.repairs === 0 || advised.right === advised.repairs,
      minutes: [advised.course, playFixed(begun, random), playPrior(begun, random)].map((c) => c.minutes),
      tests: advised.course.tests,
      solved: advised.course.left.length === 0 || advised.course.tests < 40
    });
  }
  const [own, fixed, prior] = [0, 1, 2].map((i) => mean(rows.map((r) => r.minutes[i]!))) as [
    number,
    number,
    number
  ];
  console.log(
    `${count} hidden faults: first ${percent(rows.map((r) => r.first))}, among the first three ${percent(rows.map((r) => r.three))} after one start, ${percent(rows.map((r) => r.tested))} after the tests; every repair of something wrong ${percent(rows.map((r) => r.right))}; ${mean(rows.map((r) => r.tests)).toFixed(1)} tests`
  );
  const shown = rows.filter((r) => r.shown);
  console.log(
    `of the ${shown.length} whose first start showed something or had nothing to show: first ${percent(shown.map((r) => r.first))}, among the first three ${percent(shown.map((r) => r.three))}, after the tests ${percent(shown.map((r) => r.tested))}`
  );
  console.log(
    `minutes to a machine that runs: advised ${own.toFixed(0)}, fixed order ${fixed.toFixed(0)} (× ${(own / fixed).toFixed(2)}), by prior alone ${prior.toFixed(0)} (× ${(own / prior).toFixed(2)})`
  );
  const m = all[0]!;
  const told = { at: new Date(0).toISOString(), power: 'runs' as const, beeps: '3', screen: 'dark' as const };
  const times = <T>(work: () => T) => spread(Array.from({ length: 40 }, () => timed(work)));
  const d = diagnose(m.modes, [told], m.era, m.family);
  console.log(
    `${m.modes.length} modes: diagnosis ${times(() => diagnose(m.modes, [told], m.era, m.family))}; next test ${times(() => nextTests(d, m.era, m.family))}`
  );
  return Promise.resolve();
}
