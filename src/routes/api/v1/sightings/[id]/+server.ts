import { services } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';

export const PUT = route(endpoints.saveSighting, async ({ params, body }) =>
  (await services()).shelf.saveSighting({ ...body.sighting, id: params.id })
);
export const DELETE = route(endpoints.removeSighting, async ({ params }) =>
  (await services()).shelf.removeSighting(params.id)
);
