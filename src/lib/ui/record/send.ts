import type { Build } from '../../core/model';

export interface Saved {
  build: Build;
  head: number;
  /** When the server took it as the present state. */
  updated: string;
  canUndo: boolean;
  canRedo: boolean;
}

/** An error of the API, as every route gives it. */
export interface Problem {
  title: string;
  status: number;
  problems?: { path: string; message: string }[];
  current?: Saved;
  bin?: boolean;
}

export type Reply<T> = { ok: true; value: T } | { ok: false; problem: Problem } | { ok: false; away: true };

/** A reply with its value turned into another. */
export const mapped = <T, U>(reply: Reply<T>, to: (value: T) => U): Reply<U> =>
  reply.ok ? { ok: true, value: to(reply.value) } : reply;

/** Asks the API; a server that does not answer, or does not answer as ours, counts as away. */
export async function ask<T>(method: string, path: string, body?: BodyInit | object): Promise<Reply<T>> {
  const raw = body instanceof Blob || typeof body === 'string';
  try {
    const response = await fetch(`/api/v1${path}`, {
      method,
      headers: body === undefined ? {} : { 'content-type': 'application/json' },
      ...(body === undefined ? {} : { body: raw ? body : JSON.stringify(body) })
    });
    const value: unknown = await response.json();
    return response.ok ? { ok: true, value: value as T } : { ok: false, problem: value as Problem };
  } catch {
    return { ok: false, away: true };
  }
}

/** What is wrong, one line for each place. */
export const problemLines = ({ title, problems }: Problem): string[] =>
  problems?.length
    ? problems.slice(0, 8).map((p) => (p.path ? `${p.path}: ${p.message}` : p.message))
    : [title];
