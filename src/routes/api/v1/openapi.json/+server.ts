import { endpoints } from '$lib/server/api/endpoints';
import { openApi } from '$lib/server/api/openapi';
import { route } from '$lib/server/api/route';

/** Made once: it takes seconds, and says the same as long as the program runs. */
let text: string | null = null;

export const GET = route(endpoints.describe, async () => {
  text ??= JSON.stringify(openApi());
  return new Response(text, { headers: { 'content-type': 'application/json' } });
});
