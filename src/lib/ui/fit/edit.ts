import { firstSlot } from '../../core/resources';
import {
  newItemId,
  sameJson,
  seatItem,
  type Item,
  type Part,
  type ShelfItem,
  type ShelfView,
  type Trial
} from '../../core/model';
import { applyFix } from '../../core/solver';
import type { Session } from '../record/session.svelte';
import { ask } from '../record/send';
import { text } from '../../words/en/screens';
import { fit as fitText } from '../../words/en/screens/fit';
import { today } from '../time';

/** Puts a part into the machine: a card into its best free slot, anything else where it is told. */
export function addPart(session: Session, part: Part, extra: Partial<Item> = {}): string {
  session.know(part);
  const slot = part.card ? firstSlot(session.build, session.parts, part) : undefined;
  const id = newItemId(session.build, part);
  const item: Item = {
    id,
    part: part.id,
    ...(slot ? { slot } : {}),
    asFound: {},
    chosen: {},
    locked: [],
    ...extra
  };
  session.change({ ...session.build, items: [...session.build.items, item] }, text.log.did.added(part.name));
  session.selected = id;
  return id;
}

/** Exchanges the one item of a kind (CPU, monitor, supply) for another part, or adds it. */
export function setOne(session: Session, kind: Part['kind'], part: Part): void {
  session.know(part);
  const old = session.build.items.find((i) => session.parts.get(i.part)?.kind === kind);
  if (!old) {
    addPart(session, part);
    return;
  }
  const items = session.build.items.map((i) =>
    i === old ? { id: i.id, part: part.id, asFound: {}, chosen: {}, locked: [] } : i
  );
  session.change({ ...session.build, items }, fitText.change(part.name));
}

/** Puts a thing of the shelf into the machine, with its settings as found. */
export async function fitSpecimen(session: Session, thing: ShelfView, slot?: string): Promise<boolean> {
  const reply = await ask<Part>('GET', `/parts/${thing.item.part}`);
  if (!reply.ok) return false;
  const { made, real } = thing.item.medium ?? {};
  addPart(session, reply.value, {
    specimen: thing.item.id,
    asFound: thing.item.asFound,
    ...(thing.kind === 'card' && thing.item.trials.length
      ? { tried: thing.item.trials.slice(-MOST_TRIED) }
      : {}),
    ...(made || real ? { disk: { ...(made ? { made } : {}), ...(real ? { real } : {}), tries: [] } } : {}),
    ...(slot ? { slot } : {}),
    ...statusOf(session, thing),
    ...(thing.item.label ? { label: thing.item.label } : {})
  });
  return true;
}

/** What the shelf knows of a thing that matters in a machine: that it is bad, and that another machine lacks it now. */
function statusOf(session: Session, { item, usedIn }: ShelfView): Pick<Item, 'foundBad' | 'borrowed'> {
  const at = today();
  const owner = usedIn.find((u) => u.build !== session.build.id && !u.borrowed);
  const isBad = item.condition === 'faulty' || item.condition === 'parts-only';
  return {
    ...(isBad ? { foundBad: { at, by: 'shelf' as const } } : {}),
    ...(owner ? { borrowed: { from: owner.build, name: owner.name, at } } : {})
  };
}

/** Changes a thing on the shelf as it is there now. @returns whether it was saved */
async function onShelf(id: string, change: (item: ShelfItem) => ShelfItem): Promise<boolean> {
  const kept = await ask<ShelfView>('GET', `/shelf/${id}`);
  if (!kept.ok) return false;
  const { item, version } = kept.value;
  return (await ask('PUT', `/shelf/${id}`, { item: change(item), version })).ok;
}

/**
 * Writes down that a part was found bad, in the build and on the shelf; null takes it back in the build.
 * @returns whether the shelf has it too; null: the part is no thing of the shelf, or it was taken back
 */
export async function noteBad(session: Session, id: string, why: string | null): Promise<boolean | null> {
  const at = today();
  session.item(
    id,
    ({ foundBad: _, ...item }) => (why === null ? item : { ...item, foundBad: { at, by: 'start', why } }),
    fitText.badDone
  );
  const items = [session.build.board, ...session.build.items];
  const { specimen } = items.find((i) => i.id === id) ?? {};
  if (specimen === undefined || why === null) return null;
  return onShelf(specimen, (item) => ({
    ...item,
    condition: 'faulty',
    notes: [item.notes, fitText.badNote(at, why)].filter(Boolean).join('\n').slice(-2000)
  }));
}

/** Tries that a build keeps of one card. */
const MOST_TRIED = 60;

/**
 * Writes down what became of a card where it sits: in the build, and on the shelf where the card is a thing of it.
 * @returns whether the shelf has it too; null: the card is no thing of the shelf
 */
export async function noteTry(session: Session, id: string, trial: Trial): Promise<boolean | null> {
  const { specimen } = session.build.items.find((i) => i.id === id) ?? {};
  session.item(
    id,
    (item) => ({ ...item, tried: [...(item.tried ?? []), trial].slice(-MOST_TRIED) }),
    fitText.triedDone
  );
  if (specimen === undefined) return null;
  return onShelf(specimen, (item) => ({ ...item, trials: [...item.trials, trial] }));
}

/** Tries that the shelf has of a card and the build has not: written down since it was fitted. */
export const untoldTries = (item: Item, thing: ShelfView | undefined): Trial[] =>
  (thing?.item.trials ?? []).filter((t) => !(item.tried ?? []).some((k) => sameJson(k, t)));

/** Takes them over. */
export const takeTries = (session: Session, id: string, trials: readonly Trial[]): void =>
  session.item(
    id,
    (item) => ({ ...item, tried: [...(item.tried ?? []), ...trials].slice(-MOST_TRIED) }),
    fitText.triedDone
  );

/** Seats a card; one that is there already changes places with it. */
export function seat(session: Session, id: string, slot: string | undefined): void {
  const other = slot && session.build.items.find((i) => i.slot === slot && i.id !== id);
  const from = session.build.items.find((i) => i.id === id)?.slot;
  const moved = seatItem(session.build, id, slot);
  session.change(other ? seatItem(moved, other.id, from) : moved, fitText.moved);
}

export const takeOut = (session: Session, id: string): void =>
  session.change(applyFix(session.build, { action: 'take-out', item: id }, session.parts), text.log.did.out);

/** Hangs a drive on a controller, with its number kept; null: nobody says on which. */
export const hangOn = (session: Session, drive: string, to: { to: string; function: string } | null): void =>
  session.item(
    drive,
    ({ cable, ...item }) => ({ ...item, ...(to ? { cable: { ...cable, ...to } } : {}) }),
    fitText.runBy
  );

/** `4 MiB`, `640 KiB`. */
export const sizeText = (kib: number): string =>
  kib >= 1024 && kib % 1024 === 0 ? `${kib / 1024} MiB` : `${kib} KiB`;
