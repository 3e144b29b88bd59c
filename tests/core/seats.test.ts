import { expect } from 'chai';
import { Build, Part, partSet, type Slot, type Trial } from '../../src/lib/core/model';
import { fitsSlot } from '../../src/lib/core/planner/services';
import { freeSlots, machine, narrowed, obstacle, untried } from '../../src/lib/core/resources';
import { check, type RuleId } from '../../src/lib/core/rules';
import { resolve } from '../../src/lib/core/solver';
import { find, type Case } from '../support/cases';
import { parts } from '../support/demo';
import { torture } from '../support/torture';

/** Findings that say of a card that it does not go into its slot, or does not work there. */
const SEAT_RULES: readonly RuleId[] = ['slot.kind', 'slot.width', 'slot.length', 'slot.skirt'];
const all = [...parts.values()];
const cards = all.filter((p) => p.card);

/** Every slot of the catalogue that is unlike the others, with a board that has it. */
function slots(): { board: Part; slot: Slot }[] {
  const seen = new Map<string, { board: Part; slot: Slot }>();
  for (const board of all)
    for (const slot of board.board?.slots ?? []) {
      const { id: _i, label: _l, routing: _r, bracket: _b, ...rest } = slot;
      const key = JSON.stringify([board.board!.class, rest]);
      if (!seen.has(key)) seen.set(key, { board, slot });
    }
  return [...seen.values()];
}
const seated = (board: Part, slot: Slot, card: Part): Build =>
  Build.parse({
    id: 'm',
    name: 'M',
    board: { id: 'board', part: board.id },
    items: [{ id: 'c', part: card.id, slot: slot.id }]
  });

describe('whether a card goes into a slot', () => {
  it('has one answer, for every card and every kind of slot of the catalogue', () => {
    const kinds = slots();
    expect(kinds.length * cards.length).to.be.greaterThan(1500);
    for (const { board, slot } of kinds.filter((_, n) => n % torture(1, 4) === 0))
      for (const card of cards) {
        const name = `${card.id} in slot ${slot.id} of ${board.id}`;
        const why = obstacle(card, slot);
        const build = seated(board, slot, card);
        const own = partSet([board, card, ...all.filter((p) => p.kind === 'bios')]);
        // The check.
        const bad = check(build, own).filter(
          (f) => SEAT_RULES.includes(f.rule) && (f.severity === 'clash' || f.severity === 'stop')
        );
        // A card of which nothing is on asks nothing of its slot; every card of the catalogue does.
        expect(bad.length > 0, `check: ${name}`).to.equal(why !== null);
        // Adding, dragging and moving.
        const offered = freeSlots({ ...build, items: [] }, own, card).some((s) => s.id === slot.id);
        expect(offered, `adding: ${name}`).to.equal(why === null);
        // The planner takes only what is known to work.
        const isKnown = why === null && narrowed(card, slot) !== 'untried' && untried(card, slot) === null;
        expect(fitsSlot(card, slot), `planner: ${name}`).to.equal(isKnown);
        // The machine whose lines are worked out.
        const fitted = machine(build, own).find('c')!;
        if (why && why.why !== 'length' && why.why !== 'skirt')
          expect(fitted.misfit, `lines: ${name}`).to.deep.equal(why);
        else expect(fitted.misfit, `lines: ${name}`).to.equal(null);
      }
  });
  it('a relaxation never moves a card to where it does not go', () => {
    let moves = 0;
    for (const { board, slot } of slots())
      for (const card of cards.filter((c) => c.card!.bus === 'isa16').slice(0, 12)) {
        if (!obstacle(card, slot)) continue;
        const own = partSet([board, card, ...all.filter((p) => p.kind === 'bios')]);
        const build = seated(board, slot, card);
        const got = resolve(build, own, { alternatives: 0 });
        if (got.status !== 'impossible') continue;
        for (const { fixes } of got.relaxations)
          for (const fix of fixes)
            if (fix.action === 'move-slot') {
              moves++;
              const to = board.board!.slots.find((s) => s.id === fix.slot)!;
              expect(obstacle(card, to), `${card.id} to ${fix.slot} of ${board.id}`).to.equal(null);
            }
      }
    expect(moves).to.be.greaterThan(0);
  });
});

