import { there } from '../model';
import type { FactValue } from '../model';
import type { Assumption, Subject } from './meanings';

/** `640K`, `1 MB`, `1.5M`, `4 megabytes` in KiB; the unit may be left out below a heading about memory. */
function kibOf(text: string, bare: boolean, assumptions: Assumption[]): number | null {
  // `1M x 9` is how a module is made; `4 x 256K` are four of them.
  if (/\d\s*[KM]B?\s*[x×]\s*\d/i.test(text)) return null;
  const several = /(?<![\w.])(\d{1,2})\s*[x×]\s*(?=\d+\s*[KM]B?\b)/i.exec(text);
  if (several) {
    const one = kibOf(text.slice(several.index + several[0].length), bare, assumptions);
    return one === null ? null : Number(several[1]) * one;
  }
  const m =
    /(?<![0-9A-Za-z.])(\d{1,6}(?:[.,]\d{1,3})?)\s*(k|m)(?:i?b(?:ytes?)?|ilobytes?|egabytes?|eg)?(?![0-9A-Za-z])/i.exec(
      text
    );
  if (m) {
    const n = Number(
      there(m[1])
        .replace(/,(?=\d{3})/, '')
        .replace(',', '.')
    );
    return there(m[2]).toLowerCase() === 'm' ? n * 1024 : n;
  }
  if (!bare) return null;
  const alone = /^\D*?(\d{1,5})\D*$/.exec(text);
  if (!alone) return null;
  const n = Number(alone[1]);
  if (!n) return null;
  const as = n >= 64 ? 'KiB' : 'MiB';
  assumptions.push({ about: 'unit', text: there(alone[1]), as });
  return as === 'MiB' ? n * 1024 : n;
}

const NUMBER_WORDS: Record<string, number> = {
  no: 0,
  none: 0,
  zero: 0,
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  both: 2,
  all: 4
};
const numberIn = (text: string): number | null => {
  const digits = /(?<![0-9A-Za-z.])(\d+(?:\.\d+)?)(?![0-9A-Za-z])/.exec(text);
  if (digits) return Number(digits[1]);
  const word = /\b(no|none|zero|one|two|three|four|both)\b/i.exec(text);
  return word ? there(NUMBER_WORDS[there(word[1]).toLowerCase()]) : null;
};

export const IS_OFF =
  /\bdisable[sd]?\b|\bnot used\b|\bunused\b|\bnone\b|\bno (?:interrupt|IRQ|DMA)\b|\bnot connected\b|\binhibit(?:ed)?\b|\bdeselect|\boff$/i;
export const IS_ON = /\bon$|\benable[sd]?\b|\bactive\b|\bselected\b|\bin use\b/i;

/** What words say of one fact; null: they say nothing of it. Adding a fact is adding an entry. */
export const FACTS: Partial<
  Record<Subject, (text: string, isSubject: boolean, a: Assumption[]) => FactValue | null>
