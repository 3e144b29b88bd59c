/** The value below which a share of a sorted list lies. */
export const at = (sorted: readonly number[], share: number): number =>
  sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? NaN;
export const ms = (x: number): string => (Number.isNaN(x) ? '–' : x < 10 ? x.toFixed(1) : x.toFixed(0));
export const ascending = (list: readonly number[]): number[] => [...list].sort((a, b) => a - b);

/** A table in columns. */
export function print(table: readonly (readonly string[])[]): void {
  const width = table[0].map((_, i) => Math.max(...table.map((row) => row[i].length)));
  for (const row of table)
    console.log(
      row
        .map((cell, i) => cell.padEnd(width[i]))
        .join('  ')
        .trimEnd()
    );
}
