import { builds } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';
import { resolved } from '$lib/server/compute';

export const POST = route(endpoints.resolveBuild, async ({ params, body, signal }) => {
  const store = await builds();
  const { build } = await store.get(params.id);
  return resolved(build, await store.parts(), body, signal);
});
