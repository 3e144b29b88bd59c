import { partitionTypeName } from '../../words';
import type { Chs } from '../../core/storage';
import { floppyName, partitionTypes } from '../../core/storage';
import {
  SECTOR_SIZES,
  bootBlock,
  floppyByMedia,
  hasSignature,
  sectorsOf512,
  textAt,
  type BootBlock
} from './boot-block';
import { SECTOR, u32, type SectorSource } from './bytes';

/** A partition entry as it stands in a table. */
export interface Entry {
  /** Where it stands: the first table or that of an extended record, and which of its four. */
  table: number;
  slot: number;
  /** Sector of the table that it stands in. */
  base: number;
  kind: 'primary' | 'extended' | 'logical' | 'link';
  type: number;
  typeName: string;
  active: boolean;
  /** The byte that marks it active: 00 or 80, anything else makes boot code stop. */
  flag: number;
  start: Chs;
  end: Chs;
  /** First sector, counted from the start of the disk, and how many. */
  lba: number;
  sectors: number;
}

export type Grade = 'stop' | 'caution' | 'note';
export interface Remark {
  grade: Grade;
  text: string;
}

export interface DiskImage {
  bytes: number | null;
  signature: boolean;
  /** A boot sector without a partition table: a floppy, or a disk used whole. */
  whole: BootBlock | null;
  entries: Entry[];
  boots: BootBlock[];
  remarks: Remark[];
  gpt: boolean;
}

const MOST_LINKS = 64;
/** Sectors of a 2.88M floppy. */
const LARGEST_FLOPPY = 5760;

/** Reads tables and boot sectors of a disk; whatever is broken is described, nothing of it throws. */
export async function readDisk(source: SectorSource): Promise<DiskImage> {
  const remarks: Remark[] = [];
  const say = (grade: Grade, text: string) => remarks.push({ grade, text });
  const first = await source.read(0, SECTOR);
  const image: DiskImage = {
    bytes: source.bytes,
    signature: false,
    whole: null,
    entries: [],
    boots: [],
    remarks,
    gpt: false
  };
  if (first.length < SECTOR) {
    say('stop', `There are only ${first.length} bytes; the first sector has 512.`);
    return image;
  }
  image.signature = hasSignature(first);
  const boot = bootBlock(first, 0);
  const table = entriesOf(first, 0, 0, 0, 'primary');
  const isWhole = looksWhole(boot, first, table);
  const old = isWhole ? null : floppyByMedia(source.bytes, first, await source.read(SECTOR, 3));
  if (old) {
    image.whole = old;
    image.boots.push(old);
    say(
      'note',
      `A floppy of ${floppyName(old.sectors / 2)}, read by its media byte ${hexByte(old.media)}: its boot sector holds no parameter block, as DOS 1 and some tools leave it out. DOS reads such floppies; a computer of today may not.`
    );
    return image;
  }
  if (first.every((b) => b === 0)) {
    say('note', 'The first sector is empty: never partitioned, or wiped.');
    return image;
  }
  if (!image.signature)
    say(
      'stop',
      'The first sector lacks its signature (55 AA): a BIOS does not start from it, and its table is not trusted.'
    );
  if (isWhole) {
    image.whole = boot;
    image.boots.push(boot);
    [...boot.faults, ...boot.unusual].forEach((f) => say('caution', `Boot sector: ${f}.`));
    if (boot.faults.length) return image;
    const counted = sectorsOf512(boot);
    if (source.bytes !== null && counted * SECTOR > source.bytes)
      say(
        'caution',
        `The file system counts ${counted} sectors; the image has ${Math.floor(source.bytes / SECTOR)}.`
      );
    if (counted > LARGEST_FLOPPY)
      say(
        'caution',
        'A file system without a partition table, larger than a floppy: DOS gives a hard disk without a table no letter.'
      );
    return image;
  }
  image.entries.push(...table);
  await followExtended(source, image, say);
  checkEntries(image, say);
  if (image.entries.some((e) => e.type === 0xee)) {
    image.gpt = true;
    const seen = image.entries.filter((e) => e.type !== 0xee && isFat(e.type));
    say(
      'stop',
      seen.length
        ? `This disk has a GUID partition table beside the old one: DOS sees ${seen.map(nameOf).join(' and ')} and nothing else of it.`
        : 'This disk has a GUID partition table: DOS and a BIOS of the time see one unknown partition.'
    );
  }
  for (const e of image.entries.filter(
    (x) => (x.kind === 'primary' || x.kind === 'logical') && isFat(x.type)
  )) {
    if (!isInside(image, e)) continue;
    const sector = await source.read(e.lba * SECTOR, SECTOR);
    if (sector.length < SECTOR) {
      say('caution', `${nameOf(e)}: its boot sector lies past what is at hand.`);
      continue;
    }
    if (isBlank(sector)) {
      say('note', `${nameOf(e)} is not formatted.`);
      continue;
    }
    const block = bootBlock(sector, e.lba);
    image.boots.push(block);
    judgeBoot(e, block, say);
  }
  return image;
}

