/** A minimal subset for which `impossible` holds; it must hold for the whole and for supersets. */
export function quickXplain(items: readonly number[], impossible: (kept: Set<number>) => boolean): number[] {
  const explain = (background: readonly number[], delta: boolean, rest: readonly number[]): number[] => {
    if (delta && impossible(new Set(background))) return [];
    if (rest.length === 1) return [...rest];
    const half = Math.ceil(rest.length / 2);
    const [left, right] = [rest.slice(0, half), rest.slice(half)];
    const second = explain([...background, ...left], left.length > 0, right);
    const first = explain([...background, ...second], second.length > 0, left);
    return [...first, ...second];
  };
  if (items.length === 0 || impossible(new Set())) return [];
  return explain([], false, items);
}
