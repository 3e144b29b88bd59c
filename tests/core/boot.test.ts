import { expect } from 'chai';
import {
  bootPlan,
  classByName,
  drivers,
  expectationOf,
  fileText,
  readMem,
  systemIni,
  wantedDrivers,
  writeFiles,
  type BootPlan,
  configSince
} from '../../src/lib/core/boot';
import { checkFiles, readConfig } from '../../src/lib/core/boot-files';

import { kitOf } from '../../src/lib/core/kit';
import { lineWhyWords, noPlanWords, startLabel } from '../../src/lib/words';
import { demo, parts } from '../support/demo';
import type { Build } from '../../src/lib/core/model';
import { planOf, withBrief, written, text, program } from '../support/boot';

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

  it('says of the memory manager that 16-bit sound goes through its buffer, where there is any', () => {
    const whys = (build: Build) =>
      written(build).files.flatMap((f) => f.lines.filter((l) => /EMM386/.test(l.text)).map((l) => l.why));
    const { items, ...rest } = demo('sanderling');
    expect(whys({ ...rest, items }).map((w) => 'sound16' in w && w.sound16)).to.include('Digit 16');
    const silent = { ...rest, items: items.filter((i) => !/^tollmark/.test(i.part)) };
    expect(whys(silent).map((w) => 'sound16' in w && w.sound16)).to.deep.equal([null, null]);
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
