import type { Kit } from '../kit';
import { startupLines } from '../moves';
import { isLineSeen, isOn, linesAt } from '../resources';
import { systemOf } from '../software';
import { usualEnvironment } from './dos';
import { driverOf, type Driver } from './drivers';
import { expectationOf, type Expectation, type Found } from './expect';
import { paragraphRange } from './map';
import type { ManagerKind } from './managers';
import type { BootPlan, PlannedStart } from './plan';
import type { Because, Wanted } from './wanted';

/** Why a line stands in a file, as data. */
export type LineWhy =
  | { kind: 'driver'; driver: Driver; because: Because; region: number | null; isMeasured: boolean }
  | {
      kind:
        | 'xms'
        | 'dos-high'
        | 'dos-umb'
        | 'files'
        | 'lastdrive'
        | 'stacks'
        | 'path'
        | 'prompt'
        | 'date'
        | 'echo';
    }
  | { kind: 'buffers'; isHigh: boolean }
  | { kind: 'manager'; manager: ManagerKind; exclude: string[]; include: string[] }
  | { kind: 'double-buffer'; card: string }
  | { kind: 'shell'; needs: number; usual: number; isTight: boolean }
  | { kind: 'sound'; card: string }
  | { kind: 'look'; card: string }
  | { kind: 'menu' | 'branch' | 'windows' | 'second-stage' };

export interface WrittenLine {
  text: string;
  why: LineWhy;
}
export interface WrittenFile {
  name: string;
  lines: WrittenLine[];
}
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
const groupNames: Readonly<Record<string, string>> = { cd: 'CD', mouse: 'M', network: 'NET', cache: 'C' };

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

/** Where DOS and other drivers lie, as it is usual; the files say so, and the screen says that it is assumed. */
interface Folders {
  drive: string;
  dos: string;
  shell: string;
  others: string;
}
const foldersOf = (dos: number, hasDisk: boolean): Folders => {
  const drive = hasDisk ? 'C:' : 'A:';
  const folder = !hasDisk ? '' : dos >= 7 ? '\\WINDOWS' : '\\DOS';
  return {
    drive,
    dos: `${drive}${folder}\\`,
    shell: dos >= 5 && dos < 7 ? `${drive}${folder}\\` : `${drive}\\`,
    others: `${drive}${hasDisk ? '\\DRIVERS' : ''}\\`
  };
};

/** Numbers of the build that stand in the arguments of drivers; null where nobody looked. */
function argumentsOf(kit: Kit, ex: Expectation): (text: string) => string | null {
  const card = ex.network[0];
  const cd = linesAt(kit.m, kit.at).find((l) => l.kind === 'cdrom' && l.resource === 'io');
  const seen = (f: Found | null | undefined, text: (n: number) => string): string | null =>
    f?.isSeen ? text(f.value) : null;
  const values: Readonly<Record<string, string | null>> = {
    cd: 'CD1',
    cdport: cd && isLineSeen(kit.m, cd) ? cd.value.toString(16).toUpperCase() : null,
    ems: '',
    netirq: seen(card?.irq, String),
    netport: seen(card?.port, (n) => `0x${n.toString(16)}`)
  };
  return (text) => {
    let isWhole = true;
    const filled = text.replace(/\{(\w+)\}/g, (_, key: string) => {
      const value = values[key] ?? null;
      if (value === null) isWhole = false;
      return value ?? '?';
    });
    return isWhole ? filled.trim() : null;
  };
}

interface Writer {
  kit: Kit;
  ex: Expectation;
  plan: BootPlan;
  folders: Folders;
  fill: (text: string) => string | null;
}

const pathOf = ({ folders }: Writer, d: Driver): string =>
  `${d.ofDos ? folders.dos : folders.others}${d.file}`;

/** What has to be looked at before a driver's line can be written. */
const lookAt = (ex: Expectation, d: Driver): string =>
  (d.class === 'packet' ? ex.network[0]?.title : ex.optical[0]?.title) ?? d.file;

