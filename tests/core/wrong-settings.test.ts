import { expect } from 'chai';
import {
  BEEP_PATTERNS,
  FAMILIES,
  asItStands,
  diagnoseMachine,
  orderOf,
  rehearse,
  soundIn,
  soundsOf,
  readBeeps,
  toldFaults,
  traces,
  type FaultMode,
  type Family,
  type Trace
} from '../../src/lib/core/diagnosis';
import type { Build, Item, MessageId, StageId, Start } from '../../src/lib/core/model';
import { demo, parts } from '../support/demo';
import { torture } from '../support/torture';

/** What is changed on a machine that else is as the demo has it: `item.setting=position`, or a part put elsewhere. */
type Edit = string | ((b: Build) => void);
/** What a start of it shows by what is known of such machines: where it may stand, and what the screen says. */
interface Shown {
  at: StageId;
  says?: MessageId;
  /** It goes on, and the screen stays dark. */
  dark?: true;
  /** It goes on and says nothing: only the count or a text that does not come tells. */
  quiet?: true;
}

const item = (b: Build, id: string): Item => b.items.find((i) => i.id === id)!;
const drop = (b: Build, id: string) => void (b.items = b.items.filter((i) => i.id !== id));
const instead = (id: string, part: string) => (b: Build) => {
  drop(b, id);
  b.items.push({ id, part, asFound: {}, chosen: {}, locked: [] } as unknown as Item);
};
const swap = (a: string, b: string) => (build: Build) => {
  const [x, y] = [item(build, a), item(build, b)];
  [x.slot, y.slot] = [y.slot, x.slot];
};
const count = (id: string, n: number) => (b: Build) => void (item(b, id).count = n);
const place = (id: string, bank: string) => (b: Build) => void (item(b, id).place = bank);
const part = (id: string, other: string) => (b: Build) => void (item(b, id).part = other);
const without = (id: string) => (b: Build) => drop(b, id);

