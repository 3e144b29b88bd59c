import { readBuildFile } from '$lib/formats';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';
import { resolved } from '$lib/server/compute';

export const POST = route(endpoints.resolve, async ({ body, query }) => {
  const { build, parts } = readBuildFile(body);
  return resolved(build, parts, query);
});
