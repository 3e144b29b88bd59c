import { execFileSync, spawnSync } from 'node:child_process';
import {
  closeSync,
  ftruncateSync,
  mkdirSync,
  mkdtempSync,
  openSync,
  readFileSync,
  rmSync,
  writeSync
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { refused } from '../support/refused';
import fc from 'fast-check';
import {
  GeometryError,
  driveLetters,
  formatMinutesLeft,
  mismatch,
  mostCylinders,
  partition,
  proposeSizes,
  sectorsOf,
  toChs,
  toLba,
  toolDisplay,
  translate,
  translationsGiving,
  type Geometry
} from '../../src/lib/core/storage';
import {
  HexDumpError,
  bytesSource,
  diagnose,
  diskImage,
  fatLayout,
  imagePieces,
  readDisk,
  readHexDump,
  type SparseImage
} from '../../src/lib/formats/disk';
import { entryWords } from '../../src/lib/words';
import { Seeded } from '../support/random';
import { needs, toolsEnv } from '../support/tools';
import { torture } from '../support/torture';

/** The boot sector of a sound 1.44M floppy. */
function startFloppy1440(): Uint8Array {
  const b = new Uint8Array(512);
  b.set([0xeb, 0x3c, 0x90]);
  const put = (at: number, n: number) => ((b[at] = n & 255), (b[at + 1] = n >> 8));
  [[11, 512], [14, 1], [17, 224], [19, 2880], [22, 9], [24, 18], [26, 2]].forEach(([at, n]) => put(at, n)); // oxfmt-ignore
  b[13] = 1;
  b[16] = 2;
  b[21] = 0xf0;
  b.set([0x55, 0xaa], 510);
  return b;
}

const folder = mkdtempSync(join(tmpdir(), 'yj-disk-'));
const env = { ...toolsEnv, MTOOLS_SKIP_CHECK: '0' };

/** Writes an image as a sparse file, or one partition of it. */
function toFile(name: string, { size, chunks }: SparseImage, from = 0, length = size): string {
  const file = join(folder, name);
  const fd = openSync(file, 'w');
  for (const { offset, bytes } of chunks)
    if (offset >= from && offset < from + length) writeSync(fd, bytes, 0, bytes.length, offset - from);
  ftruncateSync(fd, length);
  closeSync(fd);
  return file;
}
/** An image as a source that holds only what is not zero. */
const sparse = ({ size, chunks }: SparseImage) => ({
  bytes: size,
  read: (offset: number, length: number) => {
    const out = new Uint8Array(Math.max(0, Math.min(length, size - offset)));
    for (const c of chunks) {
      const at = c.offset - offset;
      if (at < out.length && at + c.bytes.length > 0)
        out.set(c.bytes.subarray(Math.max(0, -at), out.length - at), Math.max(0, at));
    }
    return Promise.resolve(out);
  }
});

const machines: { name: string; geometry: Geometry; dos: number }[] = [
  { name: '20 MB MFM under 3.3', geometry: { cylinders: 614, heads: 4, sectors: 17 }, dos: 3.3 },
  { name: '40 MB under 3.3', geometry: { cylinders: 977, heads: 5, sectors: 17 }, dos: 3.3 },
  { name: '10 MB under 2', geometry: { cylinders: 305, heads: 4, sectors: 17 }, dos: 2 },
  { name: '504 MiB under 6.22', geometry: { cylinders: 1024, heads: 16, sectors: 63 }, dos: 6.22 },
  { name: '4 GB, 128 heads, 6.22', geometry: { cylinders: 1024, heads: 128, sectors: 63 }, dos: 6.22 },
  { name: '8 GB, 255 heads, 6.22', geometry: { cylinders: 1023, heads: 255, sectors: 63 }, dos: 6.22 },
  { name: '8 GB, 255 heads, 7.1', geometry: { cylinders: 1023, heads: 255, sectors: 63 }, dos: 7.1 },
  { name: '6 GB, 240 heads, 7.0', geometry: { cylinders: 800, heads: 240, sectors: 63 }, dos: 7 }
];
const planOf = ({ geometry, dos }: (typeof machines)[number]) =>
  partition(geometry, dos, proposeSizes(geometry, dos));

describe('disks that we write', function () {
  after(() => rmSync(folder, { recursive: true, force: true }));

  for (const machine of machines)
    it(`real tools agree with every field: ${machine.name}`, async function () {
      needs('sfdisk', 'fsck.fat', 'mdir');
      const plan = planOf(machine);
      const image = diskImage(plan, { dos: machine.dos, format: true, label: 'TIDES' });
      const file = toFile('disk.img', image);
      const { partitiontable: table } = JSON.parse(
        execFileSync('sfdisk', ['--json', file], { env, encoding: 'utf8' })
      );
      const told = (
        table.partitions as { start: number; size: number; type: string; bootable?: boolean }[]
      ).filter((p) => !['5', 'f'].includes(p.type));
      expect(told.map((p) => [p.start, p.size])).to.deep.equal(
        plan.partitions.map((p) => [p.lba, p.sectors])
      );
      expect(told[0].bootable).to.equal(true);
      const check = spawnSync('sfdisk', ['--verify', file], { env, encoding: 'utf8' });
      expect(check.status, check.stderr).to.equal(0);
      for (const [i, p] of plan.partitions.entries()) {
        const own = toFile('part.img', image, p.lba * 512, p.sectors * 512);
        const fsck = spawnSync('fsck.fat', ['-n', '-v', own], { env, encoding: 'utf8' });
        expect(fsck.status, fsck.stdout + fsck.stderr).to.equal(0);
        expect(fsck.stdout).to.match(new RegExp(`${p.fat.clusterBytes} bytes per cluster`));
        expect(fsck.stdout).to.match(
          new RegExp(`${machine.geometry.sectors} sectors/track, ${machine.geometry.heads} heads`)
        );
        expect(fsck.stdout).to.match(
          new RegExp(`${p.fat.kind.slice(3)} bits per entry|${fatLayout(p).clusters} (data )?clusters`)
        );
        expect(fsck.stdout).to.include(`/${fatLayout(p).clusters} clusters`);
        // A file goes in and comes out again.
        const at = `${file}@@${p.lba * 512}`;
        const text = `tide table ${i}`;
        const copy = spawnSync('mcopy', ['-i', at, '-', '::TIDES.TXT'], {
          env,
          input: text,
          encoding: 'utf8'
        });
        expect(copy.status, copy.stderr).to.equal(0);
        expect(spawnSync('mtype', ['-i', at, '::TIDES.TXT'], { env, encoding: 'utf8' }).stdout).to.equal(
          text
        );
      }
    });

  it('read back as they were written, and the geometry inferred is the one used', async () => {
    for (const machine of machines) {
      const plan = planOf(machine);
      const image = diskImage(plan, { dos: machine.dos, format: true });
      const read = await readDisk(sparse(image));
      expect(
        read.remarks.filter((r) => r.grade !== 'note'),
        machine.name
      ).to.deep.equal([]);
      const drives = read.entries.filter((e) => e.kind === 'primary' || e.kind === 'logical');
      expect(drives.map((e) => [e.lba, e.sectors])).to.deep.equal(
        plan.partitions.map((p) => [p.lba, p.sectors])
      );
      expect(read.boots.map((b) => [b.fat, b.clusters])).to.deep.equal(
        plan.partitions.map((p) => [p.fat.kind, fatLayout(p).clusters])
      );
      const { made } = diagnose(read);
      expect([made?.heads, made?.sectors], machine.name).to.deep.equal([
        machine.geometry.heads,
        machine.geometry.sectors
      ]);
    }
  });
  it('any disk: what we infer is what we used, and nothing reads as broken', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.integer({ min: 2, max: 1024 }),
        fc.constantFrom(2, 4, 5, 8, 15, 16, 32, 64, 128, 240, 255),
        fc.constantFrom(17, 26, 35, 63),
        fc.constantFrom(3.3, 5, 6.22, 7, 7.1),
        fc.boolean(),
        async (cylinders, heads, sectors, dos, format) => {
          const geometry = { cylinders, heads, sectors };
          if (mostCylinders(geometry, dos) < 1 || sectorsOf(geometry) < 4000) return;
          const plan = partition(geometry, dos, proposeSizes(geometry, dos));
          const read = await readDisk(sparse(diskImage(plan, { dos, format })));
          expect(read.remarks.filter((r) => r.grade === 'stop')).to.deep.equal([]);
          const { candidates } = diagnose(read);
          expect(candidates[0]).to.deep.include({ heads, sectors, fits: true });
        }
      ),
      { numRuns: 200 }
    );
  });
  it('as pieces for a file they are the same bytes', () => {
    const plan = planOf(machines[2]);
    const image = diskImage(plan, { dos: 2, format: true });
    const whole = Buffer.concat([...imagePieces(image)]);
    expect(whole.length).to.equal(image.size);
    for (const { offset, bytes } of image.chunks)
      expect(Buffer.compare(whole.subarray(offset, offset + bytes.length), bytes)).to.equal(0);
  });
});

