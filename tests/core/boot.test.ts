import { expect } from 'chai';
import {
  buffersBytes,
  bootPlan,
  classByName,
  conditionalRuns,
  drivers,
  expectationOf,
  fileText,
  filesBytes,
  freeRuns,
  installOrder,
  kernelKiB,
  lastDriveBytes,
  memoryMap,
  memoryNeeds,
  paragraphRange,
  programSheets,
  readMem,
  reservedList,
  slowDowns,
  windowsLimits,
  regionBytes,
  stacksBytes,
  systemIni,
  upperPlan,
  wantedDrivers,
  writeFiles,
  type BootPlan,
  type MemoryMap,
  type Piece,
  type UpperWish
} from '../../src/lib/core/boot';
import { checkFiles, explainFiles, readConfig } from '../../src/lib/core/boot-files';
import { configSince } from '../../src/lib/core/boot';
import { VARIANTS, boxVerdict, counted, fromCount, measured } from '../../src/lib/core/boards';
import { kitOf, totalKiB } from '../../src/lib/core/kit';
import { OwnDriver, type Build } from '../../src/lib/core/model';
import {
  lineMeaningWords,
  lineWhyWords,
  noPlanWords,
  slowWays,
  startLabel,
  wayOverWords
} from '../../src/lib/words';
import { demo, parts } from '../support/demo';

describe('what DOS takes', () => {
  it('counts FILES, LASTDRIVE, STACKS and BUFFERS as DOS does', () => {
    expect([20, 30, 40, 60].map((n) => filesBytes(5, n))).to.deep.equal([896, 1488, 2080, 3264]);
    expect([30, 40].map((n) => filesBytes(3.3, n))).to.deep.equal([1344, 1872]);
    expect(['E', 'M', 'Z'].map((l) => lastDriveBytes(5, l))).to.deep.equal([448, 1152, 2288]);
    expect(['E', 'Z'].map((l) => lastDriveBytes(3.3, l))).to.deep.equal([405, 2106]);
    expect([stacksBytes(9, 256), stacksBytes(0, 0)]).to.deep.equal([3008, 0]);
    expect([buffersBytes(5, 20), buffersBytes(3.3, 20)]).to.deep.equal([10_640, 10_560]);
  });
  it('knows DOS=HIGH from 5 on only', () => {
    expect([3.3, 4, 5, 6.22, 7.1].map((v) => kernelKiB(v, true) !== null)).to.deep.equal([
      false,
      false,
      true,
      true,
      true
    ]);
    expect(kernelKiB(3.3, false)).to.deep.equal([48, 56]);
  });
});

describe('memory that is counted', () => {
  it('gives every number of the table of variants', () => {
    const table: Record<string, number[]> = {
      none: [640, 1664, 3712, 4736, 7808],
      'moves-256': [896, 1920, 3968, 4992, 8064],
      'moves-rest': [928, 1952, 4000, 5024, 8096],
      'moves-all': [1024, 2048, 4096, 5120, 8192]
    };
    for (const v of VARIANTS)
      expect(
        [1024, 2048, 4096, 5120, 8192].map((t) => counted(t, v).count),
        v
      ).to.deep.equal(table[v]);
  });
  it('measures as programs do: 4 MiB that nothing moves in passes by the top and fails by the count', () => {
    const c = counted(4096, 'none');
    expect(measured(c, 0, false)).to.deep.equal({ bios: 3072, top: 4096, xms: 0, ems: 0, count: 3712 });
    expect(measured(c, 0, true).bios, 'XMS has it').to.equal(0);
    expect([boxVerdict(4096, c), boxVerdict(4096, counted(5120, 'none')), boxVerdict(8192, c)]).to.deep.equal(
      ['try', 'fits', 'no']
    );
  });
  it('goes back from a count to fillings, variants and ways of counting', () => {
    const fillings = [1024, 2048, 4096, 8192];
    expect(fromCount(3712, 3712, fillings)).to.deep.equal([
      { totalKiB: 4096, variant: 'none', countsFitted: false }
    ]);
    const same = fromCount(4096, 4096, fillings);
    expect(same).to.deep.include({ totalKiB: 4096, variant: 'moves-all', countsFitted: false });
    expect(same).to.deep.include({ totalKiB: 4096, variant: 'none', countsFitted: true });
    expect(fromCount(5000, 6000, fillings)).to.deep.equal([]);
  });
});

