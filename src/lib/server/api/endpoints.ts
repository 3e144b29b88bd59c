import { server } from '../../words/server';
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
    query: z.object({ from: z.enum(['use', 'bin']).default('use'), q: query, ...page }),
    reply: z.object({ builds: z.array(reply.SummaryReply), total: z.number().int() })
  }),
  createBuild: endpoint({
    method: 'POST',
    path: '/builds',
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
    params: ById,
    reply: reply.RecordReply,
    errors: [404, 410]
  }),
  saveBuild: endpoint({
    method: 'PUT',
    path: '/builds/{id}',
    params: ById,
    body: z.strictObject({ build: z.unknown(), base: Base, note: Note }),
    reply: reply.RecordReply,
    errors: [404, 409, 410]
  }),
  binBuild: endpoint({
    method: 'DELETE',
    path: '/builds/{id}',
    params: ById,
    reply: Done,
    errors: [404]
  }),
  putBackBuild: endpoint({
    method: 'POST',
    path: '/builds/{id}/put-back',
    params: ById,
    reply: Done,
    errors: [404]
  }),
  removeBuild: endpoint({
    method: 'DELETE',
    path: '/bin/{id}',
    params: ById,
    reply: Done,
    errors: [404]
  }),
  duplicateBuild: endpoint({
    method: 'POST',
    path: '/builds/{id}/duplicate',
    params: ById,
    body: z.strictObject({ name: BuildName.optional() }),
    reply: reply.RecordReply,
    status: 201,
    errors: [404, 410]
  }),
  undo: endpoint({
    method: 'POST',
    path: '/builds/{id}/undo',
    params: ById,
    reply: reply.RecordReply,
    errors: [404, 410]
  }),
  redo: endpoint({
    method: 'POST',
    path: '/builds/{id}/redo',
    params: ById,
    reply: reply.RecordReply,
    errors: [404, 410]
  }),
  checkBuild: endpoint({
    method: 'GET',
    path: '/builds/{id}/check',
    params: ById,
    reply: reply.CheckReply,
    errors: [404, 410]
  }),
  resolveBuild: endpoint({
    method: 'POST',
    path: '/builds/{id}/resolve',
    params: ById,
    body: ResolveOptions,
    reply: reply.ResolutionReply,
    errors: [404, 410]
  }),
  ...machineEndpoints,
  exportBuild: endpoint({
    method: 'GET',
    path: '/builds/{id}/export',
    params: ById,
    query: z.object({ as: Export.default('json') }),
    reply: { media: 'application/octet-stream' },
    errors: [404, 410]
  }),
  listRevisions: endpoint({
    method: 'GET',
    path: '/builds/{id}/revisions',
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
    params: ByRevision,
    query: z.object({ to: z.coerce.number().int().min(0).optional() }),
    reply: z.object({ build: reply.RecordReply.shape.build, changes: z.array(reply.ChangeReply) }),
    errors: [404, 410]
  }),
  restoreRevision: endpoint({
    method: 'POST',
    path: '/builds/{id}/revisions/{revision}/restore',
    params: ByRevision,
    body: z.strictObject({ base: Base }),
    reply: reply.RecordReply,
    errors: [404, 409, 410]
  }),
  markRevision: endpoint({
    method: 'PUT',
    path: '/builds/{id}/revisions/{revision}/mark',
    params: ByRevision,
    body: z.strictObject({ name: Name }),
    reply: Done,
    errors: [404, 410]
  }),
  unmarkRevision: endpoint({
    method: 'DELETE',
    path: '/builds/{id}/revisions/{revision}/mark',
    params: ByRevision,
    reply: Done,
    errors: [404, 410]
  }),
  listItems: endpoint({
    method: 'GET',
    path: '/items',
    query: z.object({ q: query, part: Id.optional(), ...page }),
    reply: z.object({ items: z.array(reply.ItemReply), total: z.number().int() })
  }),
  listParts: endpoint({
    method: 'GET',
    path: '/parts',
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
    params: ById,
    reply: reply.PartReply,
    errors: [404]
  }),
  savePart: endpoint({
    method: 'PUT',
    path: '/parts/{id}',
    params: ById,
    body: z.strictObject({ part: z.unknown() }),
    reply: reply.PartReply
  }),
  removePart: endpoint({
    method: 'DELETE',
    path: '/parts/{id}',
    params: ById,
    reply: Done,
    errors: [404, 422]
  }),
  importPart: endpoint({
    method: 'POST',
    path: '/parts/import',
    body: partFile,
    reply: reply.PartReply,
    status: 201
  }),
  previewParts: endpoint({
    method: 'POST',
    path: '/collection/preview',
    body: collection,
    reply: reply.PreviewReply
  }),
  takeParts: endpoint({
    method: 'POST',
    path: '/collection/take',
    body: z.strictObject({
      text: z.string().max(MAX_COLLECTION),
      choices: z
        .record(Id, z.enum(CHOICES))
        .refine((all) => Object.keys(all).length <= MOST_PARTS, server.choices(MOST_PARTS))
    }),
    reply: z.object({ taken: z.number().int() })
  }),
  exportParts: endpoint({
    method: 'GET',
    path: '/collection',
    query: z.object({ as: z.enum(['json', 'yaml', 'csv']).default('json') }),
    reply: { media: 'application/json' }
  }),
  listProfiles: endpoint({
    method: 'GET',
    path: '/profiles',
    reply: z.object({ profiles: z.array(Profile) })
  }),
  plan: endpoint({
    method: 'POST',
    path: '/plan',
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
    body: file,
    reply: reply.CheckReply
  }),
  resolve: endpoint({
    method: 'POST',
    path: '/resolve',
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
    body: file,
    reply: reply.RecordReply,
    status: 201
  }),
  exportWorkshop: endpoint({
    method: 'GET',
    path: '/workshop',
    reply: { media: 'application/zip' }
  }),
  importWorkshop: endpoint({
    method: 'POST',
    path: '/workshop',
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
    reply: { media: 'text/event-stream' }
  }),
  health: endpoint({
    method: 'GET',
    path: '/health',
    reply: reply.HealthReply
  }),
  signIn: endpoint({
    method: 'POST',
    path: '/session',
    body: z.strictObject({ passphrase: z.string().min(1).max(200) }),
    reply: Done,
    errors: [401, 429]
  }),
  signOut: endpoint({ method: 'DELETE', path: '/session', reply: Done }),
  describe: endpoint({
    method: 'GET',
    path: '/openapi.json',
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