describe('disks that we read', function () {
  const plan = partition({ cylinders: 1024, heads: 128, sectors: 63 }, 6.22, [500, 300, 224]);
  const good = diskImage(plan, { dos: 6.22, format: true });
  /** The good disk with some bytes changed. */
  const changed = (...edits: [number, number[]][]): SparseImage => ({
    ...good,
    chunks: [
      ...good.chunks.map((c) => ({ ...c, bytes: c.bytes.slice() })),
      ...edits.map(([offset, bytes]) => ({ offset, bytes: Uint8Array.from(bytes) }))
    ]
  });
  const stops = async (image: SparseImage) =>
    (await readDisk(sparse(image))).remarks.filter((r) => r.grade === 'stop').map((r) => r.text);

  const put32le = (n: number) => [n & 255, (n >> 8) & 255, (n >> 16) & 255, n >>> 24];
  it('numbers of a boot sector that no checker lets pass are named', async () => {
    const boot = plan.partitions[0].lba * 512;
    const faults = async (at: number, bytes: number[]) =>
      (await readDisk(sparse(changed([boot + at, bytes])))).remarks.map((r) => r.text).join();
    expect(await faults(17, [0, 0])).to.match(/the root directory has no entries/);
    expect(await faults(17, [0x01, 0x02])).to.match(/multiple of 16/);
    expect(await faults(21, [0xf5])).to.match(/media byte F5/);
    expect(await faults(22, [0xff, 0x03])).to.match(/it needs|larger than the whole/);
    const blank = await readDisk(sparse(changed([boot, Array<number>(512).fill(0)])));
    expect(blank.remarks.map((r) => r.text).join()).to.match(/is not formatted/);
    expect(blank.boots.some((b) => b.heads === 0)).to.equal(false);
  });
  it('what is broken is described', async () => {
    expect(await stops(good)).to.deep.equal([]);
    expect((await stops(changed([510, [0, 0]])))[0]).to.match(/signature/);
    const second = plan.partitions[1];
    expect((await stops(changed([second.record * 512 + 510, [0, 0]])))[0]).to.match(/lacks its signature/);
    // The link of the second logical drive back to the first.
    expect((await stops(changed([second.record * 512 + 446 + 16 + 8, [0, 0, 0, 0]])))[0]).to.match(/circle/);
    expect((await stops(changed([446 + 12, [0xff, 0xff, 0xff, 0x7f]]))).join())
      .to.match(/past the end/)
      .and.match(/overlap/);
    expect((await stops(changed([446 + 16, [0x80]]))).join()).to.match(/2 entries are marked active/);
    expect((await stops(changed([446, [0x81]]))).join()).to.match(/has 81 where 00 or 80/);
    expect((await stops(changed([second.record * 512 + 446, [0x80]]))).join()).to.match(
      /logical drive never/
    );
    // The first partition made longer, over the first extended record and into it.
    const longer = put32le(plan.partitions[0].sectors + 100);
    expect((await stops(changed([446 + 12, longer]))).join())
      .to.match(/and the extended partition overlap/)
      .and.match(/lies over the extended record/);
    // A total beyond the partition, and by it too small a table as well.
    const total = put32le(plan.partitions[0].sectors + 32 * 512);
    expect((await stops(changed([plan.partitions[0].lba * 512 + 32, total]))).join()).to.match(
      /the file system counts .* and the partition has/
    );
    expect((await stops(changed([446 + 4, [0xee]]))).join()).to.match(/GUID/);
    const odd = await readDisk(sparse(changed([446 + 4, [0x77]])));
    expect(odd.remarks.some((r) => /unknown type 77/.test(r.text))).to.equal(true);
    expect((await readDisk(bytesSource(new Uint8Array(100)))).remarks[0].text).to.match(/only 100 bytes/);
    expect((await readDisk(bytesSource(new Uint8Array(512)))).remarks[0].text).to.match(/empty/);
  });
  it('names a setup that has other heads', async () => {
    const read = await readDisk(sparse(good));
    const setup = translate({ cylinders: 8192, heads: 16, sectors: 63 }, 'none').geometry;
    const said = diagnose(read, setup).remarks.find((r) => r.grade === 'stop')!.text;
    expect(said)
      .to.match(/128 heads/)
      .and.match(/16/)
      .and.match(/second partition reads as garbage/);
    expect(
      diagnose(read, { cylinders: 1024, heads: 128, sectors: 63 }).remarks.some((r) => r.grade === 'stop')
    ).to.equal(false);
    expect(translationsGiving({ cylinders: 8192, heads: 16, sectors: 63 }, 128, 63)).to.include('bit-shift');
    expect(mismatch({ heads: 4, sectors: 17 }, { heads: 4, sectors: 26 })?.differs).to.equal('tracks');
  });
  it('a floppy, or a disk without a table, is read by its boot sector', async () => {
    const b = new Uint8Array(1440 * 1024);
    b.set(startFloppy1440());
    const read = await readDisk(bytesSource(b));
    expect([read.whole?.fat, read.whole?.clusters, read.entries.length]).to.deep.equal(['FAT12', 2847, 0]);
  });
  it('a damaged boot sector without a table is described, not called an empty table', async () => {
    const b = new Uint8Array(1440 * 1024);
    b.set(startFloppy1440());
    b[17] = 5;
    const read = await readDisk(bytesSource(b));
    expect(read.remarks.map((r) => r.text).join(' ')).to.match(/root entries/);
    expect(read.entries).to.deep.equal([]);
  });
  it('a floppy without a parameter block is read by its media byte, whatever stands in its first sector', async () => {
    const formats: [kib: number, media: number, clusters: number][] = [
      [160, 0xfe, 313], [180, 0xfc, 351], [320, 0xff, 315], [360, 0xfd, 354],
      [720, 0xf9, 713], [1200, 0xf9, 2371], [1440, 0xf0, 2847], [2880, 0xf0, 2863]
    ]; // oxfmt-ignore
    for (const [kib, media, clusters] of formats)
      for (const fill of [0, 0xf6, 0x31]) {
        const b = new Uint8Array(kib * 1024);
        b.fill(fill, 0, 512);
        b.set([media, 0xff, 0xff], 512);
        const read = await readDisk(bytesSource(b));
        expect([read.whole?.byMedia, read.whole?.fat, read.whole?.clusters], `${kib}`).to.deep.equal([
          true,
          'FAT12',
          clusters
        ]);
        expect(read.remarks.map((r) => r.grade)).to.deep.equal(['note']);
        b[512] = 0xfb;
        expect((await readDisk(bytesSource(b))).whole?.byMedia ?? false, `${kib} wrong byte`).to.equal(false);
      }
  });
  it('file systems of other sectors or more tables are described as real tools make them', async () => {
    needs('mkfs.fat');
    mkdirSync(folder, { recursive: true });
    const cases: [args: string[], unusual: RegExp | null][] = [
      [['-S', '1024'], /1024 bytes a sector/],
      [['-S', '2048'], /2048 bytes a sector/],
      [['-S', '4096'], /4096 bytes a sector/],
      [['-f', '3'], /3 allocation tables/],
      [['-f', '4'], /4 allocation tables/],
      [['-f', '1'], null],
      [[], null]
    ];
    for (const [args, unusual] of cases) {
      const file = toFile('made.img', { size: 40 * 1024 * 1024, chunks: [] });
      expect(spawnSync('mkfs.fat', [...args, file], { env }).status, args.join(' ')).to.equal(0);
      const read = await readDisk(bytesSource(readFileSync(file)));
      expect(read.whole?.faults, args.join(' ')).to.deep.equal([]);
      expect(read.whole?.fat, args.join(' ')).to.be.oneOf(['FAT12', 'FAT16']);
      const told = read.whole?.unusual.join(' ') ?? '';
      if (unusual) expect(told).to.match(unusual);
      else expect(told, args.join(' ')).to.equal('');
    }
    rmSync(folder, { recursive: true, force: true });
  });
  it('mutations: no crash, no hang, and no broken table is called well', async () => {
    const r = new Seeded(20261126);
    const places = [
      0,
      plan.partitions[1].record,
      plan.partitions[2].record,
      plan.partitions[0].lba,
      plan.partitions[1].lba
    ].map((s) => s * 512);
    let wrong = 0;
    for (let n = 0; n < torture(5000, 400); n++) {
      const edits = Array.from({ length: 1 + r.int(4) }, (): [number, number[]] => {
        const within = r.chance(0.6) ? 446 + r.int(66) : r.int(512);
        return [places[r.int(places.length)] + within, [r.int(256)]];
      });
      const image = changed(...edits);
      const read = await readDisk(sparse(image));
      const { made } = diagnose(read);
      // Where the table now says other sectors than it did, something must be remarked, or the geometry must not fit.
      const drives = read.entries.filter((e) => e.kind === 'primary' || e.kind === 'logical');
      const same =
        JSON.stringify(drives.map((e) => [e.lba, e.sectors])) ===
        JSON.stringify(plan.partitions.map((p) => [p.lba, p.sectors]));
      const isQuiet = read.remarks.length === 0 && made !== null;
      if (!same && isQuiet) wrong++;
      for (const e of drives) expect(entryWords(e)).to.be.a('string');
    }
    expect(wrong).to.equal(0);
  });
  it('reads tables of any bytes', async () => {
    await fc.assert(
      fc.asyncProperty(fc.uint8Array({ minLength: 0, maxLength: 2048 }), async (data) => {
        diagnose(await readDisk(bytesSource(data)), { cylinders: 10, heads: 4, sectors: 17 });
        if (data.length >= 512) {
          const signed = data.slice();
          signed.set([0x55, 0xaa], 510);
          diagnose(await readDisk(bytesSource(signed, false)));
        }
      }),
      { numRuns: 500 }
    );
  });
});

