import { services } from '$lib/server/context';

export const load = async ({ url }) => {
  const { store, own } = await services();
  const parts = await store.parts();
  const [id, like] = [url.searchParams.get('id'), url.searchParams.get('like')];
  const ids = await own.ids();
  return {
    part: (id && ids.has(id) ? parts.get(id) : like ? parts.get(like) : undefined) ?? null,
    isOwn: id !== null && ids.has(id),
    fromDraft: url.searchParams.has('draft')
  };
};
