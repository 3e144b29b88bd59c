import { server } from '$lib/words/server';
import { endpoints } from '$lib/server/api/endpoints';
import { route } from '$lib/server/api/route';
import { Refused } from '$lib/server/errors';
import { services } from '$lib/server/context';
import { COOKIE } from '$lib/server/gate';

export const POST = route(endpoints.signIn, async ({ body, event }) => {
  const { gate } = await services();
  const signIn = await gate.signIn(body.passphrase, event.getClientAddress());
  if (signIn.result === 'wrong') throw new Refused(401, server.wrongPassphrase);
  if (signIn.result === 'wait')
    throw new Refused(429, server.tooManyTries(signIn.seconds), {
      'retry-after': String(signIn.seconds)
    });
  event.cookies.set(COOKIE, signIn.token, {
    path: '/',
    httpOnly: true,
    sameSite: 'strict',
    secure: event.request.headers.get('x-forwarded-proto') === 'https',
    maxAge: signIn.seconds
  });
});

export const DELETE = route(endpoints.signOut, async ({ event }) => {
  const { gate } = await services();
  await gate.signOut(event.cookies.get(COOKIE));
  event.cookies.delete(COOKIE, { path: '/' });
});
