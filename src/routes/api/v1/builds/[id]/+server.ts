import { z } from 'zod';
import { answer, body, json } from '$lib/server/api';
import { builds } from '$lib/server/context';

const Save = z.strictObject({
  build: z.unknown(),
  base: z.number().int().min(0),
  note: z.string().max(200).default('')
});

export const GET = ({ params }) => answer(async () => json(await (await builds()).get(params.id)));

export const PUT = ({ params, request }) =>
  answer(async () => {
    const { build, base, note } = await body(request, Save);
    return json(await (await builds()).save(params.id, build, base, note));
  });
