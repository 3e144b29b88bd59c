import { builds } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';

export const POST = route(endpoints.importBuild, async ({ body, signal }) =>
  (await builds()).importFile(body, signal)
);