describe('tries of a card in a slot', () => {
  const board = all.find((p) => p.id === 'skerrin-px8')!;
  const slot = board.board!.slots[0]!;
  const of = (claim: 'yes' | 'no' | 'untried', tried: Trial[]) => {
    const card = Part.parse({
      ...cards.find((c) => c.card!.bus === 'isa16')!,
      card: { bus: 'isa16', fallback8: claim }
    });
    const build = seated(board, slot, card);
    const items = build.items.map((i) => ({ ...i, tried }));
    const own = partSet([board, card, ...all.filter((p) => p.kind === 'bios')]);
    const found = check({ ...build, items }, own).find((f) => f.rule === 'slot.width');
    return found && [found.facts.state, found.severity];
  };
  const trial = (result: Trial['result'], more: Partial<Trial> = {}): Trial => ({
    board: 'skerrin-px8',
    slot: slot.id,
    clockMHz: 4.77,
    result,
    ...more
  });
  it('decide in the same board, slot and clock, whatever the catalogue says', () => {
    for (const claim of ['yes', 'no', 'untried'] as const) {
      expect(of(claim, [trial('works')]), claim).to.deep.equal(['works', 'note']);
      expect(of(claim, [trial('does-not')]), claim).to.deep.equal(['cannot', 'clash']);
      expect(of(claim, [trial('partly')]), claim).to.deep.equal(['cannot', 'clash']);
      const both = of(claim, [trial('works'), trial('does-not')]);
      expect(both, `${claim}, both`).to.deep.equal(['untried', 'caution']);
    }
  });
  it('decide nothing elsewhere: another board, another slot, another or no clock', () => {
    const elsewhere = [
      trial('does-not', { board: 'skerrin-px5' }),
      trial('does-not', { slot: 'another' }),
      trial('does-not', { clockMHz: 8 }),
      { ...trial('does-not'), clockMHz: undefined },
      { ...trial('does-not'), slot: undefined }
    ];
    for (const [i, t] of elsewhere.entries()) {
      expect(of('yes', [t as Trial]), String(i)).to.deep.equal(['works', 'note']);
      expect(of('untried', [t as Trial]), String(i)).to.deep.equal(['untried', 'caution']);
    }
    expect(
      of('no', [trial('works', { clockMHz: 8 })]),
      'it goes in, and nobody knows of this clock'
    ).to.deep.equal(['untried', 'caution']);
  });
});

describe('a card that has no slot yet', () => {
  /** What is said of a build, with a card of it in a slot or not. */
  const said = (part: string, slot: string | null, rule: string, more: Partial<Case> = {}) =>
    find(
      { board: 'varnoc-d40', ...more, items: [{ part, ...(slot ? { slot } : {}) }, ...(more.items ?? [])] },
      rule
    )?.sentence ?? null;

  it('is named where it is missed: by a monitor, a drive, a wish; and is not missed once it has one', () => {
    const rows: [part: string, rule: string, more: Partial<Case>][] = [
      ['brim-v16', 'video.signal', { items: [{ part: 'glimmerby-v14' }] }],
      ['corvane-ide', 'disk.interface', { items: [{ part: 'cairnholt-a120' }] }],
      ['harl-n16', 'brief.wish', { brief: { wishes: [{ kind: 'have', what: 'network' }] } }],
      ['velmar-16', 'brief.wish', { brief: { wishes: [{ kind: 'have', what: 'game' }] } }],
      [
        'brim-v16',
        'brief.wish',
        { items: [{ part: 'glimmerby-v14' }], brief: { wishes: [{ kind: 'colour' }] } }
      ]
    ];
    for (const [part, rule, more] of rows) {
      expect(said(part, null, rule, more), `${part}, ${rule}`).to.match(/in no slot that takes it/);
      expect(said(part, '3', rule, more), `${part}, ${rule}, in a slot`).to.equal(null);
      expect(said('oddmere-clock', null, rule, more), `${rule}, another card`).to.match(
        /There is no|no controller|there is none|has none/
      );
    }
    expect(said('brim-v16', null, 'kit.missing')).to.not.match(/video card|display/);
    expect(said('oddmere-clock', null, 'kit.missing')).to.match(/video card|display/);
  });
});
