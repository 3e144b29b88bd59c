import { errorWords } from '../src/lib/words/errors';
import { barrierWords, costWords, entryWords } from '../src/lib/words';
import {
  closeSync,
  existsSync,
  fstatSync,
  openSync,
  readFileSync,
  readSync,
  statSync,
  writeFileSync
} from 'node:fs';
import {
  GeometryError,
  barriers,
  fatPlan,
  fitTypes,
  largestPartition,
  offered,
  setupChoices,
  sectorsOf,
  sizeWords,
  translate,
  translations,
  type Geometry,
  type SetupFacts,
  type Translation
} from '../src/lib/core/storage';
import { systemIn, systemOf } from '../src/lib/core/software';
import { firmwareFacts } from '../src/lib/core/disks';
import { diagnose, readDisk, type SectorSource } from '../src/lib/formats/disk';
import { MAX_ROM, compareRoms, joinPair, readRom, splitPair } from '../src/lib/formats/rom';
import { readCatalogue } from '../src/lib/server/catalogue';
import { diskRefusals as refusals, diskUsage, pathRefusals } from '../src/lib/words/command-line';
import { TEXT, readArgs } from './args';
import { Usage, reading } from './io';

/** `yj disk`: geometry, barriers, types and the file system of the first partition. */
export function diskReport(args: readonly string[]): object {
  const options = { chs: TEXT, sectors: TEXT, translation: TEXT, profile: TEXT, os: TEXT };
  const { told } = readArgs(args, options, 0, diskUsage);
  const chs = chsOf(told.chs);
  if (!chs && (told.chs !== undefined || told.sectors === undefined))
    throw new Usage(`${refusals.what}\n\n${diskUsage}`);
  if (told.sectors !== undefined && !/^\d+$/.test(told.sectors))
    throw new Usage(`${refusals.sectors(told.sectors)}\n`);
  // A drive of which only the size is known reports what all large ones do.
  const physical: Geometry = chs ?? {
    cylinders: Math.max(1, Math.min(16_383, Math.floor(Number(told.sectors) / 1008))),
    heads: 16,
    sectors: 63
  };
  const total = told.sectors === undefined ? sectorsOf(physical) : Number(told.sectors);
  const facts = told.profile === undefined ? null : profileFacts(told.profile);
  const kind = (told.translation ?? facts?.translation ?? 'none') as Translation;
  if (!translations.includes(kind)) throw new Usage(`${refusals.translation(kind)}\n`);
  const dos = dosOf(told.os);
  const setupFacts = facts && { ...facts, translation: kind };
  const logical = setupFacts ? offered(physical, setupFacts, total, dos) : translate(physical, kind, total);
  const first = dos === null ? null : Math.min(logical.usable, largestPartition(dos));
  return {
    physical: { ...physical, sectorsInAll: total, size: sizeWords(total) },
    logical: { ...logical.geometry, usable: logical.usable, size: sizeWords(logical.usable) },
    barriers: barriers({ physical, total, dos, ...facts, translation: kind }).map((b) => ({
      ...b,
      ...barrierWords(b),
      size: sizeWords(b.sectors)
    })),
    ...(facts
      ? {
          setup: setupChoices(
            { physical, total, translates: true },
            { ...facts, translation: kind },
            dos
          ).map((c) => ({ ...c, cost: costWords[c.cost] }))
        }
      : {}),
    types: fitTypes(
      physical,
      true,
      facts?.types || 46,
      facts?.table,
      (t) => translate(t, kind, undefined, facts?.keepsLast).usable,
      total
    )
      .slice(0, 3)
      .map(({ type, used, lost }) => ({ ...type, used, lost })),
    partition:
      first === null || first < 64
        ? null
        : (({ wasteOf, ...plan }) => ({ ...plan, sectors: first, wasteOf1000Files: wasteOf(1000) }))(
            fatPlan(first, dos!)
          )
  };
}

/** Setup facts of a BIOS of the catalogue. */
function profileFacts(id: string): SetupFacts {
  const parts = readCatalogue();
  const found = parts.find((p) => p.id === id && p.firmware);
  const facts = found && firmwareFacts(found.firmware!.disk);
  if (!facts)
    throw new Usage(
      found
        ? `${refusals.noDisks(found.name)}\n`
        : `${refusals.bios(
            id,
            parts.filter((p) => p.firmware).map((p) => p.id)
          )}\n`
    );
  return facts;
}

