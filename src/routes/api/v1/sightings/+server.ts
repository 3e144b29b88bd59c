import { services } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';

export const GET = route(endpoints.listSightings, async () => {
  const { kept, unreadable } = await (await services()).sightings.list();
  return { sightings: kept.map(({ value, version }) => ({ sighting: value, version })), unreadable };
});
