import { expect } from 'chai';
import type { Fix } from '../../src/lib/core/model';
import { machine } from '../../src/lib/core/resources';
import { wholeNumber } from '../../src/lib/ui/disks/record';
import { fixText } from '../../src/lib/ui/labels';
import { canSaveSparse, saveSparse } from '../../src/lib/ui/save-as';
import { demo, parts } from '../support/demo';

describe('words for a fix', () => {
  const m = machine(demo('plover'), parts);
  const nameOf = (item: string) => `a ${item}`;
  const fixes: [Fix, RegExp][] = [
    [{ action: 'set', item: 'audio', setting: 'irq', position: '10' }, /Digit 16: IRQ 10/],
    [{ action: 'move-slot', item: 'network', slot: '4' }, /N8.*4/],
    [{ action: 'move-slot', item: 'network', slot: '4', swapWith: 'audio' }, /N8.*Digit 16/],
    [{ action: 'unlock', item: 'audio', setting: 'irq' }, /Digit 16/],
    [{ action: 'switch-off', item: 'io', function: 'floppy' }, /floppies.*IO-16/],
    [{ action: 'exchange', item: 'audio', with: 'spare' }, /a spare/],
    [{ action: 'take-out', item: 'audio' }, /Digit 16/],
    [{ action: 'jumper', item: 'disk', unit: '0' }, /^a disk: 0$/],
    [{ action: 'jumper', item: 'disk', terminated: true }, /a disk: terminators in/],
    [{ action: 'jumper', item: 'disk', terminated: false }, /a disk: terminators out/],
    [
      { action: 'ribbon', item: 'io', function: 'floppy', ribbon: 'floppy-twist' },
      /IO-16: twist in lines 10–16/
    ],
    [
      { action: 'declare', item: 'disk', setup: { cylinders: 1024, heads: 16, sectors: 63 } },
      /a disk: type 1024 cylinders/
    ],
    [{ action: 'acknowledge', finding: 'x' }, /\w/],
    [
      {
        action: 'never-together',
        a: { item: 'audio', function: 'digital' },
        b: { item: 'network', function: 'network' }
      },
      /never/i
    ]
  ];
  it('each says what it is about', () => {
    for (const [fix, words] of fixes) expect(fixText(m, fix, nameOf), fix.action).to.match(words);
  });
  it('something that is no longer there is named by its id, not by nothing', () => {
    expect(fixText(m, { action: 'take-out', item: 'gone' }, nameOf)).to.include('gone');
  });
});

describe('numbers as people type them', () => {
  it('with and without marks between the thousands', () => {
    for (const told of ['8192', ' 8192 ', '8,192', '8 192', '8.192'])
      expect(wholeNumber(told, 65_536), told).to.equal(8192);
    expect(wholeNumber('4,294,967,295', 2 ** 48)).to.equal(4_294_967_295);
  });
  it('nothing else is one', () => {
    for (const told of ['', ' ', '0', '-5', '1.5', '8,19', 'many', '1e3', '0x10', '65537', '12 34'])
      expect(wholeNumber(told, 65_536), told).to.equal(null);
  });
});

describe('saving what is mostly nothing', () => {
  const place = globalThis as { showSaveFilePicker?: unknown };
  afterEach(() => delete place.showSaveFilePicker);
  const image = {
    size: 1_000_000,
    chunks: [
      { offset: 0, bytes: new Uint8Array([1, 2]) },
      { offset: 512, bytes: new Uint8Array([3]) }
    ]
  };
  it('writes the pieces where they belong and gives the file its size', async () => {
    expect(canSaveSparse()).to.equal(false);
    const done: unknown[] = [];
    place.showSaveFilePicker = (o: { suggestedName: string }) =>
      Promise.resolve({
        createWritable: () =>
          Promise.resolve({
            truncate: async (n: number) => done.push(['truncate', n]),
            write: async (w: { position: number; data: Uint8Array }) => done.push([w.position, [...w.data]]),
            close: async () => done.push(['close', o.suggestedName])
          })
      });
    expect(canSaveSparse()).to.equal(true);
    expect(await saveSparse('a.img', image)).to.equal(true);
    expect(done).to.deep.equal([['truncate', 1_000_000], [0, [1, 2]], [512, [3]], ['close', 'a.img']]); // oxfmt-ignore
  });
  it('choosing no place is no trouble, anything else is told', async () => {
    const failing = (name: string) => () => Promise.reject(Object.assign(new Error('no'), { name }));
    place.showSaveFilePicker = failing('AbortError');
    expect(await saveSparse('a.img', image)).to.equal(false);
    place.showSaveFilePicker = failing('SecurityError');
    let told = '';
    await saveSparse('a.img', image).catch((error: Error) => (told = error.name));
    expect(told).to.equal('SecurityError');
  });
});
