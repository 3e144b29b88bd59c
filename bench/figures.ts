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

/** Median, 99th percentile and most of some times, in milliseconds. */
export const spread = (times: number[]): string => {
  const sorted = [...times].sort((a, b) => a - b);
  const at = (p: number) => sorted[Math.min(sorted.length - 1, Math.floor(p * sorted.length))]!.toFixed(1);
  return `median ${at(0.5)} ms, p99 ${at(0.99)} ms, most ${at(1)} ms`;
};
/** Milliseconds that something takes. */
export function timed(work: () => void): number {
  const start = performance.now();
  work();
  return performance.now() - start;
}
