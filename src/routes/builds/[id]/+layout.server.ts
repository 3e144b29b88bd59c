import { error } from '@sveltejs/kit';
import { usedParts } from '$lib/core/kit';
import { builds } from '$lib/server/context';
import { InBin, NotFound } from '$lib/server/errors';

export const load = async ({ params }) => {
  const store = await builds();
  try {
    const record = await store.get(params.id);
    const parts = await store.parts();
    return { record, parts: usedParts(record.build, parts) };
  } catch (problem) {
    if (problem instanceof NotFound) error(404, problem.message);
    if (problem instanceof InBin) error(410, problem.message);
    throw problem;
  }
};
