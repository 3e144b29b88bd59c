import { exported } from '$lib/formats';
import { builds } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';

export const GET = route(endpoints.exportBuild, async ({ params, query }) => {
  const store = await builds();
  const { build } = await store.get(params.id);
  const { content, media, name } = exported(build, await store.parts(), query.as);
  return new Response(content, {
    headers: { 'content-type': media, 'content-disposition': `attachment; filename="${name}"` }
  });
});
