import { there } from '../model';
import type { FactId, FactValue, FunctionKind } from '../model';
import { FACTS, IS_OFF, IS_ON } from './fact-words';

/** What one position of a table says, as far as its words were recognised. */
export type Told =
  | { kind: 'io'; port: number; length?: number }
  /** `usual`: the line that goes with a name (COM1); the text does not say it. */
  | { kind: 'irq'; line: number; usual?: true }
  | { kind: 'dma'; channel: number }
  | { kind: 'memory'; base: number; bytes?: number }
  | { kind: 'fact'; fact: FactId; value: FactValue }
  | { kind: 'switched'; on: boolean }
  | { kind: 'reserved' };

/** What was taken for granted while a value was read. */
export type Assumption =
  | { about: 'number-alone'; text: string; as: 'io' | 'irq' | 'dma' | 'memory' | 'memory-kib' | 'bus-mhz' }
  | { about: 'usual-home'; text: string }
  | { about: 'unit'; text: string; as: 'KiB' | 'MiB' };

export interface Meant {
  told: Told[];
  /** Functions that the words name: COM1 is a serial port. */
  functions: FunctionKind[];
  assumptions: Assumption[];
}

/** Words by which a function is known. In order: the first that fits names a heading. */
const FUNCTION_WORDS: readonly [RegExp, FunctionKind][] = [
  [/\bCD[- ]?ROM\b|\bCD (?:interface|drive)/i, 'cdrom'],
  [/\bMIDI\b|\bMPU\b/i, 'midi'],
  [/\bFM\b|\bsynth|\bmusic\b/i, 'fm'],
  [/\bjoy ?stick|\bgame\b/i, 'game'],
  [/\bmodem\b/i, 'modem'],
  [/\bCOM ?(?:port ?)?\d\b|\bserial\b|\bRS-?232|\bUART\b/i, 'serial'],
  [/\bLPT ?\d?\b|\bparallel\b|\bprinter\b|\bECP\b|\bEPP\b/i, 'parallel'],
  [/\bfloppy|\bFDC\b|\bFDD\b|\bdiskette/i, 'floppy'],
  [/\bSCSI\b|\bhost adapter/i, 'scsi'],
  [/\bhard ?dis[kc]|\bHDC\b|\bHDD\b|\bIDE\b|\bATA\b|\bfixed dis[kc]|\bMFM\b|\bRLL\b|\bESDI\b/i, 'hard-disk'],
  [/\bethernet|\bnetwork|\bLAN\b|\bNIC\b|\bARCnet/i, 'network'],
  [/\bEMS\b|\bexpanded\b|\bpage frame/i, 'ems'],
  [/\bbus mouse|\bmouse\b|\bPS\/2 mouse/i, 'mouse'],
  [/\bscanner\b/i, 'scanner'],
  [/\bUSB\b/i, 'usb'],
  [/\baudio\b|\bsound\b|\bDSP\b|\bwave ?table|\bcodec\b|\bvoice\b|\bPCM\b/i, 'audio'],
  [/\bvideo\b|\bdisplay\b|\bmonitor\b|\bE?VGA\b|\bEGA\b|\bCGA\b|\bMDA\b|\bgraphics\b/i, 'display'],
  [/\bclock card\b|\breal[- ]time clock|\bRTC\b/i, 'clock'],
  [/\bBIOS\b|\bROM\b|\bEPROM\b/i, 'rom']
];

/** Kinds of number that a heading announces: the values below it may stand without their unit. */
export type Subject =
  | 'io'
  | 'irq'
  | 'dma'
  | 'memory'
  | 'memory-kib'
  | 'banks'
  | 'bus-mhz'
  | 'factor'
  | 'volts'
  | 'bus-divisor'
  | 'cache-kib'
  | 'display'
  | 'monitor'
  | 'floppies'
  | 'fpu'
  | 'wait-states'
  | 'battery'
  | 'keyboard'
  | 'bus-width'
  | 'rom-write'
  | 'vlb-mhz'
  | 'vlb-wait';

