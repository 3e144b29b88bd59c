import { services } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';

export const GET = route(
  endpoints.exportShelf,
  async () =>
    new Response(await (await services()).shelf.exportCsv(), {
      headers: {
        'content-type': 'text/csv; charset=utf-8',
        'content-disposition': 'attachment; filename="shelf.csv"'
      }
    })
);
export const POST = route(endpoints.importShelf, async ({ query, body, signal }) =>
  (await services()).shelf.importCsv(body, query.take, signal)
);
