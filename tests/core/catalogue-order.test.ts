import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { expect } from 'chai';
import { isAlias, isMap, isScalar, isSeq, parseDocument, type Document, type YAMLMap } from 'yaml';
import { parts } from '../support/demo';

const folder = new URL('../../catalogue', import.meta.url).pathname;
const forms = ['columns', 'ends', 'positions', 'values'] as const;

/** A field of a file as its author wrote it, read from the syntax tree and not through objects. */
interface Written {
  part: string;
  field: string;
  keys: string[];
  standard: string | undefined;
}

const textOf = (node: unknown): string => {
  if (!isScalar(node)) throw new Error('a key or default is no plain word');
  return String(node.value);
};

function target<T>(doc: Document, node: T): unknown {
  return isAlias(node) ? node.resolve(doc) : node;
}

function fieldsOf(doc: Document, part: YAMLMap): Written[] {
  const fields = target(doc, part.get('fields', true));
  if (!isSeq(fields)) return [];
  return fields.items.map((item) => {
    const field = target(doc, item) as YAMLMap;
    const list = forms.flatMap((form) => {
      const map = target(doc, field.get(form, true));
      return isMap(map) ? [map.items.map((pair) => textOf(pair.key))] : [];
    })[0];
    const open = target(doc, field.get('open', true));
    const standard = field.get('default', true);
    return {
      part: textOf(part.get('id', true)),
      field: textOf(field.get('id', true)),
      keys: [...(list ?? []), ...(isMap(open) ? open.items.map((pair) => textOf(pair.key)) : [])],
      standard: standard === undefined ? undefined : textOf(standard)
    };
  });
}

const written = readdirSync(folder)
  .filter((name) => name.endsWith('.yaml'))
  .flatMap((name) => {
    const doc = parseDocument(readFileSync(join(folder, name), 'utf8'), { merge: true });
    const top = doc.contents;
    const list = isSeq(top) ? top : isMap(top) ? top.get('parts', true) : null;
    const entries = isSeq(list) ? list.items : [top];
    return entries.flatMap((entry) => (isMap(entry) ? fieldsOf(doc, entry) : []));
  });

describe('fields of the catalogue are as their files say', () => {
  it('positions in the order of the file, also where their names are numbers', () => {
    expect(written.length).to.be.greaterThan(150);
    const numeric = written.filter((w) => w.keys.filter((k) => /^\d+$/.test(k)).length > 1);
    expect(numeric.length, 'fields whose positions are named by numbers').to.be.greaterThan(60);
    for (const { part, field, keys } of written) {
      const setting = parts.get(part)!.settings.find((s) => s.id === field)!;
      expect(
        setting.positions.map((p) => p.id),
        `${part} ${field}`
      ).to.deep.equal(keys);
    }
  });

  it('each with the default that its file names', () => {
    for (const { part, field, standard } of written) {
      expect(standard, `${part} ${field} names its default`).to.be.a('string');
      expect(parts.get(part)!.settings.find((s) => s.id === field)!.default, `${part} ${field}`).to.equal(
        standard
      );
    }
  });

  it('pins go along with the order: the first column of a header is the first position', () => {
    const jumpers = written.flatMap(({ part, field }) => {
      const { settings, blocks } = parts.get(part)!;
      const setting = settings.find((s) => s.id === field)!;
      return blocks.find((b) => b.id === setting.block)?.kind === 'header' ? [{ part, setting }] : [];
    });
    expect(jumpers.length).to.be.greaterThan(80);
    for (const { part, setting } of jumpers) {
      const first = setting.positions.map((p) =>
        p.state && 'caps' in p.state ? (p.state.caps[0]?.[0] ?? 999) : -1
      );
      expect(first, `${part} ${setting.id}`).to.deep.equal([...first].sort((a, b) => a - b));
    }
  });

  it('the printer port of a multi-I/O card that nobody looked at is taken to be at 378h', () => {
    for (const id of ['corvane-io9', 'brackwell-s286', 'brackwell-s286d'])
      expect(parts.get(id)!.settings.find((s) => s.id === 'lpt')!.default, id).to.equal('378');
  });
});
