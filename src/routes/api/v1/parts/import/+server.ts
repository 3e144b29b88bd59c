import { server } from '$lib/words/server';
import { services } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';

export const POST = route(endpoints.importPart, async ({ body, signal }) =>
  (await services()).own.importFile(body, server.theFile, signal)
);
