import { PNP_ITEM, keyOf } from '../model';
import { linesAt } from './lines';
import { positionOf, type Machine, type Positions } from './machine';
import { portsMeet } from './relation';

/** The positions as they stand in a build. The read port of plug and play is what a start-up would find free. */
export function standing(m: Machine): Positions {
  const at = new Map<string, string | undefined>();
  for (const { item, part } of m.fitted)
    for (const setting of part.settings) at.set(keyOf(item.id, setting.id), positionOf(item, setting));
  const positions: Positions = (item, setting) => at.get(keyOf(item, setting));
  const pnp = m.find(PNP_ITEM);
  if (pnp) {
    const [setting] = pnp.part.settings;
    const others = linesAt(
      m,
      positions,
      m.fitted.filter((f) => f !== pnp)
    ).filter((l) => l.resource === 'io');
    const read =
      (position: string): Positions =>
      (i, s) =>
        i === PNP_ITEM && s === setting?.id ? position : positions(i, s);
    const isFree = (position: string) =>
      linesAt(m, read(position), [pnp])
        .filter((l) => l.claim === 'read')
        .every((l) => others.every((o) => !portsMeet(l, o)));
    const free = setting?.positions.find((p) => isFree(p.id));
    if (setting && free) at.set(keyOf(PNP_ITEM, setting.id), free.id);
  }
  return positions;
}
