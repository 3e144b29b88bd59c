import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { expect } from 'chai';
import { register } from 'tsx/esm/api';
import { disks } from '../../src/lib/words/en/screens/disks';
import { fit } from '../../src/lib/words/en/screens/fit';

const root = new URL('../../', import.meta.url).pathname;
const words = join(root, 'src/lib/words/en');
const filesIn = (folder: string, ending: RegExp) =>
  (readdirSync(join(root, folder), { recursive: true }) as string[])
    .filter((f) => ending.test(f))
    .map((f) => join(root, folder, f));

/** Every word function of a module, by the way to it. */
function functionsOf(path: string, value: unknown, depth = 0): [string, (...args: unknown[]) => unknown][] {
  if (typeof value === 'function') return [[path, value as (...args: unknown[]) => unknown]];
  if (typeof value !== 'object' || value === null || depth > 6) return [];
  return Object.entries(value).flatMap(([key, v]) => functionsOf(`${path}.${key}`, v, depth + 1));
}

/** Every text of an answer, which may be one, or some by name. */
const textsOf = (value: unknown): string[] =>
  typeof value === 'string'
    ? [value]
    : typeof value === 'object' && value !== null
      ? Object.values(value).flatMap(textsOf)
      : [];

/** What a function of words says when every number is `n`; nothing when it wants something else than numbers. */
function said(fn: (...args: unknown[]) => unknown, n: number): string[] {
  try {
    return textsOf(fn(...Array.from({ length: Math.max(1, fn.length) }, () => n)));
  } catch {
    return [];
  }
}

/** Things that are counted on the screens. */
const nouns = [
  ['answer', 'answers'],
  ['bank', 'banks'],
  ['beep', 'beeps'],
  ['block', 'blocks'],
  ['build', 'builds'],
  ['byte', 'bytes'],
  ['card', 'cards'],
  ['change', 'changes'],
  ['chip', 'chips'],
  ['cluster', 'clusters'],
  ['cylinder', 'cylinders'],
  ['day', 'days'],
  ['drive', 'drives'],
  ['fact', 'facts'],
  ['file', 'files'],
  ['finding', 'findings'],
  ['floppy', 'floppies'],
  ['head', 'heads'],
  ['hour', 'hours'],
  ['jumper', 'jumpers'],
  ['line', 'lines'],
  ['machine', 'machines'],
  ['minute', 'minutes'],
  ['move', 'moves'],
  ['note', 'notes'],
  ['part', 'parts'],
  ['partition', 'partitions'],
  ['path', 'paths'],
  ['photograph', 'photographs'],
  ['pin', 'pins'],
  ['place', 'places'],
  ['position', 'positions'],
  ['restart', 'restarts'],
  ['plan', 'plans'],
  ['program', 'programs'],
  ['row', 'rows'],
  ['second', 'seconds'],
  ['sector', 'sectors'],
  ['setting', 'settings'],
  ['slot', 'slots'],
  ['socket', 'sockets'],
  ['start', 'starts'],
  ['step', 'steps'],
  ['stop', 'stops'],
  ['switch', 'switches'],
  ['system', 'systems'],
  ['test', 'tests'],
  ['thing', 'things'],
  ['time', 'times'],
  ['turn', 'turns'],
  ['week', 'weeks'],
  ['wish', 'wishes']
] as const;
const singular = new RegExp(`(?<![\\d.,–-])\\b1 (?:${nouns.map(([, many]) => many).join('|')})\\b`);
const plural = new RegExp(`(?<![\\d.,–-])\\b(?:0|2|7) (?:${nouns.map(([one]) => one).join('|')})\\b(?! of)`);

