import { server } from '$lib/words/server';
import { Build, schemaFlaws } from '$lib/core/model';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';
import { idFrom } from '$lib/server/builds';
import { builds } from '$lib/server/context';
import { buildPage } from '$lib/server/listing';
import { InvalidDocument } from '$lib/words';

export const GET = route(endpoints.listBuilds, async ({ query }) =>
  buildPage(await builds(), query.from, query)
);

export const POST = route(endpoints.createBuild, async ({ body: { name, board, date } }) => {
  const made = Build.safeParse({
    id: idFrom(name),
    name,
    brief: { ...(date ? { date } : {}) },
    board: { id: 'board', part: board }
  });
  if (!made.success) throw new InvalidDocument(schemaFlaws(made.error), server.what.build);
  return (await builds()).create(made.data, 'created');
});
