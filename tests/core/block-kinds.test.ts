import { actionWords } from '../../src/lib/words';
import { expect } from 'chai';
import { BLOCK_KINDS, Block, Part, checkPart, placesOf } from '../../src/lib/core/model';
import { moveList } from '../../src/lib/core/moves';
import { NotationError, isByHand, readRow, writeRow } from '../../src/lib/core/settings';
import { moveCost } from '../../src/lib/core/solver';
import { board, card, machineOf } from '../support/make';

const slide = Block.parse({ id: 's', kind: 'slide', steps: 3, stepLabels: ['MONO', 'CGA', 'EGA'] });
const packs = Block.parse({ id: 'r', kind: 'resistor', packs: 2 });
const withBlocks = (extra: object) =>
  Part.parse({ id: 'x', kind: 'card', maker: 'm', name: 'X', card: { bus: 'isa8' }, ...extra });

describe('kinds of blocks', () => {
  it('says of every kind what its state is, and how many places it has', () => {
    for (const kind of Object.keys(BLOCK_KINDS)) expect(BLOCK_KINDS[kind as 'dip'].prefix).to.not.equal('');
    expect([placesOf(slide), placesOf(packs)]).to.deep.equal([3, 2]);
    expect(BLOCK_KINDS.slide).to.include({ state: 'step', byHand: true });
    expect(BLOCK_KINDS.resistor).to.include({ state: 'bridges', byHand: true });
  });

  it('takes a slide switch and resistor packs in a part, and refuses places that they do not have', () => {
    const setting = (block: string, states: object[]) => ({
      id: `set-${block}`,
      label: block,
      block,
      default: 'p0',
      positions: states.map((state, i) => ({ id: `p${i}`, label: `p${i}`, state }))
    });
    const good = withBlocks({
      blocks: [slide, packs],
      settings: [
        setting('s', [{ step: 0 }, { step: 2 }]),
        setting('r', [{ bridges: [] }, { bridges: [1, 2] }])
      ]
    });
    expect(checkPart(good)).to.deep.equal([]);
    expect(good.settings.every((s) => isByHand(good, s))).to.equal(true);
    const beyond = withBlocks({
      blocks: [slide, packs],
      settings: [setting('s', [{ step: 3 }]), setting('r', [{ bridges: [3] }, { caps: [[1, 2]] }])]
    });
    expect(checkPart(beyond)).to.have.length(3);
  });

  it('reads them as they are typed, and writes them back', () => {
    expect(readRow('1', slide)).to.deep.equal({ step: 1 });
    expect(() => readRow('3', slide))
      .to.throw(NotationError)
      .with.deep.property('flaw', { is: 'place', word: '3', places: 3 });
    expect(readRow('1 2', packs)).to.deep.equal({ bridges: [1, 2] });
    expect(readRow('none', packs)).to.deep.equal({ bridges: [] });
    expect(() => readRow('3', packs))
      .to.throw(NotationError)
      .with.deep.property('flaw', { is: 'pack', word: '3', places: 2 });
    expect(writeRow(slide, { step: 2 })).to.equal('2');
    expect(writeRow(packs, { bridges: [1] })).to.equal('1');
  });

  it('says how to move them, and what it costs', () => {
    expect(moveCost(slide, { step: 0 }, { step: 1 })).to.equal(2);
    expect(moveCost(packs, { bridges: [] }, { bridges: [1] })).to.be.lessThan(BLOCK_KINDS.solder.cost);
    const { build, parts } = machineOf(board('at', ['isa8']), [
      card('c', [], {
        blocks: [slide, packs],
        settings: [
          {
            id: 'mode',
            label: 'Mode',
            block: 's',
            default: 'a',
            positions: [
              { id: 'a', label: 'mono', state: { step: 0 } },
              { id: 'b', label: 'EGA', state: { step: 2 } }
            ]
          },
          {
            id: 'term',
            label: 'Terminators',
            block: 'r',
            default: 'in',
            positions: [
              { id: 'in', label: 'in', state: { bridges: [1, 2] } },
              { id: 'out', label: 'out', state: { bridges: [] } }
            ]
          }
        ]
      })
    ]);
    const item = build.items[0]!;
    item.asFound = { mode: 'a', term: 'in' };
    item.chosen = { mode: 'b', term: 'out' };
    const texts = moveList(build, parts)
      .jobs.flatMap((j) => j.actions.map(actionWords))
      .join('\n');
    expect(texts).to.match(/slide to EGA/);
    expect(texts).to.match(/all packs out; keep them/);
  });
});
