import { z } from 'zod';
import { drawers } from '../../core/catalogue';
import { Brief, BuildFile, Id, Part, Profile, ShelfItem, Sighting } from '../../core/model';
import { MAX_ARCHIVE, MAX_CSV, MAX_FILE, exportKinds } from '../../formats';
import { BuildName } from '../builds';
import { MAX_PHOTO } from '../photos';
import * as reply from './replies';

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
  summary: string;
  params: z.ZodType<P>;
  query: z.ZodType<Q>;
  body: z.ZodType<B> | RawBody<B> | null;
  reply: z.ZodType | { media: string };
  status: number;
  errors: readonly number[];
}

const none = z.object({});
const ById = z.object({ id: Id });
const ByPhoto = z.object({ id: Id, photo: z.uuid() });
const ByRevision = z.object({
  id: Id,
  revision: z.coerce.number().int().min(0).max(Number.MAX_SAFE_INTEGER)
});
const page = {
  limit: z.coerce.number().int().min(1).max(500).default(100),
  offset: z.coerce.number().int().min(0).max(1_000_000).default(0)
};
const query = z.string().max(200).default('');
const Done = z.object({ done: z.literal(true) });
const Note = z.string().max(200).default('');
const Base = z.number().int().min(0);
const file: RawBody<string> = {
  media: 'application/json',
  max: MAX_FILE,
  decode: (bytes) => new TextDecoder().decode(bytes)
};
const asText = (bytes: Uint8Array) => new TextDecoder().decode(bytes);
const partFile: RawBody<string> = { media: 'application/yaml', max: 1024 * 1024, decode: asText };
const table: RawBody<string> = { media: 'text/csv', max: MAX_CSV, decode: asText };
const photograph: RawBody<Uint8Array> = { media: 'image/*', max: MAX_PHOTO, decode: (bytes) => bytes };
const archive: RawBody<Uint8Array> = { media: 'application/zip', max: MAX_ARCHIVE, decode: (bytes) => bytes };

const ResolveOptions = z.strictObject({
  allowOff: z.boolean().default(false),
  alternatives: z.number().int().min(0).max(8).default(2),
  /** Bounds the work of one request; its time is bounded besides. */
  maxNodes: z.number().int().min(1).max(200_000).default(50_000)
});

const Export = z.enum(exportKinds);

interface Given<P, Q, B> {
  method: Endpoint['method'];
  path: string;
  summary: string;
  params?: z.ZodType<P>;
  query?: z.ZodType<Q>;
  body?: z.ZodType<B> | RawBody<B>;
  reply: Endpoint['reply'];
  status?: number;
  errors?: readonly number[];
}
type Empty = Record<string, never>;

const endpoint = <P = Empty, Q = Empty, B = null>(given: Given<P, Q, B>): Endpoint<P, Q, B> => ({
  params: none as unknown as z.ZodType<P>,
  query: none as unknown as z.ZodType<Q>,
  body: null,
  status: 200,
  ...given,
  errors: [...(given.errors ?? []), ...(given.body ? [413, 415, 422] : given.query ? [422] : []), 500]
});

