import { builds } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';
import { mark } from '$lib/server/history';

export const PUT = route(endpoints.markRevision, async ({ params, body }) =>
  mark(await builds(), params.id, params.revision, body.name)
);

export const DELETE = route(endpoints.unmarkRevision, async ({ params }) =>
  mark(await builds(), params.id, params.revision, null)
);
