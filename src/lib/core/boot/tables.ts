import type { Kit } from '../kit';
import { systemOf } from '../software';
import { filesBytes, lastDriveBytes, stacksBytes } from './dos';
import type { Wanted } from './wanted';

/** The tables that CONFIG.SYS asks DOS for. */
export interface Tables {
  files: number;
  buffers: number;
  /** Letters for redirectors; null: no line, they end at E. */
  lastDrive: { letter: 'H' | 'Z'; isShared: boolean } | null;
  stacks: readonly [count: number, size: number] | null;
}

/** What this build's programs and drivers make of the tables. */
export function tablesOf(kit: Kit, dos: number, wanted: readonly Wanted[]): Tables {
  const isWindows = (systemOf(kit.build.brief.os).windows ?? 0) > 0;
  const has = (group: Wanted['group']) => wanted.some((w) => w.group === group);
  // A redirector of the network gives letters up to the last; the other kind gives them behind it.
  const isShared = wanted.some((w) => w.driver.id === 'redirector-full');
  return {
    files: isWindows ? 40 : 30,
    buffers: has('cache') || kit.m.class === 'xt' ? 10 : 20,
    lastDrive: (has('cd') || isShared) && dos >= 3 ? { letter: isShared ? 'Z' : 'H', isShared } : null,
    stacks: isWindows && dos >= 3.2 && dos < 7 ? [9, 256] : null
  };
}

/** Bytes of conventional memory beyond the tables that the figures of a kernel have in them. */
export function tablesBytes(dos: number, { files, lastDrive, stacks }: Tables): number {
  const more = (is: number, usual: number) => Math.max(0, is - usual);
  return (
    more(filesBytes(dos, files), filesBytes(dos, 30)) +
    (lastDrive ? more(lastDriveBytes(dos, lastDrive.letter), lastDriveBytes(dos, 'E')) : 0) +
    (stacks ? stacksBytes(...stacks) : 0)
  );
}
