import { readFileSync, writeFileSync } from 'node:fs';
import {
  conditionalRuns,
  expectationOf,
  fileText,
  freeRuns,
  memoryMap,
  paragraphRange,
  regionBytes,
  systemIni,
  upperPlan,
  writeFiles,
  type Piece,
  type PlannedStart
} from '../src/lib/core/boot';
import { checkFiles, explainFiles, planBeside } from '../src/lib/core/boot-files';
import { VARIANTS, counted, shownMemory } from '../src/lib/core/boards';
import { kitOf, totalKiB, type Kit } from '../src/lib/core/kit';
import { FloppyImageError, readBuildFile, startFloppy } from '../src/lib/formats';
import {
  becauseWords,
  bootFindingWords,
  driverTitle,
  lineWhyWords,
  managerWords,
  maybeWords,
  noPlanWords,
  refusedWords,
  startLabel,
  useWords,
  variantWords
} from '../src/lib/words';
import { SettingsUsage } from './settings';

export const BOOT_USAGE = `  memory-map FILE               the first megabyte of a build as its settings stand: who answers where, what collides,
                                regions of upper memory and page frame, and what is counted above
  boot FILE [--text]            the starts that serve every program of the brief, and CONFIG.SYS and AUTOEXEC.BAT for
                                them; --text prints the files alone
  boot FILE --floppy KIB IMAGE [--go-on C:]
                                the files on the image of a floppy of 360, 720, 1200, 1440 or 2880 KiB, with a list of
                                what has to be put on it; --go-on: it loads the drivers and goes on from that drive
  boot-check FILE CONFIG.SYS AUTOEXEC.BAT
                                what is wrong in a pair of files, line by line, against a build; - stands for a file
                                that is not there
`;

const text = (file: string | undefined): string => {
  if (file === undefined) throw new SettingsUsage(`name a build file\n\n${BOOT_USAGE}`);
  try {
    return readFileSync(file === '-' ? 0 : file, 'utf8');
  } catch (error) {
    throw new SettingsUsage(`${file}: cannot be read (${(error as NodeJS.ErrnoException).code})\n`);
  }
};
/** DOS writes its files in a code page of bytes; nothing of a line may be lost on the way. */
const dosText = (file: string | undefined): string => {
  if (file === undefined) throw new SettingsUsage(`name CONFIG.SYS and AUTOEXEC.BAT\n\n${BOOT_USAGE}`);
  if (file === '-') return '';
  try {
    return readFileSync(file, 'latin1');
  } catch (error) {
    throw new SettingsUsage(`${file}: cannot be read (${(error as NodeJS.ErrnoException).code})\n`);
  }
};
const kitIn = (source: string): Kit => {
  const { build, parts } = readBuildFile(source);
  return kitOf(build, parts);
};
const tenth = (n: number) => Math.round(n * 10) / 10;
const owner = ({ owner: o }: Piece) => (o.thing ? `${o.thing.name}, ${o.function}` : o.function);

