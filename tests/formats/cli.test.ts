import { execFileSync, spawnSync } from 'node:child_process';
import {
  closeSync,
  existsSync,
  mkdtempSync,
  openSync,
  readSync,
  readdirSync,
  rmSync,
  statSync,
  writeFileSync
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { partition } from '../../src/lib/core/storage';
import { diskImage, imagePieces } from '../../src/lib/formats/disk';
import { writeBuildFile } from '../../src/lib/formats';
import { BuildStore } from '../../src/lib/server/builds';
import { openDatabase } from '../../src/lib/server/database';
import { dipLooks, dipScene, draw } from '../support/blocks';
import { yj } from '../support/command';
import { demo, parts } from '../support/demo';
import { Seeded } from '../support/random';

const root = new URL('../..', import.meta.url).pathname;
describe('the command line', () => {
  const folder = mkdtempSync(join(tmpdir(), 'yj-cli-'));
  const file = join(folder, 'plover.json');
  before(() => writeFileSync(file, writeBuildFile(demo('plover'), parts)));
  after(() => rmSync(folder, { recursive: true }));

  it('checks: one document, exit 1 with clashes', async () => {
    const { status, stdout } = await yj(['check', file]);
    expect(status).to.equal(1);
    const out = JSON.parse(stdout);
    expect(out.status).to.equal('clash');
    expect(out.findings.filter((f: { severity: string }) => f.severity === 'clash')).to.have.length(3);
  });
  it('reads a block out of a photograph, and says what it cannot read', async () => {
    const { default: sharp } = await import('sharp');
    const up = [true, false, false, true, true, false, true, false];
    const trouble = { turn: 12, tilt: 0.1, blur: 1, noise: 3, shadow: false, glare: false, miss: 0 };
    const { width, height, rgb, corners } = draw(
      dipScene(dipLooks[1]!, up, 0.28),
      8 / 2.6,
      trouble,
      new Seeded(5)
    );
    const image = join(folder, 'block.png');
    await sharp(Buffer.from(rgb), { raw: { width, height, channels: 3 } })
      .png()
      .toFile(image);
    const at = corners.map((p) => `${p.x.toFixed(1)},${p.y.toFixed(1)}`).join(',');
    const { status, stdout } = await yj(['photo', image, '--corners', at, '--block', 'dip:8']);
    expect(status).to.equal(0);
    expect(JSON.parse(stdout).row).to.equal(up.map((u) => (u ? 'on' : 'off')).join(' '));
    expect(
      JSON.parse((await yj(['photo', image, '--corners', at, '--block', 'dip:8', '--on', 'down'])).stdout).row
    ).to.equal(up.map((u) => (u ? 'off' : 'on')).join(' '));
    const bad = async (args: string[]) => {
      const { status: code, stderr } = await yj(['photo', ...args]);
      expect(code).to.equal(2);
      return stderr;
    };
    expect(await bad([image, '--corners', '1,2,3', '--block', 'dip:8'])).to.match(/eight numbers/);
    expect(await bad([image, '--corners', at, '--block', 'dip:99'])).to.match(/--block wants/);
    expect(await bad([image, '--corners', '0,0,9,9,9,0,0,9', '--block', 'dip:8'])).to.match(
      /go round the block/
    );
    expect(await bad([file, '--corners', at, '--block', 'dip:8'])).to.match(/not a picture/);
  });
  it('answers many questions in one process, one line each, and goes on after a bad one', async () => {
    const lines = async (name: string, questions: unknown[]) => {
      const { status, stdout } = await yj(
        [name, '--batch', '-'],
        questions.map((q) => (typeof q === 'string' ? q : JSON.stringify(q))).join('\n')
      );
      return {
        status,
        answers: stdout
          .trim()
          .split('\n')
          .map((l) => JSON.parse(l))
      };
    };
    const disk = await lines('disk', [
      { chs: '615/4/17', os: 'dos3.3' },
      'nonsense',
      { chs: '2100/16/63', translation: 'large' }
    ]);
    expect(disk.status).to.equal(2);
    expect(disk.answers[0].physical.sectorsInAll).to.equal(41_820);
    expect(disk.answers[1].error).to.be.a('string');
    expect(disk.answers[2].logical.heads).to.equal(64);
    const check = await lines('check', [{ file }, JSON.parse(writeBuildFile(demo('curlew'), parts))]);
    expect([check.status, check.answers.map((a) => a.status)]).to.deep.equal([0, ['clash', 'clean']]);
    expect((await lines('resolve', [{ file }])).answers[0].status).to.equal('solved');
  });
  it('refuses plans that no machine can use, and writes nothing', async () => {
    const target = join(folder, 'none.img');
    for (const [chs, os, why] of [
      ['1024/16/64', 'dos6.22', /64 sectors a track/],
      ['1024/256/63', 'dos6.22', /256 heads/],
      ['2000/16/63', 'dos6.22', /reaches 1,024/],
      ['1024/16/63', 'dos1.1', /no DOS 1.1/],
      ['0/16/63', 'dos6.22', /at least 1/]
    ] as const) {
      const { status, stderr } = await yj(['write', target, '--chs', chs, '--os', os]);
      expect([status, existsSync(target)], chs).to.deep.equal([2, false]);
      expect(stderr).to.match(why);
    }
  });
  it('decodes and encodes switches, and answers the memory of a board', async () => {
    const json = async (args: string[]) => JSON.parse((await yj(args)).stdout);
    const read = await json(['decode', 'skerrin-px8', 'SW1=off on off off off off off on']);
    expect(read.facts).to.deep.include({ display: 'mono', banks: 4, floppies: 2, fpu: 0 });
    expect(
      (await json(['encode', 'skerrin-px8', 'memory-kib=640', 'display=mono', 'fpu=0'])).rows
    ).to.deep.equal({
      SW1: '? on ? ? off off ? ?',
      SW2: 'on off on on off off off off'
    });
    const { explanations, common } = await json(['memory', 'skerrin-px8', '--count', '512']);
    expect([explanations.length, common.length > 2]).to.deep.equal([1, true]);
    expect((await json(['memory', 'skerrin-px8', '--count', 'about 512'])).explanations).to.deep.equal(
      explanations
    );
    expect((await yj(['memory', 'skerrin-px8', '--count', 'lots'])).status).to.equal(2);
    const { fillings } = await json(['memory', 'varnoc-d33', '--target', '3712']);
    expect(fillings[0].counts).to.be.at.least(3712);
    const { moves } = await json(['moves', file, '--json']);
    expect(moves).to.be.an('array');
    expect((await yj(['moves', file])).stdout).to.include('what to do');
  });
  it('reads pasted tables with every line accounted for, and checks parts', async () => {
    const { status, stdout } = await yj(
      ['table', '-'],
      'IRQ: JP5=3 JP6=5* JP7=7\nthe rest is on off\nJP9: parity'
    );
    expect(status).to.equal(0);
    const out = JSON.parse(stdout);
    expect(
      out.settings[0].positions.map((x: { meaning: object[]; default: boolean }) => [x.meaning, x.default])
    ).to.deep.equal([
      [[{ kind: 'irq', line: 3 }], false],
      [[{ kind: 'irq', line: 5 }], true],
      [[{ kind: 'irq', line: 7 }], false]
    ]);
    expect(out.lines).to.have.length(3);
    expect(out.ambiguous.some((q: { about: string }) => q.about === 'no-rows')).to.equal(true);
    const batch = await yj(
      ['table', '--batch', '-'],
      '{"text": "JP1 1-2 220h, 2-3 240h"}\n{"text": "J4 open = disabled"}'
    );
    expect(
      batch.stdout
        .trim()
        .split('\n')
        .map((l) => JSON.parse(l).blocks[0].id)
    ).to.deep.equal(['jp1', 'j4']);
    expect((await yj(['part', 'catalogue/lanteg-io8.yaml'])).status).to.equal(0);
    const bad = await yj(['part', '-'], 'id: x\nkind: card');
    expect(bad.status).to.equal(1);
    expect(JSON.parse(bad.stdout).problems.length).to.be.greaterThan(0);
  });
  it('says what is wrong with a machine from a small text, and rehearses a start', async () => {
    const start = join(folder, 'start.txt');
    writeFileSync(start, 'power: runs\nbeeps: three short\nscreen: dark\n');
    const out = JSON.parse((await yj(['diagnose', file, start])).stdout);
    expect(out.parts.find((c: { component: string }) => c.component === 'memory').verdict).to.equal(
      'implicated'
    );
    expect(out.tests.some((t: { refused: boolean }) => t.refused)).to.equal(true);
    const stages = JSON.parse((await yj(['rehearse', file])).stdout).stages as {
      stage: string;
      stops: number;
    }[];
    expect(stages.filter((x) => x.stops > 0).map((x) => x.stage)).to.deep.equal(['config']);
    expect(JSON.parse((await yj(['rehearse', file, '--planned'])).stdout).settings).to.equal('as planned');
    writeFileSync(
      start,
      'power: runs\nbeeps: 3\nscreen: dark\n---\nread: ohms no\n---\nafter: other-memory\nreached: prompt\n'
    );
    expect(JSON.parse((await yj(['diagnose', file, start])).stdout).restsOn).to.equal(3);
    writeFileSync(start, 'beeps: loud\n');
    const { status, stderr } = await yj(['diagnose', file, start]);
    expect(status).to.equal(2);
    expect(stderr).to.contain('line 1');
    expect((await yj(['diagnose', file])).stderr).to.contain('no start is noted');
  });
  it('places lines in upper memory and finds the fewest starts, and refuses what it cannot read', async () => {
    const lines = [
      { name: 'cd', stage: 'config', load: 21400, stay: 11600 },
      { name: 'redirector', load: 46500, stay: 27950, after: ['cd'] },
      { name: 'mouse', load: 56400, stay: 16900 }
    ];
    const placed = JSON.parse(
      (await yj(['place', '-'], JSON.stringify({ regions: [32736, 65504], lines }))).stdout
    );
    expect([placed.status, placed.low, placed.bound]).to.deep.equal(['optimal', 0, 0]);
    expect(placed.byDos.asWritten).to.equal(16900);
    const asked = {
      managers: [
        { id: 'plain', freeBytes: 580000 },
        { id: 'upper', freeBytes: 628400, regions: [65504], xmsKiB: 6000, v86: true, lines: 2 }
      ],
      optional: [{ id: 'mouse', lines: [lines[2]] }],
      programs: [
        { id: 'old', baseKiB: 500, v86: 'off' },
        { id: 'large', baseKiB: 600, needs: ['mouse'] }
      ]
    };
    const starts = JSON.parse((await yj(['starts', '-'], JSON.stringify(asked))).stdout);
    expect(starts.fewest).to.equal(2);
    expect(starts.clique).to.deep.equal(['old', 'large']);
    const batch = await yj(
      ['place', '--batch', '-'],
      JSON.stringify({ regions: [], lines }) + '\n{"regions": 3}'
    );
    expect(batch.status).to.equal(2);
    expect(
      batch.stdout
        .split('\n')
        .slice(0, 2)
        .map((l) => JSON.parse(l).low ?? 'error')
    ).to.deep.equal([56450, 'error']);
    expect((await yj(['place', '-'], '{"regions": [1], "lines": [{"name": "a"}]}')).stderr).to.contain(
      'lines[0].load'
    );
  });
  it('reads disk images and ROMs, and says what to type for a BIOS of the catalogue', async () => {
    const plan = partition({ cylinders: 40, heads: 8, sectors: 17 }, 6.22, [40]);
    const image = join(folder, 'disk.img');
    writeFileSync(image, Buffer.concat([...imagePieces(diskImage(plan, { dos: 6.22, format: true }))]));
    const read = JSON.parse((await yj(['image', image, '--setup', '40/16/17'])).stdout);
    expect(read.geometry).to.deep.equal({ heads: 8, sectors: 17 });
    expect(read.remarks.some((r: { grade: string }) => r.grade === 'stop')).to.equal(true);
    const rom = join(folder, 'a.bin');
    writeFileSync(rom, Buffer.alloc(8192, 0x90));
    expect(JSON.parse((await yj(['rom', rom, rom])).stdout).compared.same).to.equal(true);
    const [even, odd, whole] = ['even.bin', 'odd.bin', 'whole.bin'].map((f) => join(folder, f));
    expect((await yj(['rom', 'split', rom, even, odd])).status).to.equal(0);
    expect(JSON.parse((await yj(['rom', 'join', even, odd, whole])).stdout).written[0].bytes).to.equal(8192);
    expect(JSON.parse((await yj(['rom', rom, whole])).stdout).compared.same).to.equal(true);
    expect((await yj(['rom', 'join', even, odd, whole])).status, 'never over what is there').to.equal(2);
    const { setup } = JSON.parse(
      (await yj(['disk', '--chs', '10400/16/63', '--profile', 'marlwick-at4', '--os', 'dos6.22'])).stdout
    );
    expect(setup[0]).to.deep.include({ id: 'fewer', works: true });
    for (const args of [
      ['image'],
      ['image', 'no-such.img'],
      ['image', image, '--setup', 'x'],
      ['rom', folder],
      ['disk', '--chs', '9/9/9', '--profile', 'x']
    ])
      expect((await yj(args)).status, args.join(' ')).to.equal(2);
  });
  it('writes a plan as a sparse image that it reads again, and never over anything', async () => {
    const image = join(folder, 'new.img');
    const args = [
      'write',
      image,
      '--chs',
      '1023/128/63',
      '--os',
      'dos6.22',
      '--cylinders',
      '519,504',
      '--label',
      'TIDES'
    ];
    const out = JSON.parse((await yj(args)).stdout);
    expect(out.bytes).to.equal(1023 * 128 * 63 * 512);
    expect(out.partitions.map((p: { kind: string }) => p.kind)).to.deep.equal(['primary', 'logical']);
    const { size, blocks } = statSync(image);
    expect(size).to.equal(out.bytes);
    expect(blocks * 512, 'zeros take no room').to.be.below(1_000_000);
    const read = JSON.parse((await yj(['image', image])).stdout);
    expect(read.geometry).to.deep.equal({ heads: 128, sectors: 63 });
    expect(read.remarks.filter((r: { grade: string }) => r.grade === 'stop')).to.deep.equal([]);
    const first = () => {
      const bytes = Buffer.alloc(512);
      const fd = openSync(image, 'r');
      readSync(fd, bytes, 0, 512, 0);
      closeSync(fd);
      return bytes;
    };
    const before = first();
    for (const wrong of [
      args,
      ['write', '/dev/null', '--chs', '40/8/17'],
      ['write', folder, '--chs', '40/8/17'],
      ['write', join(folder, 'no/where.img'), '--chs', '40/8/17'],
      ['write', join(folder, 'b.img'), '--chs', '40/8'],
      ['write', join(folder, 'b.img'), '--chs', '40/8/17', '--cylinders', '50'],
      ['write', join(folder, 'b.img'), '--chs', '40/8/17', '--cylinders', 'many'],
      ['write', join(folder, 'b.img'), '--chs', '40/8/17', '--os', 'dosX'],
      ['write', join(folder, 'b.img'), '--chs', '40/8/17', '--label']
    ]) {
      const { status, stderr } = await yj(wrong);
      expect(status, wrong.join(' ')).to.equal(2);
      expect(stderr, wrong.join(' ')).to.not.include('    at ');
    }
    expect(existsSync(join(folder, 'b.img')), 'nothing half made is left').to.equal(false);
    expect(first().equals(before)).to.equal(true);
  });
  it('says what is wrong with a row, a block, a part or a fact, exit 2', async () => {
    for (const [args, message] of [
      [['decode', 'nothing'], /no part "nothing"/],
      [['decode', 'skerrin-px8'], /name a block/],
      [['decode', 'skerrin-px8', 'SW9=on'], /it has SW1, SW2/],
      [['decode', 'skerrin-px8', 'SW1=on sideways'], /"sideways"/],
      [['decode', 'skerrin-px8', 'SW1'], /has no "="/],
      [['encode', 'skerrin-px8', 'volts=5'], /no setting of PX8/],
      [['encode', 'skerrin-px8', 'floppies=9'], /cannot say 9/],
      [['memory', 'brim-v16', '--count', '1'], /no board/],
      [['memory', 'skerrin-px8', '--count', 'much'], /"much" is not understood as a size/],
      [['memory', 'skerrin-px8', '--target', 'about 500'], /takes one size/],
      [['memory', 'skerrin-px8'], /--count KIB/]
    ] as [string[], RegExp][]) {
      const { status, stderr } = await yj(args);
      expect(status, args.join(' ')).to.equal(2);
      expect(stderr, args.join(' ')).to.match(message);
    }
  });
  it('resolves from standard input, exit 0', async () => {
    const { status, stdout } = await yj(['resolve', '-'], writeBuildFile(demo('plover'), parts));
    expect(status).to.equal(0);
    expect(JSON.parse(stdout)).to.include.keys(
      'status',
      'positions',
      'claims',
      'moves',
      'shares',
      'objective',
      'alternatives'
    );
  });
  it('shows core and relaxations of an impossible machine, exit 1', async () => {
    const { status, stdout } = await yj(['resolve', '-'], writeBuildFile(demo('turnstone'), parts));
    expect(status).to.equal(1);
    expect(JSON.parse(stdout)).to.include.keys('core', 'relaxations');
  });
  it('tells a machine that is clean (exit 0) from one with a caution, or in which something was not checked (exit 3)', async () => {
    const clean = await yj(['check', '-'], writeBuildFile(demo('curlew'), parts));
    expect([clean.status, JSON.parse(clean.stdout).status]).to.deep.equal([0, 'clean']);
    const curlew = demo('curlew');
    const items = curlew.items.map((i) =>
      i.id === 'memory' ? { ...i, part: 'pendrum-s72-16m-e', count: 2, place: '1' } : i
    );
    const careful = await yj(['check', '-'], writeBuildFile({ ...curlew, items }, parts));
    expect([careful.status, JSON.parse(careful.stdout).status]).to.deep.equal([3, 'caution']);
    const open = await yj(['check', '-'], writeBuildFile(demo('whimbrel'), parts));
    expect([open.status, JSON.parse(open.stdout).status]).to.deep.equal([3, 'unknown']);
  });
  it('prints the sheet of the best solution', async () => {
    const { status, stdout } = await yj(['sheet', file, '--resolve']);
    // Two settings of this machine are known to nobody.
    expect(status).to.equal(3);
    expect(stdout).to.match(/\[ \] 1\. Take .* out of slot/);
  });
  it('exits 2 with place and reason on bad input', async () => {
    const cut = await yj(['check', '-'], '{"format": "yellow-jumper/build",');
    expect([cut.status, cut.stdout]).to.deep.equal([2, '']);
    expect(cut.stderr).to.match(/line 1, column/);
    expect((await yj(['check', join(folder, 'nowhere.json')])).stderr).to.match(/no such file/);
    expect((await yj(['dance', file])).status).to.equal(2);
    expect((await yj(['resolve', file, '--alternatives', 'many'])).stderr).to.match(/whole number/);
  });
  it('tells what a BIOS and DOS see of a drive', async () => {
    const { status, stdout } = await yj([
      'disk',
      '--chs',
      '1700/16/63',
      '--translation',
      'bit-shift',
      '--os',
      'dos6.22'
    ]);
    expect(status).to.equal(0);
    const out = JSON.parse(stdout);
    expect([out.logical.cylinders, out.logical.heads, out.barriers]).to.deep.equal([850, 32, []]);
    expect(
      JSON.parse((await yj(['disk', '--sectors', '60000000', '--translation', 'lba'])).stdout).logical.heads
    ).to.equal(255);
    for (const bad of [
      ['disk'],
      ['disk', '--chs', '0/16/63'],
      ['disk', '--chs', '9/16/63', '--translation', 'x'],
      ['disk', '--sectors', '-1'],
      ['disk', '--chs', '9/9/9', '--os', 'six']
    ]) {
      const refused = await yj(bad);
      expect([refused.status, refused.stdout], bad.join(' ')).to.deep.equal([2, '']);
      expect(refused.stderr.length).to.be.greaterThan(10);
    }
  });
  it('gives the same bytes twice', async () => {
    const run = () => execFileSync('npm', ['run', '--silent', 'yj', '--', 'resolve', file], { cwd: root });
    expect(run().equals(run())).to.equal(true);
  });

  it('writes claims and moves as CSV and the sheet as Markdown', async () => {
    expect((await yj(['claims', file])).stdout).to.match(/^slot,item,function,resource/);
    expect((await yj(['moves', file])).stdout).to.match(/^step,item,/);
    expect((await yj(['markdown', file])).stdout).to.match(/^# Bench sheet: Plover/);
    expect((await yj(['toString', file])).status).to.equal(2);
  });
});

describe('the command line on the data folder', () => {
  const folder = mkdtempSync(join(tmpdir(), 'yj-cli-data-'));
  const data = (...args: string[]) =>
    spawnSync(process.execPath, ['scripts/yj.mjs', ...args], {
      cwd: root,
      encoding: 'utf8',
      env: { ...process.env, YJ_DATA: folder }
    });
  after(() => rmSync(folder, { recursive: true }));

  it('says that there is none yet, and makes none', async () => {
    for (const args of [['backup'], ['health'], ['restore', join(folder, 'none.db')]]) {
      const { status, stderr } = data(...args);
      expect(status, args[0]).to.equal(2);
      expect(stderr)
        .to.match(/There is no (data|backup)/)
        .and.not.match(/\n\s+at /);
    }
    expect(readdirSync(folder)).to.deep.equal([]);
    expect(data('restore').stderr).to.match(/^usage/);
  });
  it('backs up, looks through, and brings back', async () => {
    const db = await openDatabase(folder);
    const store = new BuildStore(db, [...parts.values()]);
    await store.create(demo('plover'), '');
    await db.destroy();
    const saved = data('backup').stdout.trim();
    expect(saved).to.match(/backups.yellow-jumper-\d{8}-\d{6}\.db$/);
    expect(JSON.parse(data('health').stdout)).to.deep.include({ builds: 1, revisions: 1, problems: [] });
    const again = data('restore', saved);
    expect([again.status, again.stdout]).to.satisfy(
      ([status, said]: [number, string]) => status === 0 && /^1 build brought back.*before-restore/.test(said)
    );
    writeFileSync(
      join(folder, 'yellow-jumper.db'),
      'not a database, but long enough to look like one'.repeat(50)
    );
    const broken = data('health');
    expect(broken.status).to.equal(2);
    expect(broken.stderr).to.match(/is damaged.*yj restore FILE/);
    expect(data('restore', saved).stdout).to.match(/^1 build brought back.*yellow-jumper\.damaged\.db/);
    expect(JSON.parse(data('health').stdout)).to.deep.include({ builds: 1, problems: [] });
  });
});
