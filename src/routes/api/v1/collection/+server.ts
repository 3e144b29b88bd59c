import { services } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';
import { writeParts, writePartsCsv, writePartsYaml } from '$lib/formats';

const WRITERS = {
  json: { media: 'application/json', write: writeParts },
  yaml: { media: 'application/yaml', write: writePartsYaml },
  csv: { media: 'text/csv; charset=utf-8', write: writePartsCsv }
} as const;

export const GET = route(endpoints.exportParts, async ({ query }) => {
  const { media, write } = WRITERS[query.as];
  return new Response(write(await (await services()).own.all()), {
    headers: {
      'content-type': media,
      'content-disposition': `attachment; filename="my-parts.${query.as}"`
    }
  });
});
