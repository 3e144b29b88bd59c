import { builds } from '$lib/server/context';
import { firstPage, itemPage } from '$lib/server/listing';

export const load = async () => itemPage(await builds(), undefined, firstPage);
