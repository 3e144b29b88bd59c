import { expect } from 'chai';
import { ownBoard } from '../../src/lib/words/en/screens/builds';
import { Build, Part, checkPart, freeIdOf, slugOf } from '../../src/lib/core/model';
import { BOARD_CLASSES, ON_BOARD_FUNCTIONS, boardFrom, readBays } from '../../src/lib/core/own';
import { layoutsOf, together } from '../../src/lib/core/kit';
import { checked } from '../../src/lib/core/rules';
import { readTable, withTable } from '../../src/lib/core/table';
import { readPlainParts } from '../../src/lib/server/catalogue';

describe('hardware of one’s own', () => {
  it('makes a board of every class that can be checked, and that says what is not known', () => {
    for (const { id } of BOARD_CLASSES) {
      const board = boardFrom(
        {
          id: 'mine',
          name: 'Mine',
          class: id,
          slots: id === 'xt' ? ['isa8', 'isa8'] : ['isa8', 'isa16', 'isa16'],
          onBoard: [...ON_BOARD_FUNCTIONS]
        },
        ownBoard.part
      );
      expect(checkPart(board), id).to.deep.equal([]);
      const build = Build.parse({ id: 'b', name: 'B', board: { id: 'board', part: 'mine' }, items: [] });
      const { status, findings } = checked(build, new Map([['mine', board]]));
      expect(status, id).to.not.equal('clean');
      const open = findings.find((f) => f.rule === 'unknown.board');
      expect(open, id).to.not.equal(undefined);
    }
  });

  it('judges the lines of a card that was pasted, in a board that was pressed together', () => {
    const board = boardFrom(
      {
        id: 'mine',
        name: 'Mine',
        class: '386dx',
        slots: ['isa16', 'isa16'],
        onBoard: ['com1']
      },
      ownBoard.part
    );
    const blank = Part.parse({ id: 'x', kind: 'card', maker: 'unknown', name: 'X', card: { bus: 'isa8' } });
    const card = withTable(
      blank,
      readTable('Network card\nJP1 I/O: 1-2 300h *, 2-3 320h\nJP2 IRQ: 1-2 4 *, 2-3 5')
    );
    const build = Build.parse({
      id: 'b',
      name: 'B',
      board: { id: 'board', part: 'mine' },
      items: [{ id: 'lan', part: 'x', slot: '1' }]
    });
    const { findings } = checked(build, new Map([board, card].map((p) => [p.id, p])));
    // COM1 on the board holds IRQ 4, where the pasted table puts the network card.
    expect(
      findings.some((f) => f.rule.startsWith('claim') || f.rule.startsWith('line') || f.severity === 'clash')
    ).to.equal(true);
  });

  it('has sixty plain parts or more, each a guess and each without a fault', () => {
    const plain = readPlainParts();
    expect(plain.length).to.be.at.least(60);
    for (const part of plain) {
      expect(checkPart(part), part.id).to.deep.equal([]);
      expect(
        part.evidence.every((e) => e.source === 'guess'),
        part.id
      ).to.equal(true);
    }
  });

  it('never takes an id that is there', () => {
    expect(freeIdOf(slugOf('M/B 386-40 rev 2'), new Set())).to.equal('m-b-386-40-rev-2');
    expect(freeIdOf(slugOf('Mine'), new Set(['mine', 'mine-2']))).to.equal('mine-3');
    expect(slugOf('???', 'my-board')).to.equal('my-board');
  });
});

describe('a portable of one’s own', () => {
  const portable = (bays: string) =>
    boardFrom(
      {
        id: 'mine',
        name: 'Mine',
        class: '486',
        closed: 'laptop',
        slots: ['pc-card'],
        bays: readBays(bays).bays,
        onBoard: ['ide1']
      },
      ownBoard.part
    );
  it('has its bays from lines as they are typed, and every layout that they allow', () => {
    const board = portable('left: floppy, CD-ROM\nright bay: battery or floppy');
    expect(checkPart(board)).to.deep.equal([]);
    expect(board.settings.map((s) => s.label)).to.deep.equal(['left bay', 'right bay']);
    expect(layoutsOf(board).map((l) => l.there.join(' '))).to.deep.equal([
      'in-bay-floppy in-bay-battery',
      'in-bay-cd-rom in-bay-battery',
      'in-bay-floppy in-bay-cd-rom'
    ]);
    const cd = board.functions.find((f) => f.id === 'in-bay-cd-rom');
    expect([cd?.feeds, cd?.speaks, cd?.claims.length]).to.deep.equal([true, ['ata'], 2]);
  });
  it('may have a battery in two bays, and an empty bay', () => {
    const board = portable('1: battery, empty\n2: battery, hard disk');
    expect(layoutsOf(board)).to.have.length(4);
    expect(together(board, ['in-bay-battery', 'in-bay-hard-disk']).layouts.map((l) => l.holds)).to.deep.equal(
      [{ 'bay-1': 'battery', 'bay-2': 'hard-disk' }]
    );
  });
  it('keeps what was not understood, and asks for no supply, keyboard or case', () => {
    expect(readBays('left floppy\n\nright: battery').unread).to.deep.equal(['left floppy']);
    expect(readBays(': x').unread).to.deep.equal([': x']);
    const build = Build.parse({ id: 'b', name: 'B', board: { id: 'board', part: 'mine' }, items: [] });
    const open = checked(build, new Map([['mine', portable('a: floppy')]])).findings.find(
      (f) => f.rule === 'unknown.board'
    );
    expect(open?.facts).to.have.deep.property('open', ['socket', 'clock', 'memory', 'supply', 'panel']);
  });
});
