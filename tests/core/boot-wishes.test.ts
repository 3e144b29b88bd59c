import { expect } from 'chai';
import { isInHand, readListing, wipeGate, withBoot, type BootPlan } from '../../src/lib/core/boot';
import { planBeside } from '../../src/lib/core/boot-files';
import { kitOf } from '../../src/lib/core/kit';
import { routesIn } from '../../src/lib/core/route-in';
import type { BootRecord, Build } from '../../src/lib/core/model';
import { emptyProgram, readProgram } from '../../src/lib/core/software';
import { movesCsv, sheetOf } from '../../src/lib/formats';
import { linkCautionWords, neededWords, refusedWords } from '../../src/lib/words';
import { planOf, text, withBrief, written } from '../support/boot';
import { demo, parts } from '../support/demo';

const wishing = (id: string, boot: Partial<BootRecord>, brief: Partial<Build['brief']> = {}): Build =>
  withBoot(withBrief(id, brief), boot);
const lines = (build: Build): string[] => written(build).files.flatMap((f) => f.lines.map((l) => l.text));
const has = (build: Build, pattern: RegExp): boolean => lines(build).some((l) => pattern.test(l));
/** The first lines that match, in the order of the files. */
const order = (build: Build, ...patterns: RegExp[]): number[] =>
  patterns.map((p) => lines(build).findIndex((l) => p.test(l)));

describe('what is wished for at the start', () => {
  it('a layout is a program before 3.3, and takes the path of its file from there on', () => {
    const on = (os: string, boot: Partial<BootRecord> = { layout: 'GR' }) =>
      wishing('turnstone', boot, { os });
    expect(has(on('DOS 3.2'), /\\KEYBGR\.COM$/)).to.equal(true);
    expect(has(on('DOS 3.2'), /^COUNTRY=049$/)).to.equal(true);
    expect(has(on('DOS 5'), /\\KEYB\.COM GR,,C:\\DOS\\KEYBOARD\.SYS$/)).to.equal(true);
    expect(has(on('DOS 5'), /^COUNTRY=049,,C:\\DOS\\COUNTRY\.SYS$/)).to.equal(true);
    expect(has(on('DOS 2.1'), /COUNTRY/), 'not known yet').to.equal(false);
    // Sweden has no program before 3.3.
    const early = planOf(on('DOS 3.2', { layout: 'SV' })).refused;
    expect(early.map((r) => r.driver.id)).to.deep.equal(['keyb']);
    expect(refusedWords(early[0]!)).to.match(/needs DOS 3\.3/);
  });
  it('the handler for A20 that was tried on this board stands in its line, and nowhere else', () => {
    const himem = (build: Build) => lines(build).filter((l) => l.includes('HIMEM'));
    const plain = himem(wishing('sanderling', {}));
    expect(plain.length).to.be.greaterThan(0);
    expect(plain.some((l) => l.includes('/MACHINE'))).to.equal(false);
    expect(himem(wishing('sanderling', { a20: 11 }))).to.deep.equal(plain.map((l) => `${l} /MACHINE:11`));
    expect(has(wishing('dunlin', { a20: 11 }), /MACHINE/), 'an 8088 has no such line').to.equal(false);
  });
  it('a code page is prepared by a whole path, chosen, and then told to the keyboard', () => {
    const build = wishing('sanderling', { layout: 'FR', codePage: true });
    const found = order(
      build,
      /DISPLAY\.SYS/,
      /MODE CON CODEPAGE PREPARE/,
      /CODEPAGE SELECT=850/,
      /KEYB\.COM FR,850/
    );
    expect(found).to.deep.equal([...found].sort((a, b) => a - b));
    expect(found).not.to.include(-1);
    expect(has(build, /^C:\\DOS\\MODE CON CODEPAGE PREPARE=\(\(850\)C:\\DOS\\EGA\.CPI\)$/)).to.equal(true);
    const mono = wishing('dunlin', { layout: 'FR', codePage: true });
    expect(planOf(mono).refused.map((r) => [r.driver.id, r.why.kind])).to.deep.include([
      'display',
      'display'
    ]);
  });
  it('files of DOS 7 lie where that version has them', () => {
    const build = wishing('curlew', { layout: 'FR', extras: ['ansi'] });
    expect(has(build, /C:\\WINDOWS\\COMMAND\\ANSI\.SYS/)).to.equal(true);
    expect(has(build, /C:\\WINDOWS\\HIMEM\.SYS/)).to.equal(true);
  });
  it('a RAM disk needs extended memory, an emulation the manager: each has a start that gives it', () => {
    const starts = planOf(wishing('sanderling', { extras: ['ramdrive', 'sound-emulation'] })).starts;
    const withGroup = (g: string) => starts.filter((s) => s.configuration.on.includes(g));
    expect(withGroup('ram-disk')).to.have.length.greaterThan(0);
    for (const s of withGroup('ram-disk')) expect(s.manager.xmsKiB).to.be.greaterThan(0);
    expect(withGroup('emulation')).to.have.length.greaterThan(0);
    for (const s of withGroup('emulation')) expect(s.configuration.v86).to.equal(true);
    const xt = planOf(wishing('dunlin', { extras: ['ramdrive', 'sound-emulation'] }));
    expect(xt.wanted.map((w) => w.driver.id)).not.to.include.members(['ramdrive']);
    expect(xt.refused.map((r) => r.driver.id)).to.include.members(['ramdrive', 'sound-emulation']);
  });
  it('what sets a sound card comes behind its variables, and without a card is refused', () => {
    const [blaster, mixer] = order(wishing('sanderling', { extras: ['mixer'] }), /^SET BLASTER/, /MIXSET/);
    expect(mixer).to.be.greaterThan(blaster!);
    const silent = wishing('turnstone', { extras: ['mixer'] });
    const { refused } = planOf(silent);
    expect(refused.map((r) => r.why.kind)).to.include('sound');
  });
  it('says of every refusal why', () => {
    for (const build of [
      wishing('dunlin', {
        layout: 'SV',
        codePage: true,
        extras: ['ramdrive', 'midi-emulation', 'mixer'],
        cache: true
      }),
      wishing('turnstone', { extras: ['sound-emulation', 'ramdrive'] })
    ])
      for (const r of planOf(build).refused)
        expect(refusedWords(r))
          .to.match(/\.$/)
          .and.not.match(/undefined/);
  });
});

