import { services } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';

export const POST = route(endpoints.takeParts, async ({ body, signal }) =>
  (await services()).own.takeIn(body.text, body.choices, signal)
);
