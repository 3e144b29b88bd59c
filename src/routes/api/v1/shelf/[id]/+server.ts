import { services } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';

export const GET = route(endpoints.getShelfItem, async ({ params }) =>
  (await services()).shelf.get(params.id)
);
export const PUT = route(endpoints.saveShelfItem, async ({ params, body }) =>
  (await services()).shelf.save(params.id, body.item, body.version)
);
export const DELETE = route(endpoints.binShelfItem, async ({ params }) =>
  (await services()).shelf.bin(params.id, 'in')
);
