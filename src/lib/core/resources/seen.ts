import { keyOf, type Claim, type PartFunction } from '../model';
import { claimSettings, type Line } from './lines';
import { isLookedAt, offSettings, type Fitted, type Machine } from './machine';

/** A setting that nobody looked at, by its label and the name of its part. */
export interface Unlooked {
  setting: string;
  of: string;
}

/** The claim of a line with its function; undefined where no claim has made it. */
function claimBehind(m: Machine, line: Line): { owner: Fitted; fn: PartFunction; claim: Claim } | undefined {
  const owner = m.find(line.item);
  const fn = owner?.part.functions.find((f) => f.id === line.function);
  const claim = fn?.claims[line.index];
  return owner && fn && claim ? { owner, fn, claim } : undefined;
}

/** Settings on which a claim rests: those that give its number, and those that switch its function off. */
function settingsBehind(m: Machine, owner: Fitted, fn: PartFunction, claim: Claim) {
  const all = [...claimSettings(m, owner, claim), ...offSettings(owner.item.id, fn)];
  return [...new Map(all.map((s) => [keyOf(s.item, s.setting), s])).values()];
}

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
    const made = claimBehind(m, line);
    return made ? unlookedAmong(m, settingsBehind(m, made.owner, made.fn, made.claim)) : [];
  });

/**
 * Whether every setting that a line rests on was seen or chosen; one that rests on none is what the part is. What the
 * BIOS hands out as it starts is the usual place only.
 */
export const isLineSeen = (m: Machine, line: Line): boolean =>
  !line.assigned && claimBehind(m, line) !== undefined && !unlookedBehind(m, line).length;
