import { diagnoseMachine, explanations, needsTwo, rehearse, startsOf, titlesOf } from '../../core/diagnosis';
import {
  chanceWords,
  componentWords,
  messageWords,
  modeWords,
  stageWords,
  startWords,
  tell,
  testWords,
  verdictWords,
  InvalidDocument,
  documentNames,
  reportWords,
  startFlaws
} from '../../words';
import { readStarts } from '../start-text';
import type { Machine } from './machine';

const round = (n: number) => Math.round(n * 1000) / 1000;

/**
 * The start of a build: stages in time, and where it will stop and why.
 * @param which `found`: with its settings as they were found; `chosen`: with what is planned set
 */
export function rehearseReport({ build, parts }: Machine, which: 'found' | 'chosen' = 'found'): object {
  const { era, family, stages, forbidden, misfits, later, notEntered } = rehearse(build, parts, which);
  const list = (findings: typeof forbidden) =>
    findings.map((f) => ({ rule: f.rule, finding: tell(f).sentence }));
  return {
    class: era,
    family: family ?? reportWords.unknownFamily,
    settings: which === 'found' ? reportWords.asFound : reportWords.asPlanned,
    note: reportWords.rehearsed,
    notToBeSwitchedOn: list(forbidden),
    cannotBeFitted: list(misfits),
    showsLater: list(later),
    notEntered,
    stages: stages.map(({ stage, from, stops, because }) => ({
      stage,
      words: stageWords[stage],
      fromSeconds: from.map(round),
      stops: round(stops),
      because: because.map(({ mode, effect }) => ({
        rule: mode.finding?.rule ?? null,
        finding: mode.finding ? tell(mode.finding).sentence : null,
        message: effect.says ? messageWords[effect.says] : null
      }))
    }))
  };
}

/**
 * What is wrong with a machine, from what was seen at a start.
 * @param told a small text with what was seen; left out: the last start that is noted in the build
 * @throws InvalidDocument where the text is not understood, or no start is noted
 */
export function diagnoseReport(machine: Machine, told?: string): object {
  const starts =
    told === undefined
      ? startsOf(machine.build).map(([, s]) => s)
      : readStarts(
          told,
          new Date(0).toISOString(),
          machine.build.items.map((i) => i.id)
        );
  if (!starts.length)
    throw new InvalidDocument([{ path: '', message: startFlaws.none }], documentNames.build);
  const { era, family, episode, diagnosis: d, tests } = diagnoseMachine(machine.build, machine.parts, starts);
  const titleOf = titlesOf(machine.build, machine.parts);
  const explained = explanations(d);
  return {
    class: era,
    family: family ?? reportWords.unknownFamily,
    restsOn: episode,
    families: d.families.map((f) => ({ family: f.family, p: round(f.p) })),
    source: reportWords.estimates,
    stopped: (d.unexplained.length ? [] : d.stops).slice(0, 5).map((s) => ({
      stage: s.stage ?? 'none',
      words: s.stage ? stageWords[s.stage] : reportWords.atPrompt,
      p: round(s.p)
    })),
    explanations: explained.slice(0, 8).map((s) => ({
      faults: s.faults.map((i) => d.modes[i].id),
      says: s.faults.map((i) => modeWords(d.modes[i], titleOf)),
      p: round(s.p),
      words: chanceWords(s.p)
    })),
    unexplained: d.unexplained.map((m) => messageWords[m]),
    unheard: d.unheard,
    twoFaults: needsTwo(d, explained),
    cutOff: round(1 - d.covered),
    parts: d.components.map((c) => ({
      component: c.component,
      words: componentWords(c.component, c.mode, titleOf),
      verdict: c.verdict,
      says: verdictWords[c.verdict],
      prior: round(c.prior),
      posterior: round(c.posterior)
    })),
    tests: tests.map(({ test, bits, beyondRepeat, isRefused, guard }) => ({
      test: test.id,
      ...testWords(test.id, titleOf),
      minutes: test.minutes,
      bits: round(bits),
      beyondRepeat: round(beyondRepeat),
      refused: isRefused,
      ...(guard ? { guard } : {})
    }))
  };
}

/** The last start of a machine in a list: what was seen, and what it speaks for. */
export interface LastStart {
  at: string;
  said: string;
  /** It came to its prompt without a message. */
  isGood: boolean;
  suspects: string[];
}

/** More suspects than this make no list. */
const MOST_SUSPECTS = 3;

/** @returns null where no start is noted */
export function lastStartOf({ build, parts }: Machine): LastStart | null {
  const starts = startsOf(build).map(([, s]) => s);
  const last = starts.findLast((s) => !s.read);
  if (!last) return null;
  const isGood = last.reached === 'prompt' && !last.stays && !last.messages?.length;
  const titleOf = titlesOf(build, parts);
  const suspects = isGood
    ? []
    : diagnoseMachine(build, parts, starts)
        .diagnosis.components.filter((c) => c.verdict === 'implicated')
        .sort((a, b) => b.posterior - a.posterior)
        .slice(0, MOST_SUSPECTS)
        .map((c) => componentWords(c.component, c.mode, titleOf));
  return { at: last.at, said: startWords(last, titleOf), isGood, suspects };
}
