import { builds } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';
import { report } from '$lib/server/compute';

export const GET = route(endpoints.rehearseBuild, async ({ params, query, signal }) => {
  const store = await builds();
  const { build } = await store.get(params.id);
  return report('rehearse', build, await store.parts(), { which: query.settings }, signal);
});
