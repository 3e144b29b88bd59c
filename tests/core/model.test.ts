import { expect } from 'chai';
import { Part, checkPart, hex, parseHex, upgrade } from '../../src/lib/core/model';
import { idFrom } from '../../src/lib/server/builds';
import { board, card, jumper } from '../support/make';
import { problemOf, problemsOf } from '../../src/lib/words';

const problems = (part: unknown) =>
  problemsOf(checkPart(Part.parse(part))).map((p) => `${p.path}: ${p.message}`);

describe('addresses', () => {
  it('are read as 220, 220h and 0x220, and shown as 220h', () => {
    for (const text of ['220', '220h', '0x220', ' 220H ']) expect(parseHex(text), text).to.equal(0x220);
    for (const text of ['', 'h', '0x', '22g', '-1', '123456789']) expect(parseHex(text), text).to.equal(null);
    expect(hex(0x220)).to.equal('220h');
    expect(hex(0xc8000, 5)).to.equal('C8000h');
  });
});

describe('checkPart', () => {
  const irq = jumper('irq', [5, 7]);
  const good = card('good', [{ resource: 'irq', from: irq.from }], {
    blocks: [irq.block],
    settings: [irq.setting]
  });
  it('finds nothing wrong with a whole part', () => expect(problems(good)).to.deep.equal([]));
  it('names a table that is not total', () =>
    expect(
      problems({
        ...good,
        functions: [
          { ...good.functions![0], claims: [{ resource: 'irq', from: { setting: 'irq', values: { 5: 5 } } }] }
        ]
      })
    ).to.deep.equal([
      'functions[0].claims[0].from.values: position "7" is missing; write null if it takes nothing'
    ]));
  it('names a hole in a table over several settings', () => {
    const other = jumper('other', [1, 2]);
    const rows = [
      { when: { irq: '5', other: '1' }, value: 5 },
      { when: { irq: '7' }, value: 7 }
    ];
    const part = {
      ...good,
      blocks: [irq.block, other.block],
      settings: [irq.setting, other.setting],
      functions: [
        { ...good.functions![0], claims: [{ resource: 'irq', from: { settings: ['irq', 'other'], rows } }] }
      ]
    };
    expect(problems(part)).to.deep.equal(['functions[0].claims[0].from.rows: no row for irq = 5, other = 2']);
    expect(
      problems({ ...part, constraints: [{ forbid: { irq: ['5'], other: ['2'] }, why: 'no' }] })
    ).to.deep.equal([]);
  });
  it('names pins outside their block', () => {
    const setting = {
      ...irq.setting,
      positions: [{ id: '5', label: '5', state: { caps: [[1, 9]] } }, irq.setting.positions[1]]
    };
    expect(problems({ ...good, settings: [setting] })).to.deep.equal([
      'settings[0].positions[0].state: pin 9 of 4'
    ]);
  });
  it('names references that lead nowhere', () => {
    expect(
      problems({
        ...good,
        settings: [
          {
            ...irq.setting,
            block: 'jx',
            positions: [
              { id: '5', label: '5' },
              { id: '7', label: '7' }
            ]
          }
        ]
      })[0]
    ).to.match(/no block "jx"/);
    expect(problems({ ...good, constraints: [{ apart: ['f', 'g'], why: 'x' }] })[0]).to.match(
      /no function "g"/
    );
    expect(
      problems({ ...good, functions: [{ ...good.functions![0], off: [{ enable: ['off'] }] }] })[0]
    ).to.match(/no setting "enable"/);
    expect(
      problems({ ...good, functions: [{ ...good.functions![0], claims: [{ resource: 'irq' }] }] })[0]
    ).to.match(/exactly one of value/);
    expect(problems({ ...board('at', ['isa8']), board: undefined })[0]).to.match(/board facts/);
  });
});

describe('upgrade', () => {
  const draft = {
    format: 'yellow-jumper/build',
    version: 0,
    build: {
      id: 'x',
      name: 'X',
      board: { id: 'board', part: 'b', found: { j: 'a' } },
      cards: [{ id: 'c', part: 'p', found: { k: 'b' } }]
    },
    parts: []
  };
  it('brings a draft file up to date', () => {
    const { file } = upgrade(draft) as unknown as {
      file: { version: number; build: { items: { asFound: object }[]; board: { asFound: object } } };
    };
    expect(file.version).to.equal(1);
    expect(file.build.items[0].asFound).to.deep.equal({ k: 'b' });
    expect(file.build.board.asFound).to.deep.equal({ j: 'a' });
  });
  it('refuses other files and newer ones with a sentence', () => {
    const wrong = (data: unknown) => {
      const read = upgrade(data);
      return 'wrong' in read ? problemOf(read.wrong).message : null;
    };
    expect(wrong([])).to.match(/not a JSON object/);
    expect(wrong({ format: 'other' })).to.match(/some other kind of file/);
    expect(wrong({ ...draft, version: 7 })).to.match(/newer release/);
    expect(wrong({ ...draft, version: 'one' })).to.match(/whole number/);
  });
});

describe('idFrom', () => {
  it('makes an id of any name', () => {
    expect(idFrom('Tide desk, 2nd!')).to.equal('tide-desk-2nd');
    expect(idFrom('Übersee')).to.equal('ubersee');
    expect(idFrom('???')).to.equal('build');
  });
});
