import { expect } from 'chai';
import { Build, Part, checkBuild, checkPart, partSet, type Flaw } from '../../src/lib/core/model';
import { problemsOf } from '../../src/lib/words';
import { board, card, jumper } from '../support/make';
import { demo, parts } from '../support/demo';

type PartIn = Parameters<typeof Part.parse>[0];

const irq = jumper('irq', [5, 7]);
const whole = card('good', [{ resource: 'irq', from: irq.from }], {
  blocks: [irq.block],
  settings: [irq.setting]
});
const fn = whole.functions![0]!;
const setting = irq.setting;
/** The part with some of its fields changed. */
const part = (change: Partial<typeof whole>): PartIn => ({ ...whole, ...change });
const claiming = (...claims: unknown[]): PartIn => part({ functions: [{ ...fn, claims } as typeof fn] });
const set = (change: object): PartIn => part({ settings: [{ ...setting, ...change }] });
const positions = (n: number) => Array.from({ length: n }, (_, i) => ({ id: `p${i}`, label: `P${i}` }));

/** A part with one flaw: where it is, and what is said of it. */
const partFlaws: [flaw: Flaw['is'], part: PartIn, where: string, says: RegExp][] = [
  ['twice', part({ functions: [fn, fn] }), 'functions', /^"\S+" appears twice$/],
  ['twice', part({ blocks: [irq.block, irq.block] }), 'blocks', /appears twice/],
  ['twice', part({ settings: [setting, setting] }), 'settings', /"irq" appears twice/],
  [
    'twice',
    set({ positions: [...setting.positions, setting.positions[0]] }),
    'settings[0].positions',
    /"5" appears twice/
  ],
  [
    'twice',
    claiming({ id: 'a', resource: 'irq', value: 5 }, { id: 'a', resource: 'dma', value: 1 }),
    'functions[0].claims',
    /"a" appears twice/
  ],
  ['no-facts', part({ card: undefined }), 'card', /needs its card facts \(bus\)/],
  ['sold-backwards', part({ sold: { from: 1993, to: 1991 } }), 'sold', /sold to is before sold from/],
  ['no-block', set({ block: 'jp9' }), 'settings[0].block', /no block "jp9"/],
  ['no-block-for-state', set({ block: undefined }), 'settings[0].positions[0].state', /needs a block/],
  [
    'no-positions',
    part({ settings: [{ ...setting, positions: [], default: undefined }], functions: [] }),
    'settings[0].positions',
    /at least one position/
  ],
  ['no-default', set({ default: undefined }), 'settings[0].default', /has a default/],
  ['no-position', set({ default: '9' }), 'settings[0].default', /no position "9"/],
  [
    'beyond',
    set({ positions: [{ id: '5', label: '5', state: { caps: [[1, 99]] } }, setting.positions[1]] }),
    'settings[0].positions[0].state',
    /^pin 99 of \d+$/
  ],
  [
    'wrong-form',
    set({ positions: [{ id: '5', label: '5', state: { switches: { 1: 'on' } } }, setting.positions[1]] }),
    'settings[0].positions[0].state',
    /switches are on a DIP block, and \S+ is header/
  ],
  [
    'no-setting',
    part({ functions: [{ ...fn, off: [{ mode: ['a'] }] }] }),
    'functions[0].off[0]',
    /no setting "mode"/
  ],
  [
    'no-such-position',
    part({ functions: [{ ...fn, off: [{ irq: ['off'] }] }] }),
    'functions[0].off[0]',
    /setting "irq" has no position "off"/
  ],
  ['sources', claiming({ resource: 'irq' }), 'functions[0].claims[0]', /exactly one of value, from, pin/],
  [
    'sources',
    claiming({
      resource: 'io',
      value: '220',
      from: { setting: 'irq', values: { 5: '220', 7: '240' } },
      length: 16
    }),
    'functions[0].claims[0]',
    /exactly one of value, from$/
  ],
  [
    'past-last',
    claiming(
      { resource: 'irq', from: { setting: 'irq', values: { 5: 5, 7: 15 } } },
      { resource: 'io', value: 'FFF8', length: 16 }
    ),
    'functions[0].claims[1].value',
    /what begins at FFF8h does not end by FFFFh/
  ],
  [
    'position-missing',
    claiming({ resource: 'irq', from: { setting: 'irq', values: { 5: 5 } } }),
    'functions[0].claims[0].from.values',
    /position "7" is missing; write null if it takes nothing/
  ],
  [
    'no-such-position',
    claiming({ resource: 'irq', from: { setting: 'irq', values: { 5: 5, 7: 7, 9: 9 } } }),
    'functions[0].claims[0].from.values',
    /setting "irq" has no position "9"/
  ],
  [
    'not-among',
    claiming({ resource: 'irq', from: { settings: ['irq'], rows: [{ when: { mode: '5' }, value: 5 }] } }),
    'functions[0].claims[0].from.rows[0]',
    /"mode" is not among its settings/
  ],
  [
    'no-row',
    claiming({ resource: 'irq', from: { settings: ['irq'], rows: [{ when: { irq: '5' }, value: 5 }] } }),
    'functions[0].claims[0].from.rows',
    /^no row for irq = 7$/
  ],
  [
    'row-length',
    part({ constraints: [{ allow: { settings: ['irq'], rows: [['5', '7']] }, why: 'x' }] }),
    'constraints[0].allow.rows[0]',
    /has 2 entries for 1 setting$/
  ],
  [
    'no-function',
    part({ constraints: [{ apart: ['main', 'other'], why: 'x' }] }),
    'constraints[0]',
    /no function "\S+"/
  ],
  [
    'no-function',
    part({ startup: [{ file: 'AUTOEXEC.BAT', text: 'LOAD', when: 'nobody' }] as never }),
    'startup[0].when',
    /no function "nobody"/
  ],
  [
    'no-setting',
    part({ means: [{ fact: 'monitor', setting: 'colour', values: {} }] as never }),
    'means[0].setting',
    /no setting "colour"/
  ],
  [
    'too-many',
    part({ functions: Array.from({ length: 17 }, (_, i) => ({ ...fn, id: `f${i}`, claims: [] })) }),
    'functions',
    /17 functions; no part has more than 16/
  ],
  [
    'too-many',
    part({
      functions: Array.from({ length: 2 }, (_, i) => ({
        ...fn,
        id: `f${i}`,
        claims: Array.from({ length: 25 }, () => ({ resource: 'irq' as const, value: 5 }))
      }))
    }),
    'functions',
    /50 claims in all; no part has more than 48/
  ],
  [
    'too-many',
    part({
      blocks: [],
      settings: ['a', 'b'].map((id) => ({
        id,
        label: id,
        known: true,
        default: 'p0',
        positions: positions(100)
      })),
      functions: [
        {
          ...fn,
          claims: [{ resource: 'irq', from: { settings: ['a', 'b'], rows: [{ when: {}, value: 5 }] } }]
        }
      ]
    } as never),
    'settings',
    /1000\d joint positions; no part has more than 8192\. Split a claim/
  ]
];

