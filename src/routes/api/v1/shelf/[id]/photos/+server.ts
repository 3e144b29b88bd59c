import { services } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';

export const POST = route(endpoints.addPhoto, async ({ params, query, body }) =>
  (await services()).shelf.addPhoto(params.id, query.name, body)
);
