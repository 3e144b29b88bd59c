import { expect } from 'chai';
import { carrierFits, pinsFit, withCarrier } from '../../src/lib/core/boards';
import type { Part } from '../../src/lib/core/model';
import { obstacle, untried } from '../../src/lib/core/resources';
import { ends, find, machine, severity, type Case } from '../support/cases';
import { check } from '../support/make';
import { hasFacts, type PartWith } from '../../src/lib/core/model';
import { parts } from '../support/demo';

const on = (id: string, change: (p: Part) => Part) => (p: Part) => (p.id === id ? change(p) : p);
const writing = (writes: 'through' | 'back' | 'either') =>
  on('ashgill-486dx4-100', (p) => ({ ...p, cpu: { ...p.cpu!, writes } }));

/** A board of the catalogue, as one. */
const boardOf = (id: string): PartWith<'board'> => {
  const part = parts.get(id);
  if (!part || !hasFacts(part, 'board')) throw new Error(`${id} is no board`);
  return part;
};

describe('a CPU and its socket', () => {
  it('goes in by its pins; the voltage is another question', () => {
    expect(pinsFit(['pga168'], 'socket3')).to.equal(true);
    expect(pinsFit(['socket3'], 'pga168')).to.equal(true);
    expect(pinsFit(['socket7'], 'socket5')).to.equal(true);
    expect(pinsFit(['socket5'], 'socket7')).to.equal(false);
    expect(pinsFit(['socket4'], 'socket5')).to.equal(false);
  });
  it('on a carrier meets the voltage of its regulator, and nothing else changes', () => {
    const board = boardOf('ostrel-i33');
    const carrier = parts.get('velloway-carrier')!.adapter!.cpu!;
    const on = withCarrier(board, carrier).board!;
    expect(on.coreVolts).to.deep.equal([3.45]);
    expect({ ...on, coreVolts: null, cpuSocket: null }).to.deep.equal({
      ...board.board!,
      coreVolts: null,
      cpuSocket: null
    });
    expect(withCarrier(board, { ...carrier, volts: undefined }).board!.coreVolts).to.equal(undefined);
    const pentium = boardOf('tessaly-p90');
    expect(carrierFits(pentium, carrier)).to.equal(false);
    expect(withCarrier(pentium, carrier)).to.equal(pentium);
  });
  it('on a carrier whose voltage nobody measured is a stop', () => {
    const c: Case = {
      board: 'ostrel-i33',
      items: [{ part: 'velloway-carrier' }, { part: 'ashgill-486dx4-100' }],
      change: on('velloway-carrier', (p) => ({
        ...p,
        adapter: { ...p.adapter!, cpu: { ...p.adapter!.cpu!, volts: undefined } }
      }))
    };
    expect(severity(c, 'cpu.voltage-unknown')).to.equal('stop');
    expect(severity({ ...c, change: undefined }, 'cpu.voltage-unknown')).to.equal(null);
  });
  it('the stop names the way out where there is one', () => {
    const told = (board: string, cpu: string) =>
      find({ board, items: [{ part: cpu }] }, 'cpu.voltage')?.sentence ?? '';
    expect(told('ostrel-i33', 'ashgill-486dx4-100')).to.match(/carrier with a regulator/);
    expect(told('varnoc-v66', 'ashgill-486dx4-100')).not.to.match(/carrier/);
  });
});

describe('how the cache in the CPU writes', () => {
  const on3 = (writes: 'through' | 'back' | 'either', l1?: string): Case => ({
    board: l1 ? 'tessaly-v3' : 'ostrel-i33',
    found: l1 ? { volts: '3v', l1 } : {},
    items: [{ part: 'ashgill-486dx4-100' }],
    change: writing(writes)
  });
  const rows: [writes: 'through' | 'back' | 'either', l1: string | undefined, is: string | null][] = [
    ['through', 'through', null],
    ['through', 'back', 'caution'],
    ['through', undefined, null],
    ['back', 'through', 'clash'],
    ['back', 'back', null],
    ['back', undefined, 'clash'],
    ['either', 'through', 'note'],
    ['either', 'back', null],
    ['either', undefined, 'note']
  ];
  for (const [writes, l1, is] of rows)
    it(`${writes} on a board ${l1 ? `set to ${l1}` : 'that knows through only'}: ${is ?? 'nothing'}`, () => {
      expect(severity(on3(writes, l1), 'cpu.writes')).to.equal(is);
    });
  it('of a jumper that nobody looked at it is said so, and that writing back may damage what is written', () => {
    const unlooked = (writes: 'through' | 'back', usual: 'through' | 'back') => {
      const setDefault = on('tessaly-v3', (p) => ({
        ...p,
        settings: p.settings.map((s) => (s.id === 'l1' && s.known ? { ...s, default: usual } : s))
      }));
      const c = on3(writes, usual);
      return find(
        { ...c, found: { volts: '3v' }, change: (p) => writing(writes)(setDefault(p)) },
        'cpu.writes'
      );
    };
    expect(unlooked('through', 'through')).to.equal(undefined);
    expect(unlooked('through', 'back')!.title).to.include('may expect');
    expect(unlooked('back', 'through')!.sentence).to.match(/may be set up for .+ Nobody looked at/);
    expect(unlooked('back', 'back')!.title).to.match(/^Nobody looked/);
  });
  it('a jumper cures it where there is one', () => {
    expect(ends(on3('through', 'back'), 'cpu.writes')).to.equal(true);
    expect(ends(on3('back', 'through'), 'cpu.writes')).to.equal(true);
  });
  it('of a board of which nobody knows it, only a CPU that always writes back asks', () => {
    const unknown = (writes: 'back' | 'either'): Case => ({
      board: 'ostrel-i33',
      items: [{ part: 'ashgill-486dx4-100' }],
      change: (p) =>
        writing(writes)(
          on('ostrel-i33', (b) => ({ ...b, board: { ...b.board!, cacheWrites: undefined } }))(p)
        )
    });
    expect(severity(unknown('back'), 'cpu.writes')).to.equal('caution');
    expect(severity(unknown('either'), 'cpu.writes')).to.equal(null);
  });
});

