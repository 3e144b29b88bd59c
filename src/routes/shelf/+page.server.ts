import { services } from '$lib/server/context';
import { firstPage } from '$lib/server/listing';

export const load = async () => {
  const { shelf } = await services();
  const [use, bin] = await Promise.all([
    shelf.page({ ...firstPage, from: 'use' }),
    shelf.page({ ...firstPage, from: 'bin' })
  ]);
  return { use, bin };
};
