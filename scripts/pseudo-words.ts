import ts from 'typescript';
import type { Plugin } from 'vite';

/**
 * A made-up second language for the tests: every word of `words/en` in letters that nothing else on a screen has, and
 * a third longer. What still stands there in plain letters is in no words file; what is cut off would be in German.
 */

const PLAIN = 'abcdefghijklmnopqrstuvwxyz';
const ODD = 'áƀçđéƒĝĥíĵķļɱñóþɋŕšţúṽŵẋýž';
const UPPER = 'ÁƁÇĐÉƑĜĤÍĴĶĻṀÑÓÞɊŔŠŢÚṼŴẊÝŽ';

const oddLetter = (letter: string): string => ODD[PLAIN.indexOf(letter)] ?? letter;

/** A text in odd letters; words in capitals, such as IRQ and COM1, are terms of the field and stay. */
export function odd(text: string): string {
  return text.replace(/[A-Za-z][A-Za-z’]*/g, (word) =>
    /[a-z]/.test(word)
      ? word.replace(/[A-Za-z]/g, (c) => (c < 'a' ? UPPER[PLAIN.indexOf(c.toLowerCase())] : oddLetter(c)))
      : word
  );
}

/** As much longer as a translation may be; at the end, where a drawing cuts off. */
const longer = (text: string): string =>
  text.replace(/\p{L}{4,}(?=[.:;!?…]?$)/u, (word) => word + word.slice(-Math.ceil(text.length / 3)));

/** Calls whose texts are looked for, not shown. */
const LOOKING = new Set([
  'includes',
  'startsWith',
  'endsWith',
  'has',
  'get',
  'split',
  'replaceAll',
  'replace',
  'test',
  'toLocaleString'
]);

/** Whether a text is a key, a type, or something that is compared: no words. */
function isCode(node: ts.Node): boolean {
  const { parent } = node;
  if (ts.isElementAccessExpression(parent) && parent.argumentExpression === node) return true;
  if (ts.isConditionalExpression(parent) || ts.isParenthesizedExpression(parent)) {
    if (isCode(parent)) return true;
  }
  if (ts.isLiteralTypeNode(parent) || ts.isImportDeclaration(parent) || ts.isExportDeclaration(parent))
    return true;
  if (ts.isPropertyAssignment(parent) && parent.name === node) return true;
  if (ts.isCaseClause(parent) && parent.expression === node) return true;
  if (ts.isBinaryExpression(parent))
    return [
      ts.SyntaxKind.EqualsEqualsEqualsToken,
      ts.SyntaxKind.ExclamationEqualsEqualsToken,
      ts.SyntaxKind.InKeyword
    ].includes(parent.operatorToken.kind);
  if (ts.isCallExpression(parent) && ts.isPropertyAccessExpression(parent.expression))
    return LOOKING.has(parent.expression.name.text) && parent.arguments[0] === node;
  return false;
}

/** The source of a words file with its texts in odd letters. */
export function pseudoWords(source: string, name: string): string {
  const file = ts.createSourceFile(name, source, ts.ScriptTarget.Latest, true);
  const changes: { from: number; to: number; text: string }[] = [];
  const visit = (node: ts.Node): void => {
    if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) {
      if (!isCode(node) && /[a-z]{2}/.test(node.text))
        changes.push({
          from: node.getStart(),
          to: node.getEnd(),
          text: JSON.stringify(longer(odd(node.text)))
        });
      return;
    }
    if (ts.isTemplateHead(node) || ts.isTemplateMiddle(node) || ts.isTemplateTail(node)) {
      // What stands between the marks of the template: `, ${ and }.
      const from = node.getStart() + 1;
      const to = node.getEnd() - (ts.isTemplateTail(node) ? 1 : 2);
      const raw = source.slice(from, to);
      changes.push({ from, to, text: ts.isTemplateTail(node) ? longer(odd(raw)) : odd(raw) });
      return;
    }
    // Codes of a language, a date, a list.
    if (ts.isNewExpression(node) && node.expression.getText().startsWith('Intl.')) return;
    ts.forEachChild(node, visit);
  };
  visit(file);
  return changes
    .sort((a, b) => b.from - a.from)
    .reduce((out, { from, to, text }) => out.slice(0, from) + text + out.slice(to), source);
}

/** Other words than English in a build with `YJ_WORDS`; only this language, of the tests, is there. */
export const otherWords = (): Plugin[] =>
  process.env.YJ_WORDS === 'pseudo'
    ? [
        {
          name: 'other-words',
          enforce: 'pre',
          transform: {
            filter: { id: /src\/lib\/words\/en\/.+\.ts$/ },
            handler: (code, id) => pseudoWords(code, id)
          }
        }
      ]
    : [];
