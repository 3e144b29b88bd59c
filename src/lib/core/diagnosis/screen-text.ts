import { there } from '../model';
import { distance } from 'fastest-levenshtein';
import type { MessageId } from '../model';
import screens from './screen-text.json';

/** What is read on screens for each message, in the usual words; numbers are the codes of the first BIOSes. */
const PHRASES: Readonly<Record<MessageId, readonly string[]>> = screens.phrases;

/** A text that shares less than this with a phrase is not it. */
const LEAST = 0.6;
/** Texts as good as this beside the best are as likely. */
const BESIDE = 0.06;

const wordsIn = (text: string): string[] =>
  text
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, ' ')
    .split(' ')
    .filter(Boolean);

/** Numbers must be the same; of words every fourth letter may be wrong. */
const isSame = (a: string, b: string): boolean =>
  a === b ||
  (!/\d/.test(a) && !/\d/.test(b) && distance(a, b) <= Math.floor(Math.max(a.length, b.length) / 4));

/** Words that stand in messages about anything: without another one two texts are not alike. */
const WEAK: ReadonlySet<string> = new Set(screens.weak);
/** Short for the same word. */
const SHORT: Readonly<Record<string, string>> = {
  err: 'error',
  kbd: 'keyboard',
  kb: 'keyboard',
  hdd: 'hard disk',
  fdd: 'floppy',
  mem: 'memory',
  ram: 'memory',
  batt: 'battery'
};
const spelled = (words: readonly string[]): string[] => words.flatMap((w) => (SHORT[w] ?? w).split(' '));

function likeness(typed: readonly string[], phrase: readonly string[]): number {
  const strong = phrase.filter((w) => !WEAK.has(w));
  if (strong.length && !strong.some((w) => typed.some((t) => isSame(t, w)))) return 0;
  const shared = phrase.filter((w) => typed.some((t) => isSame(t, w))).length;
  return (2 * shared) / (phrase.length + typed.length);
}

const READ = Object.entries(PHRASES).flatMap(([id, list]) =>
  list.map((text) => ({ id: id as MessageId, words: spelled(wordsIn(text)) }))
);

/**
 * Which message a text on the screen is, however it is spelled: `KEYBORD ERROR`, `163-Time & Date not set`, `301`.
 * @returns the likely ones, several when two are as good; none: no message with such words is known
 */
export function readScreen(text: string): MessageId[] {
  // `K/B` is one word.
  const typed = spelled(wordsIn(text.replace(/\bk\s*\/\s*b\b/gi, 'keyboard')).slice(0, 30));
  if (!typed.length) return [];
  const scores = new Map<MessageId, number>();
  for (const { id, words } of READ) {
    const isCode = words.length === 1 && /^\d/.test(there(words[0]));
    const score = isCode ? (typed.includes(there(words[0])) ? 1 : 0) : likeness(typed, words);
    scores.set(id, Math.max(score, scores.get(id) ?? 0));
  }
  const best = Math.max(...scores.values());
  if (best < LEAST) return [];
  return [...scores]
    .filter(([, s]) => s >= best - BESIDE)
    .sort((a, b) => b[1] - a[1])
    .map(([id]) => id);
}
