import { readBuildFile } from '$lib/formats';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';
import { checked } from '$lib/server/compute';

export const POST = route(endpoints.check, async ({ body }) => {
  const { build, parts } = readBuildFile(body);
  return checked(build, parts);
});
