import { readFileSync, readdirSync } from 'node:fs';
import { expect } from 'chai';

/** Words that the field does not use for these things, and what stands in their place; see docs/glossary.md. */
const retired: readonly [RegExp, string][] = [
  [/\bcaps?\b/i, 'jumper'],
  [/\bstart-up\b/i, 'POST, memory count'],
  [/\blevers?\b/i, 'switch'],
  [/\bribbons?\b(?! cable)/i, 'cable'],
  [/\bstands for (19|\$ *$)/i, 'target date'],
  [/\bat the works\b/i, 'factory'],
  [/\bdisk that turns\b/i, 'spinning'],
  [
    /^(Fill so|Set it so below|That stands there|Lacks:|Leave it|Start anew|Seen to|Not here)$/,
    'see the glossary'
  ],
  [/The build asks nothing of it/, 'Any position works for this build'],
  [/\bstands for$|\bmost it may cost\b/, 'target date, budget limit'],
  [/Wishes that cost something|wish of the brief is not met|too young\b/, 'other wishes, too recent'],
  [/\bonto the shelf\b|Board not chosen yet/, 'added to the shelf'],
  [/\bis no (side|pair|place|picture|number)\b/, 'is not a …'],
  [/\b(told of a slower|letter is spent|of the sort)\b/, 'set for a slower, takes up a letter, of the kind']
];
/** Literals with a blank in them are sentences; code around them is not looked at. */
function sentences(code: string): string[] {
  const bare = code.replace(/\/\*[\s\S]*?\*\/|(^|\s)\/\/.*$/gm, '');
  return [...bare.matchAll(/'((?:[^'\\\n]|\\.)*)'|`((?:[^`\\]|\\.)*)`/g)]
    .map(([, a, b]) => (a ?? b).replace(/\$\{[^}]*\}/g, '$'))
    .filter((s) => /\w \w/.test(s));
}

describe('the words of the product', () => {
  const root = new URL('../../', import.meta.url).pathname;
  const files = ['src/lib', 'bin'].flatMap((folder) =>
    (readdirSync(root + folder, { recursive: true }) as string[])
      .filter((f) => f.endsWith('.ts'))
      .map((f) => `${folder}/${f}`)
  );
  it('are those of the field: retired ones are gone', () => {
    expect(files.length).to.be.greaterThan(200);
    const found = files.flatMap((file) =>
      sentences(readFileSync(root + file, 'utf8')).flatMap((s) =>
        retired.filter(([word]) => word.test(s)).map(([, instead]) => `${file}: "${s}" (say ${instead})`)
      )
    );
    expect(found).to.deep.equal([]);
  });
  it('the test sees a retired word', () => {
    expect(sentences("const a = 'lift the cap off'; // a cap\n")).to.deep.equal(['lift the cap off']);
    expect(retired[0][0].test('lift the cap off')).to.equal(true);
  });
});
