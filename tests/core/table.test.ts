import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { parse } from 'yaml';
import { printTable, readTable, withTable, type TableReading, type Told } from '../../src/lib/core/table';
import { Seeded } from '../support/random';
import { Part, checkPart, type State } from '../../src/lib/core/model';
import { torture } from '../support/torture';

interface Case {
  shape: string;
  text: string;
  reads: string[];
  asks?: string[];
  /** How many lines are not understood. */
  lost?: number;
}
const cases = parse(readFileSync(new URL('./tables/cases.yaml', import.meta.url), 'utf8')) as Case[];

const hex = (n: number) => n.toString(16).toUpperCase();
const toldWord = (t: Told): string => {
  switch (t.kind) {
    case 'io':
      return `io${hex(t.port)}`;
    case 'irq':
      return `irq${t.line}`;
    case 'dma':
      return `dma${t.channel}`;
    case 'memory':
      return `mem${hex(t.base)}`;
    case 'fact':
      return `${t.fact}${t.value}`;
    case 'switched':
      return t.on ? 'on' : 'off';
    case 'reserved':
      return 'reserved';
  }
};
const stateWord = (s: State): string =>
  'switches' in s
    ? Object.entries(s.switches)
        .map(([n, side]) => n + (side === 'on' ? '+' : '-'))
        .join('')
    : 'caps' in s
      ? s.caps.map((c) => c.join('-')).join('+') || 'none'
      : '?';
const dump = (text: string): string[] =>
  readTable(text).settings.map(
    (s) =>
      `${s.block}: ${s.positions
        .map(
          (p) =>
            `${stateWord(p.state)}=${p.told.map(toldWord).join(' ') || '?'}${p.isDefault ? '*' : ''}${p.assumed ? '~' : ''}`
        )
        .join(', ')}`
  );

describe('pasted tables', () => {
  for (const [i, c] of cases.entries())
    it(`reads ${c.shape} (${i + 1})`, () => {
      expect(dump(c.text)).to.deep.equal(c.reads);
      if (c.lost !== undefined)
        expect(readTable(c.text).lines.filter((l) => l.as === 'not-understood')).to.have.length(c.lost);
      for (const about of c.asks ?? [])
        expect(readTable(c.text).questions.map((q) => q.about)).to.include(about);
    });

  const card = Part.parse({
    id: 'pasted',
    kind: 'card',
    maker: 'unknown',
    name: 'Pasted',
    card: { bus: 'isa8' }
  });
  it('makes a part of every one of them that the checks of a part accept', () => {
    for (const c of cases) {
      const part = withTable(card, readTable(c.text));
      expect(Part.safeParse(part).error, c.text).to.equal(undefined);
      expect(checkPart(part), c.text).to.deep.equal([]);
    }
  });
  it('prints the part as a table that is read as the same settings', () => {
    for (const c of cases) {
      if (c.asks?.some((a) => ['contradiction', 'defaults'].includes(a))) continue;
      const part = withTable(card, readTable(c.text));
      const printed = printTable(part);
      expect(dump(printed), `${c.text}\n--- printed:\n${printed}`).to.deep.equal(c.reads);
      expect(withTable(card, readTable(printed)).blocks, printed).to.deep.equal(part.blocks);
    }
  });
  const held = (read: TableReading): Set<number> =>
    new Set([
      ...read.settings.flatMap((s) => s.positions.flatMap((p) => p.lines)),
      ...read.questions.flatMap((q) => (q.about === 'too-many' ? q.lines : []))
    ]);
  it('says of no line that it was read unless a position holds it', () => {
    for (const { text } of cases) {
      const read = readTable(text);
      const rows = read.lines.filter((l) => l.as === 'rows').map((l) => l.n);
      expect(
        rows.filter((n) => !held(read).has(n)),
        text
      ).to.deep.equal([]);
    }
  });
  it('a letter by itself is a meaning, of a drive with its colon or without', () => {
    const labels = (text: string) => readTable(text).settings.map((x) => x.positions.map((p) => p.label));
    expect(labels('JP1 1-2 = A, 2-3 = B')).to.deep.equal([['A', 'B']]);
    expect(labels('SW1 1-2: off off = A, on off = B, off on = C')).to.deep.equal([['A', 'B', 'C']]);
    expect(labels('JP1 Drive  1-2 A:  2-3 B:')).to.deep.equal([['drive A', 'drive B']]);
    expect(labels('Drive select JP1: 1-2 A:, 2-3 B:')).to.deep.equal([['drive A', 'drive B']]);
    expect(labels('JP1  Alpha  1-2\n     Beta   2-3')).to.deep.equal([['Alpha', 'Beta']]);
  });
  it('keeps every line, and never fails, whatever is pasted', () => {
    const random = new Seeded(7);
    const words = cases.flatMap((c) => c.text.split(/(\s+)/));
    for (let i = 0; i < torture(1500, 500); i++) {
      const text = Array.from({ length: 1 + random.int(40) }, () => words[random.int(words.length)]).join('');
      const read = readTable(text);
      expect(read.lines.map((l) => l.text).join('\n')).to.equal(text.replace(/\r\n?/g, '\n'));
      const part = withTable(card, read);
      expect(Part.safeParse(part).error, text).to.equal(undefined);
    }
  });
});
