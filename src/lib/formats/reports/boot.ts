import { expectationOf, fileText, systemIni, writeFiles, type PlannedStart } from '../../core/boot';
import { checkFiles, explainFiles, planBeside } from '../../core/boot-files';
import { kitOf } from '../../core/kit';
import {
  becauseWords,
  bootFindingWords,
  driverTitle,
  lineWhyWords,
  managerWords,
  noPlanWords,
  refusedWords,
  reportWords,
  startLabel
} from '../../words';
import type { Machine } from './machine';

const tenth = (n: number) => Math.round(n * 10) / 10;

const startReport = (s: PlannedStart, name: string) => ({
  name,
  label: startLabel(s),
  manager: s.manager.kind,
  words: managerWords[s.manager.kind],
  on: s.configuration.on,
  freeKiB: s.free.map(tenth),
  byDosKiB: s.byDosKiB === null ? null : tenth(s.byDosKiB),
  xmsKiB: s.configuration.xmsKiB,
  emsKiB: s.configuration.emsKiB,
  regions: s.manager.regions,
  placement: { ...s.configuration.placement },
  serves: s.configuration.serves
});

/** The starts of a build, their files line by line, and what is missing for them. */
export function bootReport({ build, parts }: Machine): object {
  const kit = kitOf(build, parts);
  const plan = planBeside(kit);
  if (typeof plan === 'string') return { plan: null, why: plan, words: noPlanWords[plan] };
  const files = writeFiles(kit, plan, startLabel);
  return {
    dos: plan.dos,
    drivers: plan.wanted.map((w) => ({
      driver: w.driver.id,
      words: driverTitle(w.driver),
      because: becauseWords(w.because),
      load: w.load,
      stay: w.stay,
      source: w.isMeasured ? reportWords.measured : reportWords.typical
    })),
    refused: plan.refused.map(refusedWords),
    starts: plan.starts.map((s, i) => startReport(s, files.names[i] ?? '')),
    fewest: plan.answer.chosen.length,
    clique: plan.answer.clique,
    droppable: plan.droppable,
    isCut: plan.answer.isCut,
    programs: plan.programs,
    kind: files.kind,
    files: files.files.map((f) => ({
      name: f.name,
      text: fileText(f),
      reasons: f.lines.map((l) => lineWhyWords(l.why))
    })),
    systemIni: systemIni(kit),
    toCopy: files.toCopy.map((d) => d.file)
  };
}

/** A pair of files against a build and against each other. */
export function bootCheckReport({ build, parts }: Machine, config: string, autoexec: string): object {
  const machine = expectationOf(kitOf(build, parts));
  const findings = checkFiles(config, autoexec, machine);
  return {
    dos: machine.dos,
    // Without them those questions were not asked.
    notAsked: [
      ...(machine.dos === null ? [reportWords.notAsked.dos] : []),
      ...(machine.cpu === null ? [reportWords.notAsked.cpu] : []),
      ...(machine.map.doubtful.length ? [reportWords.notAsked.doubtful] : []),
      ...(machine.listing ? [] : [reportWords.notAsked.listing]),
      ...(machine.map.hidden.length ? [reportWords.notAsked.hidden] : [])
    ],
    lines: explainFiles(config, autoexec, machine.dos),
    findings: findings.map(({ edit, ...f }) => ({ ...f, ...bootFindingWords(f), fix: edit }))
  };
}
