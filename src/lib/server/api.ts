import { z } from 'zod';
import { InvalidDocument, zodProblems, type Problem } from '../core/model';
import { Conflict, NotFound } from './builds';

/** Largest request body of the JSON routes, in bytes. */
export const MAX_BODY = 9 * 1024 * 1024;

function problem(status: number, title: string, extra: Record<string, unknown> = {}): Response {
  return new Response(JSON.stringify({ title, status, ...extra }), {
    status,
    headers: { 'content-type': 'application/problem+json' }
  });
}

export const json = (data: unknown, status = 200): Response =>
  new Response(JSON.stringify(data), { status, headers: { 'content-type': 'application/json' } });

/** Runs a route and turns what it throws into a problem document. */
export async function answer(work: () => Promise<Response>): Promise<Response> {
  try {
    return await work();
  } catch (error) {
    if (error instanceof InvalidDocument) return problem(422, error.message, { problems: error.problems });
    if (error instanceof NotFound) return problem(404, error.message);
    if (error instanceof Conflict) return problem(409, error.message, { current: error.current });
    if (error instanceof TooLarge) return problem(413, error.message);
    console.error(error);
    return problem(500, 'Something went wrong here that should not. What you typed is still on your screen.');
  }
}

class TooLarge extends Error {}

/** The body as text, refused above the limit. */
export async function bodyText(request: Request): Promise<string> {
  if (Number(request.headers.get('content-length') ?? 0) > MAX_BODY)
    throw new TooLarge(`The body is larger than ${MAX_BODY} bytes.`);
  const text = await request.text();
  if (text.length > MAX_BODY) throw new TooLarge(`The body is larger than ${MAX_BODY} bytes.`);
  return text;
}

/** The body as checked JSON. */
export async function body<T>(request: Request, schema: z.ZodType<T>): Promise<T> {
  const text = await bodyText(request);
  let data: unknown;
  try {
    data = JSON.parse(text || '{}');
  } catch {
    throw new InvalidDocument([{ path: '', message: 'is not JSON' }], 'The request');
  }
  const parsed = schema.safeParse(data);
  if (!parsed.success) throw new InvalidDocument(zodProblems(parsed.error), 'The request');
  return parsed.data;
}

export type { Problem };
