import { featureLabel } from '../../src/lib/words';
import { expect } from 'chai';
import { checkPart } from '../../src/lib/core/model';
import { allFeatures, dateCode, draftFrom, featuresOf, rank, type Seen } from '../../src/lib/core/identify';
import { parts } from '../support/demo';
import { Seeded } from '../support/random';

const boards = [...parts.values()].filter((p) => p.board);
const cards = [...parts.values()].filter((p) => p.card);
/** What a careful person sees of a part: everything that its document shows. */
const sights = (id: string): Seen[] =>
  [...featuresOf(parts.get(id)!)].map(([feature, { value }]) => ({ feature, value }));

describe('identifying', () => {
  it('a part of which everything was seen comes first, boards and cards alike', () => {
    for (const list of [boards, cards])
      for (const part of list) {
        const { candidates } = rank(list, sights(part.id));
        const first = candidates[0];
        const twins = candidates.filter((c) => Math.abs(c.probability - first.probability) < 1e-9);
        expect(
          twins.map((c) => c.part.id),
          part.id
        ).to.include(part.id);
        expect(first.against, part.id).to.deep.equal([]);
      }
  });
  it('survives a few mistakes and things overlooked', () => {
    const r = new Seeded(7);
    let right = 0;
    for (const board of boards) {
      const seen = sights(board.id)
        .filter(() => r.chance(0.6))
        .map((s) => (typeof s.value === 'number' && r.chance(0.1) ? { ...s, value: s.value + 1 } : s));
      if (
        rank(boards, seen)
          .candidates.slice(0, 3)
          .some((c) => c.part.id === board.id)
      )
        right++;
    }
    expect(right / boards.length).to.be.greaterThan(0.85);
  });
  it('probabilities with "none of these" add up to one, and nothing seen tells nothing', () => {
    const empty = rank(boards, []);
    expect(empty.none).to.be.closeTo(0.2, 1e-9);
    expect(rank([], []).none).to.equal(1);
    for (const seen of [sights('varnoc-d33').slice(0, 4), sights('skerrin-px8')]) {
      const { candidates, none } = rank(boards, seen);
      expect(candidates.reduce((n, c) => n + c.probability, none)).to.be.closeTo(1, 1e-9);
    }
  });
  it('a board in no book ends at "none of these"', () => {
    const seen: Seen[] = [
      { feature: 'slots.isa16', value: 11 },
      { feature: 'slots.pci', value: 6 },
      { feature: 'sockets.simm30', value: 16 },
      { feature: 'battery', value: 'none' },
      { feature: 'cpu-socket', value: 'dip40' }
    ];
    const { none, candidates } = rank(boards, seen);
    expect(none).to.be.greaterThan(candidates[0].probability);
  });
  it('hard contradictions speak for a board in no book, one slip does not', () => {
    const honest = sights('skerrin-px8').filter((s) => s.feature !== 'etched');
    const other = (s: Seen): Seen => ({
      ...s,
      value: typeof s.value === 'number' ? s.value + 3 : typeof s.value === 'boolean' ? !s.value : 'another'
    });
    const first = (wrong: number) => {
      const ranking = rank(
        boards,
        honest.map((s, i) => (i < wrong ? other(s) : s))
      );
      return { none: ranking.none, likeliest: ranking.candidates[0] };
    };
    expect(first(0).likeliest.part.id).to.equal('skerrin-px8');
    expect(first(0).none).to.be.lessThan(0.15);
    expect(first(1).likeliest.part.id).to.equal('skerrin-px8');
    expect(first(3).none).to.be.greaterThan(first(3).likeliest.probability);
    expect(first(4).none).to.be.greaterThan(0.9);
  });
  it('names what the document has and the board lacks', () => {
    const seen: Seen[] = [
      ...sights('varnoc-d33').filter((s) => s.feature !== 'named.jp6'),
      { feature: 'named.jp6', value: false }
    ];
    const found = rank(boards, seen).candidates.find((c) => c.part.id === 'varnoc-d33')!;
    expect(found.against.map((a) => [featureLabel(a.feature), a.seen, a.known])).to.deep.equal([
      ['JP6', false, true]
    ]);
  });
  it('the next thing to look at splits what is left, and is never one that was looked at', () => {
    const seen: Seen[] = [{ feature: 'slots.isa16', value: 5 }];
    const { next } = rank(boards, seen);
    expect(next.length).to.be.greaterThan(0);
    expect(next.map((n) => n.feature.id)).to.not.include('slots.isa16');
    for (const look of next) {
      expect(look.gain).to.be.greaterThan(0);
      expect(look.answers.reduce((n, a) => n + a.share, 0)).to.be.closeTo(1, 1e-9);
    }
    expect([...next].sort((a, b) => b.gain - a.gain)).to.deep.equal(next);
  });
  it('following the advice finds a board in few looks', () => {
    let looks = 0;
    for (const board of boards) {
      let seen: Seen[] = [];
      for (let n = 0; n < 12; n++) {
        const { candidates, next } = rank(boards, seen);
        if ((candidates[0].probability > 0.8 && candidates[0].part === board) || !next.length) break;
        const feature = next[0].feature.id;
        const value =
          featuresOf(board).get(feature)?.value ?? (next[0].feature.kind === 'there' ? false : undefined);
        seen = [...seen, { feature, value: value ?? '' }];
        looks++;
      }
    }
    expect(looks / boards.length).to.be.lessThan(6);
  });
  it('date codes give "not before"', () => {
    expect(dateCode('9315')).to.deep.equal({ year: 1993, week: 15 });
    expect(dateCode('0102')).to.deep.equal({ year: 2001, week: 2 });
    for (const no of ['9354', '9300', '931', '93155', 'ab12']) expect(dateCode(no), no).to.equal(null);
    const { notBefore, candidates } = rank(boards, [], ['8843', '9311', 'x']);
    expect(notBefore).to.deep.equal({ year: 1993, week: 11 });
    const old = candidates.find((c) => c.part.id === 'skerrin-px5')!;
    const young = candidates.find((c) => c.part.id === 'varnoc-v66')!;
    expect(old.probability).to.be.lessThan(young.probability);
  });
  it('"none of these" goes on with what was seen', () => {
    const seen: Seen[] = [
      { feature: 'slot-order', value: '8 16 16 P' },
      { feature: 'named.jp7', value: true },
      { feature: 'named.sw1', value: true },
      { feature: 'chip.two chipset chips', value: true },
      { feature: 'etched', value: 'ab-12' },
      { feature: 'battery', value: 'barrel' }
    ];
    const draft = draftFrom('board', seen, 'seen-1');
    expect(checkPart(draft)).to.deep.equal([]);
    expect(draft.board!.slots.map((s) => s.bus)).to.deep.equal(['isa8', 'isa16', 'isa16', 'pci']);
    expect(draft.blocks.map((b) => b.kind)).to.deep.equal(['header', 'dip']);
    expect([draft.name, draft.board!.battery, draft.look!.chips]).to.deep.equal([
      'AB-12',
      'barrel',
      ['two chipset chips']
    ]);
    expect(allFeatures([draft]).length).to.be.greaterThan(3);
    expect(checkPart(draftFrom('card', [], 'seen-2'))).to.deep.equal([]);
  });
});
