/** Posts that stand singly on a board, each with its own number: `E1-E2`, `E2-E3` are caps between them. */

const PAIR = /(?<![0-9A-Za-z])E(\d{1,2})\s*(?:-|to)\s*E(\d{1,2})(?![0-9A-Za-z])/gi;

/**
 * Pairs of posts as pins of a header that bears the name of its first post.
 * @param lines lines after `plain`; as many come back
 */
export function posts(lines: readonly string[]): string[] {
  const first = new Map<number, number>();
  const pairs = lines.flatMap((l) => [...l.matchAll(PAIR)].map((m) => [Number(m[1]), Number(m[2])] as const));
  // Posts that follow one another and are joined anywhere are one header; `E1-E8` is a range of names.
  const joined = pairs.filter(([a, b]) => b === a + 1).sort(([a], [b]) => a - b);
  for (const [a, b] of joined) {
    const start = first.get(a) ?? a;
    first.set(a, start);
    first.set(b, start);
  }
  const starts = new Set(joined.map(([a]) => a));
  return lines.map((line) =>
    line.replace(PAIR, (all, a: string, b: string) => {
      const start = first.get(Number(a));
      if (Number(b) !== Number(a) + 1 || start === undefined) return all;
      // Two posts alone are a jumper that is open or closed.
      if (!starts.has(Number(a) - 1) && !starts.has(Number(b))) return `E${start} closed`;
      return `E${start} ${Number(a) - start + 1}-${Number(b) - start + 1}`;
    })
  );
}
