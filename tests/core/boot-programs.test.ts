import { expect } from 'chai';
import {
  installOrder,
  memoryNeeds,
  programSheets,
  reservedList,
  waysOver,
  windowsLimits
} from '../../src/lib/core/boot';
import { explainFiles } from '../../src/lib/core/boot-files';
import { kitOf, totalKiB } from '../../src/lib/core/kit';
import { OwnDriver, type Build } from '../../src/lib/core/model';
import { lineMeaningWords, slowWays, wayOverWords } from '../../src/lib/words';
import { slowDowns } from '../../src/lib/core/software';
import { demo, parts, unseen } from '../support/demo';
import { planOf, withBrief, text, program } from '../support/boot';

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
    const [unread] = programSheets(kitOf(unseen(demo('curlew'), 'audio'), parts), null);
    expect(unread!.setUp.sound!.port!.isSeen).to.equal(false);
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
  it('a bank is no way to more where its modules must not be in with those that are', () => {
    // Its one bank for 168-pin modules is full; the others are for 72-pin modules.
    expect(waysOver(kitIn('curlew')).map((w) => w.kind)).to.not.include('bank');
    expect(waysOver(kitIn('plover')).find((w) => w.kind === 'bank')).to.include({ bank: '1', modules: 4 });
  });
  it('DOS before 7 loses what lies above a hole', () => {
    const large = { part: 'pendrum-s72-16m' };
    const modules = (build: Build) => ({
      ...build,
      items: build.items.flatMap((i) =>
        i.part === 'pendrum-s72-8m' && i.place === '0'
          ? [
              { ...i, ...large },
              { ...i, ...large, id: 'more', place: '1' }
            ]
          : [i]
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