const rows: [machine: string, edit: Edit, name: string, shown: Shown][] = [
  // 8088 of 1986: switches decide, errors are heard before there is a picture.
  ...['colour80', 'colour40'].map((p): [string, Edit, string, Shown] => [
    'dunlin',
    `board.display=${p}`,
    `display switch at ${p} with a monochrome card`,
    { at: 'display' }
  ]),
  [
    'dunlin',
    'board.display=own-bios',
    'display switch at a card with its own BIOS',
    { at: 'display', dark: true }
  ],
  ...['one', 'two', 'three'].map((p): [string, Edit, string, Shown] => [
    'dunlin',
    `board.banks=${p}`,
    `bank switches at ${p} of four`,
    { at: 'count', quiet: true }
  ]),
  ...['64', '128', '256', '320', '384', '512', '576', '608'].map((p): [string, Edit, string, Shown] => [
    'dunlin',
    `board.total=${p}`,
    `total switches at ${p} of 640`,
    { at: 'count', quiet: true }
  ]),
  ['dunlin', without('memory-3'), 'a bank taken out, switches left', { at: 'count', says: 'memory' }],
  ['dunlin', without('memory-0'), 'the first bank empty', { at: 'memory' }],
  [
    'dunlin',
    part('memory-0', 'pendrum-set-64k'),
    'small chips in the first bank',
    { at: 'count', says: 'memory' }
  ],
  ['dunlin', 'io.fdc=off', 'floppy controller off', { at: 'floppy', says: 'floppy' }],
  ['dunlin', 'ems.frame=c8000', 'page frame over the ROM of the disk', { at: 'roms', says: 'rom' }],
  ['dunlin', 'sound.irq=5', 'sound on the line of the disk', { at: 'disk', says: 'disk' }],
  ['dunlin', 'mouse.irq=4', 'mouse on the line of COM1', { at: 'config', quiet: true }],
  ['dunlin', 'io.game=on', 'two game ports', { at: 'config', quiet: true }],
  ...['clatterley-84', 'clatterley-102', 'clatterley-104p'].map((p): [string, Edit, string, Shown] => [
    'dunlin',
    instead('keyboard', p),
    `AT keyboard ${p} on an XT board`,
    { at: 'keyboard', says: 'keyboard' }
  ]),
  [
    'dunlin',
    instead('monitor', 'glimmerby-v14'),
    'VGA monitor for a monochrome card',
    { at: 'display', dark: true }
  ],
  [
    'dunlin',
    instead('monitor', 'glimmerby-c12-comp'),
    'composite monitor for a monochrome card',
    { at: 'display', dark: true }
  ],
  ['dunlin', instead('supply', 'ampstead-x63'), 'supply too small', { at: 'fetch' }],
  // 286 of 1989.
  ['turnstone', 'video.width=16', '16-bit ROM in an 8-bit slot', { at: 'display' }],
  ['turnstone', 'io.ide=on', 'two disk controllers at one address', { at: 'disk', says: 'disk' }],
  ['turnstone', 'io.fdc=off', 'no floppy controller on', { at: 'floppy', says: 'floppy' }],
  ['turnstone', 'mfm.fdc=on', 'two floppy controllers', { at: 'floppy', says: 'floppy' }],
  ['turnstone', 'network.irq=10', 'IRQ 10 in an 8-bit slot', { at: 'config', quiet: true }],
  ['turnstone', 'mouse.irq=4', 'mouse on the line of COM1', { at: 'config', quiet: true }],
  ['turnstone', 'network.io=360', 'network card over the printer port', { at: 'config', quiet: true }],
  ['turnstone', count('memory', 1), 'half a bank', { at: 'memory' }],
  [
    'turnstone',
    place('memory', '1'),
    'two kits in one bank, the first empty',
    { at: 'count', says: 'memory-size' }
  ],
  [
    'turnstone',
    instead('keyboard', 'clatterley-83'),
    'XT keyboard on an AT board',
    { at: 'keyboard', says: 'keyboard' }
  ],
  [
    'turnstone',
    instead('monitor', 'glimmerby-m14-amber'),
    'monochrome monitor for a VGA card',
    { at: 'display', dark: true }
  ],
  [
    'turnstone',
    instead('monitor', 'glimmerby-e14'),
    'EGA monitor for a VGA card',
    { at: 'display', dark: true }
  ],
  // 386 of 1991.
  ['plover', 'io.fdc=off', 'floppy controller off', { at: 'floppy', says: 'floppy' }],
  ['plover', 'scsi.irq=14', 'SCSI on the line of the AT disk', { at: 'disk', says: 'disk' }],
  ['plover', 'io.com-a=com2', 'both serial ports at COM2', { at: 'config', quiet: true }],
  ['plover', 'io.com-b=com1', 'both serial ports at COM1', { at: 'config', quiet: true }],
  ['plover', 'network.irq=4', 'network on the line of COM1', { at: 'config', quiet: true }],
  ['plover', 'network.io=360', 'network card over the printer port', { at: 'config', quiet: true }],
  ['plover', 'audio.cd=310', 'CD port over another card', { at: 'config', quiet: true }],
  ['plover', count('memory', 3), 'three of four modules', { at: 'memory' }],
  ['plover', place('memory', '1'), 'the first bank empty', { at: 'memory' }],
  ['plover', without('video'), 'no video card', { at: 'display' }],
  ['plover', swap('video', 'network'), '16-bit VGA in an 8-bit slot', { at: 'display' }],
  [
    'plover',
    swap('scsi', 'network'),
    'SCSI card that needs 16 bits in an 8-bit slot',
    { at: 'disk', says: 'disk' }
  ],
  ['plover', swap('audio', 'network'), 'sound card in an 8-bit slot', { at: 'config', quiet: true }],
  [
    'plover',
    instead('keyboard', 'clatterley-83'),
    'XT keyboard on an AT board',
    { at: 'keyboard', says: 'keyboard' }
  ],
  [
    'plover',
    instead('monitor', 'glimmerby-m12-green'),
    'monochrome monitor for a VGA card',
    { at: 'display', dark: true }
  ],
  [
    'plover',
    instead('monitor', 'glimmerby-c13'),
    'CGA monitor for a VGA card',
    { at: 'display', dark: true }
  ],
  ['plover', instead('supply', 'ampstead-x63'), 'supply too small', { at: 'fetch' }],
  // 486 of 1994.
  ['sanderling', 'board.clock=40', 'bus clock above the rating', { at: 'fetch' }],
  ['sanderling', 'board.volts=3v', 'too little voltage', { at: 'fetch' }],
  ['sanderling', 'board.battery=external', 'battery jumper at external', { at: 'setup', says: 'settings' }],
  ['sanderling', 'io.fdc=off', 'floppy controller off', { at: 'floppy', says: 'floppy' }],
  ['sanderling', 'io.com-b=com4', 'COM4 over the ports of the accelerator', { at: 'config', quiet: true }],
  ['sanderling', 'io.game=on', 'two game ports', { at: 'config', quiet: true }],
  ['sanderling', count('memory', 2), 'two modules in a bank of one', { at: 'memory' }],
  [
    'sanderling',
    instead('keyboard', 'clatterley-83'),
    'XT keyboard on an AT board',
    { at: 'keyboard', says: 'keyboard' }
  ],
  // Pentium class of 1998.
  ['curlew', 'board.clock=75', 'bus clock above the rating', { at: 'fetch' }],
  ['curlew', 'board.factor=3', 'multiplier above the rating', { at: 'fetch' }],
  ['curlew', 'board.factor=4.5', 'multiplier far above the rating', { at: 'fetch' }],
  ['curlew', 'board.volts=2.2', 'too little core voltage', { at: 'fetch' }],
  ['curlew', 'board.int-3=irq14', 'a PCI slot on the line of the disk', { at: 'disk', says: 'disk' }],
  ['curlew', 'board.int-3=off', 'a PCI slot without interrupt', { at: 'config', quiet: true }],
  ['curlew', 'audio.audio=4', 'sound on another line in use', { at: 'config', quiet: true }],
  [
    'curlew',
    instead('keyboard', 'clatterley-83'),
    'XT keyboard on an AT board',
    { at: 'keyboard', says: 'keyboard' }
  ],
  [
    'curlew',
    instead('monitor', 'glimmerby-wide-ttl'),
    'TTL monitor for a VGA card',
    { at: 'display', dark: true }
  ]
];