export function memoryMapReport(source: string): object {
  const kit = kitIn(source);
  const total = totalKiB(kit);
  const map = memoryMap(kit, total);
  const asPiece = (p: Piece) => ({
    window: paragraphRange(p),
    kib: (p.to - p.from) / 1024,
    use: p.use,
    words: useWords[p.use],
    owner: owner(p),
    shadowed: p.shadowed,
    sure: p.sure
  });
  const plans = (['best', null] as const).map((frame) => {
    const plan = map.hidden.length ? null : upperPlan(map, { frame, use: kit.build.boot?.free ?? [] });
    return plan
      ? {
          frame: plan.frame && paragraphRange(plan.frame),
          regions: plan.regions.map((r) => ({ window: paragraphRange(r), kib: (r.to - r.from) / 1024 })),
          bytes: regionBytes(plan),
          exclude: plan.exclude.map((x) => ({
            window: paragraphRange(x),
            owner: owner(x.piece),
            sure: x.piece.sure
          })),
          include: plan.include.map(paragraphRange)
        }
      : null;
  });
  return {
    conventionalKiB: map.conventional === null ? null : map.conventional / 1024,
    pieces: map.pieces.map(asPiece),
    free: freeRuns(map.pieces, 0xc0000, 0xf0000).map((r) => ({
      window: paragraphRange(r),
      kib: (r.to - r.from) / 1024
    })),
    collisions: map.collisions.map((c) => ({ window: paragraphRange(c), a: owner(c.a), b: owner(c.b) })),
    hidden: map.hidden,
    doubtful: map.doubtful,
    conditional: conditionalRuns(map).map((c) => ({
      window: paragraphRange(c),
      why: c.why,
      look: maybeWords[c.why].look
    })),
    withFrame: plans[0],
    withoutFrame: plans[1],
    memory:
      kit.memory && total > 0
        ? {
            fittedKiB: total,
            ...shownMemory(total, kit.memory),
            variants: VARIANTS.map((v) => ({ variant: v, words: variantWords[v], ...counted(total, v) }))
          }
        : null
  };
}

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

export function bootReport(source: string): object {
  const kit = kitIn(source);
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
      source: w.isMeasured ? 'measured' : 'typical'
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

export function bootCheckReport(build: string, config: string, autoexec: string): object {
  const machine = expectationOf(kitIn(build));
  const findings = checkFiles(config, autoexec, machine);
  return {
    dos: machine.dos,
    // Without them those questions were not asked.
    notAsked: [
      ...(machine.dos === null ? ['the version of DOS is not in the brief'] : []),
      ...(machine.cpu === null ? ['no CPU is entered'] : []),
      ...(machine.map.doubtful.length
        ? ['a jumper of unknown meaning may switch something on in upper memory']
        : []),
      ...(machine.map.hidden.length ? ['a card may answer in upper memory, and nobody knows where'] : [])
    ],
    lines: explainFiles(config, autoexec, machine.dos),
    findings: findings.map(({ edit, ...f }) => ({ ...f, ...bootFindingWords(f), fix: edit }))
  };
}

/** Writes the image of a start floppy, never over a file that is there. */
function writeFloppy([file, , size, target, option, drive]: readonly string[]): object {
  if (!target || (option !== undefined && (option !== '--go-on' || !/^[C-Z]:$/i.test(drive ?? ''))))
    throw new SettingsUsage(`name the size and the image\n\n${BOOT_USAGE}`);
  const kit = kitIn(text(file));
  const plan = planBeside(kit);
  if (typeof plan === 'string') return { plan: null, why: plan, words: noPlanWords[plan] };
  const files = writeFiles(kit, plan, startLabel);
  try {
    const image = startFloppy(files, plan.dos, Number(size), 'C:\\DRIVERS', drive?.toUpperCase() ?? null);
    writeFileSync(target, image, { flag: 'wx' });
    return { image: target, bytes: image.length, files: [...files.files.map((f) => f.name), 'READ.ME'] };
  } catch (error) {
    if (error instanceof FloppyImageError) throw new SettingsUsage(`${error.message}\n`);
    throw new SettingsUsage(`${target}: cannot be written (${(error as NodeJS.ErrnoException).code})\n`);
  }
}

export const bootCommands: Record<string, (args: readonly string[]) => object | string> = {
  'memory-map': ([file]) => memoryMapReport(text(file)),
  boot: (args) => {
    if (args[1] === '--floppy') return writeFloppy(args);
    const report = bootReport(text(args.find((a) => a !== '--text')));
    if (!args.includes('--text') || !('files' in report)) return report;
    return (report.files as { name: string; text: string }[])
      .map((f) => `--- ${f.name}\n${f.text}`)
      .join('\n');
  },
  'boot-check': ([build, config, autoexec]) =>
    bootCheckReport(text(build), dosText(config), dosText(autoexec))
};
