import { expect } from 'chai';
import fc from 'fast-check';
import Papa from 'papaparse';
import { ShelfItem } from '../../src/lib/core/model';
import { readShelfCsv, shelfCsv } from '../../src/lib/formats';
import { parts } from '../support/demo';

const item = (extra: object) => ShelfItem.parse({ id: 'new', ...extra });

describe('the shelf as a table', () => {
  it('comes back as it went', () => {
    const items = [
      item({
        part: 'brim-v16',
        condition: 'works',
        place: 'crate 1',
        cost: 12.5,
        asFound: { width: '8', irq9: 'off' }
      }),
      item({
        part: 'tollmark-8',
        label: 'the loud one',
        notes: 'two "quotes", a comma\nand a line',
        loans: [{ to: 'the school' }]
      }),
      item({ part: 'varnoc-d33', condition: 'faulty', bought: '2026-03-02' })
    ];
    const rows = readShelfCsv(shelfCsv(items, parts), parts);
    expect(rows.map((r) => r.problems)).to.deep.equal([[], [], []]);
    expect(rows.map((r) => r.item)).to.deep.equal(items);
  });
  it('any text survives, and none of it becomes a formula', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 80 }), fc.string({ maxLength: 60 }), (notes, place) => {
        const [tidyNotes, tidyPlace] = [
          notes.trim().replace(/\r\n?/g, '\n'),
          place.trim().replace(/\r\n?/g, '\n')
        ];
        const one = item({
          part: 'harl-n8',
          ...(tidyNotes ? { notes: tidyNotes } : {}),
          ...(tidyPlace ? { place: tidyPlace } : {})
        });
        const text = shelfCsv([one], parts);
        const cells = Papa.parse<string[]>(text, { delimiter: ',' }).data.flat();
        expect(cells.filter((cell) => /^[=+\-@]/.test(cell))).to.deep.equal([]);
        const [row] = readShelfCsv(text, parts);
        expect([row.item?.notes ?? '', row.item?.place ?? '']).to.deep.equal([tidyNotes, tidyPlace]);
      }),
      {
        numRuns: 300,
        examples: [
          ['', "'@"],
          [';;', ';-'],
          ["''=1", '-2']
        ]
      }
    );
  });
  it('takes a part by maker and name, columns in any order, and says what is wrong beside each row', () => {
    const rows = readShelfCsv(
      'Place,Part,Condition,Cost,Settings\nbox,Brimwell V16,works,"3,50",width=8\nbox,No Such,works,,\nbox,harl-n8,shiny,much,io=999\n',
      parts
    );
    expect(rows[0].item).to.include({ part: 'brim-v16', cost: 3.5 });
    expect(rows[1].problems.map((p) => p.path)).to.deep.equal(['part']);
    expect(rows[2].problems.map((p) => p.path)).to.deep.equal(['condition', 'cost', 'settings']);
    expect(rows.map((r) => r.line)).to.deep.equal([2, 3, 4]);
  });
  it('takes cells parted by semicolons or tabs, as the first line has them', () => {
    for (const mark of [';', '\t']) {
      const [row] = readShelfCsv(`part${mark}notes\nharl-n8${mark}"a;b, c;d"\n`, parts);
      expect(row.item).to.include({ part: 'harl-n8', notes: 'a;b, c;d' });
    }
  });
  it('a table of something else is told, not guessed', () => {
    expect(readShelfCsv('name,age\nx,3\n', parts)[0].problems[0].message).to.match(/no column "part"/);
    expect(readShelfCsv('', parts)[0].problems).to.have.length(1);
    expect(readShelfCsv('part\n\n\n', parts)).to.deep.equal([]);
  });
});
