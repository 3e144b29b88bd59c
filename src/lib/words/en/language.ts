/** Small pieces of English: numbers with their words, lists, units. */

export { counted } from './count';

const list =
  (format: Intl.ListFormat) =>
  (words: readonly string[]): string =>
    format.format(words);
/** `A, B, and C` */
export const and = list(new Intl.ListFormat('en', { type: 'conjunction' }));
/** `A, B, or C` */
export const or = list(new Intl.ListFormat('en', { type: 'disjunction' }));

export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
/** A sentence from words that may or may not end in a full stop. */
export const sentence = (text: string): string => `${capital(text.trim().replace(/\.$/, ''))}.`;

const tenth = (n: number): number => Math.round(n * 10) / 10;
/** A clock as it is written on boards: 4.77, 33.3. */
export const clockNumber = (mhz: number): number => (mhz < 10 ? Math.round(mhz * 100) / 100 : tenth(mhz));
export const mhz = (n: number): string => `${clockNumber(n)} MHz`;
export const times = (n: number): string => `${Math.round(n * 100) / 100}`;
export const volts = (n: number): string => `${n} V`;
export const voltRange = (low: number, high: number): string =>
  low === high ? volts(low) : `${low}–${high} V`;
export const amps = (n: number): string => `${tenth(n)} A`;
/** `1 byte`, `4,608 bytes`. */
export const byteCount = (n: number): string => `${n.toLocaleString('en')} ${n === 1 ? 'byte' : 'bytes'}`;
/** A number in hexadecimal digits alone: `F8`. */
export const hexDigits = (n: number, digits: number): string =>
  n.toString(16).toUpperCase().padStart(digits, '0');
/** Memory as it is sold: 640 KiB, 4 MiB. */
export const kib = (n: number): string => (n >= 1024 && n % 1024 === 0 ? `${n / 1024} MiB` : `${n} KiB`);
