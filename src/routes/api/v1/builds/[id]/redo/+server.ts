import { builds } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';

export const POST = route(endpoints.redo, async ({ params }) => (await builds()).step(params.id, 'redo'));
