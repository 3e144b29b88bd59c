import { columnOf } from '$lib/core/compare';
import { services } from '$lib/server/context';
import { InBin, NotFound } from '$lib/server/errors';

const MOST = 3;

export const load = async ({ url }) => {
  const { store } = await services();
  const list = (await store.list()).map(({ id, name }) => ({ id, name }));
  const asked = (url.searchParams.get('ids') ?? '').split(',').filter(Boolean).slice(0, MOST);
  const parts = await store.parts();
  const columns = [];
  for (const id of asked)
    try {
      columns.push(columnOf((await store.get(id)).build, parts));
    } catch (problem) {
      // One that was put in the bin since is left out.
      if (!(problem instanceof NotFound || problem instanceof InBin)) throw problem;
    }
  return { list, columns };
};
