import { actionWords } from '../../src/lib/words';
import { expect } from 'chai';
import Papa from 'papaparse';
import { machine } from '../../src/lib/core/resources';
import { moveList } from '../../src/lib/core/moves';
import { choose, loom, resolve } from '../../src/lib/core/solver';
import { claimsCsv, exportKinds, exported, movesCsv, sheetMarkdown, sheetOf } from '../../src/lib/formats';
import type { Build } from '../../src/lib/core/model';
import { demo, parts } from '../support/demo';

const solved = (id: string): Build => {
  const found = resolve(demo(id), parts, {});
  if (found.status !== 'solved') throw new Error(found.status);
  return choose(demo(id), found);
};
const rowsOf = (csv: string) =>
  Papa.parse<Record<string, string>>(csv, { header: true, skipEmptyLines: true });

describe('tables for other programs', () => {
  it('hold every claim of the machine once', () => {
    for (const id of ['plover', 'dunlin', 'turnstone']) {
      const { data, errors, meta } = rowsOf(claimsCsv(demo(id), parts));
      expect(errors).to.deep.equal([]);
      expect(meta.fields!.slice(0, 5)).to.deep.equal(['slot', 'item', 'function', 'resource', 'from']);
      const drawn = loom(machine(demo(id), parts)).flatMap((g) =>
        g.rows.flatMap((row) => [...row.marks.filter((m) => m.state === 'cap'), ...row.ports, ...row.windows])
      );
      // The loom leaves out what every machine of the class has.
      const own = data.filter((row) => row.item !== 'System board');
      expect(own.length, id).to.equal(drawn.length);
      expect(data.length - own.length, id).to.be.greaterThan(8);
    }
    const { data } = rowsOf(claimsCsv(demo('plover'), parts));
    const audio = data.filter((row) => row.item === 'Digit 16');
    expect(audio.map((r) => `${r.resource} ${r.from}`)).to.include.members(['irq 5', 'dma 1', 'io 220h']);
  });
  it('hold every move in its order', () => {
    const build = solved('plover');
    const { data } = rowsOf(movesCsv(build, parts));
    const actions = moveList(build, parts).jobs.flatMap((job) => job.actions);
    expect(data.map((r) => r.step)).to.deep.equal(data.map((_, i) => String(i + 1)));
    for (const action of actions) expect(data.map((r) => r['what to do'])).to.include(actionWords(action));
  });
  it('carry names of any kind, and none that a spreadsheet would run', () => {
    const wild = (label: string): Build => ({
      ...demo('plover'),
      items: demo('plover').items.map((i) => (i.id === 'audio' ? { ...i, label } : i))
    });
    for (const label of ['two\nlines', 'a "b", c;\td', '–ünï'])
      expect(rowsOf(claimsCsv(wild(label), parts)).data.map((r) => r.item)).to.include(label);
    for (const label of ['=1+1', '@sum', '+1', '-1'])
      expect(rowsOf(claimsCsv(wild(label), parts)).data.map((r) => r.item)).to.include(`'${label}`);
  });
});

describe('the sheet as Markdown', () => {
  it('holds the steps, the cautions and the lines of the sheet', () => {
    const sheet = sheetOf(solved('plover'), parts);
    const text = sheetMarkdown(sheet);
    for (const [i, step] of sheet.steps.entries())
      expect(text)
        .to.include(`${i + 1}. [ ] `)
        .and.include(step.title);
    expect(text.match(/^> \*\*(Danger|Caution):\*\*/gm)).to.have.length(
      sheet.cautions.length + sheet.powerCautions.length
    );
    expect(text.match(/^\| /gm)).to.have.length(sheet.lines.length + 2);
  });
  it('lets no name become a mark, a link or HTML', () => {
    const name = '# <img src=x> [a](b) | **c** `d`';
    const text = sheetMarkdown(sheetOf({ ...demo('plover'), name }, parts));
    expect(text.split('\n')[0]).to.equal(
      '# Bench sheet: \\# \\<img src=x\\> \\[a\\](b) \\| \\*\\*c\\*\\* \\`d\\`'
    );
  });
});

describe('exports', () => {
  it('are named after the build, whatever its id', () => {
    for (const kind of exportKinds) {
      const { name, content, media } = exported({ ...demo('dunlin'), id: '../../etc/passwd' }, parts, kind);
      expect(name).to.match(/^[a-z0-9-]+(\.json|-(claims|moves)\.csv|-sheet\.(txt|md))$/);
      expect(content.length).to.be.greaterThan(50);
      expect(media).to.match(/^(text|application)\//);
    }
  });
});
