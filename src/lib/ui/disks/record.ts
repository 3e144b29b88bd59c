import type { DiskRecord, Item, ShelfView } from '../../core/model';
import type { Session } from '../record/session.svelte';
import { ask } from '../record/send';

const withDisk = (item: Item, to: (old: DiskRecord) => DiskRecord): Item => ({
  ...item,
  disk: to(item.disk ?? { tries: [] })
});

/**
 * Writes down what is known of a medium. Where it is a thing of the shelf, the server writes it there in the same
 * save, so that the next machine that it goes into knows.
 */
export const keepMedium = (
  session: Session,
  item: Item,
  to: (old: DiskRecord) => DiskRecord,
  note: string
): void => session.item(item.id, (i) => withDisk(i, to), note);

/** The thing on the shelf that a drive is, or null. */
export async function mediumOnShelf(id: string): Promise<ShelfView | null> {
  const reply = await ask<ShelfView>('GET', `/shelf/${id}`);
  return reply.ok ? reply.value : null;
}

/** `2 MB`, `1.5 GB`, of bytes in powers of ten. */
export const bytesText = (bytes: number): string =>
  bytes >= 1e9
    ? `${(bytes / 1e9).toFixed(2)} GB`
    : bytes >= 1e6
      ? `${Math.round(bytes / 1e6)} MB`
      : `${Math.round(bytes / 1e3)} kB`;

/** A whole number from 1 to a limit, as people type it (8,192 or 8 192); null when it is none. */
export function wholeNumber(typed: string, most: number): number | null {
  const digits = typed.trim().replace(/(?<=\d)[\s,.](?=\d{3}(\D|$))/g, '');
  const value = /^\d{1,16}$/.test(digits) ? Number(digits) : NaN;
  return value >= 1 && value <= most ? value : null;
}
