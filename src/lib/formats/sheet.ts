import { byId } from '../core/model';
import type { BootPlan, NoPlan } from '../core/boot';
import { check } from '../core/rules';
import type { Build, PartSet, Severity, Tick } from '../core/model';
import { moveList, type CardJob } from '../core/moves';
import {
  isLineSeen,
  lineText,
  linesAt,
  machine,
  positionOf,
  standing,
  type Machine
} from '../core/resources';
import { boardCautions, openingCautions, powerCautions, settingCautions, type Caution } from '../core/safety';
import { actionWords, cautionWords, sheetWords as words, stateText, tell } from '../words';
import { withOwnFiles } from './commands';
import { sheetBoot, type SheetBoot } from './sheet-boot';
import { sheetDrives, type SheetCable } from './sheet-drives';
import { sheetPower, type SheetPower } from './sheet-power';
import {
  differences,
  meaningsOf,
  notSeen,
  planned,
  seatKey,
  settingKey,
  type Difference
} from '../core/settings';

/** An action of a job in words, or something to look at. */
interface SheetAction {
  block?: string;
  setting: string;
  text: string;
}
type SheetJob = Omit<CardJob, 'actions'> & { actions: SheetAction[] };

/** One thing to do in a step; `key` is that of its tick. */
export interface StepAction {
  key: string;
  text: string;
  block?: string;
  /** The setting that it moves, and where to. */
  setting?: string;
  position?: string;
  done?: Tick;
}

/** One numbered step of the bench sheet. */
export interface Step {
  /** What kind of step, for drawing. */
  kind: 'take-out' | 'set' | 'seat' | 'command';
  key: string;
  item?: string;
  title: string;
  /** What can hurt in this step, told before it. */
  cautions: readonly Caution[];
  actions: StepAction[];
  done?: Tick;
}

export interface Sheet {
  name: string;
  cautions: Caution[];
  steps: Step[];
  /** Before power comes back. */
  powerCautions: readonly Caution[];
  power: SheetPower;
  /** Drives, cable by cable. */
  drives: SheetCable[];
  /** Functions and the lines they end up with; where nobody looked that is said. */
  lines: { owner: string; function: string; lines: string[] }[];
  /** Settings that nobody looked at and no step sets: they are only assumed to stand at the default. */
  unseen: { title: string; settings: string[] }[];
  boot: SheetBoot;
  /** What is still in the way when the sheet is printed. */
  open: { severity: Severity; title: string; sentence: string }[];
}

/**
 * The bench sheet of a build: what to do at the machine, in order, with everything chosen that follows from the
 * build. Ticked steps stay in their place until the ticks are cleared.
 */
export function sheetOf(given: Build, parts: PartSet, plan?: BootPlan | NoPlan | null): Sheet {
  const build = planned(given, parts);
  const m = machine(build, parts);
  const { jobs: moves, commands } = moveList(build, parts);
  const jobs = withLooks(moves, differences(build, parts), m);
  const all = [...jobs, ...tickedJobs(build, m, jobs)];
  const cards = all.filter((job) => job.from !== undefined);
  const board = all.filter((job) => job.from === undefined);
  const exchanged = cards.some((job) => job.from !== job.into);
  const step = {
    takeOut: (job: SheetJob) => takeOut(build, job),
    set: (job: SheetJob) => setStep(build, m, job),
    seat: (job: SheetJob) => seat(build, job)
  };
  const steps: Step[] = [
    ...(exchanged ? cards.map(step.takeOut) : []),
    ...(exchanged ? board.flatMap(step.set) : []),
    ...cards.flatMap((job) =>
      exchanged ? [...step.set(job), step.seat(job)] : [step.takeOut(job), ...step.set(job), step.seat(job)]
    ),
    ...(exchanged ? [] : board.flatMap(step.set))
  ];
  const byFile = new Map<string, string[]>();
  for (const { where, text } of withOwnFiles(commands, build, parts))
    byFile.set(where, [...(byFile.get(where) ?? []), text]);
  for (const [where, texts] of byFile)
    steps.push({
      kind: 'command',
      key: `do ${where}`,
      title: commandTitle(where),
      cautions: [],
      ...tickOf(build, `do ${where}`),
      actions: texts.map((text) => {
        const key = `do ${where} ${text}`.slice(0, 200);
        return { key, text, ...tickOf(build, key) };
      })
    });
  const lines = linesAt(m, standing(m)).filter((l) => l.item !== 'system' && l.item !== 'pnp');
  const owners = new Map<string, { owner: string; function: string; lines: string[] }>();
  for (const line of lines) {
    const key = `${line.item}/${line.function}`;
    const fitted = m.get(line.item);
    const row = owners.get(key) ?? {
      owner: fitted.slot ? words.inSlot(fitted.title, fitted.slot.id) : fitted.title,
      function: byId(fitted.part.functions, line.function).label,
      lines: []
    };
    row.lines.push(isLineSeen(m, line) ? lineText(line) : words.assumedLine(lineText(line)));
    owners.set(key, row);
  }
  return {
    name: build.name,
    cautions: [...openingCautions, ...boardCautions(m.board.part.board.slots.map((s) => s.bus))],
    steps,
    powerCautions,
    power: sheetPower(build, parts),
    drives: sheetDrives(build, parts),
    lines: [...owners.values()],
    unseen: unseenOf(m, steps),
    boot: sheetBoot(build, parts, plan),
    open: check(build, parts)
      .filter((f) => f.severity !== 'note')
      .map(tell)
      .map(({ severity, title, sentence }) => ({ severity, title, sentence }))
  };
}

