import { services } from '$lib/server/context';

export const load = async () => {
  const { store, sightings } = await services();
  const parts = [...(await store.parts()).values()].filter((p) => p.board || p.card);
  return { parts, ...(await sightings.list()) };
};
