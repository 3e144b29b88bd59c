import { usedParts } from '$lib/core/kit';
import { isOfKind } from '$lib/core/model';
import { services } from '$lib/server/context';

/** Other machines that are looked at as helpers, at most. */
const MOST_HELPERS = 12;

export const load = async ({ params, url }) => {
  const { store, shelf } = await services();
  const known = await store.parts();
  const things = await shelf.all();
  // Only the way of the first file looks at other machines.
  const others =
    url.searchParams.get('view') === 'first'
      ? (await store.list()).filter((row) => row.id !== params.id).slice(0, MOST_HELPERS)
      : [];
  return {
    shelf: things,
    modules: [...known.values()].filter((p) => isOfKind(p, 'memory')),
    shelfParts: [...new Set(things.map((t) => t.item.part))].flatMap((id) => known.get(id) ?? []),
    helpers: (
      await Promise.all(
        others.map(({ id }) =>
          store.get(id).then(
            ({ build }) => [{ build, parts: usedParts(build, known) }],
            // One that cannot be read helps nobody.
            () => []
          )
        )
      )
    ).flat()
  };
};