/** Every operation, under /api/v1. The routes, the description and the tests read this table. */
export const endpoints = {
  listBuilds: endpoint({
    method: 'GET',
    path: '/builds',
    summary: 'Builds in use, or those in the bin, with what is in their way',
    query: z.object({ from: z.enum(['use', 'bin']).default('use'), q: query, ...page }),
    reply: z.object({ builds: z.array(reply.SummaryReply), total: z.number().int() })
  }),
  createBuild: endpoint({
    method: 'POST',
    path: '/builds',
    summary: 'Make a build from a name and a board',
    body: z.strictObject({
      name: BuildName,
      board: Id,
      date: z.string().max(10).optional()
    }),
    reply: reply.RecordReply,
    status: 201
  }),
  getBuild: endpoint({
    method: 'GET',
    path: '/builds/{id}',
    summary: 'A build in its present state',
    params: ById,
    reply: reply.RecordReply,
    errors: [404, 410]
  }),
  saveBuild: endpoint({
    method: 'PUT',
    path: '/builds/{id}',
    summary: 'Save a build as a new revision; base is the revision that was changed',
    params: ById,
    body: z.strictObject({ build: z.unknown(), base: Base, note: Note }),
    reply: reply.RecordReply,
    errors: [404, 409, 410]
  }),
  binBuild: endpoint({
    method: 'DELETE',
    path: '/builds/{id}',
    summary: 'Put a build in the bin',
    params: ById,
    reply: Done,
    errors: [404]
  }),
  putBackBuild: endpoint({
    method: 'POST',
    path: '/builds/{id}/put-back',
    summary: 'Take a build out of the bin',
    params: ById,
    reply: Done,
    errors: [404]
  }),
  removeBuild: endpoint({
    method: 'DELETE',
    path: '/bin/{id}',
    summary: 'Delete a build in the bin for good, with its revisions',
    params: ById,
    reply: Done,
    errors: [404]
  }),
  duplicateBuild: endpoint({
    method: 'POST',
    path: '/builds/{id}/duplicate',
    summary: 'Make a second build from the present state of one',
    params: ById,
    body: z.strictObject({ name: BuildName.optional() }),
    reply: reply.RecordReply,
    status: 201,
    errors: [404, 410]
  }),
  undo: endpoint({
    method: 'POST',
    path: '/builds/{id}/undo',
    summary: 'Go back to the revision before; nothing is deleted',
    params: ById,
    reply: reply.RecordReply,
    errors: [404, 410]
  }),
  redo: endpoint({
    method: 'POST',
    path: '/builds/{id}/redo',
    summary: 'Go to the newest revision that was made from this one',
    params: ById,
    reply: reply.RecordReply,
    errors: [404, 410]
  }),
  checkBuild: endpoint({
    method: 'GET',
    path: '/builds/{id}/check',
    summary: 'Findings of the positions as they stand',
    params: ById,
    reply: reply.CheckReply,
    errors: [404, 410]
  }),
  resolveBuild: endpoint({
    method: 'POST',
    path: '/builds/{id}/resolve',
    summary: 'Positions without a clash, or why there are none; the build is not changed',
    params: ById,
    body: ResolveOptions,
    reply: reply.ResolutionReply,
    errors: [404, 410]
  }),
  exportBuild: endpoint({
    method: 'GET',
    path: '/builds/{id}/export',
    summary: 'The build as a file: whole, its claims, its moves, or the bench sheet',
    params: ById,
    query: z.object({ as: Export.default('json') }),
    reply: { media: 'application/octet-stream' },
    errors: [404, 410]
  }),
  listRevisions: endpoint({
    method: 'GET',
    path: '/builds/{id}/revisions',
    summary: 'Saved states of a build, newest first, each with how it differs from the one before',
    params: ById,
    query: z.object({
      before: z.coerce.number().int().min(0).optional(),
      limit: z.coerce.number().int().min(1).max(200).default(50),
      marked: z
        .enum(['true', 'false'])
        .default('false')
        .transform((x) => x === 'true')
    }),
    reply: z.object({ revisions: z.array(reply.RevisionReply), more: z.boolean() }),
    errors: [404, 410]
  }),
  getRevision: endpoint({
    method: 'GET',
    path: '/builds/{id}/revisions/{revision}',
    summary: 'One saved state, and how the revision `to` (by default the present one) differs from it',
    params: ByRevision,
    query: z.object({ to: z.coerce.number().int().min(0).optional() }),
    reply: z.object({ build: reply.RecordReply.shape.build, changes: z.array(reply.ChangeReply) }),
    errors: [404, 410]
  }),
  restoreRevision: endpoint({
    method: 'POST',
    path: '/builds/{id}/revisions/{revision}/restore',
    summary: 'Make an earlier state the present one, as a new revision',
    params: ByRevision,
    body: z.strictObject({ base: Base }),
    reply: reply.RecordReply,
    errors: [404, 409, 410]
  }),
  markRevision: endpoint({
    method: 'PUT',
    path: '/builds/{id}/revisions/{revision}/mark',
    summary: 'Name a state',
    params: ByRevision,
    body: z.strictObject({ name: z.string().trim().min(1, 'give the state a name').max(120) }),
    reply: Done,
    errors: [404, 410]
  }),
  unmarkRevision: endpoint({
    method: 'DELETE',
    path: '/builds/{id}/revisions/{revision}/mark',
    summary: 'Take the name of a state away',
    params: ByRevision,
    reply: Done,
    errors: [404, 410]
  }),
  listItems: endpoint({
    method: 'GET',
    path: '/items',
    summary: 'Every specimen in every build in use, with where it is',
    query: z.object({ q: query, part: Id.optional(), ...page }),
    reply: z.object({ items: z.array(reply.ItemReply), total: z.number().int() })
  }),
  listParts: endpoint({
    method: 'GET',
    path: '/parts',
    summary: 'Parts of the catalogue and one’s own; q also reads lines, as in "irq 10" or "in 1991"',
    query: z.object({
      q: query,
      kind: z.string().max(40).optional(),
      drawer: z.enum(drawers).optional(),
      bus: z.string().max(20).optional(),
      year: z.coerce.number().int().min(1970).max(2010).optional(),
      ...page
    }),
    reply: z.object({
      parts: z.array(reply.PartReply),
      total: z.number().int(),
      facets: reply.FacetsReply,
      own: z.array(z.string())
    })
  }),
  getPart: endpoint({
    method: 'GET',
    path: '/parts/{id}',
    summary: 'One part',
    params: ById,
    reply: reply.PartReply,
    errors: [404]
  }),
  savePart: endpoint({
    method: 'PUT',
    path: '/parts/{id}',
    summary: 'Save a part of one’s own, new or known; parts of the catalogue are not changed',
    params: ById,
    body: z.strictObject({ part: z.unknown() }),
    reply: reply.PartReply
  }),
  removePart: endpoint({
    method: 'DELETE',
    path: '/parts/{id}',
    summary: 'Delete a part of one’s own that nothing uses',
    params: ById,
    reply: Done,
    errors: [404, 422]
  }),
  importPart: endpoint({
    method: 'POST',
    path: '/parts/import',
    summary: 'Take in a part file',
    body: partFile,
    reply: reply.PartReply,
    status: 201
  }),
  listProfiles: endpoint({
    method: 'GET',
    path: '/profiles',
    summary: 'Software profiles that a brief can ask for',
    reply: z.object({ profiles: z.array(Profile) })
  }),
  plan: endpoint({
    method: 'POST',
    path: '/plan',
    summary: 'Whole machines for a brief, or what to drop; nothing is stored. Takes a few seconds.',
    body: z.strictObject({
      brief: Brief,
      fixed: z.array(Id).max(40).default([]),
      excluded: z.array(Id).max(200).default([])
    }),
    reply: reply.PlanReply
  }),
  listShelf: endpoint({
    method: 'GET',
    path: '/shelf',
    summary: 'Things on the shelf, or those in its bin',
    query: z.object({ from: z.enum(['use', 'bin']).default('use'), q: query, ...page }),
    reply: z.object({ items: z.array(reply.ShelfReply), total: z.number().int() })
  }),
  addToShelf: endpoint({
    method: 'POST',
    path: '/shelf',
    summary: 'Put something on the shelf',
    body: z.strictObject({ item: z.record(z.string(), z.unknown()) }),
    reply: reply.ShelfReply,
    status: 201
  }),
  getShelfItem: endpoint({
    method: 'GET',
    path: '/shelf/{id}',
    summary: 'One thing on the shelf',
    params: ById,
    reply: reply.ShelfReply,
    errors: [404]
  }),
  saveShelfItem: endpoint({
    method: 'PUT',
    path: '/shelf/{id}',
    summary: 'Save a thing on the shelf; version is the one that was changed',
    params: ById,
    body: z.strictObject({ item: z.record(z.string(), z.unknown()), version: Base }),
    reply: reply.ShelfReply,
    errors: [404, 409]
  }),
  binShelfItem: endpoint({
    method: 'DELETE',
    path: '/shelf/{id}',
    summary: 'Put a thing on the shelf in the bin',
    params: ById,
    reply: Done,
    errors: [404]
  }),
  putBackShelfItem: endpoint({
    method: 'POST',
    path: '/shelf/{id}/put-back',
    summary: 'Take a thing of the shelf out of the bin',
    params: ById,
    reply: Done,
    errors: [404]
  }),
  addPhoto: endpoint({
    method: 'POST',
    path: '/shelf/{id}/photos',
    summary: 'Add a photograph; it is made smaller, and what the camera wrote into it is left out',
    params: ById,
    query: z.object({ name: z.string().max(200).default('') }),
    body: photograph,
    reply: reply.ShelfReply,
    status: 201,
    errors: [404]
  }),
  getPhoto: endpoint({
    method: 'GET',
    path: '/shelf/{id}/photos/{photo}',
    summary: 'A photograph',
    params: ByPhoto,
    reply: { media: 'image/jpeg' },
    errors: [404]
  }),
  removePhoto: endpoint({
    method: 'DELETE',
    path: '/shelf/{id}/photos/{photo}',
    summary: 'Delete a photograph',
    params: ByPhoto,
    reply: Done,
    errors: [404]
  }),
  listSightings: endpoint({
    method: 'GET',
    path: '/sightings',
    summary: 'What was seen on things that are not identified yet',
    reply: z.object({ sightings: z.array(Sighting) })
  }),
  saveSighting: endpoint({
    method: 'PUT',
    path: '/sightings/{id}',
    summary: 'Save what was seen on a thing',
    params: ById,
    body: z.strictObject({ sighting: Sighting }),
    reply: Sighting
  }),
  removeSighting: endpoint({
    method: 'DELETE',
    path: '/sightings/{id}',
    summary: 'Forget what was seen on a thing',
    params: ById,
    reply: Done,
    errors: [404]
  }),
  exportShelf: endpoint({
    method: 'GET',
    path: '/shelf/table',
    summary: 'The shelf as CSV',
    reply: { media: 'text/csv' }
  }),
  importShelf: endpoint({
    method: 'POST',
    path: '/shelf/table',
    summary: 'Read a table of things; take=true puts the rows without errors on the shelf',
    query: z.object({
      take: z
        .enum(['true', 'false'])
        .default('false')
        .transform((x) => x === 'true')
    }),
    body: table,
    reply: reply.CsvReply
  }),
  check: endpoint({
    method: 'POST',
    path: '/check',
    summary: 'Findings of a build file; nothing is stored',
    body: file,
    reply: reply.CheckReply
  }),
  resolve: endpoint({
    method: 'POST',
    path: '/resolve',
    summary: 'Resolve a build file; nothing is stored',
    query: z.object({
      allowOff: z
        .enum(['true', 'false'])
        .default('false')
        .transform((x) => x === 'true'),
      alternatives: z.coerce.number().int().min(0).max(8).default(2),
      maxNodes: z.coerce.number().int().min(1).max(200_000).default(50_000)
    }),
    body: file,
    reply: reply.ResolutionReply
  }),
  importBuild: endpoint({
    method: 'POST',
    path: '/import',
    summary: 'Take in a build file, with the parts that are not known yet',
    body: file,
    reply: reply.RecordReply,
    status: 201
  }),
  exportWorkshop: endpoint({
    method: 'GET',
    path: '/workshop',
    summary: 'Every build with all its states, and the parts they use, as one ZIP file',
    reply: { media: 'application/zip' }
  }),
  importWorkshop: endpoint({
    method: 'POST',
    path: '/workshop',
    summary: 'Take in a whole archive beside what is there, or nothing of it',
    body: archive,
    reply: z.object({
      builds: z.array(z.object({ from: z.string(), id: z.string().nullable(), revisions: z.number().int() })),
      items: z.number().int()
    }),
    status: 201
  }),
  events: endpoint({
    method: 'GET',
    path: '/events',
    summary: 'What changes, as server-sent events: build (id and head) or all',
    reply: { media: 'text/event-stream' }
  }),
  health: endpoint({
    method: 'GET',
    path: '/health',
    summary: 'Whether the data is sound, and how much there is',
    reply: reply.HealthReply
  }),
  signIn: endpoint({
    method: 'POST',
    path: '/session',
    summary: 'Sign in with the passphrase of a shared server',
    body: z.strictObject({ passphrase: z.string().min(1).max(200) }),
    reply: Done,
    errors: [401, 429]
  }),
  signOut: endpoint({ method: 'DELETE', path: '/session', summary: 'Sign out', reply: Done }),
  describe: endpoint({
    method: 'GET',
    path: '/openapi.json',
    summary: 'This description',
    reply: { media: 'application/json' }
  })
} as const;

/** Schemas that the description names; the others stand where they are used. */
export const named = {
  Build: reply.RecordReply.shape.build,
  Part,
  BuildFile,
  Finding: reply.FindingReply,
  Record: reply.RecordReply,
  Summary: reply.SummaryReply,
  Item: reply.ItemReply,
  ShelfItem,
  Shelved: reply.ShelfReply,
  Revision: reply.RevisionReply,
  Change: reply.ChangeReply,
  Resolution: reply.ResolutionReply,
  Problem: reply.Problem
} satisfies Record<string, z.ZodType>;
