import { z } from 'zod';
import { resolve } from '$lib/core/solver';
import { answer, body, json } from '$lib/server/api';
import { builds } from '$lib/server/context';

const Options = z.strictObject({
  allowOff: z.boolean().default(false),
  alternatives: z.number().int().min(0).max(8).default(2),
  /** Bounds the time that one request can take. */
  maxNodes: z.number().int().min(1).max(200_000).default(50_000)
});

export const POST = ({ params, request }) =>
  answer(async () => {
    const options = await body(request, Options);
    const store = await builds();
    const { build } = await store.get(params.id);
    return json(resolve(build, await store.parts(), options));
  });
