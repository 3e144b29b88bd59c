import { answer, bodyText, json } from '$lib/server/api';
import { builds } from '$lib/server/context';

export const POST = ({ request }) =>
  answer(async () => json(await (await builds()).importFile(await bodyText(request)), 201));
