import { BOARD_ITEM, PNP_ITEM, SYSTEM_ITEM, thingOf, type Owner } from '../model';
import type { Line } from './lines';
import type { Machine } from './machine';

/** Whoever owns a function of a machine, as it is spoken of. */
export function ownerOf(m: Machine, item: string, fn: string): Owner {
  const fitted = m.find(item);
  const known = fitted?.part.functions.find((f) => f.id === fn);
  return {
    thing: fitted && item !== SYSTEM_ITEM && item !== PNP_ITEM ? thingOf(fitted) : null,
    onBoard: item === BOARD_ITEM,
    function: known?.label ?? fn,
    kind: known?.kind ?? 'other'
  };
}

export const ownerOfLine = (m: Machine, { item, function: fn }: Pick<Line, 'item' | 'function'>): Owner =>
  ownerOf(m, item, fn);
