import { entryWords, imageWords as words, partitionTypeName } from '../../words';
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
    say('stop', words.short(first.length));
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
    say('note', words.byMedia(floppyName(old.sectors / 2), old.media));
    return image;
  }
  if (first.every((b) => b === 0)) {
    say('note', words.blank);
    return image;
  }
  if (!image.signature) say('stop', words.noSignature);
  if (isWhole) {
    image.whole = boot;
    image.boots.push(boot);
    [...boot.faults, ...boot.unusual].forEach((f) => say('caution', words.boot(f)));
    if (boot.faults.length) return image;
    const counted = sectorsOf512(boot);
    if (source.bytes !== null && counted * SECTOR > source.bytes)
      say('caution', words.largerThanImage(counted, Math.floor(source.bytes / SECTOR)));
    if (counted > LARGEST_FLOPPY) say('caution', words.noTable);
    return image;
  }
  image.entries.push(...table);
  await followExtended(source, image, say);
  checkEntries(image, say);
  if (image.entries.some((e) => e.type === 0xee)) {
    image.gpt = true;
    const seen = image.entries.filter((e) => e.type !== 0xee && isFat(e.type));
    say('stop', seen.length ? words.gptBeside(seen.map(entryWords)) : words.gpt);
  }
  for (const e of image.entries.filter(
    (x) => (x.kind === 'primary' || x.kind === 'logical') && isFat(x.type)
  )) {
    if (!isInside(image, e)) continue;
    const sector = await source.read(e.lba * SECTOR, SECTOR);
    if (sector.length < SECTOR) {
      say('caution', words.bootOutOfReach(entryWords(e)));
      continue;
    }
    if (isBlank(sector)) {
      say('note', words.unformatted(entryWords(e)));
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
  if (outer.length > 1) say('caution', words.severalExtended(outer.length));
  const [root] = outer;
  if (!root) return;
  const seen = new Set<number>();
  let at = root.lba;
  for (let n = 1; ; n++) {
    if (seen.has(at)) return say('stop', words.circle(at));
    if (n > MOST_LINKS) return say('stop', words.tooManyLinks(MOST_LINKS));
    seen.add(at);
    if (!Number.isSafeInteger(at * SECTOR) || (source.bytes !== null && at * SECTOR >= source.bytes))
      return say('stop', words.chainPastEnd(at));
    const sector = await source.read(at * SECTOR, SECTOR);
    if (sector.length < SECTOR) return say('caution', words.recordOutOfReach(at));
    if (!hasSignature(sector)) return say('stop', words.recordUnsigned(at));
    // The first entry counts from this record, the second from the start of the extended partition.
    const own = entriesOf(sector, n, at, at, 'logical').filter((e) => e.kind === 'logical');
    const links = entriesOf(sector, n, at, root.lba, 'logical').filter((e) => e.kind === 'link');
    if (own.length > 1) say('caution', words.recordFull(at, own.length));
    image.entries.push(...own, ...links.slice(0, 1));
    if (!links.length) return;
    at = links[0].lba;
  }
}

const isFat = (type: number) => partitionTypes[type]?.fat === true;
const isInside = (image: DiskImage, e: Entry) =>
  e.sectors > 0 && e.lba > 0 && (image.bytes === null || (e.lba + e.sectors) * SECTOR <= image.bytes);

function checkEntries(image: DiskImage, say: Say): void {
  const real = image.entries.filter((e) => e.kind !== 'link');
  if (!real.length && image.signature) say('note', words.empty);
  const active = real.filter((e) => e.active && e.kind !== 'logical');
  if (active.length > 1) say('stop', words.severalActive(active.length));
  for (const e of real.filter((x) => x.kind !== 'logical' && x.flag !== 0 && x.flag !== 0x80))
    say('stop', words.strangeFlag(entryWords(e), e.flag));
  for (const e of real.filter((x) => x.kind === 'logical' && x.flag !== 0))
    say('stop', words.activeLogical(entryWords(e), e.flag));
  if (active.some((e) => e.kind === 'extended')) say('stop', words.activeExtended);
  if (!active.length && real.some((e) => e.kind === 'primary')) say('note', words.noneActive);
  for (const e of real) {
    const name = entryWords(e);
    if (!(e.type in partitionTypes)) say('note', words.unknownType(name, e.typeName));
    if (e.sectors === 0) say('caution', words.noSectors(name));
    if (e.lba === 0) say('stop', words.atTable(name));
    if (image.bytes !== null) {
      const past = (e.lba + e.sectors) * SECTOR - image.bytes;
      if (past > 0) say('stop', words.pastEnd(name, past));
    }
    if (e.start.s === 0 || e.end.s === 0) say('caution', words.sectorZero(name));
  }
  const flat = real.filter((e) => e.kind !== 'extended' && e.sectors > 0).sort((a, b) => a.lba - b.lba);
  flat.slice(1).forEach((e, i) => {
    const before = flat[i];
    if (before.lba + before.sectors > e.lba) say('stop', words.overlap(entryWords(before), entryWords(e)));
  });
  const root = real.find((e) => e.kind === 'extended');
  if (!root) return;
  for (const e of real.filter((x) => x.kind === 'logical'))
    if (e.lba < root.lba || e.lba + e.sectors > root.lba + root.sectors)
      say('caution', words.outsideExtended(entryWords(e)));
  // A primary partition anywhere in the extended one: over its records, its drives or its free part.
  for (const e of real.filter((x) => x.kind === 'primary' && x.sectors > 0))
    if (meets(e, root)) say('stop', words.overlapsExtended(entryWords(e)));
  // Each record holds the place of the drives after it: a drive over one cuts the chain.
  const records = [...new Set(image.entries.filter((e) => e.kind === 'link').map((e) => e.lba)), root.lba];
  for (const e of real.filter((x) => x.kind !== 'extended' && x.sectors > 0))
    for (const record of records)
      if (e.lba <= record && record < e.lba + e.sectors) say('stop', words.overRecord(entryWords(e), record));
}

const meets = (a: Entry, b: Entry): boolean => a.lba < b.lba + b.sectors && b.lba < a.lba + a.sectors;

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

/** One number may be wrong; with two, or with sectors of no size there is, it is no boot sector that counts. */
const isCredible = (block: BootBlock): boolean =>
  block.signature && block.faults.length <= 1 && SECTOR_SIZES.includes(block.bytesPerSector);

function judgeBoot(e: Entry, block: BootBlock, say: Say): void {
  const name = entryWords(e);
  if (!block.signature) say('caution', words.bootUnsigned(name));
  [...block.faults, ...block.unusual].forEach((f) => say('caution', words.bootOf(name, f)));
  const counted = sectorsOf512(block);
  // A wrong total mostly makes the table look too small, and is told all the same; of rubbish nothing is counted.
  if (isCredible(block) && counted > e.sectors)
    say('stop', words.largerThanPartition(name, counted, e.sectors));
  if (block.faults.length) return;
  // A logical drive counts from its own extended record, mostly one track.
  const hidden = e.lba - e.base;
  if (block.hidden !== hidden && block.hidden !== (hidden & 0xffff) && block.hidden !== e.lba)
    say('caution', words.hidden(name, block.hidden, hidden));
  const told = partitionTypes[e.type]?.kind;
  if (told && block.fat && told !== block.fat) say('caution', words.otherFat(name, told, block.fat));
}
