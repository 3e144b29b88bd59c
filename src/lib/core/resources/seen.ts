import { claimSettings, type Line } from './lines';
import { isLookedAt, type Machine } from './machine';

/** Whether every setting that a line rests on was seen or chosen; one that rests on none is what the part is. */
export function isLineSeen(m: Machine, line: Line): boolean {
  const owner = m.find(line.item);
  const claim = owner?.part.functions.find((f) => f.id === line.function)?.claims[line.index];
  if (!owner || !claim) return false;
  return claimSettings(m, owner, claim).every(({ item, setting }) => {
    const held = m.find(item)?.item;
    return held !== undefined && isLookedAt(held, setting);
  });
}
