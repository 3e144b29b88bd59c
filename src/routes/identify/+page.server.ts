import { services } from '$lib/server/context';

export const load = async () => {
  const { store, shelf } = await services();
  const parts = [...(await store.parts()).values()].filter((p) => p.board || p.card);
  return { parts, sightings: await shelf.sightings() };
};
