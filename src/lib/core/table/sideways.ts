import { there } from '../model';
import { cellsOf, habitsOf, isRule, spotsFor, splitsOf, statesIn, type Legend, type State } from './cells';
import type { ColumnTable } from './columns';
import { lex, type Token } from './lex';
import { wordsOf } from './groups';
import type { Context, Field } from './spots';

function pinRow(
  top: string,
  pairs: readonly State[],
  line: number,
  used: readonly number[],
  tokens: readonly Token[],
  context: Context
): ColumnTable | null {
  const values = cellsOf(top, 'words');
  if (values.length !== pairs.length) return null;
  const field: Field = { ...context.block! };
  // A mark stands behind the pair that it is about.
  const marked = tokens.findIndex((t) => t.sort === 'default');
  const nth = marked < 0 ? -1 : tokens.slice(0, marked).filter((t) => t.sort === 'pins').length - 1;
  return {
    rows: values.map((value, i) => ({
      line,
      values: [{ text: wordsOf(lex(value)), heading: '' }],
      isDefault: i === nth || lex(value).some((t) => t.sort === 'default'),
      spots: spotsFor(field, there(pairs[i]), new Set(), false, new Map())
    })),
    lines: [...used, line],
    odd: [],
    sections: [],
    context,
    marks: []
  };
}

/**
 * Reads a table that lies on its side: values along the top, a line for each jumper or switch.
 * @returns null where it is none
 */
export function readSideways(
  lines: readonly string[],
  from: number,
  context: Context,
  legend: Legend
): ColumnTable | null {
  const top = there(lines[from]);
  const topTokens = lex(top);
  if (topTokens.some((t) => t.sort === 'ref' || t.sort === 'side' || (t.sort === 'sep' && t.text === '=')))
    return null;
  const used = [from];
  const found: { field: Field; states: State[]; line: number }[] = [];
  for (let i = from + 1; i < lines.length; i++) {
    const line = there(lines[i]);
    if (!line.trim() || isRule(line)) {
      if (!line.trim() && found.length) break;
      used.push(i);
      continue;
    }
    // `J3 1-2 = 1` is a statement, not a row of states.
    if (lex(line).some((t) => t.sort === 'sep' && t.text === '=')) break;
    const tokens = lex(line).filter((t) => !(t.sort === 'sep' && /[|:]/.test(t.text)));
    const [name, ...rest] = tokens;
    const states = rest.length ? statesIn(rest) : null;
    // `2 3 5 7` above `1-2 3-4 5-6 7-8`: the pins of the block that was named.
    const pairs =
      !found.length && name?.sort === 'pins' && context.block?.of === 'jumper' ? statesIn(tokens) : null;
    if (pairs && pairs.length > 1 && pairs.every((s) => 'pins' in s))
      return pinRow(top, pairs, i, used, tokens, context);
    if (name?.sort !== 'ref' || !states || states.length < 2) break;
    if (found[0] && found[0].states.length !== states.length) break;
    found.push({
      field: {
        block: name.block || context.block?.block || 'SW',
        of: name.of,
        ...(name.n === undefined ? {} : { n: name.n })
      },
      states,
      line: i
    });
    used.push(i);
  }
  const first = found[0];
  if (!first) return null;
  // One line of a whole block is that block's row, not a column each.
  const bareBlock = found.length === 1 && first.field.of === 'switch' && first.field.n === undefined;
  if (bareBlock) return null;
  const count = first.states.length;
  const cut = [...splitsOf(top), 'words' as const]
    .map((split) => cellsOf(top, split))
    .find((cells) => cells.length === count || cells.length === count + 1);
  if (!cut) return null;
  const [corner, values] = cut.length === count ? ['', cut] : [there(cut[0]), cut.slice(1)];
  if (values.some((v) => !v)) return null;
  const states = found.flatMap((f) => f.states);
  const marks = new Set(states.flatMap((s) => ('mark' in s ? [s.mark] : [])));
  const sides = states.some((s) => 'side' in s && s.side !== 'any');
  return {
    rows: values.map((value, i) => ({
      line: from,
      also: found.map((f) => f.line),
      values: [{ text: wordsOf(lex(value)), heading: corner }],
      isDefault: lex(value).some((t) => t.sort === 'default'),
      spots: found.flatMap((f) => spotsFor(f.field, there(f.states[i]), marks, sides, legend))
    })),
    lines: used,
    odd: [],
    sections: [],
    context: { block: { block: first.field.block, of: first.field.of }, fields: found.map((f) => f.field) },
    marks: habitsOf(marks, sides, legend)
  };
}