describe('slots that ask something of a card', () => {
  const short = parts.get('skerrin-px8')!.board!.slots.find((s) => s.selected)!;
  const card = (drivesSelect?: 'yes' | 'no' | 'untried'): Part => {
    const part = parts.get('lanteg-io8')!;
    return { ...part, card: { ...part.card!, lengthMm: 100, ...(drivesSelect ? { drivesSelect } : {}) } };
  };
  it('the short slot hears a card that drives the line, refuses one that does not, and else nobody knows', () => {
    expect([obstacle(card('yes'), short), untried(card('yes'), short)]).to.deep.equal([null, null]);
    expect(obstacle(card('no'), short)).to.deep.equal({ why: 'card-select' });
    expect([obstacle(card(), short), untried(card(), short)]).to.deep.equal([null, 'select']);
  });
  it('a card that masters the bus is refused where the slot does not let it', () => {
    const [no, yes] = parts.get('varnoc-v66')!.board!.slots.filter((s) => s.bus === 'vlb');
    const master = parts.get('quillon-svl')!;
    expect(obstacle(master, no)).to.deep.equal({ why: 'bus-master' });
    expect(obstacle(master, yes)).to.equal(null);
    expect(untried(master, { id: 'x', bus: 'vlb' })).to.equal('master');
    expect(untried(master, { ...yes })).to.equal(null);
  });
});

describe('what drives a SCSI bus', () => {
  const bus = (drive: string, change?: (p: Part) => Part): Case => ({
    board: 'varnoc-d33',
    items: [
      { part: 'quillon-scsi', slot: '5' },
      { part: drive, terminated: true }
    ],
    change
  });
  const host = (scsi: object | undefined) =>
    on('quillon-scsi', (p) => ({
      ...p,
      functions: p.functions.map((f) => (f.kind === 'scsi' ? { ...f, scsi } : f))
    }));
  it('two kinds on one cable are a stop; one that nobody looked at is asked for', () => {
    expect(severity(bus('cairnholt-s2100d'), 'scsi.signals')).to.equal('stop');
    expect(severity(bus('cairnholt-s2100d', host(undefined)), 'scsi.signals')).to.equal('caution');
    expect(
      severity(bus('cairnholt-s2100d', host({ signals: 'differential', width: 16 })), 'scsi.signals')
    ).to.equal(null);
    expect(severity(bus('cairnholt-s210'), 'scsi.signals')).to.equal(null);
  });
  it('somebody feeds the terminators, unless all are known not to', () => {
    const none = (p: Part) =>
      host({ termPower: false })(
        on('cairnholt-s210', (d) => ({ ...d, drive: { ...d.drive!, scsi: { termPower: false } } }))(p)
      );
    expect(severity(bus('cairnholt-s210', none), 'scsi.power')).to.equal('caution');
    expect(severity(bus('cairnholt-s210', host({ termPower: false })), 'scsi.power')).to.equal(null);
    expect(severity(bus('cairnholt-s210'), 'scsi.power')).to.equal(null);
  });
});

describe('a serial port without a queue', () => {
  const terminal = {
    id: 'terminal',
    name: 'Terminal',
    wants: { functions: ['modem' as const] }
  };
  const told = (part: string, slot: string, profiles: (typeof terminal)[]) => {
    const { build, parts: all } = machine({
      board: 'varnoc-d33',
      items: [{ part, slot }],
      brief: { profiles }
    });
    return check(build, all).filter((f) => f.rule === 'serial.buffer');
  };
  it('is told of for a program that uses the line, and only then', () => {
    expect(told('lanteg-io16', '3', [terminal]).length).to.be.greaterThan(0);
    expect(told('lanteg-io16', '3', [])).to.deep.equal([]);
    expect(told('lanteg-ser16', '3', [terminal])).to.deep.equal([]);
  });
});
