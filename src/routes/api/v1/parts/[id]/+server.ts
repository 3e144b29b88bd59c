import { server } from '$lib/words/server';
import { builds, services } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';
import { NotFound } from '$lib/server/errors';

export const GET = route(endpoints.getPart, async ({ params }) => {
  const part = (await (await builds()).parts()).get(params.id);
  if (!part) throw new NotFound(server.noPart(params.id));
  return part;
});

export const PUT = route(endpoints.savePart, async ({ params, body }) =>
  (await services()).own.save(params.id, body.part)
);

export const DELETE = route(endpoints.removePart, async ({ params }) =>
  (await services()).own.remove(params.id)
);
