import { builds } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';
import { eventStream } from '$lib/server/event-stream';

export const GET = route(endpoints.events, async ({ event }) =>
  eventStream((await builds()).changes, event.request.signal)
);