describe('what can be wrong with a part', () => {
  it('nothing is, with the one that the others are made of', () => {
    expect(problemsOf(checkPart(Part.parse(whole)))).to.deep.equal([]);
  });
  for (const [flaw, document, where, says] of partFlaws)
    it(`${flaw} at ${where}: ${String(says)}`, () => {
      const found = checkPart(Part.parse(document));
      const here = found.filter((p) => p.path === where && p.flaw.is === flaw);
      expect(here, JSON.stringify(problemsOf(found))).to.have.length.at.least(1);
      expect(problemsOf(here)[0]!.message).to.match(says);
    });
  it('numbers beyond the last one are named as the field writes them', () => {
    const said = (claim: object) => problemsOf(checkPart(Part.parse(claiming(claim)))).map((p) => p.message);
    const schema = (claim: object) => Part.safeParse(claiming(claim)).success;
    expect(said({ resource: 'io', value: 'FFFF', length: 1 })).to.deep.equal([]);
    expect(said({ resource: 'io', value: 'FFFF', length: 2 })).to.deep.equal([
      'what begins at FFFFh does not end by FFFFh, the last I/O port'
    ]);
    expect(said({ resource: 'memory', value: 'FFFFF000', length: 0x1000, use: 'rom' })).to.deep.equal([]);
    // Some are refused by the schema, before anything is looked up.
    for (const [resource, value] of [
      ['irq', 16],
      ['dma', 8]
    ])
      if (schema({ resource, value })) expect(said({ resource, value })[0]).to.match(/they go from 0 to/);
  });
});

