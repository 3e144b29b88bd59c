import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';
import { resolvedFile } from '$lib/server/compute';

export const POST = route(endpoints.resolve, ({ body, query, signal }) => resolvedFile(body, query, signal));
