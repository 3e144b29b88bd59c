import { decodedSentence } from '../../../src/lib/words';
import { expect } from 'chai';
import fc from 'fast-check';
import type { FactId, Part, State } from '../../../src/lib/core/model';
import {
  EncodeError,
  blockState,
  decode,
  encode,
  encodeFacts,
  factsTold,
  foundState,
  isAsPictured,
  isByHand,
  meaningsOf,
  readRow,
  recordBlock,
  recordPicture,
  recordPosition,
  unrecorded
} from '../../../src/lib/core/settings';
import { parts } from '../../support/demo';

const all = [...parts.values()];
const part = (id: string): Part => parts.get(id)!;
const blank = (p: Part) => ({ id: 'x', part: p.id, asFound: {}, chosen: {}, locked: [] });

describe('decode and encode', () => {
  it('encode then decode is the identity on every setting of every part', () => {
    let settings = 0;
    for (const p of all) {
      const hand = p.settings.filter((s) => isByHand(p, s));
      if (!hand.length) continue;
      fc.assert(
        fc.property(
          fc.tuple(...hand.map((s) => fc.constantFrom(...s.positions.map((x) => x.id)))),
          (choice) => {
            const wanted = Object.fromEntries(hand.map((s, i) => [s.id, choice[i]]));
            const read = decode(p, encode(p, wanted));
            expect(Object.fromEntries(read.map((r) => [r.setting.id, r.position])), p.id).to.deep.equal(
              wanted
            );
          }
        ),
        { numRuns: 12 }
      );
      settings += hand.length;
    }
    expect(settings).to.be.greaterThan(250);
  });
  it('each position alone reads back as itself and as nothing else', () => {
    for (const p of all)
      for (const s of p.settings.filter((x) => isByHand(p, x)))
        for (const position of s.positions) {
          const read = decode(p, encode(p, { [s.id]: position.id })).find((r) => r.setting === s)!;
          expect(read.possible, `${p.id} ${s.id}`).to.deep.equal([position.id]);
        }
  });
  it('reads the common XT block in words', () => {
    const px8 = part('skerrin-px8');
    const states = {
      sw1: readRow('off on off off off off off on', px8.blocks[0]),
      sw2: readRow('off on on on off off off off', px8.blocks[1])
    };
    const sentence = decodedSentence(decode(px8, states));
    expect(sentence)
      .to.include('no FPU')
      .and.include('banks 0–3')
      .and.include('monochrome')
      .and.include('two');
    expect(factsTold(px8, decode(px8, states))).to.deep.include({
      fpu: 0,
      banks: 4,
      display: 'mono',
      floppies: 2,
      'memory-kib': 64 + 17 * 32
    });
  });
  it('640 KiB is 18 in binary: ON OFF ON ON OFF', () => {
    const px8 = part('skerrin-px8');
    const { total } = encodeFacts(px8, { 'memory-kib': 640 });
    expect(encode(px8, { total }).sw2).to.deep.equal(
      readRow(
        'on off on on off off off off',
        px8.blocks.find((b) => b.id === 'sw2')!
      )
    );
  });
  it('a switch that is not known leaves every position that agrees', () => {
    const px8 = part('skerrin-px8');
    const read = decode(px8, { sw1: { switches: { 5: 'off' } } }).find((r) => r.setting.id === 'display')!;
    expect(read.position).to.equal(null);
    expect(read.possible).to.have.members(['mono', 'colour40']);
  });
  it('a combination in no table is said to be one', () => {
    const c = part('tollmark-16');
    const header = c.blocks.find((b) => b.kind === 'header')!;
    const setting = c.settings.find((s) => s.block === header.id)!;
    const pairs = setting.positions.flatMap((p) => (p.state && 'caps' in p.state ? p.state.caps : []));
    const read = decode(c, { [header.id]: { caps: pairs } }).find((r) => r.setting === setting)!;
    expect([read.position, read.possible]).to.deep.equal([null, []]);
  });
  it('facts go in and come out on every part that tells them', () => {
    for (const p of all)
      for (const { fact, values } of meaningsOf(p)) {
        if (fact === 'on-board') continue;
        const telling = meaningsOf(p).filter((m) => m.fact === fact);
        for (const value of new Set(values.values())) {
          if (telling.some((m) => ![...m.values.values()].includes(value))) continue;
          const told = factsTold(p, decode(p, encode(p, encodeFacts(p, { [fact as FactId]: value }))));
          // A setting that a program makes is not read off the board.
          if (telling.every((m) => isByHand(p, m.setting)))
            expect(told[fact], `${p.id} ${fact}`).to.equal(value);
        }
      }
  });
  it('what a part cannot say is an error that says what it can', () => {
    expect(() => encode(part('skerrin-px8'), { colour: 'x' })).to.throw(
      EncodeError,
      /no-setting.*fpu.*banks/
    );
    expect(() => encode(part('skerrin-px8'), { fpu: 'x' })).to.throw(EncodeError, /"no","yes"/);
    expect(() => encodeFacts(part('skerrin-px8'), { volts: 5 })).to.throw(EncodeError, /"fact"/);
    expect(() => encodeFacts(part('skerrin-px8'), { floppies: 9 })).to.throw(EncodeError, /"value":"9"/);
  });
  it('every table of meanings is total: each position of a known setting says something', () => {
    for (const p of all)
      for (const { setting, values, fact } of meaningsOf(p))
        for (const position of setting.positions)
          expect(values.has(position.id), `${p.id} ${fact} ${setting.id} ${position.id}`).to.equal(true);
  });
});

