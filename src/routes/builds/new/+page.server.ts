import { builds } from '$lib/server/context';

export const load = async () => {
  const parts = await (await builds()).parts();
  return {
    boards: [...parts.values()]
      .filter((part) => part.kind === 'board')
      .sort((a, b) => (a.sold?.from ?? 0) - (b.sold?.from ?? 0)),
    /** Names that a described part cannot have. */
    taken: [...parts.keys()]
  };
};
