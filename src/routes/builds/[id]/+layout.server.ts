import { error } from '@sveltejs/kit';
import { builds } from '$lib/server/context';
import { InBin, NotFound } from '$lib/server/errors';

export const load = async ({ params }) => {
  const store = await builds();
  try {
    const record = await store.get(params.id);
    const parts = await store.parts();
    const { board, items, shelf } = record.build;
    const used = new Set([board, ...items, ...shelf].map((item) => item.part));
    return { record, parts: [...used].map((id) => parts.get(id)!) };
  } catch (problem) {
    if (problem instanceof NotFound) error(404, problem.message);
    if (problem instanceof InBin) error(410, problem.message);
    throw problem;
  }
};
