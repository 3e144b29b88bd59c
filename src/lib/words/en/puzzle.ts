import type { Barred, ClockReason, Element, NothingToTry, Would } from '../../core/puzzle';
import type { Boundary, GeometryReason } from '../../core/storage';

const mhz = (n: number) => `${Math.round(n * 100) / 100} MHz`;

/** Why a clock or a voltage comes next, or why none does. */
export function clockReasonWords(why: ClockReason): string {
  switch (why.is) {
    case 'no-number':
      return 'No source gives a number yet.';
    case 'no-multiplier':
      return 'A core clock alone is not enough: say the multiplier too (1, 2, 3 …), else a row may run the CPU at twice its rating.';
    case 'no-clock':
      return 'Read the clock off the CPU first, and whether it is its core or its bus clock. Without it nothing is proposed.';
    case 'no-voltage':
      return 'Read the voltage off the chip first. Without it nothing is proposed: too much destroys it before the first picture.';
    case 'ran':
      return 'It ran as it was set. Leave the voltage there: nothing higher is ever proposed.';
    case 'ran-rated':
      return `It ran at its rated ${mhz(why.rated)}.`;
    case 'next-clock':
      return `${why.isFirst ? 'The safest first' : 'The next higher'}: no source puts it above ${mhz(why.high)}${why.low === why.high ? '' : `, one says ${mhz(why.low)}`}, and the CPU is good for ${mhz(why.rated)} on its bus.`;
    case 'as-fast-as-failed':
      return `Everything left may be as fast as what ${why.failed === 'dead' ? 'stayed dead' : 'froze'}. Stay with what ran, or look for the fault elsewhere.`;
    case 'all-faster':
      return `Every state that is left may be faster than the rated ${mhz(why.rated)} on the bus.`;
    case 'next-voltage':
      return `No source puts it above ${why.high} V, and the chip says ${why.rated} V.`;
    case 'all-higher':
      return `Every state that is left may give more than ${why.rated} V. Do not try: measure at the empty socket.`;
  }
}

/** Why an element of a block is left alone. */
export const barredWords: Record<Barred, string> = {
  volts: 'may set the voltage',
  clock: 'may set the clock'
};

export const nothingToTryWords: Record<NothingToTry, string> = {
  'no-start': 'Write down how it stands now, and what it shows.',
  'no-safe-change':
    'No single change that is safe would tell more. Start from another state, or find a document.',
  'nothing-open': 'Nothing is open: each fact has one table left, or none that fits.'
};

/** What stops at a cylinder count. */
const boundaries: Record<Boundary, string> = {
  1024: 'INT 13h without translation',
  4095: 'a 12-bit cylinder field',
  6322: 'a BIOS that hangs above it',
  8192: 'bit-shift: 128 heads, the last that DOS takes',
  15360: 'the revised shift with 15 heads',
  16383: 'what every larger drive reports'
};

/** Why a cylinder count comes next, or why none does. */
export function geometryReasonWords(why: GeometryReason): string {
  switch (why.is) {
    case 'bios':
      return 'The most that should work by what is known of this BIOS.';
    case 'as-reported':
      return 'The drive as it reports itself.';
    case 'contradiction':
      return `It started with ${why.low} and failed with ${why.high}: something else differs between those tries.`;
    case 'all':
      return `All ${why.low} cylinders work.`;
    case 'most':
      return `${why.low} is the most that works here.`;
    case 'boundary':
      return `${why.low ? `${why.low} started` : 'Nothing has started yet'}${why.high === null ? '' : `, ${why.high} did not`}: heading for ${why.at}, ${boundaries[why.at]}.`;
    case 'boundary-reached':
      return `${why.at} is probably the most that works: ${boundaries[why.at]}.`;
    case 'halfway':
      return `Halfway between ${why.low} and ${why.high}; no known boundary lies between.`;
  }
}

/** What is set on a block: the block, or one of its switches. */
export const elementWords = ({ name, n }: Pick<Element, 'name' | 'n'>): string =>
  n ? `${name} switch ${n}` : name;

/** What a fact would show. */
export const wouldWords = (would: Would): string =>
  'value' in would ? would.value : would.is === 'no-row' ? 'no row' : 'as before';
