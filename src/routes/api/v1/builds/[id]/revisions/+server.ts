import { builds } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';
import { revisions } from '$lib/server/history';

export const GET = route(endpoints.listRevisions, async ({ params, query }) =>
  revisions(await builds(), params.id, query)
);
