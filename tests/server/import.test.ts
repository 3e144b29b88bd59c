import { expect } from 'chai';
import { writeBuildFile } from '../../src/lib/formats';
import { readKept } from '../../src/lib/server/summaries';
import { demo, parts } from '../support/demo';
import { Seeded } from '../support/random';
import { fails, useShop } from '../support/store';
import { torture } from '../support/torture';
import { InvalidDocument } from '../../src/lib/words';

const text = writeBuildFile(demo('plover'), parts);

type Json = null | boolean | number | string | Json[] | { [key: string]: Json };

/** Values that a reader may not expect where they come. */
const odd: Json[] = [
  null,
  true,
  -1,
  0,
  1.5,
  1e308,
  2 ** 53,
  '',
  ' ',
  '__proto__',
  'constructor',
  '../x',
  '<b>',
  '\u0000',
  '5',
  [],
  [[]],
  {},
  { toString: 1 }
];

/** Exchanges, doubles, renames or takes away something anywhere in a document. */
function mutateTree(node: Json, r: Seeded): Json {
  if (node === null || typeof node !== 'object' || r.chance(0.04)) return r.pick(odd);
  if (Array.isArray(node)) {
    if (!node.length || r.chance(0.12)) return [...node, ...node, r.pick(odd)];
    const i = r.int(node.length);
    if (r.chance(0.15)) return node.filter((_, n) => n !== i);
    return node.map((child, n) => (n === i ? mutateTree(child, r) : child));
  }
  const keys = Object.keys(node);
  if (!keys.length || r.chance(0.08))
    return give(node, r.pick(['__proto__', 'constructor', 'x', 'id', 'part']), r.pick(odd));
  const key = r.pick(keys);
  if (r.chance(0.12)) return Object.fromEntries(Object.entries(node).filter(([k]) => k !== key));
  return give(node, key, mutateTree(node[key], r));
}
const give = (node: { [key: string]: Json }, key: string, value: Json): Json =>
  Object.fromEntries([...Object.entries(node).filter(([k]) => k !== key), [key, value]]);

const mutations: ((r: Seeded) => string)[] = [
  (r) => text.slice(0, r.int(text.length)),
  (r) => {
    const at = r.int(text.length);
    return text.slice(0, at) + String.fromCharCode(r.int(0x2fff)) + text.slice(at + r.int(3));
  },
  (r) => {
    const [a, b, c] = [r.int(text.length), r.int(text.length), r.int(text.length)];
    return text.slice(0, a) + text.slice(Math.min(b, c), Math.max(b, c)) + text.slice(a);
  },
  (r) => JSON.stringify(mutateTree(JSON.parse(text) as Json, r)),
  (r) => {
    let tree = JSON.parse(text) as Json;
    for (let n = 2 + r.int(4); n > 0; n--) tree = mutateTree(tree, r);
    return JSON.stringify(tree);
  },
  (r) =>
    JSON.stringify({
      ...(JSON.parse(text) as object),
      minor: 1 + r.int(9),
      build: mutateTree((JSON.parse(text) as { build: Json }).build, r)
    })
];

describe('a file that comes in', function () {
  this.timeout(torture(1_800_000, 600_000));
  const shop = useShop();
  const stored = async () => {
    const count = async (table: 'builds' | 'revisions' | 'parts') =>
      (await shop.db.selectFrom(table).selectAll().execute()).length;
    return [await count('builds'), await count('revisions'), await count('parts')];
  };

  it('that is broken, foreign, cut off, huge, deep or newer is refused with a place and what to do, and nothing is stored', async () => {
    const newer = JSON.parse(text);
    newer.version = 2;
    const cases: [string, RegExp][] = [
      ['', /empty/],
      ['\u0000\u0001\u0002PNG', /line 1, column 1.*not valid JSON/],
      [text.slice(0, 5000), /line \d+, column \d+.*cut off/],
      ['{"some": "other file"}', /format/],
      ['[1, 2]', /not a JSON object/],
      ['name,slot\r\nplover,3\r\n', /line 1, column 1/],
      ['['.repeat(100_000) + ']'.repeat(100_000), /nested 100000 deep/],
      ['{"a":'.repeat(5000) + '1' + '}'.repeat(5000), /nested 5000 deep/],
      [' '.repeat(100 * 1024 * 1024), /larger than 8 MiB/],
      [JSON.stringify(newer), /newer/i]
    ];
    for (const [source, pattern] of cases) {
      const said = await fails(shop.store.importFile(source), InvalidDocument);
      expect(said.message, source.slice(0, 40)).to.match(pattern);
    }
    expect(await stored()).to.deep.equal([0, 0, 0]);
  });

  const MUTATIONS = torture(6000, 150);
  it(`is taken whole or not at all, in ${MUTATIONS} mutations: no crash, no hang, nothing stored of a refused one`, async () => {
    const r = new Seeded(20_261_123);
    let taken = 0;
    let before = await stored();
    for (let i = 0; i < MUTATIONS; i++) {
      const source = mutations[i % mutations.length](r);
      try {
        const { build } = await shop.store.importFile(source);
        taken++;
        // What was taken can be read again and written out again.
        const row = await shop.db
          .selectFrom('revisions')
          .select('document')
          .orderBy('id', 'desc')
          .executeTakeFirstOrThrow();
        expect(readKept(row.document)).to.deep.equal(build);
        await shop.store.exportFile(build.id);
        before = await stored();
      } catch (error) {
        expect(error, `mutation ${i}: ${String(error)}`).to.be.instanceOf(InvalidDocument);
        expect((error as Error).message).to.match(/^The (file|build) cannot be used: \S/);
        if (i % 25 === 0) expect(await stored(), `mutation ${i}`).to.deep.equal(before);
      }
    }
    expect(await stored()).to.deep.equal(before);
    expect(taken, 'some mutations leave a whole file').to.be.greaterThan(MUTATIONS / 40);
    expect(({} as Record<string, unknown>).x, 'no prototype was touched').to.equal(undefined);
    // Every list still works with what came in.
    expect((await shop.store.list()).length).to.equal(taken);
  });
});