describe('the network at the start', () => {
  it('is a packet driver or a stack, never both, in the order in which the links hold', () => {
    const ids = (network: BootRecord['network']) =>
      planOf(wishing('plover', { network }))
        .wanted.filter((w) => w.group === 'network')
        .map((w) => w.driver.id);
    expect(ids(undefined)).to.deep.equal(['packet-8']);
    expect(ids('odi')).to.deep.equal(['odi-link', 'odi-card', 'odi-protocol', 'odi-requester-xms']);
    expect(ids('ndis')).to.have.members([
      'net-manager',
      'net-card-ndis',
      'net-protocol-ndis',
      'helper',
      'net-bind',
      'redirector-full'
    ]);
    for (const network of ['odi', 'ndis'] as const) {
      const chain =
        network === 'odi'
          ? [/LINK\.COM/, /ODICARD/, /PROTO\.COM/, /REQUEST/]
          : [/PROTMAN/, /NDISCARD/, /TCPDRV/, /NETBIND/, /NETREDIR/];
      const found = order(wishing('plover', { network }), ...chain);
      expect(found, network).to.deep.equal([...found].sort((a, b) => a - b));
      expect(found, network).not.to.include(-1);
    }
  });
  it('gives the redirector of a stack letters to Z, and nobody else', () => {
    expect(has(wishing('plover', { network: 'ndis' }), /^LASTDRIVE=Z$/)).to.equal(true);
    expect(has(wishing('plover', { network: 'odi' }), /^LASTDRIVE=Z/)).to.equal(false);
  });
});

