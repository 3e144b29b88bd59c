import type { Changes } from './events';

/** A line now and then keeps the connection open and shows when it is lost. */
const BEAT_MS = 15_000;
const closers = new Set<() => void>();

let heeding = false;

/** Streams end when the program ends, so that it need not wait for open pages. */
function heedSignals(): void {
  if (heeding) return;
  heeding = true;
  // Only beside the server's own handler: a signal that somebody handles no longer ends the process.
  for (const signal of ['SIGTERM', 'SIGINT'] as const)
    if (process.listenerCount(signal)) process.on(signal, () => [...closers].forEach((close) => close()));
}

/** Changes as server-sent events, until the page goes away. */
export function eventStream(changes: Changes, gone: AbortSignal): Response {
  heedSignals();
  const text = new TextEncoder();
  let end = () => {};
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      const send = (line: string) => controller.enqueue(text.encode(line));
      const stop = changes.listen(({ kind, ...data }) =>
        send(`event: ${kind}\ndata: ${JSON.stringify(data)}\n\n`)
      );
      const beat = setInterval(() => send(': beat\n\n'), BEAT_MS);
      beat.unref();
      end = () => {
        stop();
        clearInterval(beat);
        if (!closers.delete(end)) return;
        try {
          controller.close();
        } catch {
          // The page is gone already.
        }
      };
      closers.add(end);
      gone.addEventListener('abort', end);
      send('retry: 1000\n: open\n\n');
    },
    cancel: () => end()
  });
  return new Response(stream, {
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' }
  });
}
