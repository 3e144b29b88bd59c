import { lastOf } from '../model';
/** What DOS itself takes of the first megabyte, and what each version understands. From the domain's tables of DOS. */

/** A number that differs from machine to machine: the least and the most of it. */
export type Span = readonly [low: number, high: number];

export const span = (n: number): Span => [n, n];

interface Kernel {
  /** First version that the row is for. */
  from: number;
  /** KiB of kernel, COMMAND.COM and the usual tables in conventional memory. */
  low: Span;
  /** The same with DOS=HIGH, HIMEM.SYS counted in; null: not known to this version. */
  high: Span | null;
}

const kernels: readonly Kernel[] = [
  { from: 7, low: [75, 100], high: [25, 45] },
  { from: 6, low: [63, 75], high: [20, 27] },
  { from: 5, low: [61, 66], high: [19, 24] },
  { from: 4, low: [62, 78], high: null },
  { from: 3.3, low: [48, 56], high: null },
  { from: 3.2, low: [42, 47], high: null },
  { from: 3, low: [36, 39], high: null },
  { from: 2, low: [24, 27], high: null },
  { from: 1, low: [12, 20], high: null }
];
const kernelOf = (dos: number): Kernel => kernels.find((k) => dos >= k.from) ?? lastOf(kernels);

/** KiB that DOS keeps of conventional memory. @returns null where this version cannot load high */
export const kernelKiB = (dos: number, isHigh: boolean): Span | null =>
  isHigh ? kernelOf(dos).high : kernelOf(dos).low;

const paragraphs = (bytes: number): number => Math.ceil(bytes / 16) * 16;

/** Bytes of FILES=n: entries beyond the five in the kernel. @param files 8 to 255 */
export function filesBytes(dos: number, files: number): number {
  const entry = dos >= 4 ? 59 : dos >= 3.1 ? 53 : dos >= 3 ? 56 : 40;
  return files <= 5 ? 0 : paragraphs((files - 5) * entry + 6);
}
/** Bytes of BUFFERS=n where they lie low. */
export const buffersBytes = (dos: number, buffers: number): number => buffers * (dos >= 4 ? 532 : 528);
/** Bytes of the table of drives up to a letter, A to Z. */
export const lastDriveBytes = (dos: number, letter: string): number => {
  const bytes = (letter.toUpperCase().charCodeAt(0) - 64) * (dos >= 4 ? 88 : 81);
  return dos >= 4 ? paragraphs(bytes) : bytes;
};
/** Bytes of STACKS=n,s. */
export const stacksBytes = (count: number, size: number): number =>
  count === 0 ? 0 : paragraphs(count * (size + 8) + 632);

/** Buffers that still fit beside the kernel in the high area; one more and all of them lie low. */
export const MOST_HIGH_BUFFERS = 48;

/** Environment that COMMAND.COM keeps when nobody says how much, in bytes. */
export const usualEnvironment = (dos: number): number => (dos >= 5 ? 256 : 160);

/** The first version that knows a word of CONFIG.SYS. Words that are in none of the versions are not here. */
export const configSince: Readonly<Record<string, number>> = {
  DEVICE: 2,
  BUFFERS: 2,
  FILES: 2,
  BREAK: 2,
  SHELL: 2,
  SWITCHAR: 2,
  COUNTRY: 2.11,
  FCBS: 3,
  LASTDRIVE: 3,
  STACKS: 3.2,
  DRIVPARM: 3.2,
  INSTALL: 4,
  REM: 4,
  SWITCHES: 4,
  MULTITRACK: 4,
  DOS: 5,
  DEVICEHIGH: 5,
  SET: 6,
  NUMLOCK: 6,
  INCLUDE: 6,
  MENUITEM: 6,
  SUBMENU: 6,
  MENUDEFAULT: 6,
  MENUCOLOR: 6,
  INSTALLHIGH: 6,
  ACCDATE: 7,
  BUFFERSHIGH: 7,
  FILESHIGH: 7,
  FCBSHIGH: 7,
  LASTDRIVEHIGH: 7,
  STACKSHIGH: 7
};

/** The first version that brings a command which stands in a batch file. */
export const commandSince: Readonly<Record<string, number>> = {
  CALL: 3.3,
  APPEND: 3.3,
  FASTOPEN: 3.3,
  NLSFUNC: 3.3,
  SUBST: 3.1,
  JOIN: 3.1,
  SHARE: 3,
  ATTRIB: 3,
  XCOPY: 3.2,
  REPLACE: 3.2,
  MEM: 4,
  LOADHIGH: 5,
  LH: 5,
  DOSKEY: 5,
  LOADFIX: 5,
  SETVER: 5,
  CHOICE: 6,
  DELTREE: 6,
  MOVE: 6,
  SMARTDRV: 5
};

/** How a version is spoken of: 6.22, 3.3, 5. */
export const dosName = (dos: number): string => `DOS ${Number.isInteger(dos) ? dos.toFixed(1) : dos}`;
