import { there } from '../model';
/**
 * Numbers printed on memory chips, whoever made them: the type number says depth and width, the suffix the speed.
 * From the numbering that the whole trade used for second-sourced memory.
 */

export type ChipKind = 'dram' | 'eprom' | 'eeprom' | 'flash' | 'sram';

export interface ChipType {
  kind: ChipKind;
  /** Words in units of 1,024; 2 for a 2K×8. */
  depthK: number;
  /** Bits of a word; null when the marking does not say. */
  width: number | null;
  /** Needs +12 and −5 V beside +5 V, and is destroyed without them. */
  threeSupply?: true;
}

export interface Marking extends ChipType {
  /** The type number as it was read. */
  type: string;
  /** Access time: every reading that the suffix leaves open, fastest first; empty: the marking does not say. */
  ns: number[];
  /** What is not on the chip, or was not typed. */
  missing: ('width' | 'speed')[];
}

const chip = (kind: ChipKind, depthK: number, width: number): ChipType => ({ kind, depthK, width });
const dram = (depthK: number, width: number) => chip('dram', depthK, width);
const sram = (depthK: number, width: number) => chip('sram', depthK, width);

/** Types whose number is not a rule of its own. */
const types: Record<string, ChipType> = {
  '4116': { ...dram(16, 1), threeSupply: true },
  '4164': dram(64, 1),
  '4864': dram(64, 1),
  '3764': dram(64, 1),
  '4416': dram(16, 4),
  '4464': dram(64, 4),
  '41464': dram(64, 4),
  '50464': dram(64, 4),
  '41256': dram(256, 1),
  '50256': dram(256, 1),
  '51256': dram(256, 1),
  '53256': dram(256, 1),
  '44256': dram(256, 4),
  '414256': dram(256, 4),
  '534256': dram(256, 4),
  '424256': dram(256, 4),
  '514256': dram(256, 4),
  '411000': dram(1024, 1),
  '421000': dram(1024, 1),
  '511000': dram(1024, 1),
  '41000': dram(1024, 1),
  '41024': dram(1024, 1),
  '44100': dram(4096, 1),
  '514100': dram(4096, 1),
  '424100': dram(4096, 1),
  '44400': dram(1024, 4),
  '424400': dram(1024, 4),
  '514400': dram(1024, 4),
  '514260': dram(256, 16),
  '424260': dram(256, 16),
  '511664': dram(64, 16),
  '5116100': dram(16384, 1),
  '5116400': dram(4096, 4),
  '5117400': dram(4096, 4),
  '5117800': dram(2048, 8),
  '5118160': dram(1024, 16),
  '2114': sram(1, 4),
  '6116': sram(2, 8),
  '2016': sram(2, 8),
  '6264': sram(8, 8),
  '7164': sram(8, 8),
  '6164': sram(8, 8),
  '62256': sram(32, 8),
  '61256': sram(32, 8),
  '71256': sram(32, 8),
  '6287': sram(64, 1),
  '6288': sram(16, 4),
  '61416': sram(16, 4),
  '61464': sram(64, 4),
  '628128': sram(128, 8),
  '681000': sram(128, 8),
  '611024': sram(128, 8)
};

/** EPROMs and their kin: the number behind the family is the size in Kbit, or a megabit number. */
const ROM_FAMILIES: readonly [RegExp, ChipKind][] = [
  [/^27C?(\d{2,4})$/, 'eprom'],
  [/^28C(\d{2,4})$/, 'eeprom'],
  [/^28F(\d{3,4})$/, 'flash'],
  [/^29[FC](\d{3,4})$/, 'flash'],
  [/^39S?F(\d{3})$/, 'flash']
];
/** Megabit numbers: 010 and 1001 are 1 Mbit ×8, 1024 and 210 are 1 Mbit ×16. */
const MEGABITS: Record<string, readonly [depthK: number, width: number]> = {
  '010': [128, 8],
  '100': [128, 8],
  '101': [128, 8],
  '1000': [128, 8],
  '1001': [128, 8],
  '020': [256, 8],
  '2001': [256, 8],
  '002': [256, 8],
  '040': [512, 8],
  '4001': [512, 8],
  '004': [512, 8],
  '080': [1024, 8],
  '1024': [64, 16],
  '210': [64, 16],
  '2048': [128, 16],
  '4096': [256, 16]
};

