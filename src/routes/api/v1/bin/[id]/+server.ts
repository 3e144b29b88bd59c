import { builds } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';

export const DELETE = route(endpoints.removeBuild, async ({ params }) => (await builds()).remove(params.id));
