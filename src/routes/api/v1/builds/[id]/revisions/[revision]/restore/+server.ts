import { builds } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';
import { restore } from '$lib/server/history';

export const POST = route(endpoints.restoreRevision, async ({ params, body }) =>
  restore(await builds(), params.id, params.revision, body.base)
);
