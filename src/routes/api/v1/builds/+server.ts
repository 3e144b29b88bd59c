import { Build } from '$lib/core/model';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';
import { idFrom } from '$lib/server/builds';
import { builds } from '$lib/server/context';
import { buildPage } from '$lib/server/listing';

export const GET = route(endpoints.listBuilds, async ({ query }) =>
  buildPage(await builds(), query.from, query)
);

export const POST = route(endpoints.createBuild, async ({ body: { name, board, date } }) => {
  const build = Build.parse({
    id: idFrom(name),
    name,
    brief: { ...(date ? { date } : {}) },
    board: { id: 'board', part: board }
  });
  return (await builds()).create(build, 'created');
});
