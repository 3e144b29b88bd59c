/** Lines that lead from the numbers of a block of switches down to what they are for, rewritten as the grammar reads them. */

const COUNT = /^\s*1(\s*)2(?:\1[3-9]|\1?1[0-2])*\s*$/;
/** A line that only leads on, and one that turns to its words: `| | | +-+-- drives: off off = 4`. */
const ON = /^[\s|:!]*[|:!][\s|:!]*$/;
const TURN = /^([\s|:!]*)((?:[+`'\\L][\s_-]*)+)[>.]*\s*(\S.*)$/;

/** The column of each number. */
const columnsOf = (line: string): Map<number, number> =>
  new Map([...line.matchAll(/1[0-2]|[1-9]/g)].map((m) => [m.index, Number(m[0])]));

/**
 * `1 2 3 4` above `| | +-+-- drives: off off = 4, …`: the switches whose leads turn there.
 * @param lines lines as they are printed; as many come back
 */
export function leads(lines: readonly string[]): string[] {
  const out = [...lines];
  lines.forEach((head, i) => {
    if (!COUNT.test(head)) return;
    const columns = columnsOf(head);
    const rows: [line: number, text: string][] = [];
    for (let k = i + 1; k < lines.length; k++) {
      const line = lines[k] ?? '';
      if (ON.test(line)) {
        rows.push([k, '']);
        continue;
      }
      const [, before = '', art = '', words = ''] = TURN.exec(line) ?? [];
      const own = [...art].flatMap((c, n) =>
        /[\s_-]/.test(c) ? [] : (columns.get(before.length + n) ?? [])
      );
      const [first] = own;
      // Leads that stand under no number were not drawn for this block.
      if (first === undefined || own.length !== art.replace(/[\s_-]/g, '').length) break;
      const isRun = own.every((n, at) => n === first + at);
      const name =
        own.length === 1
          ? `switch ${first}`
          : `switches ${isRun ? `${first}-${own.at(-1)}` : own.join(' and ')}`;
      rows.push([k, `${name}: ${words}`]);
    }
    if (!rows.some(([, text]) => text)) return;
    out[i] = '';
    for (const [k, text] of rows) out[k] = text;
  });
  return out;
}
