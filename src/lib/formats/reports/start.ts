import { diagnoseMachine, rehearse, startsOf, toldFaults } from '../../core/diagnosis';
import { kitOf } from '../../core/kit';
import { InvalidDocument } from '../../core/model';
import { checked } from '../../core/rules';
import {
  chanceWords,
  componentWords,
  messageWords,
  stageWords,
  tell,
  testWords,
  verdictWords
} from '../../words';
import { readStart } from '../start-text';
import type { Machine } from './machine';

const round = (n: number) => Math.round(n * 1000) / 1000;

const seen = ({ build, parts }: Machine) => ({
  kit: kitOf(build, parts),
  findings: checked(build, parts).findings
});

/** The start of a build as it stands: stages in time, and where it will stop and why. */
export function rehearseReport(machine: Machine): object {
  const { kit, findings } = seen(machine);
  const { era, family, stages } = rehearse(kit, findings);
  return {
    class: era,
    family: family ?? 'unknown',
    note: 'only what is known to be wrong with the build; no hardware fault is taken for granted',
    stages: stages.map(({ stage, from, stops, because }) => ({
      stage,
      words: stageWords[stage],
      fromSeconds: from.map(round),
      stops: round(stops),
      because: because.map((m) => ({
        rule: m.id.replace(/^finding-/, ''),
        finding: findings.filter((f) => `finding-${f.rule}` === m.id).map((f) => tell(f).sentence)[0] ?? null,
        message: m.effect.says ? messageWords[m.effect.says] : null
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
  const { kit, findings } = seen(machine);
  const start =
    told === undefined ? startsOf(machine.build).at(-1)?.[1] : readStart(told, new Date(0).toISOString());
  if (!start)
    throw new InvalidDocument(
      [{ path: '', message: 'no start is noted in it; give a text with what was seen' }],
      'The build'
    );
  const { era, family, diagnosis: d, tests } = diagnoseMachine(kit, findings, start);
  const titleOf = (item: string | undefined) => {
    const found = item ? kit.m.find(item) : undefined;
    return found ? (found.title ?? found.part.name) : null;
  };
  return {
    class: era,
    family: family ?? 'unknown',
    families: d.families.map((f) => ({ family: f.family, p: round(f.p) })),
    source: 'estimates, good to a factor of 2 to 3',
    stopped: d.stops.slice(0, 5).map((s) => ({
      stage: s.stage ?? 'none',
      words: s.stage ? stageWords[s.stage] : 'it came to the prompt',
      p: round(s.p)
    })),
    explanations: d.post.sets.slice(0, 8).map((s) => ({
      faults: toldFaults(d, s.faults).map((i) => d.modes[i].id),
      p: round(s.p),
      words: chanceWords(s.p)
    })),
    twoFaults: d.isTwo,
    cutOff: round(1 - d.covered),
    parts: d.components.map((c) => ({
      component: c.component,
      words: componentWords(c.component, titleOf(c.item)),
      verdict: c.verdict,
      says: verdictWords[c.verdict],
      prior: round(c.prior),
      posterior: round(c.posterior)
    })),
    tests: tests.map(({ test, bits, beyondRepeat, isRefused }) => ({
      test: test.id,
      ...testWords[test.id],
      minutes: test.minutes,
      bits: round(bits),
      beyondRepeat: round(beyondRepeat),
      refused: isRefused
    }))
  };
}
