import { expect } from 'chai';
import {
  ohmsSay,
  pinsFor,
  plugPins,
  plugSays,
  railAdvice,
  railStops,
  readOhms,
  readVolts,
  voltsSay,
  type Rail
} from '../../src/lib/core/rails';
import { RailReadings } from '../../src/lib/core/model';
import { railAdviceWords, railVerdictWords, railWhyWords } from '../../src/lib/words';

const at = '2026-11-28T10:00:00.000Z';
const board = { side: 'board', off: true } as const;
const steady = (value: number) => ({ value, isSteady: true });

describe('readings of a meter', () => {
  it('are read as people write them, and nothing else is taken for a number', () => {
    const ohms = ['0.6', '1,2k', '4k7', '2.2 kΩ', 'open', 'OL', '30 climbing', '10M', '3R'].map(readOhms);
    expect(ohms.map((r) => r?.value)).to.deep.equal([0.6, 1200, 4700, 2200, Infinity, Infinity, 30, 1e7, 3]);
    expect(ohms[6]!.isSteady).to.equal(false);
    expect(['', 'low', '4.7k3', '12 3', '-5', '5 V'].map(readOhms)).to.deep.equal(Array(6).fill(null));
    expect(['4.98', '-11,9 V', '−5', '+12.1', '0'].map((t) => readVolts(t)?.value)).to.deep.equal([
      4.98, -11.9, -5, 12.1, 0
    ]);
    expect(['', 'five', '123', '5k'].map(readVolts)).to.deep.equal(Array(4).fill(null));
  });
});

describe('ohms of a rail', () => {
  const say = (rail: Rail, value: number, more: object = {}) =>
    ohmsSay(rail, steady(value), { ...board, ...more }).verdict;
  it('are short, suspicious or right by the table, with cards and bare', () => {
    expect([1.9, 2, 99, 100].map((v) => say('+5', v))).to.deep.equal([
      'short',
      'suspicious',
      'suspicious',
      'pass'
    ]);
    expect([4.9, 5, 999, 1000].map((v) => say('+12', v))).to.deep.equal([
      'short',
      'suspicious',
      'suspicious',
      'pass'
    ]);
    expect([199, 200].map((v) => say('-12', v, { cards: true }))).to.deep.equal(['suspicious', 'pass']);
    expect([9.9, 499, Infinity].map((v) => say('power-good', v))).to.deep.equal([
      'short',
      'suspicious',
      'pass'
    ]);
    expect([0.4, 3].map((v) => say('ground', v))).to.deep.equal(['pass', 'suspicious']);
  });
  it('of a supply have its resistors in them: 10 Ω and more are no short', () => {
    expect([0, 5, 10, 40].map((v) => say('+5', v, { side: 'supply' }))).to.deep.equal([
      'short',
      'suspicious',
      'pass',
      'pass'
    ]);
  });
  it('say nothing with power on, while they move, or when nobody says at which side', () => {
    expect(ohmsSay('+5', steady(0.2), { side: 'board' })).to.deep.equal({ verdict: 'void', why: 'power-on' });
    expect(ohmsSay('+5', { value: 0.2, isSteady: false }, board).why).to.equal('moving');
    expect(ohmsSay('+5', steady(0.2), { off: true }).why).to.equal('side');
  });
});

describe('volts of a rail', () => {
  const say = (rail: Rail, value: number, loaded = true) => voltsSay(rail, steady(value), { loaded });
  it('are inside, just inside or outside their limits, negative ones by their size', () => {
    expect([4.74, 4.75, 4.9, 5.24, 5.26].map((v) => say('+5', v).verdict)).to.deep.equal([
      'fail',
      'edge',
      'pass',
      'edge',
      'fail'
    ]);
    expect([-10.7, -12, -13.3].map((v) => say('-12', v).verdict)).to.deep.equal(['fail', 'pass', 'fail']);
    expect(say('-12', 12).why).to.equal('sign');
    expect(say('+3.3', 0.01).why).to.equal('absent');
  });
  it('without a load say only whether the rail is there', () => {
    expect(say('+12', 10.6, false)).to.deep.equal({ verdict: 'void', why: 'no-load' });
    expect(say('+12', 0, false).verdict).to.equal('fail');
    expect(say('standby', 5, false).verdict).to.equal('pass');
  });
  it('of power good are low, high, or between, which is a fault', () => {
    expect([0.2, 1.5, 4.8].map((v) => say('power-good', v).why)).to.deep.equal(['held-low', 'between', 'ok']);
  });
});