describe('a hex dump', () => {
  const bytes = Uint8Array.from({ length: 64 }, (_, i) => (i * 7) & 255);
  const hex = (n: number, w: number) => n.toString(16).padStart(w, '0');
  const rows = [0, 16, 32, 48].map((at) => [...bytes.slice(at, at + 16)].map((b) => hex(b, 2)));
  it('is read as programs print it', () => {
    for (const [name, text] of Object.entries({
      bare: rows.map((r) => r.join(' ')).join('\n'),
      address: rows
        .map(
          (r, i) =>
            `${hex(i * 16, 8)}  ${r.slice(0, 8).join(' ')}  ${r.slice(8).join(' ')}  |................|`
        )
        .join('\n'),
      colon: rows
        .map((r, i) => `${hex(i * 16, 8)}: ${r.map((x, n) => (n % 2 ? `${x} ` : x)).join('')} ....`)
        .join('\n'),
      debugger: rows
        .map(
          (r, i) =>
            `1A2F:${hex(256 + i * 16, 4).toUpperCase()}  ${r.slice(0, 8).join(' ')}-${r.slice(8).join(' ')}   .....`
        )
        .join('\r\n'),
      four: rows.map((r, i) => `${hex(i * 16, 4)} ${r.join(' ')}`).join('\n')
    }))
      expect([...readHexDump(text)], name).to.deep.equal([...bytes]);
  });
  it('a star repeats the row before it', () => {
    const text = `00000000  00 00 00 00 00 00 00 00  00 00 00 00 00 00 00 00\n*\n00000040  01\n`;
    expect([...readHexDump(text)]).to.deep.equal([...new Uint8Array(64), 1]);
  });
  it('says what it cannot read, and no text crashes it', () => {
    expect(() => readHexDump('hello')).to.throw(HexDumpError, /line 1/);
    expect(() => readHexDump('')).to.throw(HexDumpError);
    fc.assert(
      fc.property(fc.string({ maxLength: 200 }), (text) => {
        try {
          readHexDump(text);
        } catch (error) {
          expect(error).to.be.instanceOf(HexDumpError);
        }
      })
    );
  });
});

