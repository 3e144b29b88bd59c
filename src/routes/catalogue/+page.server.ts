import { services } from '$lib/server/context';
import { firstPage, partPage } from '$lib/server/listing';

export const load = async () => partPage(await services(), firstPage);
