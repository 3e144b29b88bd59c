import { z } from 'zod';
import { drawers } from '../../core/catalogue';
import { CHOICES } from '../../core/own';
import { MOST_PARTS } from '../../formats';
import { Brief, BuildFile, Id, Name, Part, Profile, ShelfItem } from '../../core/model';
import { BuildName } from '../builds';
import {
  ById,
  ByRevision,
  page,
  query,
  Done,
  Note,
  Base,
  file,
  partFile,
  collection,
  MAX_COLLECTION,
  archive,
  ResolveOptions,
  Export,
  endpoint
} from './endpoint';
import * as reply from './replies';
import { machineEndpoints } from './machine-endpoints';
import { shelfEndpoints } from './shelf-endpoints';

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
  ...machineEndpoints,
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
    body: z.strictObject({ name: Name }),
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
  previewParts: endpoint({
    method: 'POST',
    path: '/collection/preview',
    summary:
      'What a collection of parts holds: each new, the same, or different from a known one; nothing is kept',
    body: collection,
    reply: reply.PreviewReply
  }),
  takeParts: endpoint({
    method: 'POST',
    path: '/collection/take',
    summary:
      'Take a collection in, each part as chosen; all of it or nothing, and nothing is overwritten unchosen',
    body: z.strictObject({
      text: z.string().max(MAX_COLLECTION),
      choices: z
        .record(Id, z.enum(CHOICES))
        .refine((all) => Object.keys(all).length <= MOST_PARTS, `at most ${MOST_PARTS} choices`)
    }),
    reply: z.object({ taken: z.number().int() })
  }),
  exportParts: endpoint({
    method: 'GET',
    path: '/collection',
    summary: 'Parts of one’s own as one file',
    query: z.object({ as: z.enum(['json', 'yaml', 'csv']).default('json') }),
    reply: { media: 'application/json' }
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
  ...shelfEndpoints,
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
    summary: 'Take in an archive beside what is there; what is wrong in it is left out and named',
    body: archive,
    reply: z.object({
      builds: z.array(z.object({ from: z.string(), id: z.string().nullable(), revisions: z.number().int() })),
      items: z.number().int(),
      left: z.array(z.object({ path: z.string(), message: z.string() }))
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
