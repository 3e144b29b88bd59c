import type { Diagnosis } from './diagnose';
import type { Era, Family } from './families';
import { heardAs } from './likelihood';
import { gain, mixed, type Outcomes } from './information';
import type { FaultMode } from './modes';
import type { FaultSet } from './sets';
import { orderOf, traces } from './trace';
import { soundsOf } from './families';

/** A test that one can do at the bench. */
export interface BenchTest {
  id: string;
  minutes: number;
  /** What it costs beside time, in the units of prices. */
  money: number;
  /** Chance that it harms something. */
  risk: number;
  /** It reads a machine that runs. */
  isPowered?: true;
  /** It reads something without a start: these faults show with the chance `sure`. */
  reads?: { finds: (m: FaultMode) => boolean; sure: number };
  /** It is followed by a start in which these faults are gone with the chance `sure`. */
  removes?: { cures: (m: FaultMode) => boolean; sure: number };
}

const of =
  (...components: string[]) =>
  (m: FaultMode): boolean =>
    components.includes(m.component);

/** Tests with their minutes and risks. Estimates. */
export const benchTests: readonly BenchTest[] = [
  { id: 'listen', minutes: 1, money: 0, risk: 0, removes: { cures: () => false, sure: 0 } },
  { id: 'ohms', minutes: 3, money: 0, risk: 0.002, reads: { finds: of('short'), sure: 0.97 } },
  {
    id: 'volts',
    minutes: 2,
    money: 0,
    risk: 0.002,
    isPowered: true,
    reads: { finds: of('supply'), sure: 0.95 }
  },
  {
    id: 'settings',
    minutes: 3,
    money: 0,
    risk: 0,
    reads: { finds: (m) => m.cure === 'setting', sure: 0.95 }
  },
  { id: 'cell', minutes: 1, money: 0, risk: 0, reads: { finds: of('cell'), sure: 0.97 } },
  { id: 'leak', minutes: 2, money: 0, risk: 0, reads: { finds: of('leak'), sure: 0.9 } },
  {
    id: 'reseat-memory',
    minutes: 6,
    money: 1,
    risk: 0.01,
    removes: { cures: (m) => m.id === 'memory-contact', sure: 0.85 }
  },
  {
    id: 'reseat-cards',
    minutes: 4,
    money: 1,
    risk: 0.01,
    removes: { cures: (m) => m.id === 'display-contact', sure: 0.85 }
  },
  {
    id: 'reseat-cpu',
    minutes: 8,
    money: 1,
    risk: 0.01,
    removes: { cures: (m) => m.id === 'cpu-contact', sure: 0.8 }
  },
  {
    id: 'strip',
    minutes: 10,
    money: 0,
    risk: 0.01,
    removes: { cures: (m) => m.id.startsWith('card-'), sure: 0.97 }
  },
  { id: 'other-monitor', minutes: 3, money: 0, risk: 0, removes: { cures: of('monitor'), sure: 0.98 } },
  { id: 'other-display', minutes: 5, money: 0, risk: 0.02, removes: { cures: of('display'), sure: 0.95 } },
  { id: 'other-memory', minutes: 12, money: 0, risk: 0.02, removes: { cures: of('memory'), sure: 0.95 } },
  { id: 'other-supply', minutes: 15, money: 0, risk: 0.02, removes: { cures: of('supply'), sure: 0.95 } },
  { id: 'other-keyboard', minutes: 2, money: 0, risk: 0, removes: { cures: of('keyboard'), sure: 0.98 } },
  {
    id: 'boot-floppy',
    minutes: 4,
    money: 0,
    risk: 0,
    removes: { cures: (m) => m.component === 'medium' || m.id === 'disk-errors', sure: 0.9 }
  }
];

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
}

/** From this chance of a pulled-down rail on nobody is told to switch on before the rails were measured. */
const RISKY = 0.1;
const pullsDown = ({ effect }: FaultMode): boolean =>
  (effect.power?.twitch ?? 0) + (effect.power?.ticks ?? 0) >= 0.1;