/** The line of one driver, where the plan puts it. */
function driverLine(w: Writer, wanted: Wanted, region: number): WrittenLine {
  const { driver } = wanted;
  const { dos } = w.plan;
  const args = w.fill(driver.args);
  const why: LineWhy =
    args === null
      ? { kind: 'look', card: lookAt(w.ex, driver) }
      : {
          kind: 'driver',
          driver,
          because: wanted.because,
          region: dos >= 6 ? region : null,
          isMeasured: wanted.isMeasured
        };
  const rest = `${pathOf(w, driver)}${args ? ` ${args}` : ''}`;
  if (args === null) return { text: `REM ${pathOf(w, driver)} ${driver.args.replace(/\{\w+\}/g, '?')}`, why };
  const isHigh = region > 0;
  if (driver.where === 'config') {
    const word = !isHigh ? 'DEVICE=' : dos >= 6 ? `DEVICEHIGH /L:${region} =` : 'DEVICEHIGH=';
    return { text: `${word}${rest}`, why };
  }
  const low = driver.high === 'self' && !isHigh && driver.class === 'cache' ? ' /L' : '';
  const word = !isHigh
    ? ''
    : dos < 6
      ? 'LH '
      : driver.high === 'self'
        ? `LH /L:0;${region} `
        : `LH /L:${region} `;
  return { text: `${word}${rest}${low}`, why };
}

function managerLines(w: Writer, { manager }: PlannedStart): WrittenLine[] {
  const { plan, folders } = w;
  if (manager.kind === 'none') return [];
  const out: WrittenLine[] = [{ text: `DEVICE=${folders.dos}HIMEM.SYS`, why: { kind: 'xms' } }];
  if (!manager.upper) return [...out, { text: 'DOS=HIGH', why: { kind: 'dos-high' } }];
  const exclude = manager.upper.exclude.map(paragraphRange);
  const include = manager.upper.include.map(paragraphRange);
  const most = Math.max(256, ...w.kit.build.brief.profiles.map((p) => p.wants?.memory?.expandedKiB ?? 0));
  const words =
    manager.kind === 'noems'
      ? ['NOEMS']
      : [
          // Version 5 takes its expanded memory out of XMS, by this number.
          ...(plan.dos < 6 ? [String(most)] : []),
          'RAM',
          ...(manager.upper.frame
            ? [`FRAME=${(manager.upper.frame.from / 16).toString(16).toUpperCase()}`]
            : [])
        ];
  const text = [
    `DEVICE=${folders.dos}EMM386.EXE`,
    ...words,
    ...exclude.map((x) => `X=${x}`),
    ...include.map((i) => `I=${i}`)
  ].join(' ');
  out.push({ text, why: { kind: 'manager', manager: manager.kind, exclude, include } });
  const [card] = w.ex.masters;
  if (card && plan.dos >= 6 && plan.dos < 7)
    out.push({
      text: `DEVICE=${folders.dos}SMARTDRV.EXE /DOUBLE_BUFFER`,
      why: { kind: 'double-buffer', card }
    });
  return [...out, { text: 'DOS=HIGH,UMB', why: { kind: 'dos-umb' } }];
}

/** The expanded memory card's own driver, where the start takes expanded memory from it. */
function cardLines(w: Writer, { manager }: PlannedStart): WrittenLine[] {
  const [card] = w.ex.emsCards;
  if (!card || manager.kind === 'ems' || manager.emsKiB === 0) return [];
  const driver = driverOf('ems-32');
  return [
    {
      text: `DEVICE=${pathOf(w, driver)}`,
      why: { kind: 'driver', driver, because: { kind: 'part', name: card }, region: null, isMeasured: false }
    }
  ];
}

/** Driver lines of one file, in the order of the plan. */
const planned = (w: Writer, start: PlannedStart, where: 'config' | 'autoexec'): WrittenLine[] =>
  start.configuration.placement.order.flatMap(({ name, region }) => {
    const wanted = start.wanted.find((x) => x.driver.id === name);
    return wanted?.driver.where === where ? [driverLine(w, wanted, region)] : [];
  });

const configBlock = (w: Writer, start: PlannedStart): WrittenLine[] => [
  ...managerLines(w, start),
  ...cardLines(w, start),
  ...planned(w, start, 'config')
];

