import { expect } from 'chai';
import { Build, partSet, type Part, type Slot } from '../../src/lib/core/model';
import { fitsSlot } from '../../src/lib/core/planner/services';
import { freeSlots, machine, narrowed, obstacle, untried } from '../../src/lib/core/resources';
import { check, type RuleId } from '../../src/lib/core/rules';
import { resolve } from '../../src/lib/core/solver';
import { parts } from '../support/demo';

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
    for (const { board, slot } of kinds)
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
