import { expect } from 'chai';
import { itemOfComponent, levelNow } from '../../src/lib/core/diagnosis';
import { kitOf } from '../../src/lib/core/kit';
import type { Build, ShortStep } from '../../src/lib/core/model';
import { check } from '../../src/lib/core/rules';
import { ON_BOARD, afterMishap, hungOn, huntShort, type Hung } from '../../src/lib/core/rails';
import { demo, parts } from '../support/demo';
import { Seeded } from '../support/random';

const things = (drives: number, cards: number): Hung[] => [
  ...Array.from({ length: drives }, (_, i): Hung => ({
    id: `d${i}`,
    thing: { name: `drive ${i}`, what: { kind: 'keyboard' } },
    kind: 'drive'
  })),
  ...Array.from({ length: cards }, (_, i): Hung => ({
    id: `c${i}`,
    thing: { name: `card ${i}`, what: { kind: 'keyboard' } },
    kind: 'card'
  }))
];

describe('finding a short by halves', () => {
  it('ends at the thing that is short, or at the board, in as few readings as halving takes', () => {
    const r = new Seeded(5);
    for (let n = 0; n < 400; n++) {
      const hung = things(r.int(4), r.int(9));
      const culprit = r.pick([...hung.map((h) => h.id), ON_BOARD]);
      const steps: ShortStep[] = [];
      for (let hunt = huntShort(hung, steps); hunt.state === 'next'; hunt = huntShort(hung, steps)) {
        const out = hunt.out.map((h) => h.id);
        expect(out.length, 'something comes out').to.be.greaterThan(0);
        expect(hunt.suspects).to.include.members(out);
        steps.push({ out, isShort: !out.includes(culprit), at: '2026-11-28T12:00:00Z' });
      }
      const end = huntShort(hung, steps);
      expect([end.state, end.suspects]).to.deep.equal([culprit === ON_BOARD ? 'board' : 'found', [culprit]]);
      expect(steps.length).to.be.at.most(1 + Math.ceil(Math.log2(hung.length + 1)) + 1);
    }
  });
  it('calls it found for sure only when the short went with that one alone out', () => {
    const hung = things(0, 2);
    const at = '2026-11-28T12:00:00Z';
    const alone = { out: ['c0'], isShort: false, at };
    expect(huntShort(hung, [alone])).to.deep.include({ state: 'found', isConfirmed: true });
    const both = [
      { out: ['c0', 'c1'], isShort: false, at },
      { out: ['c1'], isShort: true, at }
    ];
    expect(huntShort(hung, both)).to.deep.include({ state: 'found', isConfirmed: false });
  });
  it('says that one short does not explain it: two of them, or one that comes and goes', () => {
    const at = '2026-11-28T12:00:00Z';
    const steps = [
      { out: ['c0'], isShort: true, at },
      { out: ['c1'], isShort: true, at },
      { out: ['c0', 'c1'], isShort: false, at }
    ];
    expect(huntShort(things(0, 2), steps)).to.deep.include({ state: 'contradiction', suspects: [] });
  });
  it('knows drives and cards of a machine, and passes over what is no more in it', () => {
    const hung = hungOn(demo('plover'), parts);
    expect(hung.filter((h) => h.kind === 'card').length).to.be.greaterThan(3);
    expect(hung.findIndex((h) => h.kind === 'card')).to.be.greaterThan(
      hung.findLastIndex((h) => h.kind === 'drive')
    );
    const gone = [{ out: ['gone'], isShort: true, at: '2026-11-28T12:00:00Z' }];
    expect(huntShort(hung, gone).suspects).to.deep.equal([...hung.map((h) => h.id), ON_BOARD]);
  });
});

describe('which part a suspect is', () => {
  it('is the one that was entered, and none where two may be meant', () => {
    const kit = kitOf(demo('turnstone'), parts);
    expect(itemOfComponent(kit, 'keyboard')?.id).to.equal(kit.keyboard?.item.id);
    expect(itemOfComponent(kit, 'board')?.id).to.equal('board');
    const card = kit.build.items.find((i) => i.slot !== undefined)!;
    expect(itemOfComponent(kit, card.id)).to.equal(card);
    expect(itemOfComponent(kit, 'leak')).to.equal(null);
    const [first] = kit.build.items.filter((i) => parts.get(i.part)?.kind === 'memory');
    const twice = { ...kit.build, items: [...kit.build.items, { ...first!, id: 'more', place: '9' }] };
    expect(itemOfComponent(kitOf(twice, parts), 'memory'), 'one of several').to.equal(null);
  });
});

describe('a machine whose rails were read, or whose plugs were exchanged', () => {
  const build = demo('plover');
  const at = (hour: number) => `2026-11-28T${String(hour).padStart(2, '0')}:00:00.000Z`;
  const good = {
    1: '800',
    2: '300',
    3: '900',
    4: '900',
    5: '0',
    6: '0',
    7: '0',
    8: '0',
    9: '900',
    10: '300',
    11: '300',
    12: '300'
  };
  const ohms = (pins: Record<string, string>, hour = 12): NonNullable<Build['rails']> => ({
    'at-ohms': { at: at(hour), side: 'board', off: true, cards: true, pins }
  });
  const found = (more: Partial<Build>) =>
    check({ ...build, ...more }, parts).flatMap((f) =>
      f.rule === 'power.rails' ? [[f.severity, f.facts.why]] : []
    );
  it('a short is a stop of the machine, and gone with a reading that passes', () => {
    expect(found({ rails: ohms({ ...good, 2: '0.6' }) })).to.deep.equal([['stop', 'read']]);
    expect(found({ rails: ohms(good) })).to.deep.equal([]);
    expect(found({})).to.deep.equal([]);
  });
  it('exchanged plugs stop it until every rail passed after that', () => {
    const mishap = { at: at(14), cased: true };
    expect(found({ mishap })).to.deep.equal([['stop', 'exchanged']]);
    expect(found({ mishap, rails: ohms(good, 12) }), 'read before').to.deep.equal([['stop', 'exchanged']]);
    expect(found({ mishap, rails: ohms({ 2: '300' }, 15) }), 'not all of it').to.deep.equal([
      ['stop', 'exchanged']
    ]);
    expect(found({ mishap, rails: ohms(good, 15) })).to.deep.equal([]);
    expect(afterMishap({ mishap, rails: ohms(good, 15) })).to.equal('checks');
    // What the answers say of the machine counts no more: it is looked at as thoroughly as there is.
    expect(levelNow({ mishap })).to.equal(3);
    expect(levelNow({})).to.be.lessThan(3);
  });
});
