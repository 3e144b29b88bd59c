import { counted } from './count';
import { byteCount, hexDigits } from './language';

/** What is said of the tables and boot sectors of a disk image, on the screen Disks and by `yj image`. */

const byte = (n: number): string => hexDigits(n, 2);
const number = (n: number): string => n.toLocaleString('en');
const plainBytes = counted('byte', 'bytes');
const heads = counted('head', 'heads');
const sectors = counted('sector', 'sectors');
const clusters = counted('cluster', 'clusters');
const tables = counted('allocation table', 'allocation tables');

/** An entry of a partition table, as it is named. */
export const entryWords = (e: {
  kind: 'primary' | 'extended' | 'logical' | 'link';
  table: number;
  slot: number;
}): string =>
  e.kind === 'logical'
    ? `Logical drive ${e.table}`
    : e.kind === 'link'
      ? `Link ${e.table}`
      : `Entry ${e.slot}`;

const invalidTable = 'the boot code says "Invalid partition table"';
const destroys = 'overlap: writing to one destroys the other.';

/** Remarks on a whole image and its tables; `name` is an entry as `entryWords` names it. */
export const imageWords = {
  wholeDisk: 'Whole disk',
  short: (there: number) => `The image has only ${byteCount(there)}; its first sector alone has 512.`,
  byMedia: (floppy: string, media: number) =>
    `A floppy of ${floppy}, read by its media byte ${byte(media)}: its boot sector holds no parameter block, as DOS 1 and some tools leave it out. DOS reads such floppies; a computer of today may not.`,
  blank: 'The first sector is empty: never partitioned, or wiped.',
  noSignature:
    'The first sector lacks its signature (55 AA): a BIOS does not start from it, and its table is not trusted.',
  boot: (fault: string) => `Boot sector: ${fault}.`,
  largerThanImage: (told: number, there: number) =>
    `The file system counts ${sectors(told)}; the image has ${there}.`,
  noTable:
    'A file system without a partition table, larger than a floppy: DOS gives a hard disk without a table no letter.',
  gptBeside: (seen: readonly string[]) =>
    `This disk has a GUID partition table beside the old one: DOS sees ${seen.join(' and ')} and nothing else of it.`,
  gpt: 'This disk has a GUID partition table: DOS and a BIOS of the time see one unknown partition.',
  bootOutOfReach: (name: string) => `${name}: its boot sector lies past what is at hand.`,
  unformatted: (name: string) => `${name} is not formatted.`,

  severalExtended: (count: number) => `There are ${count} extended partitions; DOS uses the first.`,
  circle: (at: number) =>
    `The chain of logical drives goes round in a circle at sector ${at}. DOS hangs as it starts.`,
  tooManyLinks: (most: number) =>
    `The chain of logical drives has more than ${most} links; the rest was not read.`,
  chainPastEnd: (at: number) =>
    `The chain of logical drives leads to sector ${at}, past the end of the disk.`,
  recordOutOfReach: (at: number) => `The extended record at sector ${at} lies past what is at hand.`,
  recordUnsigned: (at: number) =>
    `The extended record at sector ${at} lacks its signature: the drives from there on are not seen.`,
  recordFull: (at: number, drives: number) =>
    `The extended record at sector ${at} holds ${counted('drive', 'drives')(drives)}; DOS uses the first.`,

  empty: 'The partition table is empty.',
  severalActive: (count: number) => `${count} entries are marked active: ${invalidTable}.`,
  strangeFlag: (name: string, flag: number) =>
    `${name} has ${byte(flag)} where 00 or 80 marks the active partition: ${invalidTable}.`,
  activeLogical: (name: string, flag: number) =>
    `${name} is marked active (${byte(flag)}); a logical drive never is.`,
  activeExtended: 'The extended partition is marked active: the machine does not boot from it.',
  noneActive: 'No partition is marked active: the machine does not boot from this disk.',
  unknownType: (name: string, type: string) => `${name} has the ${type}; DOS passes it over.`,
  noSectors: (name: string) => `${name} has no sectors.`,
  atTable: (name: string) => `${name} begins at sector 0, where the table itself is.`,
  pastEnd: (name: string, over: number) => `${name} runs ${byteCount(over)} past the end of the medium.`,
  sectorZero: (name: string) =>
    `${name} has a sector number of 0 in its cylinder, head, sector fields; sectors count from 1.`,
  overlap: (name: string, other: string) => `${name} and ${other} ${destroys}`,
  outsideExtended: (name: string) => `${name} lies outside the extended partition.`,
  overlapsExtended: (name: string) => `${name} and the extended partition ${destroys}`,
  overRecord: (name: string, record: number) =>
    `${name} lies over the extended record at sector ${record}: the drives from there on are lost when it fills up.`,

  bootUnsigned: (name: string) => `${name}: its boot sector lacks the signature.`,
  bootOf: (name: string, fault: string) => `${name}, boot sector: ${fault}.`,
  largerThanPartition: (name: string, told: number, there: number) =>
    `${name}: the file system counts ${sectors(told)} and the partition has ${there}.`,
  hidden: (name: string, told: number, right: number) =>
    `${name}: its boot sector says that ${told === 1 ? '1 sector lies' : `${told} sectors lie`} before it; it should be ${right}. DOS does not start from it.`,
  otherFat: (name: string, table: string, fat: string) =>
    `${name}: the table says ${table}, and by its clusters it is ${fat}.`
};

