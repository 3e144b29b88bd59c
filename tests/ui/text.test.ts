import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { expect } from 'chai';
import { parse, type AST } from 'svelte/compiler';
import ts from 'typescript';
import { allText as text } from '../../src/lib/words/en/screens/all';

const root = new URL('../..', import.meta.url).pathname;
const src = join(root, 'src');
const components = (readdirSync(src, { recursive: true }) as string[]).filter((f) => f.endsWith('.svelte'));

const hasWord = (words: string) => /\p{L}{2}/u.test(words);
/** Attributes whose value a person hears or reads. */
const spoken = new Set(['aria-label', 'aria-description', 'placeholder', 'title', 'alt', 'label']);

/** Words that stand in the markup itself instead of in the collected text. */
function literals(node: unknown, inSpoken = false): string[] {
  if (Array.isArray(node)) return node.flatMap((child) => literals(child, inSpoken));
  if (typeof node !== 'object' || node === null) return [];
  const { type } = node as { type?: string };
  if (type === 'Text') return hasWord((node as AST.Text).data) ? [(node as AST.Text).data.trim()] : [];
  if (type === 'Attribute') {
    const { name, value } = node as AST.Attribute;
    return spoken.has(name) ? literals(value, true) : [];
  }
  if (type === 'ExpressionTag' || inSpoken) {
    const { value, raw } = node as { value?: unknown; raw?: string };
    if ((type === 'Literal' || type === 'TemplateElement') && typeof (value ?? raw) !== 'undefined') {
      const words =
        typeof value === 'object' && value ? String((value as { raw: string }).raw) : String(value);
      return /\p{L}{2}.*\s|^\p{Lu}\p{Ll}/u.test(words) ? [words] : [];
    }
  }
  return Object.values(node).flatMap((child) => literals(child, inSpoken || type === 'ExpressionTag'));
}

/** Every string in the collected text, with where it stands. */
function strings(node: unknown, path = ''): [string, string][] {
  if (typeof node === 'string') return [[path, node]];
  if (typeof node !== 'object' || node === null) return [];
  return Object.entries(node).flatMap(([key, child]) => strings(child, `${path}.${key}`));
}

/** Four words and more that a person could read, in a source: of a script, the core or the server. */
function sentences(source: string): string[] {
  const out: string[] = [];
  const visit = (node: ts.Node): void => {
    // Invariants that nobody should ever read, types, and the SQL that a template tag takes.
    if (ts.isThrowStatement(node) && /new (Range)?Error\(/.test(node.getText())) return;
    if (ts.isTypeNode(node) || ts.isTaggedTemplateExpression(node) || ts.isRegularExpressionLiteral(node))
      return;
    if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) out.push(node.text);
    if (ts.isTemplateExpression(node))
      out.push([node.head.text, ...node.templateSpans.map((s) => s.literal.text)].join('…'));
    ts.forEachChild(node, visit);
  };
  visit(ts.createSourceFile('a.ts', source, ts.ScriptTarget.Latest, true));
  return out.filter((text) => /\p{L}{2,} \p{Ll}+ \p{Ll}+ \p{Ll}+/u.test(text));
}

/** Programs for a thread, written as text. */
const areData = ['src/lib/server/heavy/pool.ts'];

describe('the words of the interface', () => {
  it('no sentence stands anywhere but among the words: not in the core, a file that is read or written, the server, a script of a component, or a command', () => {
    const wrong = ['src', 'bin']
      .flatMap((folder) =>
        (readdirSync(join(root, folder), { recursive: true }) as string[]).map((f) => `${folder}/${f}`)
      )
      .filter((f) => /\.(ts|svelte)$/.test(f) && !f.startsWith('src/lib/words/') && !areData.includes(f))
      .flatMap((file) => {
        const source = readFileSync(join(root, file), 'utf8');
        const scripts = file.endsWith('.svelte')
          ? [...source.matchAll(/<script[^>]*>([^]*?)<\/script>/g)].map(([, code]) => code)
          : [source];
        return scripts.flatMap(sentences).map((text) => `${file}: ${text}`);
      });
    expect(wrong).to.deep.equal([]);
    expect(sentences("const a = b ? 'Take it out first.' : `there is no part ${id} here`;")).to.have.length(
      2
    );
  });

  for (const file of components)
    it(`of ${file} are collected apart from it`, () => {
      const { fragment } = parse(readFileSync(join(src, file), 'utf8'), { modern: true });
      expect(literals(fragment)).to.deep.equal([]);
    });

  it('would be found in the markup', () => {
    const found = (source: string) => literals(parse(source, { modern: true }).fragment);
    expect(found('<p>Some words</p>')).to.deep.equal(['Some words']);
    expect(found('<p aria-label="Close it">×</p>')).to.deep.equal(['Close it']);
    expect(found(`<p>{a ? 'No clash' : ''}</p>`)).to.deep.equal(['No clash']);
    expect(found('<p aria-label={`Slot ${n} is free`}>{text.x}</p>')).to.not.deep.equal([]);
    expect(found('<p class="Big one">{text.title} → {n}</p>')).to.deep.equal([]);
  });
  it('are all there, without blanks at their ends but where words are joined', () => {
    for (const [path, words] of strings(text)) expect(words.trim(), path).not.to.equal('');
  });
});
