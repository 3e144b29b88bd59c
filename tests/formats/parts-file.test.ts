import { expect } from 'chai';
import { incoming, withPartIds } from '../../src/lib/core/own';
import { partSet, type Part } from '../../src/lib/core/model';
import { MOST_PARTS, readParts, writeParts, writePartsCsv, writePartsYaml } from '../../src/lib/formats';
import { parts } from '../support/demo';
import { Seeded } from '../support/random';

const all = [...parts.values()];

describe('a collection of parts', () => {
  it('comes back as it went out, in JSON and in YAML', () => {
    const r = new Seeded(41);
    for (let n = 0; n < 20; n++) {
      const some = r.some(all, 1 + r.int(12));
      for (const text of [writeParts(some), writePartsYaml(some)]) {
        const read = readParts(text, 'f');
        expect(read.refused).to.deep.equal([]);
        expect(read.parts).to.deep.equal(some);
      }
    }
  });

  it('is also a list, or one part alone', () => {
    expect(readParts(JSON.stringify(all[0]), 'f').parts).to.deep.equal([all[0]]);
    expect(readParts(JSON.stringify(all.slice(0, 3)), 'f').parts).to.have.length(3);
  });

  it('keeps out what is not whole and takes the rest', () => {
    const bad = { ...all[1]!, functions: 'many' };
    const read = readParts(JSON.stringify([all[0], bad, all[0], 7]), 'f');
    expect(read.parts).to.deep.equal([all[0]]);
    expect(read.refused.map((x) => x.name)).to.deep.equal([all[1]!.id, all[0]!.id, 'part 4']);
  });

  it('says what is wrong with a file that is none', () => {
    expect(() => readParts('{', 'f')).to.throw();
    expect(() => readParts('format: other/thing\nparts: []', 'f')).to.throw('The collection');
    expect(() => readParts('format: yellow-jumper/parts\nversion: 9\nparts: []', 'f')).to.throw(
      'The collection'
    );
    expect(() => readParts(JSON.stringify(Array(MOST_PARTS + 1).fill(all[0])), 'f')).to.throw(
      'The collection'
    );
    expect(readParts('hello', 'f').parts).to.deep.equal([]);
  });

  it('stands as new, the same, different from mine, or from the catalogue', () => {
    const [mine, theirs, same, fresh] = [all[0]!, all[1]!, all[2]!, { ...all[3]!, id: 'never-seen' }];
    const changed = (p: Part): Part => ({ ...p, summary: 'said otherwise' });
    const rows = incoming([changed(mine), changed(theirs), same, fresh], parts, new Set([mine.id]));
    expect(rows.map((x) => x.standing)).to.deep.equal(['differs', 'catalogue', 'same', 'new']);
    expect(rows[0]!.differences).to.deep.equal(['summary']);
    // What is there already is left alone unless somebody chooses, and the catalogue is never replaced.
    expect(rows.map((x) => x.choices[0])).to.deep.equal(['leave', 'leave', 'leave', 'take']);
    expect(rows[1]!.choices).to.not.include('replace');
  });

  it('names the entries of a list that differ', () => {
    const card = all.find((p) => p.settings.length > 1)!;
    const changed = structuredClone(card);
    changed.settings[1]!.label = 'another name';
    const [row] = incoming([changed], partSet([card]), new Set());
    expect(row!.differences).to.deep.equal([`settings ${card.settings[1]!.id}`]);
  });

  it('lets a board follow its BIOS under another id', () => {
    const board = all.find((p) => p.board?.firmware)!;
    const { firmware } = board.board!;
    const names = new Map([[firmware!, 'my-bios-2']]);
    expect(withPartIds(board, names).board!.firmware).to.equal('my-bios-2');
    expect(withPartIds(board, new Map())).to.deep.equal(board);
  });

  it('is a table to read, with nothing a spreadsheet would run', () => {
    const csv = writePartsCsv([{ ...all[0]!, name: '=1+1' }]);
    expect(csv).to.include("'=1+1");
    expect(csv.split('\r\n')).to.have.length(3);
  });
});
