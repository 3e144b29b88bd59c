import { mediumAfter, sameJson, ShelfItem, type Build } from '../core/model';
import type { Db } from './database';
import { readKept } from './summaries';

/**
 * Things of the shelf learn what was written down of them as media in a machine, in the transaction that saves the
 * machine: what the page was told is saved is saved in both places, or in neither.
 * @param before the state before, as it is kept; a damaged one teaches nothing
 * @returns whether anything on the shelf changed
 */
export async function teachMediums(trx: Db, before: string, after: Build, at: string): Promise<boolean> {
  const media = after.items.flatMap(({ id, specimen, disk }) =>
    specimen === undefined ? [] : [{ id, specimen, disk }]
  );
  if (!media.length) return false;
  const old = oldItems(before);
  let isTaught = false;
  for (const { id, specimen, disk } of media) {
    const was = old?.find((i) => i.id === id && i.specimen === specimen)?.disk;
    if (!old || sameJson(was, disk)) continue;
    isTaught = (await teach(trx, specimen, (medium) => mediumAfter(medium, was, disk), at)) || isTaught;
  }
  return isTaught;
}

function oldItems(document: string): Build['items'] | null {
  try {
    return readKept(document).items;
  } catch {
    return null;
  }
}

/** A damaged thing learns nothing, and keeps no machine from being saved. */
function thingOf(document: string): ShelfItem | null {
  try {
    return ShelfItem.parse(JSON.parse(document));
  } catch {
    return null;
  }
}

async function teach(
  trx: Db,
  id: string,
  to: (medium: ShelfItem['medium']) => ShelfItem['medium'],
  at: string
): Promise<boolean> {
  const row = await trx
    .selectFrom('shelf')
    .select(['document', 'version'])
    .where('id', '=', id)
    .where('deleted', 'is', null)
    .executeTakeFirst();
  const thing = row && thingOf(row.document);
  if (!thing) return false;
  const medium = to(thing.medium);
  if (sameJson(medium, thing.medium ?? { tries: [] })) return false;
  const document = JSON.stringify({ ...thing, medium });
  await trx
    .updateTable('shelf')
    .set({ document, version: row.version + 1, updated: at })
    .where('id', '=', id)
    .execute();
  return true;
}
