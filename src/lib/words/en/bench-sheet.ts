import type { ImageFormat } from '../../core/kit';
import type { Ribbon } from '../../core/model';
import { capital } from './language';
import { disks } from './screens/disks';
import { sheet } from './screens/sheet';
import { floppyName } from './things';

/** The bench sheet as it is printed, as plain text and as Markdown. */

const imageWords = ({ kib, told, works }: ImageFormat): string =>
  `images of ${floppyName(kib)}${told ? (works.includes(kib) ? '' : ', which do not work here') : ' (nobody said what it is set to)'}`;

export const sheetWords = {
  title: (build: string) => `Bench sheet: ${build}`,
  look: (block: string, stands: string, setting: string, position: string) =>
    `Look at ${block}: ${stands}. (${setting}: ${position})`,
  nothingSeen: 'Nothing to move among what was looked at. The rest is below: look at it first.',
  nothing: 'Nothing to move: every setting is where it was found.',
  takeOut: (title: string, from: string) => `Take ${title} out of ${from}`,
  set: (title: string) => `Set ${title}`,
  seat: (title: string, into: string) => `Seat ${title} in ${into}`,
  slot: (id: string) => `slot ${id}`,
  inSlot: (title: string, id: string) => `${title}, slot ${id}`,
  inSetup: 'In the BIOS setup',
  inFile: (file: string) => `In ${file}`,
  runFor: (what: string) => `Run for ${what}`,
  steps: 'Steps',
  danger: 'Danger',
  caution: 'Caution',
  stops: 'Do not switch on before these are ruled out',
  ruledOut: (stop: string) => `Ruled out before power: ${stop}`,
  checks: 'Checks before power',
  beforePower: 'Before power',
  allDone: 'Stops ruled out and checks done, as noted.',
  skipped: (check: string, by: string) => `${check} (skipped by ${by}, open)`,
  open: 'Still open',
  assumedLine: (line: string) => `${line} (assumed)`,
  unseen: 'Not looked at, taken to be at the default',
  starts: 'Starts',
  files: (names: readonly string[]) => `Files, line by line under Boot: ${names.join(', ')}`,
  missing: (drivers: readonly string[]) =>
    `Not noted as in hand, before a disk is wiped: ${drivers.join('; ')}`,
  inHand: (driver: string) => `In hand before a disk is wiped: ${driver}`,
  drives: sheet.drives,
  cable: (controller: string, ribbon: Ribbon, isTold: boolean) =>
    `${capital(controller)}: ${isTold ? '' : 'taken as '}${disks.ribbons[ribbon]}`,
  plugged: (
    drive: string,
    plug: number | null,
    how: string,
    isDue: boolean,
    image: ImageFormat | null
  ): string =>
    [
      `${drive}: ${plug === null ? disks.outside : disks.plugNo(plug)}`,
      ...(how ? [isDue ? disks.wants(how) : how] : []),
      ...(image ? [imageWords(image)] : [])
    ].join('; '),
  adapter: (isIn: boolean, isDue: boolean): string =>
    `Adapter: terminators ${isDue ? disks.wants(isIn ? disks.termIn : disks.termOut) : isIn ? disks.termIn : disks.termOut}`,
  lines: 'Lines',
  linesAfter: 'Lines after this',
  lineColumns: ['Card', 'Function', 'Lines, ports, memory']
};
