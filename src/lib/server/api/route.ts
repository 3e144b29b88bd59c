import { server } from '../../words/server';
import { z } from 'zod';
import type { RequestEvent } from '@sveltejs/kit';
import { schemaFlaws } from '../../core/model';
import { Conflict, InBin, NotFound, Refused, Stale, Unreadable } from '../errors';
import { dataFolder, databaseFile } from '../database';
import { storeTrouble } from '../trouble';
import type { Endpoint, RawBody } from './endpoint';
import { InvalidDocument } from '../../words';

/** Largest JSON body, in bytes: a build file and its wrapping. */
const MAX_JSON = 9 * 1024 * 1024;

export class TooLarge extends Error {
  constructor(max: number) {
    super(server.sentTooLarge(Math.floor(max / 2 ** 20)));
  }
}

/** An error of the API: always this shape. */
export function problem(
  status: number,
  title: string,
  extra: Record<string, unknown> = {},
  headers: Record<string, string> = {}
): Response {
  return new Response(JSON.stringify({ title, status, ...extra }), {
    status,
    headers: { 'content-type': 'application/problem+json', ...headers }
  });
}

interface Input<P, Q, B> {
  params: P;
  query: Q;
  body: B;
  event: RequestEvent;
  /** Fires when whoever asked is gone. */
  signal: AbortSignal;
}

/** A server route for an operation of the table: reads and checks what it takes, answers or says what is wrong. */
export function route<P, Q, B>(
  endpoint: Endpoint<P, Q, B>,
  work: (input: Input<P, Q, B>) => Promise<unknown>
): (event: RequestEvent) => Promise<Response> {
  return async (event) => {
    const { signal, stop } = goneSignal(event);
    try {
      const params = checked(endpoint.params, event.params, server.what.address);
      const query = checked(endpoint.query, Object.fromEntries(event.url.searchParams), server.what.query);
      const body = (await read(endpoint.body, event.request)) as B;
      const reply = await work({ params, query, body, event, signal });
      if (reply instanceof Response) return reply;
      return new Response(JSON.stringify(reply ?? { done: true }), {
        status: endpoint.status,
        headers: { 'content-type': 'application/json' }
      });
    } catch (error) {
      return failure(error);
    } finally {
      stop();
    }
  };
}

/** The framework's own signal is silent once a body was read whole, so the connection is asked. */
function goneSignal(event: RequestEvent): { signal: AbortSignal; stop: () => void } {
  const controller = new AbortController();
  const abort = () => controller.abort();
  const socket = (event.platform as { req?: { socket?: NodeJS.EventEmitter } } | undefined)?.req?.socket;
  socket?.on('close', abort);
  event.request.signal.addEventListener('abort', abort);
  return { signal: controller.signal, stop: () => socket?.off('close', abort) };
}

function failure(error: unknown): Response {
  if (error instanceof InvalidDocument) return problem(422, error.message, { problems: error.problems });
  if (error instanceof NotFound) return problem(404, error.message);
  if (error instanceof Unreadable)
    return problem(422, error.message, { problems: error.problems, unreadable: true });
  if (error instanceof InBin) return problem(410, error.message, { bin: true });
  if (error instanceof Conflict) return problem(409, error.message, { current: error.current });
  if (error instanceof Stale) return problem(409, error.message);
  if (error instanceof TooLarge) return problem(413, error.message);
  if (error instanceof Refused) return problem(error.status, error.message, {}, error.headers);
  const trouble = storeTrouble(error, databaseFile(dataFolder()));
  if (trouble) return problem(trouble.code === 'SQLITE_FULL' ? 507 : 503, trouble.message);
  console.error(error);
  return problem(500, server.wentWrong);
}

function checked<T>(schema: z.ZodType<T>, data: unknown, what: string): T {
  const parsed = schema.safeParse(data);
  if (!parsed.success) throw new InvalidDocument(schemaFlaws(parsed.error), what);
  return parsed.data;
}

async function read(body: z.ZodType | RawBody | null, request: Request): Promise<unknown> {
  if (body === null) return null;
  const { headers } = request;
  // Without it the framework gives no body at all.
  if (!headers.has('content-type') && (headers.has('content-length') || headers.has('transfer-encoding')))
    throw new Refused(415, server.noContentType);
  if ('media' in body) return body.decode(await bodyBytes(request, body.max));
  const text = new TextDecoder().decode(await bodyBytes(request, MAX_JSON));
  let data: unknown;
  try {
    data = JSON.parse(text || '{}');
  } catch {
    throw new InvalidDocument([{ path: '', message: server.notJson }], server.what.request);
  }
  return checked(body, data, server.what.request);
}

/**
 * The body, refused above a limit in bytes. One that says its size is refused unread; of another the
 * rest is thrown away as it comes, so that the refusal can be heard.
 */
async function bodyBytes(request: Request, max: number): Promise<Uint8Array> {
  if (Number(request.headers.get('content-length') ?? 0) > max) throw new TooLarge(max);
  const chunks: Uint8Array[] = [];
  let size = 0;
  const reader = request.body?.getReader();
  while (reader) {
    const { done, value } = await reader.read();
    if (done) break;
    size += value.length;
    if (size <= max) chunks.push(value);
    else if (size > 4 * max) {
      await reader.cancel();
      break;
    } else chunks.length = 0;
  }
  if (size > max) throw new TooLarge(max);
  const out = new Uint8Array(size);
  let at = 0;
  for (const chunk of chunks) {
    out.set(chunk, at);
    at += chunk.length;
  }
  return out;
}
