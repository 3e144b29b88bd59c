import { there } from '../model';
/**
 * The least cost at which every row gets a column of its own: shortest augmenting paths, with prices for the columns.
 * Costs are whole numbers below 2^53; Infinity: the row cannot have the column.
 * @param cost one row after the other, `columns` numbers each; there are at least as many columns as rows
 * @returns Infinity when there are not columns enough
 */
export function leastAssignment(cost: Float64Array, rows: number, columns: number): number {
  const u = new Float64Array(rows + 1);
  const v = new Float64Array(columns + 1);
  const rowOf = new Int32Array(columns + 1);
  const way = new Int32Array(columns + 1);
  for (let row = 1; row <= rows; row++) {
    rowOf[0] = row;
    let at = 0;
    const least = new Float64Array(columns + 1).fill(Infinity);
    const used = new Uint8Array(columns + 1);
    do {
      used[at] = 1;
      const from = there(rowOf[at]);
      let delta = Infinity;
      let next = -1;
      for (let c = 1; c <= columns; c++) {
        if (used[c]) continue;
        const reduced = there(cost[(from - 1) * columns + c - 1]) - there(u[from]) - there(v[c]);
        if (reduced < there(least[c])) {
          least[c] = reduced;
          way[c] = at;
        }
        if (there(least[c]) < delta) {
          delta = there(least[c]);
          next = c;
        }
      }
      if (next < 0) return Infinity;
      for (let c = 0; c <= columns; c++)
        if (used[c]) {
          u[there(rowOf[c])] = there(u[there(rowOf[c])]) + delta;
          v[c] = there(v[c]) - delta;
        } else least[c] = there(least[c]) - delta;
      at = next;
    } while (rowOf[at] !== 0);
    for (; at; at = there(way[at])) rowOf[at] = there(rowOf[there(way[at])]);
  }
  let sum = 0;
  for (let c = 1; c <= columns; c++)
    if (rowOf[c]) sum += there(cost[(there(rowOf[c]) - 1) * columns + c - 1]);
  return sum;
}
