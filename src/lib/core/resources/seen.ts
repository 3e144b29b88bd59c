import { claimSettings, type Line } from './lines';
import { isLookedAt, type Machine } from './machine';

/** A setting that nobody looked at, by its label and the name of its part. */
export interface Unlooked {
  setting: string;
  of: string;
}

const claimBehind = (m: Machine, line: Line) =>
  m.find(line.item)?.part.functions.find((f) => f.id === line.function)?.claims[line.index];

/** Of some settings those that were neither seen nor chosen. */
export const unlookedAmong = (
  m: Machine,
  settings: readonly { item: string; setting: string }[]
): Unlooked[] =>
  settings.flatMap(({ item, setting }) => {
    const held = m.find(item);
    if (!held || isLookedAt(held.item, setting)) return [];
    const label = held.part.settings.find((s) => s.id === setting)?.label ?? setting;
    return [{ setting: label, of: held.part.name }];
  });

/** Settings that some lines rest on and that were neither seen nor chosen. */
export const unlookedBehind = (m: Machine, ...lines: readonly Line[]): Unlooked[] =>
  lines.flatMap((line) => {
    const owner = m.find(line.item);
    const claim = claimBehind(m, line);
    return owner && claim ? unlookedAmong(m, claimSettings(m, owner, claim)) : [];
  });

/**
 * Whether every setting that a line rests on was seen or chosen; one that rests on none is what the part is. What the
 * BIOS hands out as it starts is the usual place only.
 */
export const isLineSeen = (m: Machine, line: Line): boolean =>
  !line.assigned && claimBehind(m, line) !== undefined && !unlookedBehind(m, line).length;