/** SET lines that follow from cards, as far as somebody looked at the cards. */
function soundLines({ kit, ex }: Writer): WrittenLine[] {
  return kit.m.fitted.flatMap((f) => {
    const sound = ex.sound.find((c) => c.item === f.item.id);
    const isSeen =
      !sound || [sound.port, sound.irq, sound.dma, sound.dma16].every((x) => x === null || x.isSeen);
    const one = { ...kit.m, fitted: [f] };
    return startupLines(one, kit.at)
      .filter((l) => l.where === 'AUTOEXEC.BAT')
      .map(({ text }): WrittenLine =>
        isSeen && !text.includes('?')
          ? { text, why: { kind: 'sound', card: f.title } }
          : { text: `REM ${text}`, why: { kind: 'look', card: f.title } }
      );
  });
}

/** What every start has at the end of AUTOEXEC.BAT. */
function tail(w: Writer): WrittenLine[] {
  const { plan, folders, kit } = w;
  const path =
    plan.dos >= 7
      ? `${folders.drive}\\WINDOWS;${folders.drive}\\WINDOWS\\COMMAND`
      : folders.dos.replace(/\\$/, '') || folders.drive;
  const hasClock =
    kit.m.class === 'at' ||
    kit.m.fitted.some((f) => f.part.functions.some((fn) => fn.kind === 'clock' && isOn(f, fn, kit.at)));
  return [
    // With an AUTOEXEC.BAT DOS does not ask for date and time by itself.
    ...(hasClock
      ? []
      : [
          { text: 'DATE', why: { kind: 'date' } as const },
          { text: 'TIME', why: { kind: 'date' } as const }
        ]),
    ...soundLines(w),
    { text: `PATH ${path === 'A:' ? 'A:\\' : path}`, why: { kind: 'path' } },
    { text: 'PROMPT $P$G', why: { kind: 'prompt' } }
  ];
}

/** Lines that every start has in CONFIG.SYS. */
function common(w: Writer, ends: readonly WrittenLine[]): WrittenLine[] {
  const { plan, kit, folders } = w;
  const { dos } = plan;
  const isWindows = (systemOf(kit.build.brief.os).windows ?? 0) > 0;
  const isHigh = plan.starts.some((s) => s.manager.kind !== 'none');
  const hasCache = plan.wanted.some((x) => x.group === 'cache');
  const hasCd = plan.wanted.some((x) => x.group === 'cd');
  const out: WrittenLine[] = [
    { text: `FILES=${isWindows ? 40 : 30}`, why: { kind: 'files' } },
    { text: `BUFFERS=${hasCache ? 10 : kit.m.class === 'xt' ? 10 : 20}`, why: { kind: 'buffers', isHigh } }
  ];
  if (hasCd && dos >= 3) out.push({ text: 'LASTDRIVE=H', why: { kind: 'lastdrive' } });
  if (isWindows && dos >= 3.2 && dos < 7) out.push({ text: 'STACKS=9,256', why: { kind: 'stacks' } });
  const sets = ends.filter((l) => /^(SET|PATH|PROMPT)\b/.test(l.text));
  const needs = sets.reduce(
    (n, l) => n + l.text.replace(/^SET\s+/, '').length + 1,
    `COMSPEC=${folders.shell}COMMAND.COM`.length + 2
  );
  const usual = usualEnvironment(dos);
  const isTight = needs + 64 > usual;
  if (dos >= 3.2 && (isTight || folders.shell !== `${folders.drive}\\`)) {
    const room = isTight ? ` /E:${Math.ceil((needs + 128) / 16) * 16}` : '';
    out.push({
      text: `SHELL=${folders.shell}COMMAND.COM ${folders.shell}${room} /P`,
      why: { kind: 'shell', needs, usual, isTight }
    });
  }
  return out;
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
  const drivers = plan.starts.flatMap((s) => [
    ...s.wanted.map((x) => x.driver),
    ...(cardLines(w, s).length ? [driverOf('ems-32')] : [])
  ]);
  const toCopy = [...new Map(drivers.filter((d) => !d.ofDos).map((d) => [d.id, d])).values()];
  const [first] = plan.starts;
  const bootsWindows = (systemOf(kit.build.brief.os).windows ?? 0) >= 4;
  const base = { names, toCopy, bootsWindows };
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
