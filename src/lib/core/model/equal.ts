/** Whether two JSON values say the same, whatever the order of their keys; an absent key equals undefined. */
export function sameJson(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || !a || !b) return false;
  if (Array.isArray(a) !== Array.isArray(b)) return false;
  if (Array.isArray(a) && Array.isArray(b))
    return a.length === b.length && a.every((value, i) => sameJson(value, b[i]));
  const left = a as Record<string, unknown>;
  const right = b as Record<string, unknown>;
  return [...new Set([...Object.keys(left), ...Object.keys(right)])].every((key) =>
    sameJson(own(left, key), own(right, key))
  );
}

const own = (object: Record<string, unknown>, key: string): unknown =>
  Object.hasOwn(object, key) ? object[key] : undefined;
