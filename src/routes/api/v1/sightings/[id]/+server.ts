import { services } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';

export const PUT = route(endpoints.saveSighting, async ({ params, body }) => {
  const { sightings } = await services();
  const { value, version } = await sightings.save({ ...body.sighting, id: params.id }, body.version);
  return { sighting: value, version };
});
export const DELETE = route(endpoints.removeSighting, async ({ params }) =>
  (await services()).sightings.remove(params.id)
);
