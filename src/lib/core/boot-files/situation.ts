import { there } from '../model';
import { families } from '../boards';
import type { Expectation } from '../boot';
import { paragraphRange, type Run } from '../boot';
import { classByName, type DriverClass } from '../boot';
import type { ConfigLine, HighWish, Named } from './read';
import type { FileName } from './finding';
import type { Choice, Run as Ran } from './walk';

/** One way to start, with the lines that it runs. */
export interface Situation {
  machine: Expectation;
  choice: Choice;
  config: ConfigLine[];
  batch: Ran[];
}

/** A line that loads a file, wherever it stands. */
export interface Loaded {
  at: FileName;
  n: number;
  text: string;
  file: Named;
  high: HighWish | null;
  class: DriverClass | null;
  maybe: boolean;
}

/** What DOS runs of CONFIG.SYS: device lines in their order, then programs of INSTALL. */
const devices: readonly string[] = ['DEVICE', 'DEVICEHIGH'];
const installs: readonly string[] = ['INSTALL', 'INSTALLHIGH'];

/** Words of a batch file that load nothing that stays. */
export const loadsNothing: readonly string[] = [
  'ECHO',
  'SET',
  'PATH',
  'PROMPT',
  'GOTO',
  'IF',
  'FOR',
  'CLS',
  'PAUSE',
  'CD',
  'CHDIR',
  'MD',
  'DEL',
  'COPY',
  'VER',
  'DIR',
  'TYPE',
  'REN',
  'VERIFY',
  'BREAK',
  'DATE',
  'TIME',
  'MODE',
  'SHIFT',
  'CTTY',
  'LOADFIX'
];

/** Every line of a start that loads a driver or program, in the order in which DOS comes to it. */
export function loadedOf({ config, batch }: Pick<Situation, 'config' | 'batch'>): Loaded[] {
  const fromConfig = (words: readonly string[]) =>
    config.flatMap((l): Loaded[] => {
      if (l.kind !== 'directive' || !words.includes(l.word) || !l.file) return [];
      const { n, text, file, high } = l;
      return [{ at: 'CONFIG.SYS', n, text, file, high, class: classOf(file, true), maybe: l.asks }];
    });
  return [
    ...fromConfig(devices),
    ...fromConfig(installs),
    ...batch.flatMap(({ line: { n, text, command }, maybe }): Loaded[] => {
      if (!command?.file || loadsNothing.includes(command.word) || command.called) return [];
      const { file, high } = command;
      return [{ at: 'AUTOEXEC.BAT', n, text, file, high, class: classOf(file, false), maybe }];
    })
  ];
}

/** The name that ties a CD-ROM driver to the redirector: `/D:CD1`. */
export const deviceName = (args: string): string | null =>
  /\/D:([^\s/]+)/i.exec(args)?.[1]?.toUpperCase() ?? null;

/** What a line loads, by the name of its file, else by what stands behind it. */
export function classOf(file: Named, isDevice: boolean): DriverClass | null {
  const named = classByName(file.base);
  // Both ends of the CD chain name the device: a driver in CONFIG.SYS, the redirector after it.
  if (
    deviceName(file.args) !== null &&
    (named === null || named === 'cd-driver' || named === 'cd-redirector')
  )
    return isDevice ? 'cd-driver' : 'cd-redirector';
  // `PROGRAM 0x60 5 0x300`: an interrupt vector, a line and a port.
  if (named === null && !isDevice && /(^|\s)0x[67][\da-f]\b/i.test(file.args)) return 'packet';
  return named;
}

export type ManagerMode = 'ram' | 'noems' | 'ems';

/** What the line of the memory manager says. */
export interface ManagerLine {
  loaded: Loaded;
  mode: ManagerMode;
  isBoth: boolean;
  /** FRAME= as an address; `none`; null: left to the manager. */
  frame: number | 'none' | null;
  include: Run[];
  exclude: Run[];
}

const ranges = (args: string, letter: 'I' | 'X'): Run[] =>
  [...args.matchAll(new RegExp(`(?:^|[\\s/])${letter}=([\\da-f]{4})(?:-([\\da-f]{4}))?`, 'gi'))].map((m) => {
    const from = parseInt(there(m[1]), 16) * 16;
    const to = parseInt(m[2] ?? there(m[1]), 16) * 16 + 16;
    return { from, to };
  });

export function managerOf(loaded: readonly Loaded[]): ManagerLine | null {
  const found = loaded.find((l) => l.class === 'manager' && l.at === 'CONFIG.SYS');
  if (!found) return null;
  const { args } = found.file;
  const has = (word: string) => new RegExp(`(^|\\s)${word}(?=\\s|=|$)`, 'i').test(args);
  const frame = /(?:^|\s)FRAME=(NONE|[\da-f]{4})/i.exec(args)?.[1];
  const p = /(?:^|\s)\/P([\da-f]{4})/i.exec(args)?.[1];
  const address = frame ?? p;
  return {
    loaded: found,
    mode: has('NOEMS') ? 'noems' : has('RAM') ? 'ram' : 'ems',
    isBoth: has('NOEMS') && has('RAM'),
    frame: address === undefined ? null : /none/i.test(address) ? 'none' : parseInt(address, 16) * 16,
    include: ranges(args, 'I'),
    exclude: ranges(args, 'X')
  };
}

/** What DOS= says in all of its lines together. */
export function dosLine(config: readonly ConfigLine[]): {
  high: ConfigLine | null;
  umb: ConfigLine | null;
  noAuto: boolean;
} {
  let high: ConfigLine | null = null;
  let umb: ConfigLine | null = null;
  let noAuto = false;
  for (const l of config) {
    if (l.kind !== 'directive' || l.word !== 'DOS') continue;
    for (const word of l.value.toUpperCase().split(/[,\s]+/)) {
      if (word === 'HIGH') high = l;
      if (word === 'LOW') high = null;
      if (word === 'UMB') umb = l;
      if (word === 'NOUMB') umb = null;
      if (word === 'NOAUTO') noAuto = true;
    }
  }
  return { high, umb, noAuto };
}

/** Whether the first extended memory driver is there: by a line, or because DOS 7 loads it unasked. */
export const loadsXmsItself = (dos: number | null, noAuto: boolean): boolean => (dos ?? 0) >= 7 && !noAuto;

export const rankOf = (machine: Expectation): number | null =>
  machine.cpu ? families[machine.cpu].rank : null;

export const rangeText = paragraphRange;