/** A map of pieces that are only windows. */
const mapOf = (
  ...pieces: (readonly [from: number, to: number, use: Piece['use'], isVideo?: boolean])[]
): MemoryMap => ({
  conventional: 640 * 1024,
  pieces: pieces.map(([from, to, use, isVideo = false]) => ({
    from,
    to,
    use,
    isVideo,
    owner: { thing: null, onBoard: false, function: use, kind: 'other' },
    item: use,
    shadowed: false,
    width: null,
    sure: 'known'
  })),
  collisions: [],
  hidden: [],
  doubtful: []
});
const vga = [
  [0xa0000, 0xb0000, 'display', true],
  [0xb8000, 0xc0000, 'display', true],
  [0xc0000, 0xc8000, 'rom', true],
  [0xf0000, 0x100000, 'bios']
] as const;
const windows = (map: MemoryMap, wish: UpperWish) => upperPlan(map, wish)!.regions.map(paragraphRange);

describe('upper memory', () => {
  const map = mapOf(...vga);
  it('has the regions of the worked example, and of its other frames', () => {
    const all = { use: ['e-segment'] as const };
    expect(windows(map, { frame: 0xd0000, ...all })).to.deep.equal(['C800-CFFF', 'E000-EFFF']);
    expect(regionBytes(upperPlan(map, { frame: 0xd0000, ...all })!)).to.deep.equal([32_736, 65_504]);
    expect(windows(map, { frame: 0xe0000, ...all })).to.deep.equal(['C800-DFFF']);
    expect(windows(map, { frame: 0xc8000, ...all })).to.deep.equal(['D800-EFFF']);
    expect(windows(map, { frame: null, ...all })).to.deep.equal(['C800-EFFF']);
    expect(windows(map, { frame: 0xe0000, use: ['e-segment', 'mono'] })).to.deep.equal([
      'B000-B7FF',
      'C800-DFFF'
    ]);
  });
  it('puts the best frame at an end of a run, never in its middle', () => {
    const best = upperPlan(map, { frame: 'best', use: ['e-segment'] })!;
    expect([0xc8000, 0xe0000]).to.include(best.frame!.from);
  });
  it('counts on nothing that nobody said is free', () => {
    expect(windows(map, { frame: null, use: [] })).to.deep.equal(['C800-DFFF']);
    expect(conditionalRuns(map).map((c) => c.why)).to.deep.equal(['mono', 'e-segment']);
    const plan = upperPlan(map, { frame: null, use: ['e-segment'] })!;
    expect(plan.include.map(paragraphRange)).to.deep.equal(['E000-EFFF']);
    const short = mapOf([0xa0000, 0xb0000, 'display', true], [0xc0000, 0xc6000, 'rom', true]);
    expect(conditionalRuns(short).map((c) => c.why)).to.include('rom-tail');
    expect(windows(short, { frame: null, use: [] })[0]).to.equal('C800-DFFF');
    expect(windows(short, { frame: null, use: ['rom-tail'] })[0]).to.equal('C600-DFFF');
  });
  it('takes what is used outward to the step of whoever maps, and excludes memory of cards', () => {
    const odd = mapOf(...vga, [0xd0000, 0xd2400, 'ram']);
    const plan = upperPlan(odd, { frame: null, use: [] })!;
    expect(plan.regions.map(paragraphRange)).to.deep.equal(['C800-CFFF', 'D300-DFFF']);
    expect(plan.exclude.map(paragraphRange)).to.deep.equal(['D000-D2FF']);
    expect(upperPlan(odd, { frame: null, use: [], step: 0x4000 })!.regions.map(paragraphRange)).to.deep.equal(
      ['C800-CFFF', 'D400-DFFF']
    );
  });
  it('has no frame where there is no room for one, or where something answers', () => {
    const full = mapOf(...vga, [0xcc000, 0xe0000, 'rom']);
    expect(upperPlan(full, { frame: 'best', use: [] })).to.equal(null);
    expect(upperPlan(map, { frame: 0xc0000, use: [] })).to.equal(null);
  });
  it('is free in pieces between what is taken', () => {
    expect(
      freeRuns(
        [
          { from: 2, to: 4 },
          { from: 3, to: 6 }
        ],
        0,
        10
      )
    ).to.deep.equal([
      { from: 0, to: 2 },
      { from: 6, to: 10 }
    ]);
  });
  it('says of each window of a demo machine who has it and how sure that is', () => {
    const kit = kitOf(demo('plover'), parts);
    const found = memoryMap(kit, totalKiB(kit));
    expect(found.pieces.map((p) => p.use)).to.include.members(['display', 'rom', 'bios']);
    expect(found.pieces.find((p) => p.use === 'bios')!.sure, 'no window in the catalogue').to.equal(
      'assumed'
    );
  });
});

