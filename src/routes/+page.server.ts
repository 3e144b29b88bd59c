import { builds } from '$lib/server/context';
import { isShared } from '$lib/server/gate';
import { buildPage, firstPage } from '$lib/server/listing';

export const load = async () => {
  const store = await builds();
  return {
    use: await buildPage(store, 'use', firstPage),
    bin: await buildPage(store, 'bin', firstPage),
    shared: isShared()
  };
};
