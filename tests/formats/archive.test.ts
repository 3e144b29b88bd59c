import { expect } from 'chai';
import { strToU8, unzipSync, zipSync, type Zippable } from 'fflate';
import { InvalidDocument } from '../../src/lib/core/model';
import {
  MAX_ARCHIVE,
  readBuildFile,
  readWorkshop,
  writeBuildFile,
  writeWorkshop
} from '../../src/lib/formats';
import { demo, parts } from '../support/demo';
import { Seeded } from '../support/random';

const at = '2026-05-12T20:00:00.000Z';
const archive = writeWorkshop({
  parts,
  shelf: [],
  photos: [],
  sightings: [],
  notebooks: [],
  builds: ['plover', 'dunlin'].map((id) => ({
    head: 2,
    revisions: [
      { n: 1, parent: null, at, note: 'created', build: demo(id) },
      { n: 2, parent: 1, at, note: '', mark: 'worked', build: { ...demo(id), notes: 'two' } }
    ]
  }))
});
const problemsOf = async (bytes: Uint8Array): Promise<string> => {
  try {
    await readWorkshop(bytes);
    return '';
  } catch (error) {
    if (!(error instanceof InvalidDocument)) throw error;
    return error.message;
  }
};
/** The archive with some files exchanged, as bytes or as text. */
const changed = (files: Record<string, string | Uint8Array | null>): Uint8Array => {
  const all: Zippable = unzipSync(archive);
  for (const [name, content] of Object.entries(files)) {
    if (content === null) delete all[name];
    else all[name] = typeof content === 'string' ? strToU8(content) : content;
  }
  return zipSync(all);
};
const history = (edit: (h: { head: number; revisions: Record<string, unknown>[] }) => void): string => {
  const data = JSON.parse(new TextDecoder().decode(unzipSync(archive)['history/plover.json']));
  edit(data);
  return JSON.stringify(data);
};

describe('the workshop archive', () => {
  it('comes back as it went, and holds build files that open on their own', async () => {
    const { builds } = await readWorkshop(archive);
    expect(builds.map((b) => b.revisions.map((r) => [r.n, r.parent, r.mark, r.build.notes]))).to.deep.equal(
      ['plover', 'dunlin'].map((id) => [
        [1, null, undefined, demo(id).notes],
        [2, 1, 'worked', 'two']
      ])
    );
    const single = new TextDecoder().decode(unzipSync(archive)['builds/dunlin.json']);
    expect(readBuildFile(single).build.notes).to.equal('two');
  });
  it('may hold builds without a history, put together by hand', async () => {
    const { builds } = await readWorkshop(
      zipSync({
        'workshop.json': strToU8('{"format": "yellow-jumper/workshop", "version": 1}'),
        'builds/a.json': strToU8(writeBuildFile(demo('turnstone'), parts))
      })
    );
    expect(builds[0].revisions.map((r) => r.build)).to.deep.equal([demo('turnstone')]);
  });
  it('is refused with the file and the place when anything in it is wrong', async () => {
    const cases: [Uint8Array, RegExp][] = [
      [new Uint8Array(0), /not a ZIP file/],
      [strToU8('{"format": "yellow-jumper/build"}'), /not a ZIP file/],
      [archive.subarray(0, archive.length / 2), /not a ZIP file, or is cut off/],
      [zipSync({ 'a.txt': strToU8('x') }), /some other archive/],
      [changed({ 'workshop.json': '{"format": "other"}' }), /workshop\.json: format/],
      [changed({ 'workshop.json': '{"format": "yellow-jumper/workshop", "version": 2}' }), /version/],
      [changed({ 'builds/plover.json': '{"format":' }), /builds\/plover\.json: line 1, column/],
      [changed({ 'history/plover.json': '[]' }), /history\/plover\.json/],
      [changed({ 'history/plover.json': history((h) => (h.head = 9)) }), /no revision 9, its head/],
      [changed({ 'history/plover.json': history((h) => (h.revisions[0].parent = 2)) }), /comes from 2/],
      [changed({ 'history/plover.json': history((h) => (h.revisions[1].n = 1)) }), /two revisions by one/],
      [
        changed({
          'history/plover.json': history((h) => {
            (h.revisions[0].build as { items: { slot: string }[] }).items[1].slot = '77';
          })
        }),
        /history\/plover\.json: revisions\[0\]\.build\.items\[1\]\.slot/
      ]
    ];
    for (const [bytes, pattern] of cases) expect(await problemsOf(bytes)).to.match(pattern);
  });
  it('is refused when it is too large, packed or unpacked', async () => {
    expect(await problemsOf(new Uint8Array(MAX_ARCHIVE + 1))).to.match(/larger than 64 MiB/);
    const zeros = new Uint8Array(90 * 1024 * 1024);
    const bomb = zipSync({ 'workshop.json': strToU8('{}'), a: zeros, b: zeros, c: zeros });
    expect(bomb.length).to.be.lessThan(1024 * 1024);
    expect(await problemsOf(bomb)).to.match(/unpacks to more than 256 MiB/);
    const many = Object.fromEntries(Array.from({ length: 20_001 }, (_, i) => [`f${i}`, new Uint8Array(0)]));
    expect(await problemsOf(zipSync(many, { level: 0 }))).to.match(/more than 20000 files/);
  });
  it('takes nothing from names that lead elsewhere', async () => {
    const outside = changed({
      '../../builds/evil.json': '{}',
      '/etc/builds/evil.json': '{}',
      'builds/../x.json': '{}'
    });
    expect((await readWorkshop(outside)).builds.map((b) => b.revisions[0].build.id)).to.deep.equal([
      'plover',
      'dunlin'
    ]);
  });
  it('survives 600 mutations with nothing but a clear error', async () => {
    const r = new Seeded(77);
    for (let i = 0; i < 600; i++) {
      const bytes = archive.slice();
      for (let n = r.int(6); n >= 0; n--) bytes[r.int(bytes.length)] = r.int(256);
      const cut = r.chance(0.2) ? bytes.subarray(0, r.int(bytes.length)) : bytes;
      // A changed byte in packed data may unpack to another text; it is read or refused, never more.
      expect(await problemsOf(cut)).to.match(/^$|^The archive cannot be used: \S/);
    }
  });
});