const plover = demo('plover');
const here = (change: object) => ({ ...plover, ...change });
const audio = plover.items.find((i) => i.id === 'audio')!;
const withAudio = (change: object) =>
  here({ items: plover.items.map((i) => (i === audio ? { ...i, ...change } : i)) });
const wanted = (refs: object) => here({ brief: { ...plover.brief, ...refs } });

/** The demo machine with one flaw. */
const buildFlaws: [flaw: Flaw['is'], build: object, where: RegExp, says: RegExp][] = [
  ['board-id', here({ board: { ...plover.board, id: 'b' } }), /^board\.id$/, /board's item id is "board"/],
  ['no-board', here({ board: { ...plover.board, part: audio.part } }), /^board\.part$/, /is not a board/],
  ['no-part', here({ board: { ...plover.board, part: 'nobody' } }), /^board\.part$/, /no part "nobody"/],
  ['no-part', withAudio({ part: 'nobody' }), /^items\[\d+\]\.part$/, /no part "nobody"/],
  ['taken', here({ items: [...plover.items, audio] }), /^items$/, /"audio" is used twice or reserved/],
  ['taken', withAudio({ id: 'system' }), /^items$/, /"system" is used twice or reserved/],
  ['taken', withAudio({ id: 'board' }), /^items$/, /"board" is used twice or reserved/],
  ['no-slot', withAudio({ slot: '99' }), /^items\[\d+\]\.slot$/, /no slot "99"/],
  ['no-slot', withAudio({ slotAsFound: '99' }), /slotAsFound$/, /no slot "99"/],
  ['part-without-setting', withAudio({ chosen: { colour: 'red' } }), /chosen/, /has no setting "colour"/],
  ['no-such-position', withAudio({ chosen: { irq: '99' } }), /chosen/, /setting "irq" has no position "99"/],
  [
    'no-such-position',
    withAudio({ asFound: { irq: '99' } }),
    /asFound/,
    /setting "irq" has no position "99"/
  ],
  ['no-item', here({ resident: [{ item: 'x', function: 'y' }] }), /^resident\[0\]\.item$/, /no item "x"/],
  [
    'item-without-function',
    wanted({ mustBeOn: [{ item: 'audio', function: 'y' }] }),
    /^brief\.mustBeOn\[0\]\.function$/,
    /"audio" has no function "y"/
  ],
  ['no-item', wanted({ mayBeOff: [{ item: 'x', function: 'y' }] }), /mayBeOff\[0\]\.item/, /no item "x"/],
  [
    'no-item',
    here({
      neverTogether: [
        [
          { item: 'audio', function: parts.get(audio.part)!.functions[0]!.id },
          { item: 'x', function: 'y' }
        ]
      ]
    }),
    /^neverTogether\[0\]\[1\]\.item$/,
    /no item "x"/
  ]
];

describe('what can be wrong with a build', () => {
  it('nothing is, with any of the demo', () => {
    for (const id of ['plover', 'dunlin', 'turnstone', 'sanderling', 'curlew'])
      expect(checkBuild(demo(id), parts), id).to.deep.equal([]);
  });
  for (const [flaw, document, where, says] of buildFlaws)
    it(`${flaw} at ${String(where)}: ${String(says)}`, () => {
      const found = checkBuild(Build.parse(document), parts);
      const at = found.filter((p) => where.test(p.path) && p.flaw.is === flaw);
      expect(at, JSON.stringify(problemsOf(found))).to.have.length.at.least(1);
      expect(problemsOf(at)[0]!.message).to.match(says);
    });
  it('a machine that claims more lines than any has', () => {
    const wide = Part.parse({
      ...card('wide', []),
      functions: Array.from({ length: 4 }, (_, i) => ({
        ...fn,
        id: `f${i}`,
        claims: Array.from({ length: 12 }, () => ({ resource: 'irq', value: 5 }))
      }))
    });
    const mainboard = Part.parse({ ...board('at', ['isa16']), id: 'mine' });
    const build = Build.parse({
      id: 'b',
      name: 'B',
      board: { id: 'board', part: 'mine' },
      items: Array.from({ length: 9 }, (_, i) => ({ id: `c${i}`, part: 'wide' }))
    });
    const found = problemsOf(checkBuild(build, partSet([mainboard, wide])));
    expect(found.map((p) => p.message)).to.include('the parts claim 432 lines; no machine has more than 400');
  });
});
