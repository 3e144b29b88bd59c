import { answer, json } from '$lib/server/api';
import { builds } from '$lib/server/context';

export const POST = ({ params }) => answer(async () => json(await (await builds()).step(params.id, 'undo')));
