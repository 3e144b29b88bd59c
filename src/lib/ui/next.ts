/**
 * Where to go on after signing in: a place of this server, never another's. The wish is read as a browser would
 * read it, which leaves out tabs and line breaks and takes a backslash for a slash.
 */
export function safeNext(wish: string | null, origin: string): string {
  if (!wish) return '/';
  try {
    const url = new URL(wish, origin);
    const isOurs =
      url.origin === origin && /^\/(?![/\\])/.test(url.pathname) && !/^\/login\b/.test(url.pathname);
    return isOurs ? url.pathname + url.search + url.hash : '/';
  } catch {
    return '/';
  }
}
