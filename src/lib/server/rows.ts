/** Reads rows one by one: a damaged one is named and takes nothing from the others. */
export function readEach<R extends { id: string }, T>(
  rows: readonly R[],
  read: (row: R) => T
): { good: T[]; bad: string[] } {
  const good: T[] = [];
  const bad: string[] = [];
  for (const row of rows)
    try {
      good.push(read(row));
    } catch {
      bad.push(row.id);
    }
  return { good, bad };
}

/** The wished id, or the first free one behind it. */
export function freeName(wanted: string, taken: ReadonlySet<string>): string {
  for (let n = 1; ; n++) {
    const id = n === 1 ? wanted : `${wanted.slice(0, 58)}-${n}`;
    if (!taken.has(id)) return id;
  }
}