describe('partition plans', () => {
  it('snap to cylinders, leave nothing, and follow what each DOS can', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 1024 }),
        fc.constantFrom(4, 16, 64, 255),
        fc.constantFrom(17, 63),
        fc.constantFrom(2, 3.2, 3.3, 4, 6.22, 7, 7.1),
        (cylinders, heads, sectors, dos) => {
          const geometry = { cylinders, heads, sectors };
          if (mostCylinders(geometry, dos) < 1 || heads * sectors - sectors < 64) return;
          const plan = partition(geometry, dos, proposeSizes(geometry, dos));
          plan.partitions.forEach((p, i) => {
            expect(toChs(p.lba, geometry)).to.deep.include({ s: 1, h: 1, c: p.from });
            expect(toChs(p.lba + p.sectors - 1, geometry)).to.deep.equal({
              c: p.to,
              h: heads - 1,
              s: sectors
            });
            expect(toLba(toChs(p.lba, geometry), geometry)).to.equal(p.lba);
            if (i) expect(p.from).to.equal(plan.partitions[i - 1].to + 1);
          });
          expect(plan.partitions.length === 1 || dos >= 3.3).to.equal(true);
          expect(plan.left).to.be.at.least(0);
        }
      ),
      { numRuns: 300 }
    );
  });
  it('says what cannot be', () => {
    const geometry = { cylinders: 100, heads: 16, sectors: 63 };
    for (const [dos, sizes, message] of [
      [3.2, [20, 20], /one partition/],
      [6.22, [101], /ends at cylinder 100/],
      [6.22, [0], /not a number/],
      [3.2, [100], /at most/]
    ] as [number, number[], RegExp][])
      expect(refused(() => partition(geometry, dos, sizes))).to.match(message);
  });
  it('letters: a second disk with a primary partition renames the logical drives of the first', () => {
    const one = { name: 'first', primary: ['p1'], logical: ['l1', 'l2'] };
    const two = { name: 'second', primary: ['q1', 'q2'], logical: ['m1'] };
    const letters = (list: ReturnType<typeof driveLetters>) =>
      list
        .slice(1)
        .map((l) => `${l.letter}${l.what}`)
        .join(' ');
    expect(letters(driveLetters([one], 6.22, ['cd']))).to.equal('Cp1 Dl1 El2 Fcd');
    expect(letters(driveLetters([one, two], 6.22, ['cd']))).to.equal('Cp1 Dq1 El1 Fl2 Gm1 Hq2 Icd');
    expect(letters(driveLetters([one, two], 3.3))).to.equal('Cp1 Dq1 El1 Fl2 Gm1');
  });
  it('the time that is left, and what the tool shows of a large disk', () => {
    expect(formatMinutesLeft(25, 5)).to.equal(15);
    expect(() => formatMinutesLeft(0, 5)).to.throw(GeometryError);
    expect(toolDisplay(137_438_953)).to.deep.equal({ mib: 67_108, shown: 1572 });
  });
});