/** A version of DOS as `dos6.22` or `6.22`, or the one under a system such as `win98`; null when none is told. */
export function dosOf(os: string | undefined): number | null {
  if (os === undefined) return null;
  const version = /^(?:dos\s*)?(\d+(?:\.\d+)?)$/i.exec(os.trim())?.[1];
  if (version) return Number(version);
  const system = systemIn(os);
  if (!system) throw new Usage(`${refusals.system(os)}\n`);
  const { dos } = systemOf(os);
  if (dos === null) throw new Usage(`${refusals.whichDos(system.name)}\n`);
  return dos;
}

export const chsOf = (told: string | undefined): Geometry | null => {
  const m = /^(\d+)\/(\d+)\/(\d+)$/.exec(told ?? '');
  return m ? { cylinders: Number(m[1]), heads: Number(m[2]), sectors: Number(m[3]) } : null;
};

/** `yj image`: reads a raw image in slices, never whole. */
export async function imageReport(args: readonly string[]): Promise<object> {
  const { words, told } = readArgs(args, { setup: TEXT }, 1, diskUsage);
  const [file] = words;
  if (file === undefined) throw new Usage(`${refusals.image}\n\n${diskUsage}`);
  const setup = chsOf(told.setup);
  if (
    told.setup !== undefined &&
    !(setup?.cylinders && setup.heads && setup.sectors && setup.sectors <= 63 && setup.heads <= 255)
  )
    throw new Usage(`${refusals.setup(told.setup)}\n`);
  const fd = opened(file);
  try {
    const { size } = fstatSync(fd);
    const source: SectorSource = {
      bytes: size,
      read: (offset, length) => {
        const bytes = new Uint8Array(Math.max(0, Math.min(length, size - offset)));
        const got = bytes.length ? readSync(fd, bytes, 0, bytes.length, offset) : 0;
        return Promise.resolve(bytes.subarray(0, got));
      }
    };
    const image = await readDisk(source);
    const { candidates, made, remarks } = diagnose(image, setup);
    return {
      bytes: size,
      signature: image.signature,
      gpt: image.gpt,
      entries: image.entries.map((e) => ({ name: entryWords(e), ...e })),
      boots: image.boots,
      geometry: made && { heads: made.heads, sectors: made.sectors },
      candidates,
      remarks
    };
  } finally {
    closeSync(fd);
  }
}

/** `yj rom`: reads a ROM and compares it with another, or splits and joins the chips of a pair. */
export async function romReport(args: readonly string[]): Promise<object> {
  const { words } = readArgs(args, {}, 4, diskUsage);
  const [file, other] = words;
  if (words.length === 4 && (file === 'split' || file === 'join')) return romPair(file, words.slice(1));
  if (!file || words.length > 2) throw new Usage(`${refusals.rom}\n\n${diskUsage}`);
  const one = romBytes(file);
  return {
    ...(await readRom(one)),
    ...(other === undefined ? {} : { compared: compareRoms(one, romBytes(other)) })
  };
}

/** Writes new files only: what is there already is never written over. */
function romPair(way: 'split' | 'join', [a, b, c]: readonly string[]): object {
  const made: [file: string, data: Uint8Array][] = attempt(() => {
    if (way === 'join') return [[c, joinPair(romBytes(a), romBytes(b))]];
    const { even, odd } = splitPair(romBytes(a));
    return [
      [b, even],
      [c, odd]
    ];
  });
  for (const [file] of made) if (existsSync(file)) throw new Usage(`${file}: ${pathRefusals.there}\n`);
  for (const [file, data] of made) writeFileSync(file, data, { flag: 'wx' });
  return { written: made.map(([file, data]) => ({ file, bytes: data.length })) };
}

function attempt<T>(work: () => T): T {
  try {
    return work();
  } catch (error) {
    if (error instanceof RangeError || error instanceof GeometryError)
      throw new Usage(`${errorWords(error)}\n`);
    throw error;
  }
}

function romBytes(file: string): Uint8Array {
  closeSync(opened(file));
  if (statSync(file).size > MAX_ROM)
    throw new Usage(`${file}: ${pathRefusals.largerThan(MAX_ROM / 1024 / 1024)}\n`);
  return readFileSync(file);
}

function opened(file: string): number {
  const fd = reading(file, () => openSync(file, 'r'));
  if (fstatSync(fd).isFile()) return fd;
  closeSync(fd);
  throw new Usage(`${file}: ${pathRefusals.noFile}\n`);
}