/**
 * What nobody looked at and may stand right already: on the board, and on cards that come out anyway, it is to be
 * looked at.
 */
function withLooks(jobs: readonly CardJob[], open: readonly Difference[], m: Machine): SheetJob[] {
  const out = jobs.map((job): SheetJob => ({
    ...job,
    actions: job.actions.map((action) => ({
      setting: action.setting,
      ...(action.block ? { block: action.block } : {}),
      text: actionWords(action)
    }))
  }));
  for (const { item, title, part, setting, found, wanted } of open) {
    const known = out.find((job) => job.item === item);
    if (found !== undefined || known?.actions.some((a) => a.setting === setting.id)) continue;
    if (!known && item !== m.board.item.id) continue;
    const block = part.blocks.find((b) => b.id === setting.block);
    const position = byId(setting.positions, wanted);
    const stands = block ? stateText(block, position) : position.label;
    const action: SheetAction = {
      setting: setting.id,
      ...(block ? { block: block.id } : {}),
      text: words.look(block?.label ?? setting.label, stands, setting.label, position.label)
    };
    if (known) known.actions.push(action);
    else out.push({ item, title, actions: [action] });
  }
  return out;
}

/** By item: what was never looked at and is set in no step either. */
function unseenOf(m: Machine, steps: readonly Step[]): Sheet['unseen'] {
  const set = new Set(steps.flatMap((s) => s.actions.map((a) => settingKey(s.item ?? '', a.setting ?? ''))));
  return m.fitted.flatMap((fitted) => {
    const { id, chosen } = fitted.item;
    // What is chosen and set at the keyboard has its line among the commands.
    const settings = [...notSeen(m, fitted)]
      .flatMap(([where, all]) => all.filter((s) => where === 'hand' || chosen[s.id] === undefined))
      .filter((s) => !set.has(settingKey(id, s.id)))
      .map((s) => s.label);
    return settings.length ? [{ title: fitted.title, settings }] : [];
  });
}

/** Whether there is nothing to move, as far as anybody looked. */
export const nothingToMove = (sheet: Sheet): string =>
  sheet.unseen.length ? words.nothingSeen : words.nothing;

const tickOf = (build: Build, key: string): { done?: Tick } => {
  const done = build.done?.[key];
  return done ? { done } : {};
};

/** Cards and the board of which something is ticked and nothing is left to move. */
function tickedJobs(build: Build, m: Machine, jobs: readonly SheetJob[]): SheetJob[] {
  const ticked = new Set(Object.values(build.done ?? {}).flatMap((t) => t.item ?? []));
  return m.fitted
    .filter((f) => ticked.has(f.item.id) && !jobs.some((j) => j.item === f.item.id))
    .map((f) => {
      const slot = f.slot && (f.slot.label ?? words.slot(f.slot.id));
      return {
        item: f.item.id,
        title: f.title,
        actions: [],
        ...(slot ? { from: tickedFrom(build, f.item.id, m) ?? slot, into: slot } : {})
      };
    });
}

/** Where a card that is seated by now came from. */
function tickedFrom(build: Build, item: string, m: Machine): string | undefined {
  const from = build.done?.[seatKey(item)]?.from;
  const slot = m.board.part.board.slots.find((s) => s.id === from);
  return slot && (slot.label ?? words.slot(slot.id));
}

function takeOut(build: Build, job: SheetJob): Step {
  const key = `${job.item} out`;
  const title = words.takeOut(job.title, job.from ?? '');
  return { kind: 'take-out', key, item: job.item, title, cautions: [], actions: [], ...tickOf(build, key) };
}

