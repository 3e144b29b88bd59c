const WORDS = [
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve'
] as const;
const ANY = new RegExp(`\\b(?:${WORDS.join('|')})\\b`, 'gi');

/** A text with its number words as digits: `two long` is `2 long`. */
export const withDigits = (text: string): string =>
  text.replace(ANY, (word) => String(WORDS.indexOf(word.toLowerCase() as (typeof WORDS)[number]) + 1));