describe('a plug as a whole', () => {
  const read = (plug: 'at' | 'atx20' | 'drive' | 'floppy' | 'slot', kind: 'ohms' | 'volts', more: object) =>
    railAdvice(plug, kind, plugSays(plug, kind, RailReadings.parse({ at, pins: {}, ...more }))).map(
      (a) => a.what
    );
  it('has its pins in the order of the standard; the small drive plug the other way round', () => {
    expect(plugPins.at.map((p) => p.rail).join(' ')).to.equal(
      'power-good +5 +12 -12 ground ground ground ground -5 +5 +5 +5'
    );
    expect(plugPins.drive.map((p) => p.rail)).to.deep.equal(
      [...plugPins.floppy].reverse().map((p) => p.rail)
    );
    expect(plugPins.atx20.filter((p) => p.rail === 'ground').map((p) => p.n)).to.deep.equal([
      3, 5, 7, 13, 15, 16, 17
    ]);
    expect(
      pinsFor('slot', 'volts').map((p) => p.n),
      'never +12 in a live slot'
    ).to.deep.equal([29]);
  });
  it('is called right only when every rail of it was read and is right', () => {
    const all = { '1': '900', '2': '300', '3': '2k', '4': '2k', '9': '1k' };
    expect(read('at', 'ohms', { ...board, pins: all })).to.deep.equal(['fine']);
    for (const odd of ['40', '300 climbing', 'dunno'])
      expect(read('at', 'ohms', { ...board, pins: { ...all, '10': odd } }), odd).not.to.include('fine');
    expect(read('at', 'ohms', { ...board, pins: { '2': '300' } }), 'the rest was not read').to.deep.equal([]);
    expect(read('at', 'ohms', { ...board, pins: { ...all, '3': '0.5' } })).to.deep.equal(['stop', 'halve']);
    expect(read('at', 'ohms', { ...board, pins: { ...all, '2': '40' } })).to.deep.equal(['compare']);
    expect(read('at', 'ohms', { side: 'board', pins: all }), 'with power on').to.deep.equal(['again']);
    expect(read('at', 'ohms', {})).to.deep.equal([]);
    expect(
      read('at', 'ohms', { ...board, pins: { '2': 'dunno' } }),
      'not understood is no fault'
    ).to.deep.equal([]);
  });
  it('with right rails and power good low points to load and supply', () => {
    const pins = { '4': '5.02', '10': '12.1', '8': '0.1' };
    expect(read('atx20', 'volts', { loaded: true, pins })).to.deep.equal(['supply']);
    expect(read('atx20', 'volts', { pins: { '10': '11' } })).to.deep.equal(['load']);
  });
  it('that reads short holds the whole machine back, until it is read again', () => {
    const rails = (pins: Record<string, string>) => ({
      'drive-ohms': RailReadings.parse({ at, ...board, pins })
    });
    expect(railStops({ rails: rails({ '1': '0.5', '4': '300' }) })).to.deep.equal([
      { plug: 'drive', rails: ['+12'] }
    ]);
    expect(railStops({ rails: rails({ '1': '2k' }) })).to.deep.equal([]);
    expect(railStops({})).to.deep.equal([]);
    const live = RailReadings.parse({ at, loaded: true, pins: { '4': '6.1' } });
    expect(railStops({ rails: { 'drive-volts': live } })[0]!.rails).to.deep.equal(['+5']);
  });
  it('has words for everything it says', () => {
    for (const text of [...Object.values(railVerdictWords), ...Object.values(railWhyWords)])
      expect(text).not.to.match(/undefined/);
    for (const what of ['supply', 'again', 'fine', 'load'] as const)
      expect(railAdviceWords({ what })).to.match(/\.$/);
    expect(railAdviceWords({ what: 'stop', rails: ['+5', '-12'] })).to.match(/\+5 V and −12 V/);
  });

  it('a short on the side of the supply is sought on its leads, not in cards', () => {
    const told = (side: 'board' | 'supply') => {
      const readings = { at: '2026-11-28T12:00:00.000Z', side, off: true, pins: { 2: '0.4' } };
      return railAdvice('at', 'ohms', plugSays('at', 'ohms', readings), side).map((a) => a.what);
    };
    expect(told('board')).to.deep.equal(['stop', 'halve']);
    expect(told('supply')).to.deep.equal(['stop', 'leads']);
  });
});