/** The moves on one card or the board, one for each setting; none: no step. */
function setStep(build: Build, m: Machine, job: SheetJob): Step[] {
  const bySetting = new Map<string, StepAction>();
  for (const { setting, block, text } of job.actions) {
    const known = bySetting.get(setting);
    const item = m.get(job.item).item;
    const told = m.get(job.item).part.settings.find((s) => s.id === setting);
    const position = told && positionOf(item, told);
    if (known) known.text += ` ${text}`;
    else
      bySetting.set(setting, {
        key: settingKey(job.item, setting),
        text,
        setting,
        ...(block ? { block } : {}),
        ...(position ? { position } : {})
      });
  }
  const ticked = Object.entries(build.done ?? {}).filter(
    ([, t]) => t.item === job.item && t.setting !== undefined && !bySetting.has(t.setting)
  );
  const actions = [
    ...ticked.map(([key, done]): StepAction => ({ key, text: done.text, setting: done.setting, done })),
    ...bySetting.values()
  ];
  if (!actions.length) return [];
  const facts = meaningsOf(m.get(job.item).part)
    .filter((meant) => actions.some((a) => a.setting === meant.setting.id))
    .map((meant) => meant.fact);
  return [
    {
      kind: 'set',
      key: `${job.item} set`,
      item: job.item,
      title: words.set(job.title),
      cautions: settingCautions(facts),
      actions
    }
  ];
}

function seat(build: Build, job: SheetJob): Step {
  const key = seatKey(job.item);
  const title = words.seat(job.title, job.into ?? '');
  return { kind: 'seat', key, item: job.item, title, cautions: [], actions: [], ...tickOf(build, key) };
}

const commandTitle = (where: string) =>
  where === 'SETUP' ? words.inSetup : where.includes('.') ? words.inFile(where) : words.runFor(where);

const box = ({ done }: { done?: Tick }): string => (done ? '[x]' : '[ ]');

/** The sheet as plain text, 78 columns. */
export function sheetText(sheet: Sheet): string {
  const title = words.title(sheet.name).replace(words.title(''), (start) => start.toUpperCase());
  const out: string[] = [title, '='.repeat(Math.min(78, title.length)), ''];
  const heading = (text: string) => out.push('', text.toUpperCase());
  const caution = (c: Caution) =>
    out.push(...wrap(`${c.level === 'red' ? '!! ' : '!  '}${cautionWords[c.id]}`, '   '));
  sheet.cautions.forEach(caution);
  out.push('');
  if (sheet.steps.length === 0) out.push(...wrap(nothingToMove(sheet), ''));
  sheet.steps.forEach((step, i) => {
    step.cautions.forEach(caution);
    out.push(...wrap(`${box(step)} ${i + 1}. ${step.title}`, '       '));
    step.actions.forEach((a) => out.push(...wrap(`       ${box(a)} ${a.text}`, '           ')));
  });
  out.push('');
  sheet.powerCautions.forEach(caution);
  sheet.power.held.forEach((text) => out.push(...wrap(`!! ${text}`, '   ')));
  if (sheet.power.stops.length) {
    heading(words.stops);
    sheet.power.stops.forEach((text) => out.push(...wrap(`  [ ] ${text}`, '      ')));
  }
  if (sheet.power.checks.length) {
    heading(words.checks);
    sheet.power.checks.forEach(({ text, skippedBy }) =>
      out.push(...wrap(`  [ ] ${skippedBy ? words.skipped(text, skippedBy) : text}`, '      '))
    );
  }
  if (sheet.open.length) {
    heading(words.open);
    sheet.open.forEach((f) =>
      out.push(...wrap(`- ${f.severity.toUpperCase()}: ${f.title}. ${f.sentence}`, '  '))
    );
  }
  if (sheet.unseen.length) {
    heading(words.unseen);
    sheet.unseen.forEach((u) => out.push(...wrap(`- ${u.title}: ${u.settings.join(', ')}`, '  ')));
  }
  if (sheet.drives.length) heading(words.drives);
  for (const { title, drives } of sheet.drives) {
    out.push(...wrap(`- ${title}`, '  '));
    drives.forEach(({ text, isOpen }) => out.push(...wrap(`  ${isOpen ? '[ ]' : '[x]'} ${text}`, '      ')));
  }
  heading(words.starts);
  for (const text of sheet.boot.starts) out.push(...wrap(`- ${text}`, '  '));
  if (sheet.boot.files.length) out.push(...wrap(`  ${words.files(sheet.boot.files)}`, '  '));
  for (const text of sheet.boot.refused) out.push(...wrap(`- ${text}`, '  '));
  if (sheet.boot.missing.length) out.push(...wrap(`- ${words.missing(sheet.boot.missing)}`, '  '));
  sheet.boot.windows.forEach((text, i) => out.push(...wrap(`  [ ] ${i + 1}. ${text}`, '      ')));
  heading(words.lines);
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