interface HeadsAndSectors {
  heads: number;
  sectors: number;
}

/** `16 heads of 63 sectors`. */
const shape = (g: HeadsAndSectors): string => `${heads(g.heads)} of ${sectors(g.sectors)}`;

/** `16 heads`, `1 to 255 heads`. */
function range(values: readonly number[], count: (n: number) => string): string {
  const [low, high] = [Math.min(...values), Math.max(...values)];
  return low === high ? count(low) : `${low} to ${count(high)}`;
}
const headsOf = (fits: readonly HeadsAndSectors[]): string =>
  range(
    fits.map((f) => f.heads),
    heads
  );
const sectorsOf = (fits: readonly HeadsAndSectors[]): string =>
  range(
    fits.map((f) => f.sectors),
    sectors
  );

/** The geometry that an image was made under. */
export const madeUnderWords = {
  none: (best: HeadsAndSectors, disagree: readonly string[]) =>
    `No geometry agrees with every entry. The best is ${shape(best)}; it disagrees with ${disagree.join(', ')}.`,
  several: (fits: readonly HeadsAndSectors[]) =>
    `${number(fits.length)} geometries agree with everything in the tables (${headsOf(fits)}, ${sectorsOf(fits)} a track). A second partition, or the machine it was made in, would settle it.`,
  untold: 'The tables do not tell under which geometry it was made.',
  notOfSetup: (setup: HeadsAndSectors) =>
    `No geometry that agrees with the tables is that of this setup (${shape(setup)}). Do not start from it and do not write to it.`
};

/** What is not sound in a boot sector, and what is sound and yet nothing that DOS handles. */
export const bootSectorWords = {
  noJump: 'it does not begin with a jump',
  sectorSize: (size: number) => `${plainBytes(size)} a sector in place of 512`,
  largeSectors: (size: number) =>
    `${plainBytes(size)} a sector in place of 512: DOS reads it only where its own driver made it so, and a BIOS does not start from it`,
  clusterSize: (size: number) => `${sectors(size)} a cluster; it is a power of two`,
  noReserved: 'no reserved sector: the boot sector itself is one',
  tables: (count: number) => `${tables(count)}; there are two`,
  manyTables: (count: number) =>
    `${count} allocation tables: DOS keeps two, and its tools do not look at the others`,
  emptyTable: 'the allocation table has no sectors',
  media: (media: number) => `media byte ${byte(media)}; it is F0 or F8 to FF`,
  noRoot: 'the root directory has no entries',
  oddRoot: (entries: number, multiple: number) =>
    `${entries} root entries; they fill whole sectors, so a multiple of ${multiple}`,
  twoTotals: (small: number, large: number) => `two different totals: ${small} and ${sectors(large)}`,
  noTotal: 'it counts no sectors',
  track: (count: number) => `${sectors(count)} a track`,
  heads,
  noData: 'its tables are larger than the whole',
  tooManyFor16: (count: number, most: number) => `${clusters(count)}; a table of 16 bits counts ${most}`,
  small32: (count: number, least: number) =>
    `laid out as FAT32 with ${clusters(count)}: DOS makes FAT32 from ${least} on, and disk tools may refuse it`,
  tableSize: (size: number, count: number, needed: number) =>
    `an allocation table of ${sectors(size)} for ${clusters(count)}; it needs ${needed}`,
  version: (version: number) => `FAT32 version ${version}; DOS knows version 0`,
  rootCluster: (cluster: number, last: number) =>
    `the root directory begins in cluster ${cluster}; it is 2 to ${last}`,
  info: (sector: number, last: number) =>
    `the information sector is ${sector}; the reserved sectors are 1 to ${last}`
};

/** Why a hex dump is not read. */
export const hexDumpRefusals = {
  tooLong: (mib: number) => `the dump is longer than ${mib} MiB`,
  noBytes: (line: number, text: string) => `line ${line}: "${text}" holds no hex bytes`,
  longRow: (line: number, most: number) => `line ${line} has more bytes than the ${most} of a row`,
  gap: (line: number, address: string, end: number) =>
    `line ${line} begins at ${address}, and the lines before it end at ${hexDigits(end, 1)}h: something between is missing, or appears twice`,
  empty: 'there are no hex bytes in it'
};
