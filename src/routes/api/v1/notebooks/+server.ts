import { services } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';

export const GET = route(endpoints.listNotebooks, async () => {
  const { kept, unreadable } = await (await services()).notebooks.list();
  return { notebooks: kept.map(({ value, version }) => ({ notebook: value, version })), unreadable };
});