/** Words that are only ever said of several, and why one cannot come. */
const neverOne: Readonly<Record<string, string>> = {
  'boot.many': 'said where one start does not do',
  'boot.takesText': 'a driver of one byte does not exist',
  'disks.blocks': 'a disk of one block does not exist',
  'disks.bytes': 'a ROM of one byte does not exist',
  'disks.header': 'a ROM of one byte does not exist',
  'disks.clusters': 'a disk has many',
  'disks.differ': 'takes text, see below',
  'disks.inAll': 'a disk has many',
  'disks.waste': 'takes text, see below',
  'start.trials.times': 'one time is not said',
  'start.rests': 'said from the second note on',
  'work.ended.too-long': 'the limits are many seconds',
  'server.tooLong': 'the limits are many seconds'
};

describe('numbers in sentences', () => {
  const all: [string, (...args: unknown[]) => unknown][] = [];
  before(async () => {
    // As they are written, whatever the test was made of.
    if (!import.meta.filename.endsWith('.ts')) register();
    for (const file of filesIn('src/lib/words/en', /\.ts$/)) {
      if (/screens\/(all|index)\.ts$/.test(file)) continue;
      const module = (await import(file)) as Record<string, unknown>;
      for (const [name, value] of Object.entries(module)) all.push(...functionsOf(name, value));
    }
  });
  const wrongFor = (n: number, wrong: RegExp) =>
    all.flatMap(([path, fn]) =>
      said(fn, n)
        .filter((text) => !text.includes('undefined') && wrong.test(text))
        .map((text) => `${path}: ${text}`)
    );

  it('one is told in the singular', () => {
    expect(all.length).to.be.greaterThan(800);
    const found = wrongFor(1, singular).filter((line) => !(line.split(':')[0] in neverOne));
    expect([...new Set(found)]).to.deep.equal([]);
  });
  it('none, two and seven in the plural', () => {
    for (const n of [0, 2, 7]) expect([...new Set(wrongFor(n, plural))], String(n)).to.deep.equal([]);
  });
  it('all of one is it, all of two are both', () => {
    for (const n of [1, 2]) expect([...new Set(wrongFor(n, /\ball [12]\b/i))], String(n)).to.deep.equal([]);
    expect([fit.plan.cost(1, 0, 0), fit.plan.cost(2, 0, 0), fit.plan.cost(4, 0, 0)]).to.deep.equal([
      'from the shelf',
      'both from the shelf',
      'all 4 from the shelf'
    ]);
  });
  it('also where the number comes with its thousands apart, as text', () => {
    expect(disks.waste('0.1', '1')).to.match(/one file$/);
    expect(disks.waste('0.1', '1,200')).to.match(/1,200 files$/);
    expect(disks.differ('1', '1F')).to.equal('one byte differs, at 1Fh');
    expect(disks.differ('2', '1F')).to.equal('2 bytes differ, the first at 1Fh');
  });
  it('every exception is still there, and still says so', () => {
    for (const path of Object.keys(neverOne)) {
      const fn = all.find(([name]) => name === path)?.[1];
      expect(fn && said(fn, 1).some((t) => singular.test(t)), path).to.equal(true);
    }
  });
  it('the test sees a wrong one', () => {
    expect(singular.test('about 1 minutes left')).to.equal(true);
    expect(singular.test('11 minutes, 1.1 minutes')).to.equal(false);
    expect(plural.test('2 move')).to.equal(true);
  });
});

describe('words that nothing says', () => {
  const code = ['src', 'bin'].flatMap((folder) =>
    filesIn(folder, /\.(ts|svelte)$/).map((file) => ({ file, text: readFileSync(file, 'utf8') }))
  );
  const names = new Map<string, number>();
  for (const { text } of code)
    for (const [name] of text.matchAll(/[A-Za-z_]\w*/g)) names.set(name, (names.get(name) ?? 0) + 1);

  it('are not kept: each name of a word on a screen is used somewhere', () => {
    const unused = code
      .filter(({ file }) => file.startsWith(join(words, 'screens')))
      .flatMap(({ file, text }) =>
        [...text.matchAll(/^\s+([A-Za-z_]\w*): /gm)]
          .map(([, name]) => name)
          .filter((name) => names.get(name) === 1)
          .map((name) => `${file.slice(words.length + 1)}: ${name}`)
      );
    expect(unused).to.deep.equal([]);
  });
});
