import { relatedParts } from '$lib/core/kit';
import { PART_KINDS, factFields, functionFields } from '$lib/formats';
import { readPlainParts } from '$lib/server/catalogue';
import { services } from '$lib/server/context';

let plain: ReturnType<typeof readPlainParts> | null = null;

export const load = async ({ url }) => {
  const { store, own } = await services();
  const parts = await store.parts();
  const [id, like] = [url.searchParams.get('id'), url.searchParams.get('like')];
  const ids = await own.ids();
  const part = (id && ids.has(id) ? parts.get(id) : like ? parts.get(like) : undefined) ?? null;
  return {
    part,
    /** Without its BIOS a board that is tried would be said to have none that is known. */
    related: part?.board ? relatedParts(part).flatMap((r) => parts.get(r) ?? []) : [],
    /** What was searched for and not found. */
    name: (url.searchParams.get('name') ?? '').trim().slice(0, 80),
    isOwn: id !== null && ids.has(id),
    /** What one's own part can start from. */
    plain: (plain ??= readPlainParts()),
    /** What can be written down of each kind. */
    fields: Object.fromEntries(PART_KINDS.map((kind) => [kind, factFields(kind)])),
    functionFields: functionFields(),
    /** Builds in which the part can be tried before it is saved. */
    builds: (await store.list()).flatMap((b) => ('broken' in b ? [] : [{ id: b.id, name: b.name }])),
    fromDraft: url.searchParams.has('draft')
  };
};
