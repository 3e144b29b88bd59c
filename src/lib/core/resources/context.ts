import { keyOf, type Part } from '../model';
import type { Machine } from './machine';
import { ownerKey } from './lines';
import type { SharingContext } from './relation';

const pair = (a: string, b: string) => (a < b ? `${a} ${b}` : `${b} ${a}`);

function apartPairs(part: Part, item: string): string[] {
  return part.constraints.flatMap((c) =>
    'apart' in c ? [pair(keyOf(item, c.apart[0]), keyOf(item, c.apart[1]))] : []
  );
}

/** What parts and user say about which functions may meet. */
export function sharingContext(m: Machine): SharingContext {
  const apart = new Set(m.fitted.flatMap(({ item, part }) => apartPairs(part, item.id)));
  const never = new Set(
    m.build.neverTogether.map(([a, b]) => pair(keyOf(a.item, a.function), keyOf(b.item, b.function)))
  );
  return {
    apart: (a, b) => apart.size > 0 && apart.has(pair(ownerKey(a), ownerKey(b))),
    neverTogether: (a, b) => never.has(pair(ownerKey(a), ownerKey(b)))
  };
}
