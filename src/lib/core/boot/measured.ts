import { there } from '../model';
/** Sizes that MEM showed on a machine, by the name of the program. */
export interface Measured {
  name: string;
  /** Bytes that stay in all. */
  bytes: number;
  conventional: number;
  upper: number;
}

export interface MemReading {
  programs: Measured[];
  /** Bytes of the largest program that can be started, where the text says it. */
  largest: number | null;
  /** Lines that look like a row and were not understood, by their number. */
  odd: { n: number; text: string }[];
}

const number = (text: string): number => Number(text.replace(/[,.\s']/g, ''));
/** Names of a list that are no program. */
const notPrograms: readonly string[] = ['FREE', 'TOTAL', 'NAME'];

/** Rows of MEM /C of DOS 6 and later: total, conventional, upper. */
const SIX =
  /^\s+([A-Z0-9_$~!#%&@'{}()^-]{1,8})\s+(\d[\d,.]*)\s+\(\s*[\d.,]+\s*K\)\s+(\d[\d,.]*)\s+\(\s*[\d.,]+\s*K\)\s+(\d[\d,.]*)\s+\(\s*[\d.,]+\s*K\)/i;
/** Rows of MEM /C of DOS 5: size in decimal, in hexadecimal; conventional and upper memory are two lists. */
const FIVE = /^\s+([A-Z0-9_$~!#%&@'{}()^-]{1,8})\s+(\d[\d,.]*)\s+\(\s*[\d.,]+\s*K\)\s+([0-9A-F]+)\s*$/i;
/** Rows of MEM /D: address, name, size in hexadecimal, what it is. Sizes of one name are added. */
const DEBUG = /^\s{1,4}([0-9A-F]{5,6})\s{1,6}([A-Z0-9_$~!#%&@'{}()^-]{1,8})?\s+([0-9A-F]{6})\s+(.*)$/i;
const UPPER_FROM = 0xa0000;

/** Reads what MEM /C or MEM /D of any version from 5.0 on prints. Nothing is guessed: a row that is not understood is kept. */
export function readMem(text: string): MemReading {
  const programs = new Map<string, Measured>();
  const odd: MemReading['odd'] = [];
  let largest: number | null = null;
  let inUpper = false;
  const add = (name: string, conventional: number, upper: number) => {
    const key = name.toUpperCase();
    if (notPrograms.includes(key)) return;
    const before = programs.get(key) ?? { name: key, bytes: 0, conventional: 0, upper: 0 };
    programs.set(key, {
      name: key,
      bytes: before.bytes + conventional + upper,
      conventional: before.conventional + conventional,
      upper: before.upper + upper
    });
  };
  text.split(/\r\n|\n|\r/).forEach((line, i) => {
    if (/upper memory/i.test(line) && !SIX.test(line)) inUpper = !/total/i.test(line);
    else if (/conventional memory/i.test(line)) inUpper = false;
    const most =
      /largest executable program(?: size)?\s*:?\s*(\d[\d,.]*)/i.exec(line) ??
      /^\s*(\d[\d,.]*)\s+(?:bytes\s+)?largest executable program/i.exec(line);
    if (most) largest = number(there(most[1]));
    const six = SIX.exec(line);
    if (six) return add(there(six[1]), number(there(six[3])), number(there(six[4])));
    const five = FIVE.exec(line);
    if (five) {
      const bytes = number(there(five[2]));
      return inUpper ? add(there(five[1]), 0, bytes) : add(there(five[1]), bytes, 0);
    }
    const debug = DEBUG.exec(line);
    if (debug) {
      const [at, name, size, what] = [there(debug[1]), debug[2], there(debug[3]), there(debug[4])];
      if (!name || /free/i.test(what)) return;
      const bytes = parseInt(size, 16);
      return parseInt(at, 16) >= UPPER_FROM ? add(name, 0, bytes) : add(name, bytes, 0);
    }
    // A name with a number of bytes behind it, and yet no row that is known.
    if (/^\s{2,}[A-Z0-9$]{1,8}\s+\d[\d,]{3,}/.test(line)) odd.push({ n: i + 1, text: line.trim() });
  });
  return { programs: [...programs.values()], largest, odd };
}
