import type { Kit } from '../kit';
import { systemOf } from '../software';
import type { Driver } from './drivers';
import { expectationOf } from './expect';
import { common, configBlock, planned, tail } from './lines';
import type { ManagerKind } from './managers';
import { driversToCopy, type BootPlan, type PlannedStart } from './plan';
import { argumentsOf, foldersOf, type Writer, type WrittenFile, type WrittenLine } from './writer';

export interface BootFiles {
  /** One pair for every start, one pair with a menu, or a pair for each start. */
  kind: 'single' | 'menu' | 'sets';
  files: WrittenFile[];
  /** Name of each start in the files. */
  names: string[];
  /** Drivers that do not come with DOS and have to be copied. */
  toCopy: Driver[];
  /** Windows 95 or 98 is one of the choices, so MSDOS.SYS must leave the choice to the menu: BootGUI=0. */
  bootsWindows: boolean;
}

const startNames: Record<ManagerKind, string> = { none: 'PLAIN', xms: 'XMS', noems: 'UMB', ems: 'EMS' };
const groupNames: Readonly<Record<string, string>> = {
  cd: 'CD',
  mouse: 'M',
  network: 'NET',
  cache: 'C',
  'ram-disk': 'R',
  emulation: 'S'
};

/** Short names that tell the starts apart: EMS, XMS, or with what is on in them. Labels differ in eight letters. */
function namesOf(starts: readonly PlannedStart[]): string[] {
  const taken = new Set<string>();
  return starts.map(({ configuration: c, manager }) => {
    const plain = startNames[manager.kind];
    const isAlone = starts.filter((s) => s.manager.kind === manager.kind).length === 1;
    const long = `${plain}${c.on.map((g) => groupNames[g] ?? '').join('')}`.slice(0, 8);
    let name = isAlone ? plain : long;
    for (let i = 2; taken.has(name); i++) name = `${long.slice(0, 7)}${i}`;
    taken.add(name);
    return name;
  });
}

const menuLine = (text: string): WrittenLine => ({ text, why: { kind: 'menu' } });
const branchLine = (text: string): WrittenLine => ({ text, why: { kind: 'branch' } });

/** One pair with a menu. Windows 95 and later begin from it too, without any driver of DOS: those slow it down. */
function menuFiles(
  w: Writer,
  names: readonly string[],
  label: (start: PlannedStart) => string,
  all: readonly WrittenLine[],
  [echo, ends]: readonly [WrittenLine, readonly WrittenLine[]],
  hasWindows: boolean
): WrittenFile[] {
  const { starts } = w.plan;
  const windows = (text: string): WrittenLine[] => (hasWindows ? [{ text, why: { kind: 'windows' } }] : []);
  const config = [
    menuLine('[MENU]'),
    ...windows('MENUITEM=WIN,Windows'),
    ...starts.map((s, i) => menuLine(`MENUITEM=${names[i]},${label(s).slice(0, 60)}`)),
    menuLine(`MENUDEFAULT=${hasWindows ? 'WIN' : names[0]},15`),
    ...windows('[WIN]'),
    ...starts.flatMap((s, i) => [menuLine(`[${names[i]}]`), ...configBlock(w, s)]),
    menuLine('[COMMON]'),
    ...all
  ];
  const batch = [
    echo,
    branchLine('GOTO %CONFIG%'),
    ...windows(':WIN'),
    ...windows('GOTO END'),
    ...starts.flatMap((s, i) => [
      branchLine(`:${names[i]}`),
      ...planned(w, s, 'autoexec'),
      branchLine('GOTO END')
    ]),
    branchLine(':END'),
    ...ends,
    ...windows('IF "%CONFIG%"=="WIN" WIN')
  ];
  return [
    { name: 'CONFIG.SYS', lines: config },
    { name: 'AUTOEXEC.BAT', lines: batch }
  ];
}

/**
 * Writes the files of a plan, for the DOS that the brief names.
 * @param label what a start is called in the menu, at most 60 letters
 */
export function writeFiles(kit: Kit, plan: BootPlan, label: (start: PlannedStart) => string): BootFiles {
  const ex = expectationOf(kit);
  const w: Writer = {
    kit,
    ex,
    plan,
    folders: foldersOf(plan.dos, ex.hardDisks > 0),
    fill: argumentsOf(kit, ex)
  };
  const names = namesOf(plan.starts);
  const ends = tail(w);
  const all = common(w, ends);
  const echo: WrittenLine = { text: plan.dos >= 3.3 ? '@ECHO OFF' : 'ECHO OFF', why: { kind: 'echo' } };
  const pair = (start: PlannedStart): [WrittenLine[], WrittenLine[]] => [
    [...configBlock(w, start), ...all],
    [echo, ...planned(w, start, 'autoexec'), ...ends]
  ];
  const [first] = plan.starts;
  const bootsWindows = (systemOf(kit.build.brief.os).windows ?? 0) >= 4;
  const base = { names, toCopy: driversToCopy(plan), bootsWindows };
  if (plan.dos >= 6 && (plan.starts.length > 1 || bootsWindows))
    return { ...base, kind: 'menu', files: menuFiles(w, names, label, all, [echo, ends], bootsWindows) };
  if (plan.starts.length > 1)
    return {
      ...base,
      kind: 'sets',
      files: plan.starts.flatMap((s, i) => {
        const [config, batch] = pair(s);
        return [
          { name: `CONFIG.${i + 1}`, lines: config },
          { name: `AUTOEXEC.${i + 1}`, lines: batch }
        ];
      })
    };
  const [config, batch] = first ? pair(first) : [all, [echo, ...ends]];
  return {
    ...base,
    kind: 'single',
    files: [
      { name: 'CONFIG.SYS', lines: config },
      { name: 'AUTOEXEC.BAT', lines: batch }
    ]
  };
}

/** A file as DOS reads it: lines end in carriage return and line feed. */
export const fileText = (file: WrittenFile): string => file.lines.map((l) => `${l.text}\r\n`).join('');