describe('drivers as data', () => {
  it('are 60 or more, and hold what is usual', () => {
    expect(drivers.length).to.be.at.least(60);
    expect(new Set(drivers.map((d) => d.id)).size).to.equal(drivers.length);
    for (const d of drivers) {
      expect(d.load[0], d.id).to.be.at.most(d.load[1]);
      expect(d.stay[0], d.id).to.be.at.most(d.stay[1]);
      expect(d.stay[1], `${d.id} stays`).to.be.at.most(d.load[1]);
      if (d.until !== undefined) expect(d.until).to.be.at.least(d.dos);
      if (d.class === 'manager') expect(d.cpu).to.equal('386sx');
    }
  });
  it('are known by their names, and an unknown name is no fault', () => {
    expect(
      ['C:\\DOS\\HIMEM.SYS', 'emm386.exe', 'MOUSE', 'KEYBGR.COM', 'REDIR'].map(classByName)
    ).to.deep.equal(['xms', 'manager', 'mouse', 'keyboard', 'cd-redirector']);
    expect(classByName('TIDE.EXE')).to.equal(null);
  });
});

describe('what MEM printed', () => {
  it('is read from version 6: conventional and upper', () => {
    const r = readMem(`Modules using memory below 1 MB:

  Name           Total           Conventional       Upper Memory
  --------  ----------------   ----------------   ----------------
  SYSTEM      16,813   (16K)      9,933   (10K)      6,880    (7K)
  HIMEM        1,168    (1K)      1,168    (1K)          0    (0K)
  CDDRV       11,600   (11K)          0    (0K)     11,600   (11K)
  Free       721,904  (705K)    633,584  (619K)     88,320   (86K)

Largest executable program size         633,568  (619K)`);
    expect(r.largest).to.equal(633_568);
    expect(r.programs.map((p) => [p.name, p.conventional, p.upper])).to.deep.equal([
      ['SYSTEM', 9933, 6880],
      ['HIMEM', 1168, 0],
      ['CDDRV', 0, 11_600]
    ]);
    expect(r.odd).to.deep.equal([]);
  });
  it('is read from version 5: two lists', () => {
    const r = readMem(`Conventional Memory :

  Name                Size in Decimal       Size in Hex
-------------      ---------------------   -------------
  MSDOS             15808      ( 15.4K)       3DC0
  HIMEM              1184      (  1.2K)        4A0
  FREE             618336      (603.8K)      96F60

Upper Memory :

  Name                Size in Decimal       Size in Hex
-------------      ---------------------   -------------
  SYSTEM           163840      (160.0K)      28000
  MOUSE             14752      ( 14.4K)       39A0
  FREE              64000      ( 62.5K)       FA00

Total bytes available to programs (Conventional+Upper) :    682336   (666.3K)
Largest executable program size :                           618032   (603.5K)`);
    expect(r.programs.map((p) => [p.name, p.conventional, p.upper])).to.deep.equal([
      ['MSDOS', 15_808, 0],
      ['HIMEM', 1184, 0],
      ['SYSTEM', 0, 163_840],
      ['MOUSE', 0, 14_752]
    ]);
    expect(r.largest).to.equal(618_032);
  });
  it('is read from MEM /D, pieces of one program added', () => {
    const r = readMem(`  Address     Name         Size       Type
  -------   --------     ------     ------
  000000                 000400     Interrupt Vector
  002D20     MOUSE       0000D0     Environment
  002DF0     MOUSE       0037A0     Program
  0C8010     CDDRV       002D40     Program
  006590     MSDOS       099A50     -- Free --`);
    expect(r.programs.map((p) => [p.name, p.conventional, p.upper])).to.deep.equal([
      ['MOUSE', 0x3870, 0],
      ['CDDRV', 0, 0x2d40]
    ]);
  });
  it('keeps a row that it does not understand, and reads nothing out of other text', () => {
    expect(readMem('  TIDE   12,345 bytes\n').odd).to.deep.equal([{ n: 1, text: 'TIDE   12,345 bytes' }]);
    expect(readMem('hello\nworld 12').programs).to.deep.equal([]);
  });
});

