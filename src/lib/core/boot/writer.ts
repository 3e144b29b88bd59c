import { there } from '../model';
import type { Kit } from '../kit';
import { isLineSeen, linesAt } from '../resources';
import type { Driver, DriverClass } from './drivers';
import type { Expectation, Found } from './expect';
import { CODE_PAGE } from './layouts';
import type { ManagerKind } from './managers';
import type { BootPlan } from './plan';
import type { Because } from './wanted';

/** Why a line stands in a file, as data. */
export type LineWhy =
  | { kind: 'driver'; driver: Driver; because: Because; region: number | null; isMeasured: boolean }
  | {
      kind:
        | 'xms'
        | 'dos-high'
        | 'dos-umb'
        | 'files'
        | 'stacks'
        | 'path'
        | 'prompt'
        | 'date'
        | 'echo'
        | 'country'
        | 'code-page';
    }
  | { kind: 'lastdrive'; isShared: boolean }
  | { kind: 'each-start'; card: string }
  | { kind: 'buffers'; isHigh: boolean }
  /** `sound16`: a card whose 16-bit DMA goes through the buffer of the manager. */
  | { kind: 'manager'; manager: ManagerKind; exclude: string[]; include: string[]; sound16: string | null }
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
/** Where DOS and other drivers lie, as it is usual; the files say so, and the screen says that it is assumed. */
export interface Folders {
  drive: string;
  dos: string;
  /** Where commands and their tables lie: from 7 on apart from what loads drivers and memory managers. */
  commands: string;
  shell: string;
  others: string;
}
export const foldersOf = (dos: number, hasDisk: boolean): Folders => {
  const drive = hasDisk ? 'C:' : 'A:';
  const folder = !hasDisk ? '' : dos >= 7 ? '\\WINDOWS' : '\\DOS';
  return {
    drive,
    dos: `${drive}${folder}\\`,
    commands: `${drive}${folder}${hasDisk && dos >= 7 ? '\\COMMAND' : ''}\\`,
    shell: dos >= 5 && dos < 7 ? `${drive}${folder}\\` : `${drive}\\`,
    others: `${drive}${hasDisk ? '\\DRIVERS' : ''}\\`
  };
};

/** What follows KEYB: the layout, its code page, and the file of them all; before 3.3 a layout is a program. */
function layoutArgument(kit: Kit, ex: Expectation): string {
  const { layout, codePage } = kit.build.boot ?? {};
  if (!layout || (ex.dos ?? 0) < 3.3) return '';
  const { commands } = foldersOf(ex.dos ?? 0, ex.hardDisks > 0);
  return `${layout},${codePage ? CODE_PAGE : ''},${placeOf({ ex }, commands, 'KEYBOARD.SYS')}`;
}

/** Numbers of the build that stand in the arguments of drivers; null where nobody looked. */
export function argumentsOf(kit: Kit, ex: Expectation): (text: string) => string | null {
  const card = ex.network[0];
  const cd = linesAt(kit.m, kit.at).find((l) => l.kind === 'cdrom' && l.resource === 'io');
  const seen = (f: Found | null | undefined, text: (n: number) => string): string | null =>
    f?.isSeen ? text(f.value) : null;
  const values: Readonly<Record<string, string | null>> = {
    cd: 'CD1',
    cdport: cd && isLineSeen(kit.m, cd) ? cd.value.toString(16).toUpperCase() : null,
    ems: '',
    layout: layoutArgument(kit, ex),
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

export interface Writer {
  kit: Kit;
  ex: Expectation;
  plan: BootPlan;
  folders: Folders;
  fill: (text: string) => string | null;
}

/** Classes that lie beside the system itself, from 7 on. */
const beside: readonly DriverClass[] = [
  'xms',
  'manager',
  'version-table',
  'double-buffer',
  'ram-disk',
  'cache'
];

/** Where a file lies: as the listing of the disk shows it, else where it is usual. */
export function placeOf({ ex }: Pick<Writer, 'ex'>, usual: string, file: string): string {
  const seen = ex.listing?.byName.get(file) ?? [];
  const path = `${usual}${file}`;
  return seen.length && !seen.includes(path) ? there(seen[0]) : path;
}

export const pathOf = (w: Writer, d: Driver): string =>
  placeOf(
    w,
    !d.ofDos ? w.folders.others : beside.includes(d.class) ? w.folders.dos : w.folders.commands,
    d.file
  );
