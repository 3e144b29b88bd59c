import { readFileSync } from 'node:fs';
import { diagnoseMachine, rehearse, startsOf, toldFaults } from '../src/lib/core/diagnosis';
import { kitOf } from '../src/lib/core/kit';
import { checked } from '../src/lib/core/rules';
import { readBuildFile, readStart } from '../src/lib/formats';
import {
  chanceWords,
  componentWords,
  messageWords,
  stageWords,
  tell,
  testWords,
  verdictWords
} from '../src/lib/words';
import { SettingsUsage } from './settings';

export const START_USAGE = `  rehearse FILE                 the start of a build as it stands: stages in time, and where it will stop and why
  diagnose FILE [START]         what is wrong, from the last start in the build or from a small text with lines such as
                                "power: runs", "beeps: 3", "screen: dark", "reached: count", "messages: settings"
`;

const text = (file: string | undefined): string => {
  if (file === undefined) throw new SettingsUsage(`name a build file\n\n${START_USAGE}`);
  try {
    return readFileSync(file === '-' ? 0 : file, 'utf8');
  } catch (error) {
    throw new SettingsUsage(`${file}: cannot be read (${(error as NodeJS.ErrnoException).code})\n`);
  }
};
const round = (n: number) => Math.round(n * 1000) / 1000;

function machineOf(file: string | undefined) {
  const { build, parts } = readBuildFile(text(file));
  const kit = kitOf(build, parts);
  return { build, kit, findings: checked(build, parts).findings };
}

function rehearseReport([file]: readonly string[]): object {
  const { kit, findings } = machineOf(file);
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

function diagnoseReport([file, startFile]: readonly string[]): object {
  const { build, kit, findings } = machineOf(file);
  const start =
    startFile === undefined
      ? startsOf(build).at(-1)?.[1]
      : readStart(text(startFile), new Date(0).toISOString());
  if (!start)
    throw new SettingsUsage(
      `no start is noted in this build; give a file with what was seen\n\n${START_USAGE}`
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

export const startCommands: Record<string, (args: readonly string[]) => object> = {
  rehearse: rehearseReport,
  diagnose: diagnoseReport
};
