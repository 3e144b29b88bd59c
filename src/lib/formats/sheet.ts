import { check } from '../core/check';
import type { Build, Finding, PartSet } from '../core/model';
import { moveList, type CardJob } from '../core/moves';
import { lineText, linesAt, machine, standing } from '../core/resources';
import { boardCautions, openingCautions, powerCautions, type Caution } from '../core/safety';

/** One numbered step of the bench sheet. */
export interface Step {
  /** What kind of step, for drawing. */
  kind: 'take-out' | 'set' | 'seat' | 'command' | 'check';
  item?: string;
  title: string;
  actions: { block?: string; text: string }[];
}

export interface Sheet {
  name: string;
  cautions: Caution[];
  steps: Step[];
  /** Before power comes back. */
  powerCautions: readonly Caution[];
  /** Functions and the lines they end up with. */
  lines: { owner: string; function: string; lines: string[] }[];
  /** What is still in the way when the sheet is printed. */
  open: { severity: Finding['severity']; title: string; sentence: string }[];
}

/** The bench sheet of a build: what to do at the machine, in order. */
export function sheetOf(build: Build, parts: PartSet): Sheet {
  const m = machine(build, parts);
  const { jobs, commands } = moveList(build, parts);
  const cards = jobs.filter((job) => job.from !== undefined);
  const board = jobs.filter((job) => job.from === undefined);
  const exchanged = cards.some((job) => job.from !== job.into);
  const steps: Step[] = [
    ...(exchanged ? cards.map(takeOut) : []),
    ...(exchanged ? board.map(setStep) : []),
    ...cards.flatMap((job) =>
      exchanged ? [...settings(job), seat(job)] : [takeOut(job), ...settings(job), seat(job)]
    ),
    ...(exchanged ? [] : board.map(setStep))
  ];
  const byFile = new Map<string, string[]>();
  for (const { where, text } of commands) byFile.set(where, [...(byFile.get(where) ?? []), text]);
  for (const [where, texts] of byFile)
    steps.push({ kind: 'command', title: commandTitle(where), actions: texts.map((text) => ({ text })) });
  const lines = linesAt(m, standing(m)).filter((l) => l.item !== 'system' && l.item !== 'pnp');
  const owners = new Map<string, { owner: string; function: string; lines: string[] }>();
  for (const line of lines) {
    const key = `${line.item}/${line.function}`;
    const fitted = m.find(line.item)!;
    const row = owners.get(key) ?? {
      owner: fitted.slot ? `${fitted.title}, slot ${fitted.slot.id}` : fitted.title,
      function: fitted.part.functions.find((f) => f.id === line.function)!.label,
      lines: []
    };
    row.lines.push(lineText(line));
    owners.set(key, row);
  }
  return {
    name: build.name,
    cautions: [...openingCautions, ...boardCautions(m.board.part.board!.slots.map((s) => s.bus))],
    steps,
    powerCautions,
    lines: [...owners.values()],
    open: check(build, parts)
      .filter((f) => f.severity !== 'note')
      .map(({ severity, title, sentence }) => ({ severity, title, sentence }))
  };
}

const takeOut = (job: CardJob): Step => ({
  kind: 'take-out',
  item: job.item,
  title: `Take ${job.title} out of ${job.from}`,
  actions: []
});
const setStep = (job: CardJob): Step => ({
  kind: 'set',
  item: job.item,
  title: `Set ${job.title}`,
  actions: job.actions
});
const settings = (job: CardJob): Step[] => (job.actions.length ? [setStep(job)] : []);
const seat = (job: CardJob): Step => ({
  kind: 'seat',
  item: job.item,
  title: `Seat ${job.title} in ${job.into}`,
  actions: []
});
const commandTitle = (where: string) =>
  where === 'SETUP' ? 'In the BIOS setup' : where.includes('.') ? `In ${where}` : `Run for ${where}`;

/** The sheet as plain text, 78 columns. */
export function sheetText(sheet: Sheet): string {
  const out: string[] = [`BENCH SHEET: ${sheet.name}`, '='.repeat(Math.min(78, 13 + sheet.name.length)), ''];
  const caution = (c: Caution) => out.push(...wrap(`${c.level === 'red' ? '!! ' : '!  '}${c.text}`, '   '));
  sheet.cautions.forEach(caution);
  out.push('');
  if (sheet.steps.length === 0) out.push('Nothing to move: every setting is where it was found.');
  sheet.steps.forEach((step, i) => {
    out.push(...wrap(`[ ] ${i + 1}. ${step.title}`, '       '));
    step.actions.forEach((a) => out.push(...wrap(`       [ ] ${a.text}`, '           ')));
  });
  out.push('');
  sheet.powerCautions.forEach(caution);
  if (sheet.open.length) {
    out.push('', 'STILL OPEN');
    sheet.open.forEach((f) =>
      out.push(...wrap(`- ${f.severity.toUpperCase()}: ${f.title}. ${f.sentence}`, '  '))
    );
  }
  out.push('', 'LINES');
  for (const row of sheet.lines)
    out.push(...wrap(`  ${row.owner}: ${row.function}: ${row.lines.join(', ')}`, '      '));
  return out.join('\n') + '\n';
}

function wrap(text: string, indent: string): string[] {
  const lines: string[] = [];
  let line = '';
  for (const word of text.split(/(?<=\S) /)) {
    if (line && line.length + 1 + word.length > 78) {
      lines.push(line);
      line = indent + word;
    } else line = line ? `${line} ${word}` : word;
  }
  return [...lines, line];
}
