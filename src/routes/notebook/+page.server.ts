import { builds, services } from '$lib/server/context';

export const load = async () => {
  const parts = [...(await (await builds()).parts()).values()];
  return {
    ...(await (await services()).notebooks.list()),
    parts: parts.filter((p) => p.board || (p.card && p.blocks.length))
  };
};
