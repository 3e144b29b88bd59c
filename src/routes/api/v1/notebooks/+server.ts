import { services } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';

export const GET = route(endpoints.listNotebooks, async () => (await services()).notebooks.list());
