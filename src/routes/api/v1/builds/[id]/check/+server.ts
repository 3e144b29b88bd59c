import { builds } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';
import { checked } from '$lib/server/compute';

export const GET = route(endpoints.checkBuild, async ({ params, signal }) => {
  const store = await builds();
  const { build } = await store.get(params.id);
  return checked(build, await store.parts(), signal);
});