function entriesOf(
  sector: Uint8Array,
  table: number,
  at: number,
  base: number,
  kind: 'primary' | 'logical'
): Entry[] {
  return [0, 1, 2, 3].flatMap((slot): Entry[] => {
    const row = 446 + slot * 16;
    const type = sector[row + 4];
    const sectors = u32(sector, row + 12);
    if (type === 0 && sectors === 0) return [];
    const isExtended = partitionTypes[type]?.extended === true;
    return [
      {
        table,
        slot: slot + 1,
        base: at,
        kind: isExtended ? (kind === 'primary' ? 'extended' : 'link') : kind,
        type,
        typeName: partitionTypeName(type),
        active: sector[row] === 0x80,
        flag: sector[row],
        start: chsAt(sector, row + 1),
        end: chsAt(sector, row + 5),
        lba: base + u32(sector, row + 8),
        sectors
      }
    ];
  });
}

/** Head, six bits of sector, ten of cylinder. */
const chsAt = (b: Uint8Array, at: number): Chs => ({
  h: b[at],
  s: b[at + 1] & 63,
  c: b[at + 2] | ((b[at + 1] & 0xc0) << 2)
});

type Say = (grade: Grade, text: string) => void;

/** Follows the chain of extended records: each holds one logical drive and a link to the next. */
async function followExtended(source: SectorSource, image: DiskImage, say: Say): Promise<void> {
  const outer = image.entries.filter((e) => e.kind === 'extended');
  if (outer.length > 1) say('caution', `There are ${outer.length} extended partitions; DOS uses the first.`);
  const [root] = outer;
  if (!root) return;
  const seen = new Set<number>();
  let at = root.lba;
  for (let n = 1; ; n++) {
    if (seen.has(at))
      return say(
        'stop',
        `The chain of logical drives goes round in a circle at sector ${at}. DOS hangs as it starts.`
      );
    if (n > MOST_LINKS)
      return say(
        'stop',
        `The chain of logical drives has more than ${MOST_LINKS} links; the rest was not read.`
      );
    seen.add(at);
    if (!Number.isSafeInteger(at * SECTOR) || (source.bytes !== null && at * SECTOR >= source.bytes))
      return say('stop', `The chain of logical drives leads to sector ${at}, past the end of the disk.`);
    const sector = await source.read(at * SECTOR, SECTOR);
    if (sector.length < SECTOR)
      return say('caution', `The extended record at sector ${at} lies past what is at hand.`);
    if (!hasSignature(sector))
      return say(
        'stop',
        `The extended record at sector ${at} lacks its signature: the drives from there on are not seen.`
      );
    // The first entry counts from this record, the second from the start of the extended partition.
    const own = entriesOf(sector, n, at, at, 'logical').filter((e) => e.kind === 'logical');
    const links = entriesOf(sector, n, at, root.lba, 'logical').filter((e) => e.kind === 'link');
    if (own.length > 1)
      say('caution', `The extended record at sector ${at} holds ${own.length} drives; DOS uses the first.`);
    image.entries.push(...own, ...links.slice(0, 1));
    if (!links.length) return;
    at = links[0].lba;
  }
}

export const nameOf = (e: Entry): string =>
  e.kind === 'logical'
    ? `Logical drive ${e.table}`
    : e.kind === 'link'
      ? `Link ${e.table}`
      : `Entry ${e.slot}`;

const isFat = (type: number) => partitionTypes[type]?.fat === true;
const isInside = (image: DiskImage, e: Entry) =>
  e.sectors > 0 && e.lba > 0 && (image.bytes === null || (e.lba + e.sectors) * SECTOR <= image.bytes);

