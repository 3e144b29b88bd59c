import type {
  Ceiling,
  Element,
  Explanation,
  FactorReading,
  ReadTrial,
  Sometimes
} from '../../core/diagnosis';
import { and, or } from './language';

const elementWords = (e: Element): string =>
  e.kind === 'pair'
    ? `${e.pair[0]} and ${e.pair[1]} do not get along`
    : e.kind === 'hard'
      ? `${e.part} never works`
      : `${e.part} fails now and then`;

/** An explanation of trials. A pair is never called faulty: each of the two works elsewhere. */
export const explanationWords = ({ elements }: Explanation): string =>
  elements.length
    ? and(elements.map(elementWords))
    : 'nothing: a slip, or something that was not written down';

/** The least sets of single parts that explain every failure. */
export const minimalWords = (sets: readonly (readonly string[])[]): string =>
  or(sets.slice(0, 6).map((s) => and([...s])));

const percent = (p: number): string => (p > 0 && p < 0.01 ? 'less than 1 %' : `${Math.round(p * 100)} %`);

export function factorWords({ factor, verdict, with: others, p }: FactorReading): string {
  const luck =
    p === null ? '' : ` By luck alone a result as different as this comes in ${percent(p)} of cases.`;
  switch (verdict) {
    case 'cleared':
      return `The result does not follow the ${factor}, with everything else equal.${luck}`;
    case 'implicated':
      return `The result follows the ${factor}: two trials differ in it alone.${luck}`;
    case 'open':
      return `Too few starts to tell whether the result follows the ${factor}.${luck}`;
    case 'confounded':
      return others.length
        ? `Not known: wherever the result differed, ${and([...others])} differed as well. Try the ${factor} alone.`
        : `Not known: no two trials differ in the ${factor} alone.${luck}`;
  }
}

export const ceilingWords = ({ safe, fails }: Ceiling): string =>
  [
    safe
      ? `Safe up to ${safe.mhz} MHz by ${safe.starts} good starts, which still allow a failure rate of ${percent(safe.failsAtMost)}. A start is not a soak: let it run 30 minutes under full load, and settle one step lower.`
      : 'No clock has five good starts below the first failure yet.',
    fails ? `It fails at ${fails.mhz} MHz (${fails.good} of ${fails.starts} good).` : ''
  ]
    .filter(Boolean)
    .join(' ');

const conditions = (factors: Record<string, string>): string => {
  const all = Object.values(factors);
  return all.length ? ` (${all.join(', ')})` : '';
};

export const sometimesWords = ({ things, factors, good, starts, interval, untilFixed }: Sometimes): string =>
  `${things.join(' ')}${conditions(factors)} works in ${good} of ${starts}${
    interval
      ? `, so in ${percent(interval.low)} to ${percent(interval.high)} of starts`
      : ': too few for a rate'
  }.${
    untilFixed
      ? ` After a repair only ${untilFixed} good starts in a row under this very condition point to “fixed”.`
      : ''
  }`;

/** What of a typed trial was not understood. */
export function trialTrouble(read: Extract<ReadTrial, { wrong: string[] }>): string {
  const said = read.wrong.filter(Boolean).map((w) => `“${w}”`);
  const which = said.length ? and(said) : 'That';
  switch (read.why) {
    case 'things':
      return `${which} is not a thing. Write K1, or a kind and a name such as cable grey, with commas between them.`;
    case 'twice':
      return `There are two of the kind ${and([...read.wrong])}. Things of one kind take each other’s place: give each its own.`;
    case 'result':
      return `${which} is not a result. Write works, fails, 3 of 11, or fails x 3.`;
    case 'words':
      return `${which} was not understood. Write things, conditions in brackets, a colon and the result: H1 K1 [cold]: fails.`;
  }
}
