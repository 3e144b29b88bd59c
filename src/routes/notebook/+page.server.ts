import { builds, services } from '$lib/server/context';

export const load = async () => {
  const parts = [...(await (await builds()).parts()).values()];
  return {
    notebooks: await (await services()).notebooks.all(),
    parts: parts.filter((p) => p.board || (p.card && p.blocks.length))
  };
};
