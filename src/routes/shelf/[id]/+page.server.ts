import { entryOf } from '$lib/core/model';
import { error } from '@sveltejs/kit';
import { services } from '$lib/server/context';
import { NotFound } from '$lib/server/errors';

export const load = async ({ params }) => {
  const { store, shelf } = await services();
  try {
    const view = await shelf.get(params.id);
    const parts = await store.parts();
    const boards = [...parts.values()]
      .filter((p) => p.board)
      .map((p) => ({ id: p.id, name: `${p.maker} ${p.name}` }));
    return { view, part: entryOf(parts, view.item.part), boards };
  } catch (problem) {
    if (problem instanceof NotFound) error(404, problem.message);
    throw problem;
  }
};
