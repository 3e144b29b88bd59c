import {
  entryOf,
  there,
  type Brief,
  type DriveInterface,
  type Part,
  type PartOf,
  type PartWith,
  type Wish
} from '../model';
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
function left(need: Need, part: Part): Need | null {
  if (need.kind === 'function')
    return part.functions.some((f) => need.functions.includes(f.kind)) ? null : need;
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

const hasRom = (part: Part): boolean =>
  part.functions.some((f) => f.claims.some((c) => c.resource === 'memory' && c.use === 'rom'));

/** A need by its number among those of a search. */
export type NeedId = number;
/** Nothing is left of a need. */
const MET: NeedId = -1;

/**
 * What the machines of a search need of their boards and cards, and the sets of cards that provide it. Needs have
 * numbers, and what a part leaves of one is worked out once: it is asked for each machine that is looked at.
 */
export class Services {
  private readonly needs: Need[] = [];
  private readonly numbers = new Map<string, NeedId>();
  private readonly lefts = new Map<Part, NeedId[]>();
  private readonly helping = new Map<NeedId, PartOf<'card'>[]>();
  private readonly known = new Map<string, Option[]>();
  /** Cards in the order in which they are tried, the lightest first. */
  private readonly rank: ReadonlyMap<Part, number>;

  /** @param must cards that are in every machine */
  constructor(
    private readonly pool: Pool,
    private readonly must: readonly Part[]
  ) {
    const cards = [...pool.of('card')].sort(
      (a, b) => pool.weigh(a) - pool.weigh(b) || (a.id < b.id ? -1 : 1)
    );
    this.rank = new Map(cards.map((card, i) => [card, i]));
  }

  /** The number of a need; the same for one that is the same. */
  number(need: Need): NeedId {
    const key = JSON.stringify(need);
    const known = this.numbers.get(key);
    if (known !== undefined) return known;
    const id = this.needs.push(need) - 1;
    this.numbers.set(key, id);
    return id;
  }

  /** What a part leaves of a need, wherever it is. */
  private left(id: NeedId, part: Part): NeedId {
    let by = this.lefts.get(part);
    if (!by) this.lefts.set(part, (by = []));
    const known = by[id];
    if (known !== undefined) return known;
    const need = there(this.needs[id]);
    const rest = left(need, part);
    return (by[id] = rest === need ? id : rest ? this.number(rest) : MET);
  }

  /** What some parts leave of a need on a board. */
  private rest(board: PartOf<'board'>, id: NeedId, parts: readonly Part[]): NeedId {
    const need = there(this.needs[id]);
    // Where the BIOS of a board knows no hard disks, only cards with a ROM of their own can run them.
    const wantsRom = need.kind === 'drive' && need.speaks !== 'floppy' && this.isBare(board);
    let rest = id;
    for (const part of parts) {
      if (rest === MET) break;
      if (!wantsRom || hasRom(part)) rest = this.left(rest, part);
    }
    return rest;
  }

  private isBare({ board }: PartOf<'board'>): boolean {
    return this.pool.get(board.firmware ?? '')?.firmware?.disk.types === 0;
  }

  /** What some parts leave open on a board. */
  private open(board: PartOf<'board'>, list: readonly NeedId[], parts: readonly Part[]): NeedId[] {
    return list.map((id) => this.rest(board, id, parts)).filter((id) => id !== MET);
  }

  /**
   * Which needs everything that finds a slot on a board could meet together, with some sound cards beside it: what
   * it says no to has no set of cards.
   * @returns for sound cards, those of the needs that could be met
   */
  servable(board: PartOf<'board'>, needs: readonly NeedId[]): (audio: readonly Part[]) => Set<NeedId> {
    const others = [board, ...this.pool.of('card').filter((p) => !p.audio && seats(board, p))];
    const rests = needs.map((id) => ({ id, rest: this.rest(board, id, others) }));
    const isMet = (rest: NeedId, audio: readonly Part[]) =>
      rest === MET || this.rest(board, rest, audio) === MET;
    return (audio) => new Set(rests.filter(({ rest }) => isMet(rest, audio)).map(({ id }) => id));
  }

  /** Cards beside display and sound that meet a need at least in part, on some board. */
  private helpers(id: NeedId): PartOf<'card'>[] {
    const known =
      this.helping.get(id) ??
      this.pool.of('card').filter((p) => !p.video && !p.audio && this.left(id, p) !== id);
    this.helping.set(id, known);
    return known;
  }

  /**
   * Sets of cards that provide what a board and the cards so far leave open, each with no card to spare; for
   * each need the lightest of those that provide the same.
   */
  covers(board: PartOf<'board'>, have: readonly Part[], needs: readonly NeedId[]): Option[] {
    const first = this.open(board, needs, [board, ...have, ...this.must]);
    const key = `${slotsOf(board)} ${this.isBare(board)} ${first.join()}`;
    const known = this.known.get(key) ?? this.covering(board, first);
    this.known.set(key, known);
    return known;
  }

  private covering(board: PartOf<'board'>, first: readonly NeedId[]): Option[] {
    const { must, pool } = this;
    const found = new Map<string, Option>();
    const walk = (list: readonly NeedId[], chosen: Part[]): void => {
      const [need] = list;
      if (need === undefined) {
        const parts = [...must, ...chosen];
        const key = idsOf(chosen).sort().join(' ');
        const weight = parts.reduce((n, p) => n + pool.weigh(p), 0);
        if (!found.has(key))
          found.set(key, { parts: parts.map((part) => ({ part, count: 1 })), mask: 0n, soft: 0n, weight });
        return;
      }
      if (chosen.length === MOST_CARDS) return;
      const groups = new Map<string, { part: Part; rest: NeedId[] }[]>();
      for (const part of this.helpers(need)) {
        if (chosen.includes(part) || must.includes(part) || !seats(board, part)) continue;
        if (this.rest(board, need, [part]) === need) continue;
        const rest = this.open(board, list, [part]);
        const key = `${part.card.bus} ${part.driver?.cpu ?? ''} ${rest.join()}`;
        const group = groups.get(key);
        if (group) group.push({ part, rest });
        else groups.set(key, [{ part, rest }]);
      }
      for (const group of groups.values())
        for (const { part, rest } of group
          .sort((a, b) => entryOf(this.rank, a.part) - entryOf(this.rank, b.part))
          .slice(0, ALIKE))
          walk(rest, [...chosen, part]);
    };
    walk(first, []);
    // A card that was taken for one need may bring what another was taken for: then a set without that one is there.
    const holding = new Map<string, boolean>();
    const isSpare = (ids: readonly string[]): boolean => ids.some((id) => holds(ids.filter((x) => x !== id)));
    const holds = (ids: readonly string[]): boolean => {
      const key = ids.join(' ');
      const known = holding.get(key) ?? (found.has(key) || isSpare(ids));
      holding.set(key, known);
      return known;
    };
    return [...found]
      .filter(([key]) => !isSpare(key ? key.split(' ') : []))
      .map(([, option]) => option)
      .sort((a, b) => a.weight - b.weight || a.parts.length - b.parts.length);
  }
}

const slots = new WeakMap<Part, string>();

/** What a board is to a card: boards with the same slots take the same ones. */
function slotsOf(board: PartOf<'board'>): string {
  const known = slots.get(board) ?? JSON.stringify(board.board.slots);
  slots.set(board, known);
  return known;
}

const idsOf = (parts: readonly Part[]): string[] => parts.map((p) => p.id);

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
