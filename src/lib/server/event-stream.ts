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

/** Whether a page may still hear of changes: asked at each beat, and told when it may no more. */
export interface Allowed {
  still(): Promise<boolean>;
  /** @returns how to stop listening */
  whenOver(over: () => void): () => void;
}

/** Changes as server-sent events, until the page goes away or may hear them no more. */
export function eventStream(changes: Changes, gone: AbortSignal, allowed: Allowed | null = null): Response {
  heedSignals();
  const text = new TextEncoder();
  let end = () => {};
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      const send = (line: string) => controller.enqueue(text.encode(line));
      const stop = changes.listen(({ kind, ...data }) =>
        send(`event: ${kind}\ndata: ${JSON.stringify(data)}\n\n`)
      );
      const beat = setInterval(() => {
        send(': beat\n\n');
        // Another program may have set a new passphrase, or the session ran out.
        void allowed?.still().then((may) => may || end());
      }, BEAT_MS);
      beat.unref();
      const forget = allowed?.whenOver(() => end());
      end = () => {
        stop();
        forget?.();
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
