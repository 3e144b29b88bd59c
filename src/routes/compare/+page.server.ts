import { column } from '$lib/server/compute';
import { services } from '$lib/server/context';
import { InBin, NotFound, Refused, Unreadable } from '$lib/server/errors';

const MOST = 3;

export const load = async ({ url }) => {
  const { store } = await services();
  const list = (await store.list()).map(({ id, name }) => ({ id, name }));
  const asked = (url.searchParams.get('ids') ?? '').split(',').filter(Boolean).slice(0, MOST);
  const parts = await store.parts();
  const columns = [];
  const left: { name: string; why: string }[] = [];
  for (const id of asked)
    try {
      columns.push(await column((await store.get(id)).build, parts));
    } catch (problem) {
      if (problem instanceof NotFound || problem instanceof InBin) continue;
      // One that cannot be read or worked out takes nothing from the others.
      if (!(problem instanceof Unreadable || problem instanceof Refused)) throw problem;
      left.push({ name: list.find((b) => b.id === id)?.name ?? id, why: problem.message });
    }
  return { list, columns, left };
};
