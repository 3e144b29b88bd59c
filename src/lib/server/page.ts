/** Rows in which every word of a query is found, and of those the asked page. */
export function page<T>(
  rows: readonly T[],
  { q, limit, offset }: { q: string; limit: number; offset: number },
  textOf: (row: T) => readonly string[]
): { rows: T[]; total: number } {
  const words = q.toLowerCase().split(/\s+/).filter(Boolean);
  const found = words.length
    ? rows.filter((row) => {
        const text = textOf(row).join(' ').toLowerCase();
        return words.every((word) => text.includes(word));
      })
    : rows;
  return { rows: found.slice(offset, offset + limit), total: found.length };
}