describe('what the written lines take themselves', () => {
  it('is in the promise: tables, and the buffer of a bus master under the manager', () => {
    const free = (build: Build, kind: string) => planOf(build).managers.find((m) => m.kind === kind)!.free;
    const plover = demo('plover');
    const without = { ...plover, items: plover.items.filter((i) => !['scsi', 'disk', 'cd'].includes(i.id)) };
    const bare = { ...without, brief: { ...without.brief, mustBeOn: [] } };
    // 2 to 5 KiB for the buffer, 264 bytes for the letters F to H of the CD.
    const [least, most] = [2 * 1024 + 272, 5 * 1024 + 272];
    expect(free(bare, 'noems')[0] - free(plover, 'noems')[0]).to.be.within(most - 16, most);
    expect(free(bare, 'noems')[1] - free(plover, 'noems')[1]).to.be.within(least - 16, least);
    expect(free(bare, 'xms')[0] - free(plover, 'xms')[0], 'no manager, no buffer').to.be.within(256, 272);
  });
});

describe('the first file over a serial cable', () => {
  const caution = (id: string, change: (build: Build) => Build = (b) => b) =>
    routesIn(kitOf(change(demo(id)), parts), [], [])
      .find((r) => r.links.some((l) => l.step.is === 'serial'))
      ?.links[0]!.cautions.map(linkCautionWords)
      .join(' ') ?? '';
  it('says how fast a port of one character is, and nothing of one with a queue', () => {
    expect(caution('dunlin')).to.match(/9,600 baud.*38,400 at best, on an 8088 often less/);
    expect(caution('curlew')).not.to.match(/baud/);
  });
});

describe('the first file over the network', () => {
  const route = (build: Build) =>
    routesIn(kitOf(build, parts), [], []).find((r) => r.links.some((l) => l.step.is === 'network'));
  const driver = (build: Build) =>
    route(build)?.links[0]!.needs.find((n) => n.what.is.startsWith('packet-driver'));
  it('goes through the driver of the plan, and counts it as here when it is in hand', () => {
    expect(driver(demo('plover'))).to.deep.include({ where: 'missing' });
    expect(neededWords(driver(demo('plover'))!.what)).to.match(/PKTDRV\.COM/);
    expect(driver(wishing('plover', { inHand: { 'packet-8': true } }))).to.deep.include({ where: 'here' });
  });
});

describe('cards that are set at each start', () => {
  const withCodec = (asFound: Record<string, string>): Build => {
    const build = demo('sanderling');
    return {
      ...build,
      items: build.items.map((i) =>
        i.id === 'audio' ? { ...i, part: 'tollmark-codec', asFound, chosen: {} } : i
      ),
      brief: { ...build.brief, mustBeOn: [], mayBeOff: [] }
    };
  };
  it('have their line with the values as they stand, and behind REM where nobody looked', () => {
    expect(
      has(withCodec({ io: '530', irq: '10', dma: '3' }), /^C:\\DRIVERS\\CODEC44\.EXE \/I10 \/D3$/)
    ).to.equal(true);
    expect(has(withCodec({}), /^REM C:\\DRIVERS\\CODEC44\.EXE/)).to.equal(true);
  });
});

describe('sizes that somebody measured', () => {
  it('are asked for to the byte from 6.0 on, and never from what is only typical', () => {
    const own = [
      { file: 'OWN.SYS', where: 'config' as const, load: 9104, stay: 4240, high: true },
      { file: 'TSR.COM', where: 'autoexec' as const, load: 7000, stay: 5000, high: true }
    ];
    const build = wishing('sanderling', { own });
    expect(has(build, /^DEVICEHIGH \/L:\d,9104 \/S =C:\\DRIVERS\\OWN\.SYS/)).to.equal(true);
    expect(has(build, /^LH \/L:\d,7000 \/S C:\\DRIVERS\\TSR\.COM/)).to.equal(true);
    expect(
      lines(build)
        .filter((l) => /CDDRV/.test(l))
        .every((l) => !/,\d+ \/S/.test(l))
    ).to.equal(true);
    expect(has(wishing('sanderling', { own }, { os: 'DOS 5' }), /\/S\b/)).to.equal(false);
  });
});

