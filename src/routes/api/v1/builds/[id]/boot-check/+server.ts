import { builds } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';
import { report } from '$lib/server/compute';

export const POST = route(endpoints.bootCheckOfBuild, async ({ params, body, signal }) => {
  const store = await builds();
  const { build } = await store.get(params.id);
  return report('bootCheck', build, await store.parts(), body, signal);
});
