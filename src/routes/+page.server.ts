import { builds } from '$lib/server/context';

export const load = async () => ({ builds: await (await builds()).list() });