const planOf = (build: Build): BootPlan => {
  const plan = bootPlan(kitOf(build, parts));
  if (typeof plan === 'string') throw new Error(plan);
  return plan;
};
const withBrief = (id: string, brief: Partial<Build['brief']>, more: Partial<Build> = {}): Build => {
  const build = demo(id);
  return { ...build, ...more, brief: { ...build.brief, ...brief } };
};
const written = (build: Build) => {
  const kit = kitOf(build, parts);
  return writeFiles(kit, planOf(build), startLabel);
};
const text = (build: Build, name: string) => fileText(written(build).files.find((f) => f.name === name)!);
const program = (id: string, wants: object) => ({ id, name: id, wants, needs: [] });

describe('the plan of a start', () => {
  const known = ['plover', 'dunlin', 'turnstone', 'sanderling', 'curlew'];
  const versions = [
    'DOS 2.1',
    'DOS 3.3',
    'DOS 4',
    'DOS 5',
    'DOS 6.22',
    'Windows 95',
    'Windows 98',
    'Windows 3.1 on DOS 6'
  ];

  it('says what is missing in place of a plan', () => {
    expect(bootPlan(kitOf(demo('whimbrel'), parts))).to.equal('no-cpu');
    expect(bootPlan(kitOf(withBrief('plover', { os: undefined }), parts))).to.equal('no-dos');
    expect(bootPlan(kitOf(withBrief('dunlin', { os: 'Windows 98' }), parts))).to.equal('dos-too-new');
    expect(noPlanWords['no-dos']).to.match(/does not say which DOS/);
  });

  for (const id of known)
    it(`${id}: what is written passes the check, in every version, and no word is newer than its DOS`, () => {
      for (const os of versions) {
        const build = withBrief(id, { os });
        const kit = kitOf(build, parts);
        const plan = bootPlan(kit);
        if (plan === 'dos-too-new') continue;
        const { files, kind } = writeFiles(kit, plan as BootPlan, startLabel);
        if (os < 'DOS 6' && os.startsWith('DOS')) expect(kind).not.to.equal('menu');
        const pairs = files.length / 2;
        for (let i = 0; i < pairs; i++) {
          const [config, batch] = [files[2 * i]!, files[2 * i + 1]!];
          const bad = checkFiles(fileText(config), fileText(batch), expectationOf(kit)).filter(
            (f) => f.severity === 'clash' || f.severity === 'stop'
          );
          expect(bad, `${id} ${os}`).to.deep.equal([]);
          for (const l of readConfig(fileText(config)))
            if (l.kind === 'directive')
              expect(configSince[l.word], `${l.text} in ${os}`).to.be.at.most(expectationOf(kit).dos!);
          for (const l of [...config.lines, ...batch.lines]) {
            expect(l.text.length).to.be.at.most(127);
            expect(lineWhyWords(l.why), l.text)
              .to.match(/\.$/)
              .and.not.match(/undefined/);
          }
        }
      }
    });

  it('never starts a line from a number that nobody has seen', () => {
    const seen = text(demo('sanderling'), 'AUTOEXEC.BAT');
    expect(seen).to.match(/^SET BLASTER=A220/m);
    const build = demo('sanderling');
    const items = build.items.map((i) => ({ ...i, asFound: {}, chosen: {} }));
    expect(text({ ...build, items }, 'AUTOEXEC.BAT')).to.match(/^REM SET BLASTER=/m);
  });

  it('what is fitted works in one start at least', () => {
    const plan = planOf(demo('sanderling'));
    expect(
      plan.starts.some((s) => s.configuration.on.includes('cd') && s.configuration.on.includes('mouse'))
    ).to.equal(true);
  });

  it('splits starts where one cannot serve all, and writes a menu from 6.0 on, pairs before', () => {
    const profiles = [
      program('ems', { memory: { baseKiB: 560, expandedKiB: 1024 } }),
      program('cd', { memory: { baseKiB: 604 }, cdrom: true, functions: ['mouse'] }),
      program('big', { memory: { baseKiB: 560, extendedKiB: 7000 } })
    ];
    const six = planOf(withBrief('sanderling', { profiles }));
    expect(six.starts.length).to.be.greaterThan(1);
    expect(written(withBrief('sanderling', { profiles })).kind).to.equal('menu');
    const five = written(withBrief('sanderling', { os: 'DOS 5', profiles }));
    expect(five.kind).to.equal('sets');
    expect(five.files.map((f) => f.name).slice(0, 2)).to.deep.equal(['CONFIG.1', 'AUTOEXEC.1']);
    for (const f of five.files) expect(fileText(f)).not.to.match(/\/L:|\[MENU\]/);
  });

  it('fits only when the largest sizes leave room; may fit when only the smallest do', () => {
    const verdict = (baseKiB: number) =>
      planOf(withBrief('plover', { profiles: [program('p', { memory: { baseKiB } })] })).programs[0]!.verdict;
    expect([verdict(400), verdict(640)]).to.deep.equal(['fits', 'no']);
    const all = Array.from({ length: 60 }, (_, i) => verdict(580 + i));
    expect(all.indexOf('try'), 'between them it is to be tried').to.be.greaterThan(0);
    expect(all.join().replace(/(\w+)(,\1)+/g, '$1')).to.equal('fits,try,no');
  });

  it('measured sizes stand above typical ones', () => {
    const build = demo('sanderling');
    const sized = { ...build, boot: { sizes: { CDDRV: { stay: 12_345 } } } };
    const wanted = planOf(sized).wanted.find((w) => w.driver.id === 'cd-ata')!;
    expect([wanted.stay, wanted.isMeasured]).to.deep.equal([[12_345, 12_345], true]);
  });

  it('uses a window that the user said is free, and says so in the line', () => {
    const profiles = [
      program('p', { memory: { baseKiB: 600, expandedKiB: 512 }, cdrom: true, functions: ['mouse'] })
    ];
    const boot = { free: ['e-segment' as const] };
    expect(text(withBrief('sanderling', { profiles }, { boot }), 'CONFIG.SYS')).to.match(/I=E000-EFFF/);
  });

  it('begins Windows 98 without drivers of DOS, and keeps them for the DOS start', () => {
    const files = written(demo('curlew'));
    expect(files.bootsWindows).to.equal(true);
    const config = fileText(files.files[0]!);
    expect(config).to.match(/\[WIN\]\r\n\[/);
    expect(fileText(files.files[1]!)).to.match(/:WIN\r\nGOTO END/);
  });

  it('a chain that lacks a link serves nobody, and a program that says nothing is promised nothing', () => {
    const build = withBrief('sanderling', {
      profiles: [program('cd', { cdrom: true }), program('plain', {})]
    });
    const ex = { ...expectationOf(kitOf(build, parts)), cpu: '8088' as const };
    const { wanted, refused } = wantedDrivers(kitOf(build, parts), ex);
    expect(refused.map((r) => r.driver.id)).to.include('cd-ata');
    expect(wanted.filter((w) => w.group === 'cd')).to.deep.equal([]);
    expect(planOf(build).programs.map((p) => p.verdict)).to.deep.equal(['unsaid', 'unsaid']);
  });

  it('says which driver this CPU cannot run', () => {
    const plan = planOf(withBrief('dunlin', { os: 'DOS 3.3' }));
    for (const w of plan.wanted) expect(w.driver.cpu).to.equal('8088');
  });

  it('tells Windows 3.1 of memory that a card has in upper memory', () => {
    expect(systemIni(kitOf(withBrief('plover', { os: 'DOS 6' }), parts))).to.deep.equal([]);
    const lines = systemIni(kitOf(withBrief('plover', { os: 'Windows 3.1 on DOS 6' }), parts));
    expect(lines[0] ?? '[386Enh]').to.equal('[386Enh]');
  });
});

describe('programs, Windows and plug and play', () => {
  const kitIn = (id: string, brief: Partial<Build['brief']> = {}) => kitOf(withBrief(id, brief), parts);

  it('says how to slow a machine down, and that nothing does where nothing does', () => {
    const sheet = (to: number, id = 'sanderling') =>
      programSheets(kitIn(id, { profiles: [{ ...program('p', { speed: { to } }), needs: [] }] }), null)[0]!;
    expect(sheet(600).speed!.verdict).to.equal('fits');
    const slow = sheet(150).speed!;
    expect(slow.verdict).to.equal('too-fast');
    expect(slow.slow.map((w) => w.map((m) => m.means))).to.deep.include(['l1-off']);
    expect(sheet(4).speed!.slow, 'an index of 533 never becomes 4').to.deep.equal([]);
    expect(slowWays(slow.slow)).to.match(/cache of the CPU off/);
  });
  it('knows which means a machine has by its class and its board', () => {
    expect(slowDowns(kitIn('plover')).map((s) => s.means)).to.include('turbo');
    expect(slowDowns(kitIn('dunlin')).map((s) => s.means)).not.to.include('l1-off');
    expect(slowDowns(kitIn('curlew')).find((s) => s.means === 'l1-off')!.factor).to.deep.equal([8, 25]);
  });
  it('gives the numbers of the sound card as the build stands, and says whether anybody looked', () => {
    const [s] = programSheets(kitIn('sanderling'), null);
    expect(s!.setUp.sound).to.deep.include({
      port: { value: 0x220, isSeen: true },
      irq: { value: 5, isSeen: true }
    });
    const [curlew] = programSheets(kitIn('curlew'), null);
    expect(curlew!.setUp.sound!.port!.isSeen).to.equal(false);
  });
  it('orders the drivers of Windows: chipset, display, sound, network, and the DOS drivers out at the end', () => {
    const what = installOrder(kitIn('curlew')).map((s) => s.what);
    expect(
      what.filter((w) =>
        ['setup', 'chipset', 'display', 'three-d', 'sound', 'network', 'leftovers'].includes(w)
      )
    ).to.deep.equal(['setup', 'chipset', 'display', 'three-d', 'sound', 'network', 'leftovers']);
    expect(installOrder(kitIn('dunlin'))).to.deep.equal([]);
    const legacy = installOrder(kitIn('sanderling', { os: 'Windows 98' }));
    expect(
      legacy.map((s) => s.what),
      'no PCI, nothing to reserve'
    ).not.to.include('reserve');
  });
  it('says limits of Windows only where this machine meets them', () => {
    expect(windowsLimits(kitIn('curlew'))).to.deep.equal([]);
    expect(windowsLimits(kitIn('sanderling'))).to.deep.equal([]);
  });
  it('lists the lines of cards set by hand for plug and play, and none where nothing is configured', () => {
    expect(reservedList(kitIn('plover'))).to.equal(null);
    const list = reservedList(kitIn('curlew'))!;
    expect(list.ports.map((p) => p.from)).to.include.members([0x279, 0xa79]);
  });
  it('a driver of your own takes its place in the plan', () => {
    const own = [{ file: 'TIDE.SYS', where: 'config' as const, load: 8192, stay: 4096, high: true }];
    const build = withBrief('sanderling', {}, { boot: { own } });
    expect(text(build, 'CONFIG.SYS')).to.match(/TIDE\.SYS/);
    const bad = OwnDriver.safeParse({ ...own[0]!, file: 'much too long.sys' });
    expect(bad.success).to.equal(false);
  });
  it('says how memory above 1 MiB is met, by which measure, and the cheapest way to more', () => {
    const needs = (extendedKiB: number) =>
      memoryNeeds(
        kitIn('sanderling', { profiles: [{ ...program('p', { memory: { extendedKiB } }), needs: [] }] })
      )[0]!;
    expect([needs(7360).by, needs(7361).by, needs(7424).by, needs(7425).by]).to.deep.equal([
      'xms',
      'bios',
      'bios',
      null
    ]);
    expect(needs(7000).ways).to.deep.equal([]);
    const ways = needs(7400).ways;
    expect(ways.length).to.be.greaterThan(0);
    for (const w of ways) expect(w.gainsKiB).to.be.at.least(40);
    const order = ['cache', 'video-shadow', 'shadow', 'bank'];
    const at = ways.map((w) => order.indexOf(w.kind));
    expect(at).to.deep.equal([...at].sort());
    expect(wayOverWords(ways[0]!)).to.match(/KiB more/);
  });
  it('DOS before 7 loses what lies above a hole', () => {
    const modules = (build: Build) => ({
      ...build,
      items: build.items.map((i) =>
        i.place === '0' && i.part === 'pendrum-s72-8m' ? { ...i, part: 'pendrum-s72-32m-e' } : i
      )
    });
    const xms = (os: string, holeMiB?: 15) => {
      const build = modules(withBrief('sanderling', { os }, holeMiB ? { boot: { holeMiB } } : {}));
      const kit = kitOf(build, parts);
      if (totalKiB(kit) <= 16 * 1024) return null;
      return planOf(build).managers.find((m) => m.kind === 'xms')!.xmsKiB;
    };
    const [open, holed, seven] = [xms('DOS 6.22'), xms('DOS 6.22', 15), xms('Windows 98', 15)];
    expect(holed).to.equal(14 * 1024 - 64);
    expect(open).to.be.greaterThan(holed!);
    expect(seven, '7.x asks for the whole map').to.equal(xms('Windows 98'));
  });
  it('a program that refuses the manager gets a start without one', () => {
    const profiles = [
      program('own', { memory: { baseKiB: 500, extendedKiB: 3072 }, v86: 'off' }),
      program('ems', { memory: { baseKiB: 500, expandedKiB: 512 } })
    ];
    const plan = planOf(withBrief('sanderling', { profiles }));
    expect(plan.starts.map((s) => s.manager.kind).sort()).to.deep.equal(['ems', 'xms']);
    expect(plan.programs.find((p) => p.id === 'own')!.start).to.match(/^xms/);
  });
  it('says which program costs a start', () => {
    const profiles = [
      program('a', { memory: { baseKiB: 500 } }),
      program('b', { memory: { baseKiB: 500, expandedKiB: 512 } }),
      program('c', { memory: { baseKiB: 604 }, cdrom: true, functions: ['mouse'] })
    ];
    const plan = planOf(withBrief('sanderling', { profiles }));
    expect(plan.starts.length).to.equal(2);
    expect(plan.droppable).to.deep.equal(['b', 'c'].filter((id) => plan.droppable.includes(id)));
    expect(plan.droppable).not.to.include('a').and.not.to.deep.equal([]);
  });
});

describe('start files line by line', () => {
  const explained = explainFiles(
    'rem mine\nDEVICE=C:\\DOS\\HIMEM.SYS\nDOS=HIGH\nFILES=30\nBUFFERS=20\nLASTDRIVE=Z\nDEVICE=C:\\TIDE.SYS\n',
    'SET A=1\nC:\\MOUSE\\MOUSE\nLH DOSKEY\n',
    5,
    { MOUSE: { stay: 16_900 } }
  );
  it('say what each does and takes; what nobody knows takes nothing that is said', () => {
    expect(explained.config.map((l) => [l.meaning.kind, l.takes])).to.deep.equal([
      ['comment', null],
      ['driver', [1024, 3072]],
      ['dos', null],
      ['number', [1488, 1488]],
      ['number', null],
      ['number', [2288, 2288]],
      ['driver', null]
    ]);
    expect(explained.batch.map((l) => [l.meaning.kind, l.takes])).to.deep.equal([
      ['variable', null],
      ['driver', [16_900, 16_900]],
      ['driver', null]
    ]);
    for (const l of [...explained.config, ...explained.batch])
      expect(lineMeaningWords(l.meaning))
        .to.match(/\.$/)
        .and.not.match(/undefined/);
  });
});
