import { server } from '$lib/words/server';
import { problemsOf } from '$lib/words';
import { error } from '@sveltejs/kit';
import { usedParts } from '$lib/core/kit';
import { checkBuild } from '$lib/core/model';
import { builds } from '$lib/server/context';
import { InBin, NotFound, Unreadable } from '$lib/server/errors';

export const load = async ({ params }) => {
  const store = await builds();
  try {
    const record = await store.get(params.id);
    const parts = await store.parts();
    const problems = problemsOf(checkBuild(record.build, parts));
    if (problems.length) throw new Unreadable(server.stateUnusable, problems);
    return { record, parts: usedParts(record.build, parts), broken: null };
  } catch (problem) {
    if (problem instanceof NotFound) error(404, problem.message);
    if (problem instanceof InBin) error(410, problem.message);
    if (!(problem instanceof Unreadable)) throw problem;
    const { name, head } = await store.named(params.id);
    const why = [problem.message, ...problem.problems.slice(0, 8).map((p) => `${p.path}: ${p.message}`)];
    return { record: null, parts: [], broken: { id: params.id, name, head, why } };
  }
};
