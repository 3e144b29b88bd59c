import { services } from '$lib/server/context';

export const load = async () => ({ profiles: (await services()).profiles });
