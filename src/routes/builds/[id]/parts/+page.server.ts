import { services } from '$lib/server/context';
import { firstPage, partPage } from '$lib/server/listing';

/** The first parts of the list; the search asks for others. */
export const load = async () => partPage(await services(), { ...firstPage, limit: 40 });