function typeOf(number: string): ChipType | null {
  const known = types[number.replace(/C/g, '')];
  if (known) return known;
  for (const [family, kind] of ROM_FAMILIES) {
    const digits = family.exec(number)?.[1];
    if (!digits) continue;
    const mega = MEGABITS[digits];
    if (mega) return chip(kind, ...mega);
    const kbit = Number(digits);
    return [16, 32, 64, 128, 256, 512].includes(kbit) ? chip(kind, kbit / 8, 8) : null;
  }
  return null;
}

/**
 * Access times that a suffix may stand for. On DRAM and EPROM one digit and small pairs count tens of nanoseconds
 * (-12 is 120 ns, -8 is 80), larger numbers are nanoseconds as they are. On static memory a small pair is either: -15
 * is 150 ns on a slow part and 15 ns on one for caches.
 * @param suffix digits behind the type number
 */
export function speedOf(kind: ChipKind, suffix: string): number[] {
  const n = Number(suffix);
  if (!n) return [];
  if (suffix.length >= 3) return n <= 650 ? [n] : [];
  if (kind === 'sram') return n >= 8 && n <= 35 ? [n, n * 10] : n < 8 ? [] : [n];
  if (kind === 'dram') return n < 10 ? (n >= 4 ? [n * 10] : []) : n <= 25 ? [n * 10] : n >= 40 ? [n] : [];
  // EPROM -45 is 450 ns on the early ones and 45 ns on the late CMOS ones.
  return n < 10 ? [n * 100] : n <= 35 ? [n * 10] : n === 45 ? [45, 450] : [n];
}

/** Letters before and inside a type number that say maker, process and package. */
const LETTERS = /^[A-Z]{0,6}/;

function marked(type: string, facts: ChipType, suffix: string | undefined): Marking {
  const ns = suffix ? speedOf(facts.kind, suffix) : [];
  return {
    ...facts,
    type,
    ns,
    missing: [
      ...(facts.width === null ? (['width'] as const) : []),
      ...(ns.length ? [] : (['speed'] as const))
    ]
  };
}

/**
 * Reads the marking of one chip: `HM41256-12`, `514256A-80`, `27C256-20`, `62256LP-10`, `256K×4-80`, `256-12`.
 * @returns null when it is in no numbering that is known
 */
export function readMarking(text: string): Marking | null {
  const plain = text
    .trim()
    .toUpperCase()
    .replace(/[–—]/g, '-')
    .replace(/\s*-\s*/g, '-')
    .replace(/\s+(?=\d{1,3}$)/, '-')
    .replace(/\s+/g, '');
  const plainly = /^(\d{1,5})([KM])(?:[X×*](\d{1,2}))?(?:-(\d{1,3}))?(?:NS)?$/.exec(plain);
  if (plainly) {
    const depthK = Number(plainly[1]) * (plainly[2] === 'M' ? 1024 : 1);
    const width = plainly[3] === undefined ? null : Number(plainly[3]);
    return marked(`${plainly[1]}${plainly[2]}`, { kind: 'dram', depthK, width }, plainly[4]);
  }
  const [body, suffix] = split(plain);
  const number = body.replace(LETTERS, '');
  // The longest type number counts: 514256 before 51425; letters behind it are revision and package.
  const core = /^(\d{2}[CFS]{0,2}\d{2,5}|\d{4,7})(?:[A-Z]{0,4})$/.exec(number);
  const known = core && typeOf(there(core[1]));
  if (core && known) return marked(there(core[1]), known, suffix);
  // `256-12`, `64-15`: a depth alone.
  const bare = /^(16|64|256)$/.exec(number);
  if (bare && suffix)
    return marked(there(bare[1]), { kind: 'dram', depthK: Number(bare[1]), width: null }, suffix);
  return null;
}

/** The speed behind the last hyphen, without the letters around it: `-12`, `-10L`, `-P15`. */
function split(plain: string): [string, string | undefined] {
  const m = /^(.+?)-[A-Z]{0,3}(\d{1,3})[A-Z]{0,3}$/.exec(plain);
  return m ? [there(m[1]), m[2]] : [plain, undefined];
}

/** KiB of data in one chip, as if its bits made bytes; null while the width is not known. */
export const chipKib = ({ depthK, width }: ChipType): number | null =>
  width === null ? null : (depthK * width) / 8;