function checkEntries(image: DiskImage, say: Say): void {
  const real = image.entries.filter((e) => e.kind !== 'link');
  if (!real.length && image.signature) say('note', 'The partition table is empty.');
  const active = real.filter((e) => e.active && e.kind !== 'logical');
  if (active.length > 1)
    say('stop', `${active.length} entries are marked active: the boot code says "Invalid partition table".`);
  for (const e of real.filter((x) => x.kind !== 'logical' && x.flag !== 0 && x.flag !== 0x80))
    say(
      'stop',
      `${nameOf(e)} has ${hexByte(e.flag)} where 00 or 80 marks the active partition: the boot code says "Invalid partition table".`
    );
  for (const e of real.filter((x) => x.kind === 'logical' && x.flag !== 0))
    say('stop', `${nameOf(e)} is marked active (${hexByte(e.flag)}); a logical drive never is.`);
  if (active.some((e) => e.kind === 'extended'))
    say('stop', 'The extended partition is marked active: the machine does not boot from it.');
  if (!active.length && real.some((e) => e.kind === 'primary'))
    say('note', 'No partition is marked active: the machine does not boot from this disk.');
  for (const e of real) {
    if (!(e.type in partitionTypes)) say('note', `${nameOf(e)} has the ${e.typeName}; DOS passes it over.`);
    if (e.sectors === 0) say('caution', `${nameOf(e)} has no sectors.`);
    if (e.lba === 0) say('stop', `${nameOf(e)} starts at sector 0, where the table itself is.`);
    if (image.bytes !== null) {
      const past = (e.lba + e.sectors) * SECTOR - image.bytes;
      if (past > 0)
        say('stop', `${nameOf(e)} runs ${past.toLocaleString('en')} bytes past the end of the medium.`);
    }
    if (e.start.s === 0 || e.end.s === 0)
      say(
        'caution',
        `${nameOf(e)} has a sector number of 0 in its cylinder, head, sector fields; sectors count from 1.`
      );
  }
  const flat = real.filter((e) => e.kind !== 'extended' && e.sectors > 0).sort((a, b) => a.lba - b.lba);
  flat.slice(1).forEach((e, i) => {
    const before = flat[i];
    if (before.lba + before.sectors > e.lba)
      say('stop', `${nameOf(before)} and ${nameOf(e)} overlap: writing to one destroys the other.`);
  });
  const root = real.find((e) => e.kind === 'extended');
  if (!root) return;
  for (const e of real.filter((x) => x.kind === 'logical'))
    if (e.lba < root.lba || e.lba + e.sectors > root.lba + root.sectors)
      say('caution', `${nameOf(e)} lies outside the extended partition.`);
  // A primary partition anywhere in the extended one: over its records, its drives or its free part.
  for (const e of real.filter((x) => x.kind === 'primary' && x.sectors > 0))
    if (meets(e, root))
      say('stop', `${nameOf(e)} and the extended partition overlap: writing to one destroys the other.`);
  // Each record holds the place of the drives after it: a drive over one cuts the chain.
  const records = [...new Set(image.entries.filter((e) => e.kind === 'link').map((e) => e.lba)), root.lba];
  for (const e of real.filter((x) => x.kind !== 'extended' && x.sectors > 0))
    for (const record of records)
      if (e.lba <= record && record < e.lba + e.sectors)
        say(
          'stop',
          `${nameOf(e)} lies over the extended record at sector ${record}: the drives from there on are lost when it fills up.`
        );
}

const meets = (a: Entry, b: Entry): boolean => a.lba < b.lba + b.sectors && b.lba < a.lba + a.sectors;
const hexByte = (n: number): string => n.toString(16).toUpperCase().padStart(2, '0');

/** A boot sector at the very start, sound or damaged, and no table that could be one. */
function looksWhole(boot: BootBlock, first: Uint8Array, table: readonly Entry[]): boolean {
  const isJump = first[0] === 0xeb || first[0] === 0xe9;
  const isPlain = [446, 462, 478, 494].every((at) => first[at] === 0 || first[at] === 0x80);
  const hasTable = isPlain && table.some((e) => e.lba > 0 && e.type in partitionTypes && e.sectors > 0);
  const saysFat = [54, 82].some((at) => textAt(first, at, 3) === 'FAT');
  return isJump && !hasTable && (SECTOR_SIZES.includes(boot.bytesPerSector) || saysFat);
}

/** What a partition tool leaves of a boot sector: zeros, or the filling byte of a format. */
const isBlank = (sector: Uint8Array): boolean => sector.every((b) => b === 0 || b === 0xf6);

function judgeBoot(e: Entry, block: BootBlock, say: Say): void {
  const name = nameOf(e);
  if (!block.signature) say('caution', `${name}: its boot sector lacks the signature.`);
  [...block.faults, ...block.unusual].forEach((f) => say('caution', `${name}, boot sector: ${f}.`));
  if (block.faults.length) return;
  const counted = sectorsOf512(block);
  if (counted > e.sectors)
    say('stop', `${name}: the file system counts ${counted} sectors and the partition has ${e.sectors}.`);
  // A logical drive counts from its own extended record, mostly one track.
  const hidden = e.lba - e.base;
  if (block.hidden !== hidden && block.hidden !== (hidden & 0xffff) && block.hidden !== e.lba)
    say(
      'caution',
      `${name}: its boot sector says that ${block.hidden} sectors lie before it; it should be ${hidden}. DOS does not start from it.`
    );
  const told = partitionTypes[e.type]?.kind;
  if (told && block.fat && told !== block.fat)
    say('caution', `${name}: the table says ${told}, and by its clusters it is ${block.fat}.`);
}