describe('what was found', () => {
  const px8 = part('skerrin-px8');
  it('recording a block sets the positions that it shows, and keeps what shows none', () => {
    const half = recordBlock(blank(px8), px8, 'sw1', { switches: { 2: 'on', 5: 'off' } });
    expect(half.asFound).to.deep.equal({ fpu: 'no' });
    expect(half.seen).to.deep.equal({ sw1: { switches: { 2: 'on', 5: 'off' } } });
    const more = recordBlock(half, px8, 'sw1', { switches: { 2: 'on', 5: 'off', 6: 'off' } });
    expect(more.asFound).to.deep.equal({ fpu: 'no', display: 'mono' });
    expect(recordBlock(more, px8, 'sw1', null)).to.deep.equal(blank(px8));
  });
  it('a position that is recorded or taken back changes what was seen with it', () => {
    const seen = recordBlock(blank(px8), px8, 'sw1', { switches: { 2: 'on', 5: 'off', 6: 'off' } });
    const set = recordPosition(seen, px8, 'display', 'own-bios');
    expect(foundState(px8, set, 'sw1')).to.deep.equal({ switches: { 2: 'on', 5: 'on', 6: 'on' } });
    const off = recordPosition(set, px8, 'display', null);
    expect(foundState(px8, off, 'sw1')).to.deep.equal({ switches: { 2: 'on' } });
  });
  it('keeps the photograph that a block was read from, and tells when it stands otherwise since', () => {
    const picture = {
      at: '2026-11-28',
      state: { switches: { 2: 'on', 5: 'off', 6: 'off' } },
      told: 1,
      image: 'data:image/jpeg;base64,AAAA'
    } as const;
    const read = recordPicture(blank(px8), px8, 'sw1', picture);
    expect(read.asFound).to.deep.equal({ fpu: 'no', display: 'mono' });
    expect(isAsPictured(px8, read, 'sw1')).to.equal(true);
    expect(isAsPictured(px8, read, 'sw2'), 'no picture of it').to.equal(null);
    const more = recordBlock(read, px8, 'sw1', { switches: { 1: 'on', 2: 'on', 5: 'off', 6: 'off' } });
    expect(isAsPictured(px8, more, 'sw1'), 'one more was looked at').to.equal(true);
    const set = recordPosition(read, px8, 'display', 'own-bios');
    expect(isAsPictured(px8, set, 'sw1')).to.equal(false);
    expect(recordBlock(set, px8, 'sw1', null), 'forgotten with its picture').to.deep.equal(blank(px8));
  });
  it('recording the state of positions gives those positions, on every part', () => {
    for (const p of all)
      for (const block of p.blocks) {
        const own = p.settings.filter((s) => s.block === block.id && isByHand(p, s));
        if (!own.length) continue;
        const choice = Object.fromEntries(own.map((s) => [s.id, s.positions.at(-1)!.id]));
        const state = blockState(p, block.id, choice) as State;
        expect(recordBlock(blank(p), p, block.id, state).asFound, `${p.id} ${block.id}`).to.deep.equal(
          choice
        );
      }
  });
  it('lists the blocks that nobody wrote down', () => {
    const ids = (item: Parameters<typeof unrecorded>[1]) => unrecorded(px8, item).map((u) => u.block.id);
    expect(ids(blank(px8))).to.deep.equal(['sw1', 'sw2']);
    const half = recordBlock(blank(px8), px8, 'sw1', { switches: { 2: 'on' } });
    expect(unrecorded(px8, half)[0].begun).to.equal(true);
    const whole = recordBlock(half, px8, 'sw1', readRow('off on off off off off off on', px8.blocks[0]));
    expect(ids(whole)).to.deep.equal(['sw2']);
    const strange = recordBlock(whole, px8, 'sw2', readRow('on on on on on on on on', px8.blocks[1]));
    expect(strange.asFound.total, 'in no row').to.equal(undefined);
    expect(ids(strange), 'looked at all the same').to.deep.equal([]);
  });
});
