import { builds } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';
import { exportedBuild } from '$lib/server/compute';

export const GET = route(endpoints.exportBuild, async ({ params, query, signal }) => {
  const { content, media, name } = await exportedBuild(await builds(), params.id, query.as, signal);
  return new Response(content, {
    headers: { 'content-type': media, 'content-disposition': `attachment; filename="${name}"` }
  });
});