describe('a listing of the disk', () => {
  it('is read line by line; what is no path is counted, and text without one is no listing', () => {
    const read = readListing('c:\\dos\\himem.sys\r\n Directory C:\\DOS\r\n\r\nC:\\A B.TXT\nD:\\X\n')!;
    expect([...read.files]).to.deep.equal(['C:\\DOS\\HIMEM.SYS', 'D:\\X']);
    expect(read.odd).to.equal(2);
    expect(readListing('Volume in drive C has no label')).to.equal(null);
    expect(readListing('')).to.equal(null);
  });
  it('puts files where they are seen, and takes them for in hand', () => {
    const listing = 'C:\\SYS622\\HIMEM.SYS\nC:\\CD\\CDDRV.SYS\n';
    const build = wishing('sanderling', { listing });
    expect(has(build, /^DEVICE=C:\\SYS622\\HIMEM\.SYS$/)).to.equal(true);
    expect(has(build, /C:\\CD\\CDDRV\.SYS/)).to.equal(true);
    const kit = kitOf(build, parts);
    const cd = planOf(build).wanted.find((w) => w.driver.id === 'cd-ata')!.driver;
    expect(isInHand(kit, cd)).to.equal(true);
    expect(isInHand(kitOf(demo('sanderling'), parts), cd), 'nobody looked').to.equal(null);
    expect(
      isInHand(kitOf(wishing('sanderling', { listing, inHand: { 'cd-ata': false } }), parts), cd)
    ).to.equal(false);
  });
});

describe('before a disk is wiped', () => {
  it('holds back while a driver is not noted as in hand, for DOS and for Windows', () => {
    const gate = wipeGate(kitOf(demo('sanderling'), parts))!;
    expect(gate.drivers.length).to.be.greaterThan(0);
    expect(gate.wentOn).to.equal(null);
    const inHand = Object.fromEntries(gate.drivers.map((d) => [d.id, true]));
    expect(wipeGate(kitOf(wishing('sanderling', { inHand }), parts))).to.equal(null);
    const one = { ...inHand, [gate.drivers[0]!.id]: false };
    expect(wipeGate(kitOf(wishing('sanderling', { inHand: one }), parts))!.drivers).to.have.length(1);
    const unplanned = wipeGate(
      kitOf(withBrief('sanderling', { os: undefined }, { boot: { inHand } }), parts)
    )!;
    expect([unplanned.isUnknown, unplanned.drivers], 'no plan is not all in hand').to.deep.equal([true, []]);
    const windows = wipeGate(kitOf(demo('curlew'), parts))!;
    expect(windows.windows.length).to.be.greaterThan(2);
    const at = '2026-11-28T10:00:00.000Z';
    expect(wipeGate(kitOf(wishing('curlew', { wentOn: at }), parts))!.wentOn).to.equal(at);
  });
});

describe('plans that are equally good', () => {
  it('leave the lines of the machine’s own files where they are', () => {
    const build = withBrief('sanderling', {});
    const file = (name: string) => text(build, name);
    const kept = withBoot(build, { config: file('CONFIG.SYS'), autoexec: file('AUTOEXEC.BAT') });
    const places = (b: Build) => {
      const made = planBeside(kitOf(b, parts)) as BootPlan;
      return made.starts.map((s) => [s.free, s.configuration.placement.order.map((o) => o.region)]);
    };
    // The plan's own files are as they are; the numbers never change by it.
    expect(places(kept).map(([free]) => free)).to.deep.equal(places(build).map(([free]) => free));
    const other = withBoot(build, {
      config:
        'DEVICE=C:\\DOS\\HIMEM.SYS\nDEVICE=C:\\DOS\\EMM386.EXE NOEMS\nDOS=HIGH,UMB\nDEVICE=C:\\DRIVERS\\CDDRV.SYS /D:CD1\n',
      autoexec: ''
    });
    expect(places(other).map(([free]) => free)).to.deep.equal(places(build).map(([free]) => free));
  });
});

