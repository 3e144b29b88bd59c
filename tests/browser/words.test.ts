import { readFileSync, readdirSync } from 'node:fs';
import { expect } from 'chai';
import { useBench } from '../support/browser';
import { pseudoWords } from '../../scripts/pseudo-words';
import { screens } from '../support/screens';

const root = new URL('../..', import.meta.url).pathname;

const texts = (folder: string, ending: string): string[] =>
  (readdirSync(`${root}${folder}`, { recursive: true }) as string[])
    .filter((f) => f.endsWith(ending))
    .map((f) => readFileSync(`${root}${folder}/${f}`, 'utf8'));
/** Everything that parts, machines and people say, in one text: what of it stands on a screen needs no translation. */
const data = [
  readFileSync(`${root}build/heavy/catalogue.json`, 'utf8'),
  ...texts('catalogue', '.yaml'),
  ...texts('demo', '.json')
]
  .join('\n')
  .replace(/\\"/g, '"')
  .replace(/\\n|\s+/g, ' ')
  .toLowerCase();

/** Notations that are typed as they are, and what the platform itself writes of dates and lists. */
const NOTATION =
  /^(?:(?:on|off|arrow|[a-z]{2,4}\d{1,3}|jan|feb|mar|apr|may|june?|july?|aug|sept?|oct|nov|dec)\s*)+$/i;

/** Whether plain words are at most two pieces of the data. */
function isData(words: string): boolean {
  const all = words.toLowerCase().split(' ');
  let pieces = 0;
  for (let from = 0; from < all.length; pieces++) {
    let to = all.length;
    while (to > from && !data.includes(all.slice(from, to).join(' '))) to--;
    if (to === from) return false;
    from = to;
  }
  return pieces <= 2;
}

/** Words in plain letters that are no data: they are in no words file. */
const untranslated = (text: string): string[] =>
  text
    .split(/[^ -~\s]+|\p{L}*[^ -~\s]\p{L}*|[,:;()|/.?!]| of | in | and | or /u)
    .map((piece) =>
      piece
        .trim()
        .replace(/\s+/g, ' ')
        .replace(/^[^A-Za-z]+|[^A-Za-z]+$/g, '')
    )
    .filter((piece) => /[a-z]{3,}/.test(piece) && !NOTATION.test(piece) && !isData(piece));

// The page that is not there complains on the console.
const pages = screens.filter((path) => path !== '/nowhere');

describe('the words in another language', () => {
  const bench = useBench({ env: { YJ_WORDS: 'pseudo' } });

  it('are all that a screen says besides the data, and nothing longer is cut off', async () => {
    const { page } = bench;
    const wrong: string[] = [];
    for (const path of pages) {
      await page.setViewport({ width: 1280, height: 800 });
      await bench.open(path);
      const { texts, cut } = await page.evaluate(() => {
        const texts: string[] = [];
        const walk = document.createTreeWalker(document.documentElement, NodeFilter.SHOW_TEXT);
        for (let node = walk.nextNode(); node; node = walk.nextNode())
          if (!node.parentElement?.closest('script, style, textarea')) texts.push(node.nodeValue ?? '');
        for (const name of ['aria-label', 'title', 'placeholder', 'alt'])
          for (const e of document.querySelectorAll(`[${name}]`)) texts.push(e.getAttribute(name) ?? '');
        // What hides the end of its text, or draws it past the edge of its picture.
        const hides = [...document.querySelectorAll<HTMLElement>('body *:not(input)')].filter((e) => {
          const { overflowX } = getComputedStyle(e);
          return (
            (overflowX === 'hidden' || overflowX === 'clip') &&
            e.clientWidth > 1 &&
            e.scrollWidth > e.clientWidth + 1
          );
        });
        const past = [...document.querySelectorAll<SVGTextElement>('svg text')].filter((e) => {
          const svg = e.ownerSVGElement!.getBoundingClientRect();
          const own = e.getBoundingClientRect();
          return own.width > 0 && (own.right > svg.right + 2 || own.left < svg.left - 2);
        });
        return {
          texts,
          cut: [...hides, ...past].map((e) => e.textContent?.trim().slice(0, 80) ?? '')
        };
      });
      const say = (what: string, list: readonly string[]) =>
        wrong.push(...[...new Set(list)].map((text) => `${path}: ${what}: ${text}`));
      say('in no words file', texts.flatMap(untranslated));
      say(
        'broken',
        texts.filter((t) => /\b(undefined|NaN)\b|\[object/.test(t))
      );
      say('cut off', cut);
      await page.setViewport({ width: 390, height: 844 });
      const wide = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
      if (wide > 0) wrong.push(`${path}: ${wide} pixels too wide for a telephone`);
    }
    expect(wrong.join('\n')).to.equal('');
  });
});

describe('the made-up language', () => {
  it('changes what is said and leaves what is a key, a type or compared', () => {
    const source = "const a: 'one two' = x === 'one two' ? t['key word'] : `Slot ${n} is free, IRQ 5`;";
    expect(pseudoWords(source, 'a.ts')).to.equal(
      "const a: 'one two' = x === 'one two' ? t['key word'] : `Šļóţ ${n} íš ƒŕéé, IRQ 5`;"
    );
    expect(untranslated('Take it out of the bin')).to.deep.equal(['Take it out']);
  });
});
