import { builds } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';
import { page } from '$lib/server/page';

export const GET = route(endpoints.listParts, async ({ query }) => {
  const all = [...(await (await builds()).parts()).values()].filter(
    (p) => !query.kind || p.kind === query.kind
  );
  const { rows, total } = page(all, query, (p) => [p.maker, p.name, p.summary ?? '', p.id]);
  return { parts: rows, total };
});
