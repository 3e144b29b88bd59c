import { expect } from 'chai';
import { deflateRawSync } from 'node:zlib';
import { Zip, ZipPassThrough, strToU8, unzipSync, zipSync, type ZipInputFile, type Zippable } from 'fflate';
import {
  MAX_ARCHIVE,
  readBuildFile,
  readWorkshop,
  writeBuildFile,
  writeWorkshop
} from '../../src/lib/formats';
import { demo, parts } from '../support/demo';
import { Seeded } from '../support/random';
import { torture } from '../support/torture';
import { InvalidDocument } from '../../src/lib/words';

const at = '2026-05-12T20:00:00.000Z';
const written = writeWorkshop({
  parts,
  shelf: [],
  photos: [],
  sightings: [],
  notebooks: [],
  builds: ['plover', 'dunlin'].map((id) => ({
    id,
    head: 2,
    revisions: [
      { n: 1, parent: null, at, note: 'created', document: JSON.stringify(demo(id)) },
      {
        n: 2,
        parent: 1,
        at,
        note: '',
        mark: 'worked',
        document: JSON.stringify({ ...demo(id), notes: 'two' })
      }
    ]
  }))
});
const archive = written.bytes;
/** What is said of an archive: why it is refused, or what of it was left out. */
const problemsOf = async (bytes: Uint8Array): Promise<string> => {
  try {
    return readWorkshop(bytes)
      .left.map((p) => `left out: ${p.path}: ${p.message}`)
      .join('; ');
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

/** An archive with files of zeros, packed once for all of them. */
function bombOf(files: Record<string, Uint8Array>, zeros: readonly string[], size: number): Uint8Array {
  const pieces: Uint8Array[] = [];
  const zip = new Zip((_, piece) => void pieces.push(piece));
  for (const [filename, bytes] of Object.entries(files)) {
    const file = new ZipPassThrough(filename);
    zip.add(file);
    file.push(bytes, true);
  }
  const packed = deflateRawSync(Buffer.alloc(size));
  for (const filename of zeros) {
    const file: ZipInputFile = { filename, compression: 8, size, crc: 0 };
    zip.add(file);
    file.ondata!(null, packed, true);
  }
  zip.end();
  return new Uint8Array(Buffer.concat(pieces));
}

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
  it('is refused when it is no archive of ours, with the reason', async () => {
    const cases: [Uint8Array, RegExp][] = [
      [new Uint8Array(0), /not a ZIP file/],
      [strToU8('{"format": "yellow-jumper/build"}'), /not a ZIP file/],
      [archive.subarray(0, archive.length / 2), /not a ZIP file, or is cut off/],
      [zipSync({ 'a.txt': strToU8('x') }), /some other archive/],
      [changed({ 'workshop.json': '{"format": "other"}' }), /workshop\.json: format/],
      [changed({ 'workshop.json': '{"format": "yellow-jumper/workshop", "version": 2}' }), /version/]
    ];
    for (const [bytes, pattern] of cases) expect(await problemsOf(bytes)).to.match(pattern);
  });
  it('one wrong document is left out with its place, and takes nothing from the others', async () => {
    const cases: [Uint8Array, RegExp][] = [
      [changed({ 'builds/plover.json': '{"format":' }), /builds\/plover\.json: line 1, column/],
      [changed({ 'history/plover.json': '[]' }), /history\/plover\.json/],
      [changed({ 'history/plover.json': history((h) => (h.head = 9)) }), /no revision 9, its head/],
      [changed({ 'history/plover.json': history((h) => (h.revisions[0].parent = 2)) }), /comes from 2/],
      [changed({ 'history/plover.json': history((h) => (h.revisions[1].n = 1)) }), /two revisions by one/]
    ];
    for (const [bytes, pattern] of cases) {
      expect(await problemsOf(bytes))
        .to.match(pattern)
        .and.match(/^left out/);
      expect(readWorkshop(bytes).builds.map((b) => b.revisions.at(-1)!.build.id)).to.include('dunlin');
    }
  });
  it('a broken history leaves the present state, a broken old state leaves the others', () => {
    const present = readWorkshop(changed({ 'history/plover.json': '[]' })).builds;
    expect(present.map((b) => b.revisions.length)).to.deep.equal([1, 2]);
    const gap = readWorkshop(
      changed({ 'history/plover.json': history((h) => (h.revisions[0].build = { id: 3 })) })
    );
    expect(gap.builds[0].revisions.map((r) => [r.n, r.parent])).to.deep.equal([[2, null]]);
    expect(gap.left[0].path).to.equal('history/plover.json: revisions[0].build.id');
  });
  it('an old state that needs what a part has lost since comes in all the same', () => {
    const old = history((h) => {
      (h.revisions[0].build as { items: { slot: string }[] }).items[1].slot = '77';
    });
    const { builds, left } = readWorkshop(changed({ 'history/plover.json': old }));
    expect([builds[0].revisions.length, left]).to.deep.equal([2, []]);
  });
  it('what cannot be read any more goes along as it is kept', () => {
    const { bytes, unreadable } = writeWorkshop({
      parts,
      shelf: ['{"id": 5}'],
      photos: [],
      sightings: [],
      notebooks: [],
      builds: [
        {
          id: 'plover',
          head: 3,
          revisions: [
            { n: 1, parent: null, at, note: '', document: JSON.stringify(demo('plover')) },
            { n: 2, parent: 1, at, note: '', document: '{"cut' },
            { n: 3, parent: 2, at, note: '', document: '{"id": "plover"}' }
          ]
        }
      ]
    });
    expect(unreadable).to.deep.equal([
      'unreadable/plover-2.json',
      'unreadable/plover-3.json',
      'unreadable/shelf-1.json'
    ]);
    expect(new TextDecoder().decode(unzipSync(bytes)['unreadable/plover-2.json'])).to.equal('{"cut');
    const { builds, left } = readWorkshop(bytes);
    expect([builds[0].head, builds[0].revisions.length, left]).to.deep.equal([1, 1, []]);
  });
  it('is refused when it is too large, packed or unpacked', async () => {
    expect(await problemsOf(new Uint8Array(MAX_ARCHIVE + 1))).to.match(/larger than 128 MiB/);
    const bomb = bombOf({ 'workshop.json': strToU8('{}') }, ['a', 'b', 'c'], 130 * 1024 * 1024);
    expect(bomb.length).to.be.lessThan(4 * 1024 * 1024);
    expect(await problemsOf(bomb)).to.match(/unpacks to more than 384 MiB/);
    const many = Object.fromEntries(Array.from({ length: 20_001 }, (_, i) => [`f${i}`, new Uint8Array(0)]));
    expect(await problemsOf(zipSync(many, { level: 0 }))).to.match(/more files than the 20000/);
  });
  it('says in itself what was left out of it', () => {
    const none = { parts, shelf: [], photos: [], sightings: [], notebooks: [], builds: [] };
    const { bytes } = writeWorkshop({ ...none, leftOut: { states: 12, photos: 3 } });
    expect(new TextDecoder().decode(unzipSync(bytes)['LEFT-OUT.txt'])).to.match(
      /12 earlier states.*3 photographs/
    );
    expect(unzipSync(writeWorkshop(none).bytes)['LEFT-OUT.txt']).to.equal(undefined);
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
  it('survives mutations with nothing but a clear error', async () => {
    const r = new Seeded(77);
    for (let i = 0; i < torture(600, 60); i++) {
      const bytes = archive.slice();
      for (let n = r.int(6); n >= 0; n--) bytes[r.int(bytes.length)] = r.int(256);
      const cut = r.chance(0.2) ? bytes.subarray(0, r.int(bytes.length)) : bytes;
      // A changed byte in packed data may unpack to another text; it is read or refused, never more.
      expect(await problemsOf(cut)).to.match(/^$|^left out: \S|^The archive cannot be used: \S/);
    }
  });
});
