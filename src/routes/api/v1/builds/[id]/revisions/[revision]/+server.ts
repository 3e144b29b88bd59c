import { builds } from '$lib/server/context';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';
import { compare, revision } from '$lib/server/history';

export const GET = route(endpoints.getRevision, async ({ params, query }) => {
  const store = await builds();
  const { head } = await store.get(params.id);
  return {
    build: await revision(store, params.id, params.revision),
    changes: await compare(store, params.id, params.revision, query.to ?? head)
  };
});
