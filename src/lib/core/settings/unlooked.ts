import { blockOf, keyOf, type Block, type Part, type Setting } from '../model';
import {
  claimSettings,
  isEntered,
  isIn,
  isLookedAt,
  isOn,
  standing,
  type Fitted,
  type Machine
} from '../resources';
import { lineSettings } from '../solver';
import { isHandBlock } from './meaning';

/**
 * Where it is to be seen how a setting stands: `hand`, on the part itself; `setup`, in the setup of a board; `program`,
 * in the setup program of a card; `pnp`, in a configuration program or the list at the start; `start`, in the list of
 * PCI devices at the start; `rom`, on the label of a ROM; `bay`, in the bay; `open`, nobody says where.
 */
export type SeenAt = 'hand' | 'setup' | 'program' | 'pnp' | 'start' | 'rom' | 'bay' | 'open';

function seenAt(part: Part, block: Block | undefined): SeenAt {
  if (!block) return 'open';
  if (isHandBlock(block)) return 'hand';
  switch (block.kind) {
    case 'software':
      return part.board ? 'setup' : 'program';
    case 'pnp':
      return 'pnp';
    case 'startup':
      return 'start';
    case 'firmware':
      return 'rom';
    default:
      return 'bay';
  }
}

/** Settings, as `item/setting`, on which a line of a function that is on rests. */
function settingsInUse(m: Machine): Set<string> {
  const at = standing(m);
  return new Set(
    m.fitted
      .filter((f) => isIn(f) && isEntered(f))
      .flatMap((f) =>
        f.part.functions
          .filter((fn) => isOn(f, fn, at))
          .flatMap((fn) => fn.claims)
          .flatMap((claim) => claimSettings(m, f, claim).map((s) => keyOf(s.item, s.setting)))
      )
  );
}

/**
 * Settings of an item that nobody looked at and nobody chose, by where they are to be seen: where they stand is an
 * assumption, also when they are locked. One with a single position is what the part is, unless it is set by hand; an
 * input of PCI interrupts that nothing uses decides nothing.
 */
export function notLookedAt(m: Machine, fitted: Fitted): Map<SeenAt, Setting[]> {
  const out = new Map<SeenAt, Setting[]>();
  const { item, part } = fitted;
  if (!isEntered(fitted)) return out;
  let inUse: Set<string> | undefined;
  for (const setting of part.settings) {
    if (!setting.known || isLookedAt(item, setting.id)) continue;
    const where = seenAt(part, blockOf(part, setting));
    if (where !== 'hand' && setting.positions.length < 2) continue;
    if (where === 'start' && !(inUse ??= settingsInUse(m)).has(keyOf(item.id, setting.id))) continue;
    out.set(where, [...(out.get(where) ?? []), setting]);
  }
  return out;
}

/** The same where a plan is no look: settings of which nobody wrote down how they stand, chosen or not. */
export const notSeen = (m: Machine, fitted: Fitted): Map<SeenAt, Setting[]> =>
  notLookedAt(m, { ...fitted, item: { ...fitted.item, chosen: {} } });

/** How many settings that decide lines nobody saw, wherever they are set: a plan starts from where they are assumed to be. */
export function unseenOnLines(m: Machine): number {
  const decided = lineSettings(m);
  return m.fitted
    .flatMap((f) => [...notSeen(m, f).values()].flat().map((s) => keyOf(f.item.id, s.id)))
    .filter((key) => decided.has(key)).length;
}
