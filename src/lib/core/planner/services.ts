import type { Brief, DriveInterface, Part, PartOf, PartWith, Wish } from '../model';
import { narrowed, obstacle, untried } from '../resources';
import { serving } from '../software';
import { controllerRate, floppyRate } from '../storage';
import type { Pool } from './pool';
import { ALIKE, masksOf, type Mask, type Option } from './options';

/** Something that a card or the board must provide: places for drives of an interface, or a function. */
export type Need =
  /** `rate` in kbit/s is what floppy drives take; `fed`: over the data cable, as small drives of portables are. */
  | { kind: 'drive'; speaks: DriveInterface; units: number; rate: number; fed: boolean }
  | { kind: 'function'; functions: readonly string[] };

const MOST_CARDS = 4;

/** What the drives of a machine ask of its controllers. */
export function driveNeeds(drives: readonly PartWith<'drive'>[]): Need[] {
  const needs = (list: readonly PartWith<'drive'>[], fed: boolean): Need[] => {
    const by = new Map<DriveInterface, { units: number; rate: number }>();
    for (const { drive } of list) {
      const had = by.get(drive.interface) ?? { units: 0, rate: 0 };
      by.set(drive.interface, {
        units: had.units + 1,
        rate: Math.max(had.rate, drive.floppyKiB ? floppyRate(drive.floppyKiB) : 0)
      });
    }
    return [...by].map(([speaks, n]) => ({ kind: 'drive', speaks, ...n, fed }));
  };
  // Places for all of them, and among those some that feed what has no lead of its own.
  const fed = drives.filter((d) => d.drive.plug === 'cable');
  return [...needs(drives, false), ...needs(fed, true)];
}

const wished: Partial<Record<Extract<Wish, { kind: 'have' }>['what'], readonly string[]>> = {
  network: ['network'],
  scsi: ['scsi'],
  midi: ['midi'],
  game: ['game'],
  modem: ['modem'],
  mouse: serving('mouse'),
  usb: ['usb']
};

/** Functions that must be there, whatever programs say. */
export const wishedNeeds = (brief: Brief): Need[] =>
  (brief.wishes ?? []).flatMap((w): Need[] => {
    const functions = w.kind === 'have' ? wished[w.what] : undefined;
    return functions ? [{ kind: 'function', functions }] : [];
  });

/** Sets of functions that programs use: every choice of which of them are provided for. */
export function functionChoices(brief: Brief): { needs: Need[]; mask: Mask; soft: Mask }[] {
  const names = [...new Set(brief.profiles.flatMap((p) => p.wants?.functions ?? []))].slice(0, 6);
  const out: { needs: Need[]; mask: Mask; soft: Mask }[] = [];
  for (let set = (1 << names.length) - 1; set >= 0; set--) {
    const chosen = names.filter((_, i) => set & (1 << i));
    const functions = new Set(chosen.flatMap(serving));
    out.push({
      needs: chosen.map((n) => ({ kind: 'function', functions: serving(n) })),
      ...masksOf(brief.profiles, { functions }, ['ports'])
    });
  }
  return out;
}

/** What of a need is left once a part is there. */
function left(need: Need, part: Part, trusted: (part: Part, speaks: DriveInterface) => boolean): Need | null {
  if (need.kind === 'function')
    return part.functions.some((f) => need.functions.includes(f.kind)) ? null : need;
  if (!trusted(part, need.speaks)) return need;
  const units = part.functions
    .filter(
      (f) =>
        f.speaks?.includes(need.speaks) &&
        controllerRate(f.floppyKiB) >= need.rate &&
        (!need.fed || f.feeds === true)
    )
    .reduce((n, f) => n + (f.units ?? 2), 0);
  return need.units <= units ? null : units > 0 ? { ...need, units: need.units - units } : need;
}

/** Which parts can run drives on a board: where its BIOS knows no hard disks, only those with a ROM of their own. */
function trustedOn(pool: Pool, board: PartOf<'board'>): (part: Part, speaks: DriveInterface) => boolean {
  const firmware = pool.get(board.board.firmware ?? '')?.firmware;
  const needsRom = firmware !== undefined && firmware.disk.types === 0;
  return (part, speaks) =>
    !needsRom ||
    speaks === 'floppy' ||
    part.functions.some((f) => f.claims.some((c) => c.resource === 'memory' && c.use === 'rom'));
}