/** Less than this is not worth a test. */
export const LEAST_BITS = 0.05;

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

/**
 * Tests by what they tell for their minutes, the best first. Sets of faults that want the same first repair count as
 * one. A start after a change tells only what goes beyond a mere repeat. While a rail may be pulled down, readings come
 * before every start, and nobody is told just to switch on again.
 * @param mayStart false: the checks say not to power on, and only readings are offered
 */
export function nextTests(d: Diagnosis, era: Era, family: Family | null, mayStart = true): Valued[] {
  const pulled = d.post.sets.reduce(
    (sum, s) => (s.faults.some((i) => pullsDown(d.modes[i]!)) ? sum + s.p : sum),
    0
  );
  const isRisky = pulled >= RISKY;
  const of = family ?? d.families[0]!.family;
  const order = orderOf(of, era);
  const MOST_SETS = 150;
  const kept = d.post.sets.slice(0, MOST_SETS);
  const total = kept.reduce((s, x) => s + x.p, 0);
  const post = { ...d.post, sets: kept.map((s) => ({ ...s, p: s.p / total })) };
  // The first repair is that of the earliest fault that keeps the machine from going on or from being seen.
  const first = (list: FaultSet): number | undefined =>
    [...list].sort((a, b) => order.indexOf(d.modes[a]!.effect.at) - order.indexOf(d.modes[b]!.effect.at))[0];
  const need = (faults: FaultSet): string => {
    const hinders = faults.filter((i) => d.modes[i]!.effect.stops > 0 || d.modes[i]!.effect.dark);
    // What only leaves a message is a repair for a machine that comes to its prompt.
    const one = first(hinders.length || d.stops[0]?.stage !== null ? hinders : faults);
    return one === undefined ? 'nothing' : d.modes[one]!.id;
  };
  const known = new Map<string, Outcomes>();
  const start = (faults: FaultSet): Outcomes => {
    const key = faults.join();
    const there = known.get(key) ?? afterStart(d.modes, faults, of, era);
    known.set(key, there);
    return there;
  };
  const outcome =
    ({ reads, removes }: BenchTest) =>
    (faults: FaultSet): Outcomes => {
      if (reads) {
        const found = faults.filter((i) => reads.finds(d.modes[i]!));
        const p = found.length ? reads.sure : 1 - reads.sure;
        return new Map([
          ['found', p],
          ['not found', 1 - p]
        ]);
      }
      const left = faults.filter((i) => !removes!.cures(d.modes[i]!));
      return left.length === faults.length ? start(faults) : mixed(removes!.sure, start(left), start(faults));
    };
  /** The rails are measured first, then whatever else is only read. */
  const readings = new Set(benchTests.filter((t) => t.reads && !t.isPowered).map((t) => t.id));
  const before = (v: Valued) => (v.test.id === 'ohms' ? 0 : readings.has(v.test.id) ? 1 : 2);
  const repeat = gain(post, start, need);
  return benchTests
    .filter((t) => (t.reads && !t.isPowered) || (mayStart && !(isRisky && t.id === 'listen')))
    .filter((t) =>
      t.reads
        ? d.modes.some((m) => t.reads!.finds(m))
        : t.id === 'listen' || d.modes.some((m) => t.removes!.cures(m))
    )
    .map((test): Valued => {
      const bits = test.id === 'listen' ? repeat : gain(post, outcome(test), need);
      const beyondRepeat = test.reads || test.id === 'listen' ? bits : Math.max(0, bits - repeat);
      const { id, minutes, money, risk } = test;
      return {
        test: { id, minutes, money, risk },
        bits,
        beyondRepeat,
        perMinute: (Math.max(0, beyondRepeat) - test.risk) / test.minutes,
        isRefused: beyondRepeat < LEAST_BITS
      };
    })
    .sort(
      (a, b) =>
        (isRisky ? before(a) - before(b) : 0) ||
        Number(a.isRefused) - Number(b.isRefused) ||
        b.perMinute - a.perMinute
    );
}
