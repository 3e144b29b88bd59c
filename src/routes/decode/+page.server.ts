import { server } from '$lib/words/server';
import { error } from '@sveltejs/kit';
import { handBlocks } from '$lib/core/settings';
import { builds } from '$lib/server/context';

/** Parts that are offered while none is chosen. */
const EXAMPLES = 6;

export const load = async ({ url }) => {
  const parts = await (await builds()).parts();
  const id = url.searchParams.get('part');
  const part = id === null ? null : parts.get(id);
  if (part === undefined) error(404, server.notInCatalogue);
  const examples = [...parts.values()]
    .filter((p) => p.board && handBlocks(p).some((b) => b.kind === 'dip'))
    .slice(0, EXAMPLES);
  return { part, examples };
};
