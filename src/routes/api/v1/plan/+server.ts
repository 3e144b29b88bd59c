import { services } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';
import { planned } from '$lib/server/compute';

export const POST = route(endpoints.plan, async ({ body, signal }) => {
  const { store, shelf } = await services();
  return planned(body, await store.parts(), await shelf.all(), signal);
});
