import { answer, json } from '$lib/server/api';
import { builds } from '$lib/server/context';

export const GET = () => answer(async () => json({ parts: [...(await (await builds()).parts()).values()] }));