const SUBJECT_WORDS: readonly [RegExp, Subject][] = [
  [/\bIRQs?\b|\binterrupts?\b|\bINT\b/i, 'irq'],
  [/\bDMA\b|\bDRQ\b|\bDACK\b/i, 'dma'],
  [/\bVLB?[- ]?(?:bus)?.*\bwait|\blocal[- ]?bus.*\bwait/i, 'vlb-wait'],
  [
    /\b(?:VLB?|local[- ]?bus)\b.*(?:speed|clock|MHz)|(?:speed|clock|MHz).*\b(?:VLB|local[- ]?bus)/i,
    'vlb-mhz'
  ],
  [
    /\b(?:ROM|BIOS|EPROM|memory|shared memory|RAM|frame)\b.*\b(?:address|base|segment|window|location)|\bsegment\b|\bpage frame\b|\bROM base/i,
    'memory'
  ],
  [/\bwrite[- ]?(?:enable|protect)|\bflash\b|\bEEPROM\b/i, 'rom-write'],
  [/\bI\/?O\b|\bport (?:address|base)|\bbase (?:address|port)|\baddress(?:es)?\b|\bbase\b|\bports?\b/i, 'io'],
  [/\bcache\b|\bL2\b/i, 'cache-kib'],
  [/\bwait[- ]?states?\b|\bWS\b/i, 'wait-states'],
  [/\bbanks?\b/i, 'banks'],
  [/\bmultiplier|\bclock ratio|\bratio\b|\bfactor\b|\bBF\b/i, 'factor'],
  [
    /\b(?:AT|ISA|bus)[- ]?(?:clock|bus)?.*\b(?:divi[sd]|CLK ?\/|clock ?\/)|\bdiviso?r|\bdivider|\bATCLK/i,
    'bus-divisor'
  ],
  [/\bvoltage\b|\bVcore\b|\bVCC\b|\bVcc2?\b|\bvolts?\b/i, 'volts'],
  [/\bMHz\b|\bclock\b|\bspeed\b|\bfrequency\b|\boscillator\b/i, 'bus-mhz'],
  [/\bmemory\b|\bRAM\b|\bDRAM\b/i, 'memory-kib'],
  [
    /\bfloppy (?:disk )?drives?\b|\bnumber of (?:floppy|disk|diskette)?\s*drives\b|\bdrives\b|\bFDDs\b/i,
    'floppies'
  ],
  [/\bco-?processors?|\bFPU\b|\bNPU\b|\bNPX\b|\b80?[234]?87\b|\bmath\b|\bnumeric\b/i, 'fpu'],
  [/\bbattery\b/i, 'battery'],
  [/\bkeyboard\b/i, 'keyboard'],
  [/\bmonitor\b/i, 'monitor'],
  [/\bvideo\b|\bdisplay\b|\bcolou?r\/?mono/i, 'display'],
  [
    /\bbus width\b|\bdata width\b|\b8\/16[- ]?bit|\b(?:8|16)[- ]?bit (?:bus|mode|operation|slot)/i,
    'bus-width'
  ]
];

/** What a heading is about: functions named in it, and the kind of number below it. */
export function subjectOf(text: string): { functions: FunctionKind[]; subject: Subject | null } {
  return {
    functions: FUNCTION_WORDS.filter(([re]) => re.test(text)).map(([, kind]) => kind),
    subject: SUBJECT_WORDS.find(([re]) => re.test(text))?.[1] ?? null
  };
}

const hex = (text: string) => parseInt(text.replace(/^0x/i, '').replace(/h$/i, ''), 16);

/** A segment or an address between 640 K and 1 M: C800, C8000, C800:0000. Null where it is neither. */
function windowOf(text: string): number | null {
  const m = /^(?:0x)?([A-F][0-9A-F]{3,4})(?::0{1,4})?h?$/i.exec(text);
  if (!m) return null;
  const n = parseInt(there(m[1]), 16);
  const base = there(m[1]).length === 4 ? n * 16 : n;
  return base >= 0xa0000 && base <= 0xfffff ? base : null;
}

