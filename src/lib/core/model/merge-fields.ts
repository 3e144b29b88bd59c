import { sameJson } from './equal';

/** Whether a list begins with another one. */
const beginsWith = (list: readonly unknown[], start: readonly unknown[]): boolean =>
  start.length <= list.length && start.every((x, i) => sameJson(x, list[i]));

/**
 * Two states of one document that both stand on a third, field by field: what one side changed counts, and lists to
 * which both only added hold both additions. Where both changed one field, theirs stands in what comes out.
 * @returns what comes out, and the fields that both changed
 */
export function mergeFields<T extends object>(base: T, mine: T, theirs: T): { merged: T; both: (keyof T)[] } {
  const merged = { ...theirs };
  const both: (keyof T)[] = [];
  const keys = new Set([...Object.keys(base), ...Object.keys(mine), ...Object.keys(theirs)]);
  for (const key of keys as Set<keyof T & string>) {
    const [was, own, other] = [base[key], mine[key], theirs[key]];
    if (sameJson(own, was) || sameJson(own, other)) continue;
    if (sameJson(other, was)) {
      if (key in mine) merged[key] = own;
      else delete merged[key];
    } else if (
      Array.isArray(was) &&
      Array.isArray(own) &&
      Array.isArray(other) &&
      beginsWith(own, was) &&
      beginsWith(other, was)
    )
      merged[key] = [...other, ...own.slice(was.length)] as T[typeof key];
    else both.push(key);
  }
  return { merged, both };
}
