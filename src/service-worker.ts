/// <reference types="@sveltejs/kit" />
/// <reference lib="webworker" />
import { build, files, version } from '$service-worker';

/**
 * Keeps what a machine at the bench needs when the server is gone: the program itself, and the pages of builds
 * that were open. Pages come from the server while it answers. Nothing of the API is kept here: changes wait in
 * the browser's storage and are sent by the page.
 */
const worker = globalThis as unknown as ServiceWorkerGlobalScope;
const ASSETS = `yj-assets-${version}`;
const PAGES = `yj-pages-${version}`;
const program = new Set([...build, ...files]);
/** Pages that work without the server, and the data that comes with a move to them. */
const isKept = (path: string): boolean =>
  /^\/builds\/[^/]+\/(switches|lines|disks|memory|boot|start|bench)(\/__data\.json)?$/.test(path);

worker.addEventListener('install', (event) => {
  event.waitUntil(
    caches
      .open(ASSETS)
      .then((cache) => cache.addAll([...program]))
      .then(() => worker.skipWaiting())
  );
});

worker.addEventListener('activate', (event) => {
  event.waitUntil(
    caches
      .keys()
      .then((names) =>
        Promise.all(names.filter((n) => n !== ASSETS && n !== PAGES).map((name) => caches.delete(name)))
      )
      .then(() => worker.clients.claim())
  );
});

/**
 * A page asks for its build to be kept: `{ keep: ['/builds/x/bench', …], state: 'what these pages show' }`. Pages that
 * were kept for the same state are not asked for again.
 */
worker.addEventListener('message', (event) => {
  const { keep, state } = (event.data ?? {}) as { keep?: unknown; state?: unknown };
  if (!Array.isArray(keep) || typeof state !== 'string') return;
  const paths = keep.filter((p): p is string => typeof p === 'string' && isKept(p)).slice(0, 10);
  event.waitUntil(keepAll(paths, state).catch(() => null));
});

/** What the kept pages of a build show stands beside them, under a path that no page has. */
async function keepAll(paths: readonly string[], state: string): Promise<void> {
  if (!paths[0]) return;
  const pages = await caches.open(PAGES);
  const mark = `${paths[0].split('/').slice(0, 3).join('/')}/kept`;
  if ((await (await pages.match(mark))?.text()) === state) return;
  const all = await Promise.all(paths.map((path) => fromServer(new Request(path))));
  if (all.every(({ ok, redirected }) => ok && !redirected)) await pages.put(mark, new Response(state));
}

worker.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== worker.location.origin) return;
  if (program.has(url.pathname))
    event.respondWith(caches.match(url.pathname).then((kept) => kept ?? fetch(request)));
  else if (isKept(url.pathname))
    event.respondWith(
      fromServer(request).catch(async (error) => (await kept(url.pathname)) ?? Promise.reject(error))
    );
});

const kept = async (path: string): Promise<Response | undefined> => (await caches.open(PAGES)).match(path);

/** Asks the server, and keeps a good answer under its path. @throws when the server does not answer */
async function fromServer(request: Request): Promise<Response> {
  const response = await fetch(request);
  // Sent to sign in: whoever looks here may not see what was kept for another.
  if (response.redirected && new URL(response.url).pathname === '/login') await caches.delete(PAGES);
  if (response.ok && !response.redirected)
    await (await caches.open(PAGES)).put(new URL(request.url).pathname, response.clone());
  return response;
}