/**
 * Which needs everything that finds a slot on a board could meet together, with some sound cards beside it: what
 * it says no to has no set of cards.
 * @returns for sound cards, one word for each need
 */
export function servable(
  pool: Pool,
  board: PartOf<'board'>,
  needs: readonly Need[]
): (audio: readonly Part[]) => boolean[] {
  const trusted = trustedOn(pool, board);
  const others = [board, ...pool.of('card').filter((p) => !p.audio && seats(board, p))];
  const after = (need: Need | null, parts: readonly Part[]) =>
    parts.reduce<Need | null>((rest, part) => rest && left(rest, part, trusted), need);
  const rests = needs.map((need) => after(need, others));
  return (audio) => rests.map((rest) => after(rest, audio) === null);
}

const helping = new WeakMap<Pool, Map<string, PartOf<'card'>[]>>();

/** Cards beside display and sound that meet a need at least in part, on some board. */
function helpers(pool: Pool, need: Need): PartOf<'card'>[] {
  const known = helping.get(pool) ?? new Map<string, PartOf<'card'>[]>();
  helping.set(pool, known);
  const key = JSON.stringify(need);
  const cards =
    known.get(key) ??
    pool.of('card').filter((p) => !p.video && !p.audio && left(need, p, () => true) !== need);
  known.set(key, cards);
  return cards;
}

/**
 * Sets of cards that provide what a board and the cards so far leave open, each with no card to spare; for
 * each need the lightest of those that provide the same.
 */
export function covers(
  pool: Pool,
  board: PartOf<'board'>,
  have: readonly Part[],
  needs: readonly Need[],
  must: readonly Part[],
  known: Map<string, Option[]> = new Map()
): Option[] {
  const trusted = trustedOn(pool, board);
  const open = (parts: readonly Part[], list: readonly Need[]): Need[] =>
    list.flatMap((need) => {
      let rest: Need | null = need;
      for (const part of parts) rest = rest && left(rest, part, trusted);
      return rest ? [rest] : [];
    });
  const first = open([board, ...have, ...must], needs);
  const key = `${board.id} ${JSON.stringify(first)}`;
  const before = known.get(key);
  if (before) return before;
  const out: Option[] = [];
  const seen = new Set<string>();
  const walk = (list: readonly Need[], chosen: Part[]): void => {
    const [need] = list;
    if (!need) {
      const key = chosen
        .map((p) => p.id)
        .sort()
        .join(' ');
      if (seen.has(key)) return;
      seen.add(key);
      const parts = [...must, ...chosen];
      out.push({
        parts: parts.map((part) => ({ part, count: 1 })),
        mask: 0n,
        soft: 0n,
        weight: parts.reduce((n, p) => n + pool.weigh(p), 0)
      });
      return;
    }
    if (chosen.length === MOST_CARDS) return;
    const groups = new Map<string, Part[]>();
    for (const part of helpers(pool, need)) {
      if (chosen.includes(part) || must.includes(part) || !seats(board, part)) continue;
      if (left(need, part, trusted) === need) continue;
      const rest = open([part], list);
      const key = `${part.card.bus} ${part.driver?.cpu ?? ''} ${JSON.stringify(rest)}`;
      groups.set(key, [...(groups.get(key) ?? []), part]);
    }
    for (const group of groups.values())
      for (const part of group
        .sort((a, b) => pool.weigh(a) - pool.weigh(b) || (a.id < b.id ? -1 : 1))
        .slice(0, ALIKE))
        walk(open([part], list), [...chosen, part]);
  };
  walk(first, []);
  out.sort((a, b) => a.weight - b.weight || a.parts.length - b.parts.length);
  known.set(key, out);
  return out;
}

/** Asked for the same pairs again and again while a plan is looked for; parts do not change. */
const seated = new WeakMap<Part, WeakMap<Part, boolean>>();

/** Whether a board has a slot in which a card works. */
export function seats(board: PartOf<'board'>, card: Part): boolean {
  const known = seated.get(board) ?? new WeakMap<Part, boolean>();
  seated.set(board, known);
  const answer = known.get(card) ?? board.board.slots.some((slot) => fitsSlot(card, slot));
  known.set(card, answer);
  return answer;
}

/** Whether a card goes into a slot and is known to work there. */
export const fitsSlot = (card: Part, slot: NonNullable<Part['board']>['slots'][number]): boolean =>
  obstacle(card, slot) === null && narrowed(card, slot) !== 'untried' && untried(card, slot) === null;
