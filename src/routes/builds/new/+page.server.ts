import { builds } from '$lib/server/context';

export const load = async () => ({
  boards: [...(await (await builds()).parts()).values()]
    .filter((part) => part.kind === 'board')
    .sort((a, b) => (a.sold?.from ?? 0) - (b.sold?.from ?? 0))
});