> = {
  'bus-mhz': (t, s, a) => {
    const m = /(?<![0-9A-Za-z.])(\d{1,3}(?:\.\d+)?)\s*MHz/i.exec(t);
    if (m) return Number(m[1]);
    const n = s ? numberIn(t) : null;
    if (n === null || n < 4 || n > 150) return null;
    a.push({ about: 'number-alone', text: String(n), as: 'bus-mhz' });
    return n;
  },
  factor: (t, s) => {
    const m =
      /(?<!\d\s?)(?:^|[\s(])[x×]\s?(\d(?:\.5)?)(?![0-9]|\s*[KM]B?\b)|(?<![0-9.])(\d(?:\.5)?)\s?[x×](?![0-9A-Za-z]|\s*\d)/i.exec(
        t
      );
    const n = m ? Number(m[1] ?? m[2]) : s ? numberIn(t) : null;
    return n !== null && n >= 1 && n <= 8 ? n : null;
  },
  volts: (t, s) => {
    const m =
      /(?<![0-9A-Za-z.])(\d(?:\.\d{1,2})?)\s?V(?:olts?|DC)?(?![A-Za-z0-9])|(?<![0-9A-Za-z])(\d)V(\d)(?![0-9])/i.exec(
        t
      );
    const n = m ? Number(m[1] ?? `${m[2]}.${m[3]}`) : s ? numberIn(t) : null;
    return n !== null && n >= 1.5 && n <= 5.5 ? n : null;
  },
  'bus-divisor': (t, s) => {
    const m = /(?:[÷/]|\b(?:divided by|by)\s)\s*(\d{1,2})(?![0-9])/i.exec(t);
    const n = m ? Number(m[1]) : s ? numberIn(t) : null;
    return n !== null && n >= 1 && n <= 12 ? n : null;
  },
  banks: (t, s) => {
    if (!s && !/\bbanks?\b/i.test(t)) return null;
    const range = /\bbanks?\s*(\d)\s*(?:-|to|through|,|&|and|\+)\s*(?:\d\s*(?:,|&|and)\s*)*(\d)/i.exec(t);
    if (range) return Number(range[2]) - Number(range[1]) + 1;
    const one = /\bbank\s*(\d)(\s*only)?/i.exec(t);
    // The first bank is one bank; the name of another says nothing of how many there are.
    if (one && !/\b(?:\d|one|two|three|four)\s+banks?\b/i.test(t)) return one[2] || one[1] === '0' ? 1 : null;
    const span = /^\s*0\s*(?:-|(?:\+\s*\d\s*)*\+)\s*(\d)\s*$/.exec(t);
    if (span) return Number(span[1]) + 1;
    const n = numberIn(t);
    // A bare 0 is the name of a bank.
    return n !== null && n > 0 && n <= 16 && !/\d\s*(?:[KM]|-?bit)/i.test(t) ? n : null;
  },
  // `2.88 MB drive` is a disk.
  'memory-kib': (t, s, a) => (/\b(?:drives?|floppy|diskettes?|disks?)\b/i.test(t) ? null : kibOf(t, s, a)),
  'cache-kib': (t, s, a) => (s || /\bcache\b/i.test(t) ? kibOf(t, s, a) : null),
  'wait-states': (t, s) => {
    const m =
      /(?<![0-9])(\d|no|zero|one|two|three)\s*(?:WS\b|wait)/i.exec(t) ??
      /\bwait(?:[- ]?states?)?\s*[:=]?\s*(\d)(?!\d)/i.exec(t);
    if (m) return /\d/.test(there(m[1])) ? Number(m[1]) : (NUMBER_WORDS[there(m[1]).toLowerCase()] ?? null);
    const n = s ? numberIn(t) : null;
    return n !== null && n <= 7 ? n : null;
  },
  floppies: (t, s) => {
    if (!s && !/\b(?:floppy|diskette|drives?)\b/i.test(t)) return null;
    const n = numberIn(t);
    return n !== null && n <= 4 && !/\d\s*[KM]/i.test(t) ? n : null;
  },
  fpu: (t, s) => {
    const word = t.replace(/\b80?[234]?87(?:[SD]X)?\b/gi, 'FPU');
    // Below the heading bare words will do; `parity enabled` there is about something else.
    const isBare =
      /^(?:\W|not|no|none|yes|installed|present|fitted|enabled?|disabled?|absent|removed|with|without|in|out|used|unused)+$/i;
    if (!/\b(?:co-?processor|FPU|NPU|NPX|math|numeric)\b/i.test(word) && !(s && isBare.test(word)))
      return null;
    if (/\bno\b|\bnot\b|\bnone\b|\bwithout\b|\bdisabled?\b|\babsent\b|\bremoved\b/i.test(word)) return 0;
    if (
      /\binstalled\b|\bpresent\b|\bfitted\b|\byes\b|\benabled?\b|\bwith\b|\bFPU\b|\bco-?processor\b|\bin\b/i.test(
        word
      )
    )
      return 1;
    return null;
  },
  display: (t, s) => {
    if (!s && !/\bmono|\bcolou?r/i.test(t)) return null;
    const mono = /\bmono|\bMDA\b|\bhercules-?like/i.test(t);
    const own =
      /\bEGA\b|\bVGA\b|\bown (?:BIOS|ROM)\b|\bspecial\b|\bno (?:display|video|monitor)\b|\bno adapter/i.test(
        t
      );
    const colour = /\bcolou?r|\bCGA\b/i.test(t);
    if (own) return 'own-bios';
    if (mono && !colour) return 'mono';
    return colour && !mono ? 'colour' : null;
  },
  monitor: (t) => {
    if (/\benhanced\b|\bECD\b|\bEGA\b/i.test(t)) return /\b200\b/.test(t) ? 'enhanced-200' : 'enhanced-350';
    if (/\bmono/i.test(t)) return 'mono';
    return /\bcolou?r|\bCGA\b|\bRGB/i.test(t) ? 'colour' : null;
  },
  battery: (t) =>
    /\bext(?:ernal)?\b/i.test(t)
      ? 'external'
      : /\bint(?:ernal)?\b|\bon[- ]?board\b|\bnormal\b/i.test(t)
        ? 'on-board'
        : null,
  keyboard: (t) => (/\bXT\b/i.test(t) ? 'xt' : /\bAT\b/i.test(t) ? 'at' : null),
  'bus-width': (t) => {
    const m = /(?<!\d)(8|16)(?:[ -]?bits?)?(?!\d)/i.exec(t);
    return m ? Number(m[1]) : null;
  },
  'rom-write': (t) =>
    IS_OFF.test(t) || /\bprotect/i.test(t) ? 0 : IS_ON.test(t) || /\bprogram/i.test(t) ? 1 : null,
  'vlb-mhz': (t, s) => {
    const n = s ? numberIn(t) : null;
    if (n === null) return null;
    return />|\babove\b|\bover\b|\bmore\b/i.test(t) ? 50 : n;
  },
  'vlb-wait': (t, s) => (s ? numberIn(t) : null)
};
