import { services } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';
import { partPage } from '$lib/server/listing';

export const GET = route(endpoints.listParts, async ({ query }) => partPage(await services(), query));
