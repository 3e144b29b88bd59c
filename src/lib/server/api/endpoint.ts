import { z } from 'zod';
import { Id } from '../../core/model';
import { MAX_ARCHIVE, MAX_CSV, MAX_FILE, exportKinds } from '../../formats';
import { MAX_PHOTO } from '../photos';

/** A body that is no JSON of the API: a file, up to a size in bytes, with how it is handed on. */
export interface RawBody<B = unknown> {
  media: string;
  max: number;
  decode: (bytes: Uint8Array) => B;
}

/** One operation of the API: what it takes, what it answers, how it fails. */
export interface Endpoint<P = unknown, Q = unknown, B = unknown> {
  method: 'GET' | 'POST' | 'PUT' | 'DELETE';
  path: string;
  params: z.ZodType<P>;
  query: z.ZodType<Q>;
  body: z.ZodType<B> | RawBody<B> | null;
  reply: z.ZodType | { media: string };
  status: number;
  errors: readonly number[];
}

export const none = z.object({});
export const ById = z.object({ id: Id });
export const ByPhoto = z.object({ id: Id, photo: z.uuid() });
export const ByRevision = z.object({
  id: Id,
  revision: z.coerce.number().int().min(0).max(Number.MAX_SAFE_INTEGER)
});
export const page = {
  limit: z.coerce.number().int().min(1).max(500).default(100),
  offset: z.coerce.number().int().min(0).max(1_000_000).default(0)
};
export const query = z.string().max(200).default('');
export const Done = z.object({ done: z.literal(true) });
export const Note = z.string().max(200).default('');
export const Base = z.number().int().min(0);
export const file: RawBody<string> = {
  media: 'application/json',
  max: MAX_FILE,
  decode: (bytes) => new TextDecoder().decode(bytes)
};
export const asText = (bytes: Uint8Array) => new TextDecoder().decode(bytes);
export const partFile: RawBody<string> = { media: 'application/yaml', max: 1024 * 1024, decode: asText };
export const MAX_COLLECTION = 5 * 1024 * 1024;
export const collection: RawBody<string> = { media: 'application/yaml', max: MAX_COLLECTION, decode: asText };
export const table: RawBody<string> = { media: 'text/csv', max: MAX_CSV, decode: asText };
export const photograph: RawBody<Uint8Array> = { media: 'image/*', max: MAX_PHOTO, decode: (bytes) => bytes };
export const archive: RawBody<Uint8Array> = {
  media: 'application/zip',
  max: MAX_ARCHIVE,
  decode: (bytes) => bytes
};

export const ResolveOptions = z.strictObject({
  allowOff: z.boolean().default(false),
  alternatives: z.number().int().min(0).max(8).default(2),
  /** Bounds the work of one request; its time is bounded besides. */
  maxNodes: z.number().int().min(1).max(200_000).default(50_000)
});

export const Export = z.enum([...exportKinds, 'raw']);

export interface Given<P, Q, B> {
  method: Endpoint['method'];
  path: string;
  params?: z.ZodType<P>;
  query?: z.ZodType<Q>;
  body?: z.ZodType<B> | RawBody<B>;
  reply: Endpoint['reply'];
  status?: number;
  errors?: readonly number[];
}
export type Empty = Record<string, never>;

export const endpoint = <P = Empty, Q = Empty, B = null>(given: Given<P, Q, B>): Endpoint<P, Q, B> => ({
  params: none as unknown as z.ZodType<P>,
  query: none as unknown as z.ZodType<Q>,
  body: null,
  status: 200,
  ...given,
  errors: [...(given.errors ?? []), ...(given.body ? [413, 415, 422] : given.query ? [422] : []), 500]
});
