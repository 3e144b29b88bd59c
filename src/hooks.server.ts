import type { Handle } from '@sveltejs/kit';

const headers: Record<string, string> = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'no-referrer',
  'x-frame-options': 'DENY',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin'
};

const local = /^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/;

/** Only pages of this server may write, and only by a name that this server answers to. */
function refuse(request: Request): string | null {
  const host = request.headers.get('host') ?? '';
  const allowed = process.env.YJ_HOST ? true : local.test(host);
  if (!allowed) return 'This server answers only to its own name.';
  if (request.method === 'GET' || request.method === 'HEAD') return null;
  const origin = request.headers.get('origin');
  if (origin !== null && origin.replace(/^https?:\/\//, '') !== host)
    return 'Writes come only from pages of this server.';
  return null;
}

export const handle: Handle = async ({ event, resolve }) => {
  const why = refuse(event.request);
  if (why)
    return new Response(JSON.stringify({ title: why, status: 403 }), {
      status: 403,
      headers: { 'content-type': 'application/problem+json' }
    });
  const response = await resolve(event);
  for (const [name, value] of Object.entries(headers)) response.headers.set(name, value);
  return response;
};