describe('a program of one’s own', () => {
  const none = new Set<string>();
  it('is read as its box says it, and asks only what somebody said', () => {
    const read = readProgram(
      {
        ...emptyProgram,
        name: 'Île d’Or',
        base: 'at least 580 KB',
        extended: '2 MB',
        expanded: '1',
        v86: 'off',
        ports: '220h, 240',
        irqs: '5 7',
        cd: true
      },
      none
    );
    if (!('profile' in read)) throw new Error(read.wrong.join());
    expect(read.profile.id).to.equal('own-ile-d-or');
    expect(read.profile.wants).to.deep.equal({
      memory: { baseKiB: 580, extendedKiB: 2048, expandedKiB: 1024 },
      cdrom: true,
      v86: 'off',
      audio: ['digital8', 'digital16']
    });
    expect(read.profile.needs).to.deep.include({
      kind: 'audio',
      io: [0x220, 0x240],
      irq: [5, 7],
      weight: 'hard'
    });
    const plain = readProgram({ ...emptyProgram, name: 'X' }, new Set(['own-x']));
    expect(plain).to.deep.equal({ profile: { id: 'own-x-2', name: 'X', needs: [] } });
  });
  it('names the fields that were not understood, and takes none of them for a number', () => {
    const read = readProgram(
      {
        ...emptyProgram,
        base: 'much',
        extended: '-3',
        dos: 'six',
        speedFrom: '9',
        speedTo: '3',
        irqs: '5, 99',
        ports: 'xyz',
        year: '93'
      },
      none
    );
    expect('wrong' in read && [...read.wrong].sort()).to.deep.equal(
      ['base', 'dos', 'extended', 'irqs', 'name', 'ports', 'speedTo', 'year'].sort()
    );
    expect(
      readProgram({ ...emptyProgram, name: 'X', base: '900' }, none),
      'more than there can be'
    ).to.deep.equal({ wrong: ['base'] });
  });
  it('that refuses the manager gets a start without one', () => {
    const read = readProgram({ ...emptyProgram, name: 'Own mode', base: '500', v86: 'off' }, none);
    if (!('profile' in read)) throw new Error('not read');
    const { profiles } = demo('sanderling').brief;
    const made = planOf(withBrief('sanderling', { profiles: [...profiles, read.profile] }));
    const start = made.programs.find((p) => p.id === read.profile.id)!;
    expect(made.starts.find((s) => s.configuration.id === start.start)!.configuration.v86).to.equal(false);
    expect(made.programs.filter((p) => p.verdict === 'no')).to.deep.equal([]);
  });
});

describe('the machine’s own files on the bench sheet', () => {
  it('are lines to change, and what stands in them already is no step', () => {
    const steps = (boot: Partial<BootRecord>) => {
      const sheet = sheetOf(wishing('sanderling', boot), parts);
      return sheet.steps
        .filter((s) => s.kind === 'command')
        .flatMap((s) => s.actions.map((a) => `${s.title}: ${a.text}`));
    };
    const line = 'SET BLASTER=A220 I5 D1 H5 P330 T6';
    expect(steps({})).to.include(`In AUTOEXEC.BAT: ${line}`);
    expect(steps({ autoexec: `@ECHO OFF\r\n${line}\r\n` }).filter((s) => /BLASTER/.test(s))).to.deep.equal(
      []
    );
    expect(steps({ autoexec: `@ECHO OFF\r\n${line.replace('A220', 'A240')}\r\n` })).to.include(
      `In AUTOEXEC.BAT: line 2 becomes: ${line}`
    );
    const csv = movesCsv(wishing('sanderling', { config: 'DEVICEHIGH=C:\\DOS\\HIMEM.SYS\n' }), parts);
    expect(csv).to.match(/CONFIG\.SYS,,,,,line 1 becomes: DEVICE=C:\\DOS\\HIMEM\.SYS/);
  });
});
