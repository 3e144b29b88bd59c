import { builds } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';
import { itemPage } from '$lib/server/listing';

export const GET = route(endpoints.listItems, async ({ query }) =>
  itemPage(await builds(), query.part, query)
);