const WINDOW =
  /(?<![0-9A-Za-z])((?:0x)?[A-F][0-9A-F]{3,4}(?::0{1,4})?h?)(?:\s*(?:-|to|\.\.)\s*((?:0x)?[A-F][0-9A-F]{3,4}(?::[0-9A-F]{1,4})?h?))?(?![0-9A-Za-z])/gi;
const PORT_SURE =
  /(?<![0-9A-Za-z.])(?:0x([0-9A-F]{2,4})|0?([1-9A-F][0-9A-F]{2,3}|[1-9A-F][0-9A-F])h)(?:\s*(?:-|to|\.\.|\/)\s*(?:0x)?0?([0-9A-F]{2,4})h?)?(?![0-9A-Za-z])/gi;
const PORT_BARE =
  /(?<![0-9A-Za-z.#-])([1-3][0-9A-F]{2}|[1-9A-F][0-9A-F]{3})(?:\s*(?:-|to|\.\.)\s*([1-3]?[0-9A-F]{2,3}))?(?![0-9A-Za-z.]|\s*(?:[KM]i?B?\b|MHz|ns\b|lines?\b|bits?\b|bytes?\b|bauds?\b|ohms?\b))/gi;

function ports(text: string, subject: Subject | null, assumptions: Assumption[]): Told[] {
  const out: Told[] = [];
  const push = (from: string, to?: string) => {
    const port = hex(from);
    if (!(port <= 0xffff)) return;
    if (out.some((t) => t.kind === 'io' && t.port === port)) return;
    let end = to === undefined ? NaN : hex(to);
    // 220-2F is short for 220-22F.
    if (to !== undefined && to.length < from.replace(/^0x|h$/gi, '').length)
      end = hex(from.replace(/^0x|h$/gi, '').slice(0, -to.length) + to);
    out.push({ kind: 'io', port, ...(end > port && end - port < 1024 ? { length: end - port + 1 } : {}) });
  };
  let rest = text;
  rest = rest.replace(PORT_SURE, (all, a?: string, b?: string, c?: string) => {
    if (windowOf(all.replace(/h$/i, '')) !== null && subject !== 'io') return all;
    push(a ?? b!, c);
    return ' ';
  });
  if (out.length) return out;
  for (const m of rest.matchAll(PORT_BARE)) {
    if (windowOf(there(m[1])) !== null && subject !== 'io') continue;
    const withLetters = /[A-F]/i.test(there(m[1])) && there(m[1]).length === 3;
    if (subject !== 'io' && !withLetters) {
      if (subject !== null || there(m[1]).length !== 3) continue;
      assumptions.push({ about: 'number-alone', text: there(m[1]), as: 'io' });
    }
    push(there(m[1]), m[2]);
  }
  return out;
}

/** Facts that words name without a heading. */
const WITHOUT_HEADING: readonly Subject[] = [
  'bus-mhz',
  'factor',
  'volts',
  'banks',
  'wait-states',
  'fpu',
  'memory-kib',
  'display'
];

const COM = [0x3f8, 0x2f8, 0x3e8, 0x2e8];
const COM_IRQ = [4, 3, 4, 3];
const LPT = [0x378, 0x278, 0x3bc];

/** Port and line that a name stands for; said as an assumption. */
function named(text: string, subject: Subject | null, out: Told[], assumptions: Assumption[]): void {
  const m = /\b(COM|LPT)\s?(?:port\s?)?([1-4])\b/i.exec(text);
  const has = (kind: Told['kind']) => out.some((t) => t.kind === kind);
  if (m) {
    const n = Number(m[2]) - 1;
    const com = there(m[1]).toUpperCase() === 'COM';
    const port = com ? COM[n] : LPT[n];
    if (port !== undefined && !has('io') && !has('irq') && (subject === null || subject === 'io')) {
      out.push({ kind: 'io', port });
      if (com && !has('irq')) out.push({ kind: 'irq', line: there(COM_IRQ[n]), usual: true });
      assumptions.push({ about: 'usual-home', text: m[0] });
    }
    return;
  }
  const disk = /\b(primary|secondary)\b/i.exec(text);
  if (disk && !has('io') && !has('irq') && subject !== 'irq') {
    out.push({ kind: 'io', port: there(disk[1]).toLowerCase() === 'primary' ? 0x1f0 : 0x170 });
    assumptions.push({ about: 'usual-home', text: disk[0] });
  }
}

const RESERVED =
  /\breserved\b|\bdo not use\b|\bnot allowed\b|\binvalid\b|\bundefined\b|\bfactory use\b|\bfactory test\b/i;

/**
 * What the words of one position mean below a heading.
 * @param text the words of the position
 * @param heading what stands above it; its unit holds for numbers that stand alone
 */
export function meant(text: string, heading: string): Meant {
  const { functions: above, subject: announced } = subjectOf(heading);
  // "Address" alone may be that of a ROM: C800 is no port.
  const subject =
    announced === 'io' &&
    !/\bI\/?O\b|\bport/i.test(heading) &&
    /^\W*(?:0x)?[C-E][0-9A-F]{2}0{1,2}h?\b/i.test(text)
      ? 'memory'
      : announced;
  const own = subjectOf(text);
  const assumptions: Assumption[] = [];
  const told: Told[] = [];
  const functions = own.functions.length ? own.functions : above;
  if (RESERVED.test(text)) return { told: [{ kind: 'reserved' }], functions, assumptions };

  let rest = text;
  const cut = (re: RegExp, use: (m: RegExpExecArray) => void) => {
    for (let m = re.exec(rest); m; m = re.exec(rest)) {
      use(m);
      rest = rest.slice(0, m.index) + ' ' + rest.slice(m.index + m[0].length);
    }
  };
  const line = (n: number) => {
    if (n <= 15 && !told.some((t) => t.kind === 'irq' && t.line === n)) told.push({ kind: 'irq', line: n });
  };
  cut(
    /\b(?:IRQ|INT(?:errupt)?)\s*[-#:=]?\s*(\d{1,2})(?:\s*(?:\/|\(|=|->)\s*(\d{1,2})\)?)?(?![0-9A-Fa-f]|\s*h\b)/i,
    (m) => {
      // IRQ 2/9 is one line under two names.
      line(Number(m[1]));
      if (m[2] && !(Number(m[1]) === 2 && Number(m[2]) === 9)) line(Number(m[2]));
    }
  );
  cut(/\b(?:DMA|DRQ|DACK)\s*(?:channel)?\s*[-#:=]?\s*([0-7])(?![0-9A-Fa-f])/i, (m) => {
    if (!told.some((t) => t.kind === 'dma' && t.channel === Number(m[1])))
      told.push({ kind: 'dma', channel: Number(m[1]) });
  });
  if (subject === 'irq' && !told.some((t) => t.kind === 'irq')) {
    const m = /(?<![0-9A-Za-z.])(\d{1,2})(?:\s*(?:\/|\()\s*9\)?)?(?![0-9A-Za-z])/.exec(rest);
    if (m) line(Number(m[1]));
  }
  if (subject === 'dma' && !told.some((t) => t.kind === 'dma')) {
    const m = /(?<![0-9A-Za-z.])([0-7])(?![0-9A-Za-z])/.exec(rest);
    if (m) told.push({ kind: 'dma', channel: Number(m[1]) });
  }
  if (subject !== 'io')
    for (const m of rest.matchAll(WINDOW)) {
      const base = windowOf(there(m[1]));
      // `F000`, `E000`: four hex digits that start with a letter are a segment, never a decimal number.
      if (base === null) continue;
      const end = m[2] ? windowOf(m[2]) : null;
      const last =
        m[2] && end !== null ? (m[2].replace(/^0x|h$|:.*$/gi, '').length === 4 ? end + 15 : end) : null;
      told.push({
        kind: 'memory',
        base,
        ...(last !== null && last > base ? { bytes: last - base + 1 } : {})
      });
    }
  // `I/O address, IRQ` announces both.
  const both = (subject === 'irq' || subject === 'dma') && /\bI\/?O\b|\bport|\baddress/i.test(heading);
  const numeric = subject !== null && subject !== 'io' && subject !== 'memory' && !both;
  if (!numeric || /[0-9A-F]{2,4}h\b|0x[0-9A-F]/i.test(rest))
    told.push(...ports(rest, both ? 'io' : subject, assumptions));
  const isDivided = /\b(?:CLK|clock)\w*\s*[/÷]/i.test(rest);
  // `RAM type: 256K`, `ROM size`: how large a chip is, and not the memory.
  const isChip = /\b(?:types?|chips?|modules?|SIMMs?|DIPs?|E?P?ROM|BIOS)\b/i.test(heading);
  const facts: readonly Subject[] = isDivided
    ? []
    : subject && FACTS[subject]
      ? [subject]
      : told.length
        ? []
        : own.subject && FACTS[own.subject]
          ? []
          : own.functions.length
            ? WITHOUT_HEADING.filter((f) => f !== 'memory-kib')
            : WITHOUT_HEADING;
  const tell = (fact: Subject, isSubject: boolean): void => {
    if (fact === 'memory-kib' && isChip) return;
    const value = FACTS[fact]!(rest, isSubject, assumptions);
    if (value === null || (fact === 'bus-mhz' && isSlotClock(value, `${heading} ${rest}`))) return;
    told.push({ kind: 'fact', fact: fact as FactId, value });
  };
  for (const fact of facts) tell(fact, fact === subject);
  const divided = /\b(?:CLK|clock)\w*\s*[/÷]\s*(\d{1,2})\b|\b1\/(\d)\s*(?:CLK|clock)/i.exec(rest);
  if (divided && !told.length)
    told.push({ kind: 'fact', fact: 'bus-divisor', value: Number(divided[1] ?? divided[2]) });
  // A row that names its own fact below a heading about another one.
  if (!told.length && own.subject && own.subject !== subject && FACTS[own.subject]) tell(own.subject, true);
  if (!told.some((t) => t.kind === 'fact')) named(text, both ? 'io' : subject, told, assumptions);
  if (!told.length) {
    if (IS_OFF.test(text) || /^off$/i.test(text.trim())) told.push({ kind: 'switched', on: false });
    else if (IS_ON.test(text) || /^on$/i.test(text.trim())) told.push({ kind: 'switched', on: true });
  }
  // `220h or 240h` says neither.
  const kinds = told.map((t) => t.kind);
  if (/\bor\b/i.test(text) && new Set(kinds).size < kinds.length) told.length = 0;
  const order = ['io', 'irq', 'dma', 'memory'];
  const rank = (t: Told) => (order.includes(t.kind) ? order.indexOf(t.kind) : order.length);
  return { told: told.sort((a, b) => rank(a) - rank(b)), functions, assumptions };
}

/** `8 MHz AT bus`: the clock of the slots, and not that of the CPU. */
const isSlotClock = (mhz: FactValue, words: string): boolean =>
  Number(mhz) <= 12.5 && /\b(?:AT|ISA)[- ]?(?:bus|clock|slots?)\b|\bbus\b|\bslots?\b/i.test(words);

/** The kinds of number in what was told, in a fixed order: rows of one setting say the same kinds. */
export const kindsOf = (told: readonly Told[]): string[] =>
  [...new Set(told.map((t) => (t.kind === 'fact' ? t.fact : t.kind)))].filter(
    (k) => k !== 'switched' && k !== 'reserved'
  );
