import { services } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';

export const GET = route(endpoints.listShelf, async ({ query }) => (await services()).shelf.page(query));
export const POST = route(endpoints.addToShelf, async ({ body }) => (await services()).shelf.add(body.item));
