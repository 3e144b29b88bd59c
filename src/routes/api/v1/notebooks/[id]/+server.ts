import { services } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';

export const PUT = route(endpoints.saveNotebook, async ({ params, body }) => {
  const { notebooks } = await services();
  const { value, version } = await notebooks.save({ ...body.notebook, id: params.id }, body.version);
  return { notebook: value, version };
});
export const DELETE = route(endpoints.removeNotebook, async ({ params }) =>
  (await services()).notebooks.remove(params.id)
);
