import { builds } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';

export const GET = route(endpoints.getBuild, async ({ params }) => (await builds()).get(params.id));

export const PUT = route(endpoints.saveBuild, async ({ params, body: { build, base, note } }) =>
  (await builds()).save(params.id, build, base, note)
);

export const DELETE = route(endpoints.binBuild, async ({ params }) => (await builds()).bin(params.id, 'in'));
