import { error } from '@sveltejs/kit';
import { NotFound } from '$lib/server/builds';
import { builds } from '$lib/server/context';

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
    throw problem;
  }
};