function edited(machine: string, edit: Edit): Build {
  const b = structuredClone(asItStands(demo(machine)));
  if (typeof edit !== 'string') {
    edit(b);
    return b;
  }
  const [where, position] = edit.split('=') as [string, string];
  const [id, setting] = where.split('.') as [string, string];
  const of = id === 'board' ? b.board : item(b, id);
  of.asFound = { ...of.asFound, [setting]: position };
  return b;
}

/** What there was before the edit is no part of what it shows. */
const known = (b: Build) => rehearse(b, parts, 'found');
const oneOf = (machine: string, edit: Edit): FaultMode[] => {
  const before = new Set(
    known(edited(machine, () => {})).stages.flatMap((s) => s.because.map((b) => b.mode.id))
  );
  return known(edited(machine, edit)).stages.flatMap((s) =>
    s.because.filter((b) => b.mode.effect.at === s.stage && !before.has(b.mode.id)).map((b) => b.mode)
  );
};

/** What a trace would be noted as by somebody who looked at all of it. */
function notedFrom(t: Trace, family: Family): Start {
  const beeps = BEEP_PATTERNS.find((p) => soundIn(family, readBeeps(p)!) === t.sound);
  return {
    at: '2026-01-01T00:00:00Z',
    power: t.power,
    ...(beeps ? { beeps, filmed: true } : {}),
    screen: t.screen,
    ...(t.screen === 'dark' ? { darkSure: true } : { messages: t.messages }),
    ...(t.stop ? { reached: t.stop, stays: true } : { reached: 'prompt' })
  };
}

describe('wrong settings and seats, one at a time', () => {
  it('covers at least 60 of them', () => {
    expect(rows.length).to.be.at.least(60);
    expect(new Set(rows.map(([m, , n]) => `${m} ${n}`)).size).to.equal(rows.length);
  });
  for (const [machine, edit, name, shown] of rows)
    it(`${machine}: ${name}`, () => {
      const modes = oneOf(machine, edit);
      const there = modes.filter((m) => m.effect.at === shown.at);
      expect(
        there.map((m) => m.effect.at),
        'rehearsal'
      ).to.include(shown.at);
      if (shown.says) expect(there.map((m) => m.effect.says)).to.include(shown.says);
      if (shown.dark) expect(there.some((m) => m.effect.dark)).to.equal(true);
      if (shown.quiet) expect(there.every((m) => !m.effect.says && !m.effect.dark)).to.equal(true);
      if (!shown.says && !shown.dark && !shown.quiet)
        expect(Math.max(...there.map((m) => m.effect.stops))).to.be.at.least(0.1);
    });
  for (const machine of ['dunlin', 'turnstone', 'plover', 'sanderling', 'curlew'])
    it(`${machine}: the diagnosis of exactly that start names the setting first`, () => {
      const telling = rows.filter(([m, , , s]) => m === machine && !s.quiet);
      for (const [, edit, name, shown] of telling.filter((_, n) => n % torture(1, 4) === 0)) {
        const b = edited(machine, edit);
        const mode = oneOf(machine, edit)
          .filter((m) => m.effect.at === shown.at)
          .sort((x, y) => y.effect.stops - x.effect.stops)[0]!;
        const { family: known, era } = rehearse(b, parts, 'found');
        const family = known ?? FAMILIES[1]!;
        const trace = traces([mode], [0], family, era)
          .filter((t) => t.stop === mode.effect.at || mode.effect.stops < 0.1)
          .sort((x, y) => y.p - x.p)[0]!;
        const { diagnosis: d } = diagnoseMachine(b, parts, [notedFrom(trace, family)]);
        const best = d.post.sets[0]!;
        const first = toldFaults(d, best.faults).map((i) => d.modes[i]!.id);
        expect(first, `${name}; order ${orderOf(family, era).indexOf(shown.at)}`).to.include(mode.id);
        expect(
          first.every((id) => id.startsWith('finding ')),
          `${name}: ${first.join(' + ')}`
        ).to.equal(true);
      }
    });
  it('has sounds for every pattern that is noted', () => {
    for (const f of FAMILIES)
      for (const p of BEEP_PATTERNS)
        expect([...soundsOf(f), 'summary', 'fetch', 'rails']).to.include(soundIn(f, readBeeps(p)!));
  });
});
