import { services } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';
import { eventStream } from '$lib/server/event-stream';
import { COOKIE, isShared } from '$lib/server/gate';

export const GET = route(endpoints.events, async ({ event }) => {
  const { store, gate } = await services();
  const token = event.cookies.get(COOKIE);
  const allowed =
    isShared() && token
      ? { still: () => gate.isSignedIn(token), whenOver: (over: () => void) => gate.whenOver(token, over) }
      : null;
  return eventStream(store.changes, event.request.signal, allowed);
});
