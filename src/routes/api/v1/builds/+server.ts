import { Build } from '$lib/core/model';
import { answer, body, json } from '$lib/server/api';
import { NewBuild, idFrom } from '$lib/server/builds';
import { builds } from '$lib/server/context';

export const GET = () => answer(async () => json({ builds: await (await builds()).list() }));

export const POST = ({ request }) =>
  answer(async () => {
    const { name, board, date } = await body(request, NewBuild);
    const build = Build.parse({
      id: idFrom(name),
      name,
      brief: { ...(date ? { date } : {}) },
      board: { id: 'board', part: board }
    });
    return json(await (await builds()).create(build, 'created'), 201);
  });
