import { builds } from '$lib/server/context';

export const load = async () => ({
  catalogue: [...(await (await builds()).parts()).values()].filter((part) => part.kind === 'card')
});
