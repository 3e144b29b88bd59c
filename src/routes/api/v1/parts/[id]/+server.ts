import { builds } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';
import { NotFound } from '$lib/server/errors';

export const GET = route(endpoints.getPart, async ({ params }) => {
  const part = (await (await builds()).parts()).get(params.id);
  if (!part) throw new NotFound(`There is no part "${params.id}".`);
  return part;
});
