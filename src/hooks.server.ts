import { server } from '$lib/words/server';
import { redirect, type Handle, type ServerInit } from '@sveltejs/kit';
import { problem } from '$lib/server/api/route';
import { services } from '$lib/server/context';
import { COOKIE, isOwnName, isShared } from '$lib/server/gate';

const headers: Record<string, string> = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'no-referrer',
  'x-frame-options': 'DENY',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
  'permissions-policy': 'camera=(), geolocation=(), microphone=()'
};

/** The data is opened before the first request, so that trouble with it is said at start. */
export const init: ServerInit = async () => {
  await services();
};

/** Two names in one request are a trick on whoever stands between. */
const names = (platform: unknown): number => {
  const { rawHeaders = [] } = (platform as { req?: { rawHeaders?: string[] } } | undefined)?.req ?? {};
  return rawHeaders.filter((name, i) => i % 2 === 0 && name.toLowerCase() === 'host').length;
};

/** Only pages of this server may write, and only by a name that this server answers to. */
function refuse(request: Request): string | null {
  const host = request.headers.get('host') ?? '';
  if (!isOwnName(host)) return server.foreignName;
  if (request.method === 'GET' || request.method === 'HEAD') return null;
  const origin = request.headers.get('origin');
  const site = request.headers.get('sec-fetch-site');
  if (
    (origin !== null && origin.replace(/^https?:\/\//, '') !== host) ||
    (site && !/^(same-origin|none)$/.test(site))
  )
    return server.foreignPage;
  return null;
}

/** What can be seen without the passphrase of a shared server. */
const open = new Set(['/login', '/api/v1/session']);

export const handle: Handle = async ({ event, resolve }) => {
  const { pathname } = event.url;
  const isApi = pathname.startsWith('/api/');
  if (names(event.platform) > 1) return problem(400, server.twoServers);
  const why = refuse(event.request);
  if (why) return problem(403, why);
  if (isShared() && !open.has(pathname)) {
    const { gate } = await services();
    if (!(await gate.isSignedIn(event.cookies.get(COOKIE)))) {
      if (isApi) return problem(401, server.signInFirst);
      redirect(303, `/login?next=${encodeURIComponent(pathname)}`);
    }
  }
  const response = await resolve(event);
  const own = response.headers.get('content-type') ?? '';
  const answer =
    isApi && response.status >= 400 && !own.startsWith('application/problem+json')
      ? problem(response.status, response.status === 405 ? server.noMethod : server.nothingHere)
      : response;
  for (const [name, value] of Object.entries(headers)) answer.headers.set(name, value);
  // Pages hold what is kept, like the API; the files of the program are served elsewhere.
  if (!answer.headers.has('cache-control')) answer.headers.set('cache-control', 'no-store');
  return answer;
};
