import { z } from 'zod';
import { Notebook, PhotoMarks, Sighting } from '../../core/model';
import { Base, ById, ByPhoto, Done, endpoint, page, photograph, query, table } from './endpoint';
import * as reply from './replies';

/** Operations on things on the shelf, on what was seen and on what is being found out. */
export const shelfEndpoints = {
  listShelf: endpoint({
    method: 'GET',
    path: '/shelf',
    query: z.object({ from: z.enum(['use', 'bin']).default('use'), q: query, ...page }),
    reply: z.object({
      items: z.array(reply.ShelfReply),
      total: z.number().int(),
      unreadable: z.array(z.string())
    })
  }),
  addToShelf: endpoint({
    method: 'POST',
    path: '/shelf',
    body: z.strictObject({ item: z.record(z.string(), z.unknown()) }),
    reply: reply.ShelfReply,
    status: 201
  }),
  getShelfItem: endpoint({
    method: 'GET',
    path: '/shelf/{id}',
    params: ById,
    reply: reply.ShelfReply,
    errors: [404]
  }),
  saveShelfItem: endpoint({
    method: 'PUT',
    path: '/shelf/{id}',
    params: ById,
    body: z.strictObject({ item: z.record(z.string(), z.unknown()), version: Base }),
    reply: reply.ShelfReply,
    errors: [404, 409]
  }),
  binShelfItem: endpoint({
    method: 'DELETE',
    path: '/shelf/{id}',
    params: ById,
    reply: Done,
    errors: [404]
  }),
  putBackShelfItem: endpoint({
    method: 'POST',
    path: '/shelf/{id}/put-back',
    params: ById,
    reply: Done,
    errors: [404]
  }),
  addPhoto: endpoint({
    method: 'POST',
    path: '/shelf/{id}/photos',
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
    params: ByPhoto,
    reply: { media: 'image/jpeg' },
    errors: [404]
  }),
  markPhoto: endpoint({
    method: 'PUT',
    path: '/shelf/{id}/photos/{photo}',
    params: ByPhoto,
    body: z.strictObject({ marks: PhotoMarks }),
    reply: reply.ShelfReply,
    errors: [404]
  }),
  removePhoto: endpoint({
    method: 'DELETE',
    path: '/shelf/{id}/photos/{photo}',
    params: ByPhoto,
    reply: Done,
    errors: [404]
  }),
  listSightings: endpoint({
    method: 'GET',
    path: '/sightings',
    reply: z.object({ sightings: z.array(reply.SightingReply), unreadable: z.array(z.string()) })
  }),
  saveSighting: endpoint({
    method: 'PUT',
    path: '/sightings/{id}',
    params: ById,
    body: z.strictObject({ sighting: Sighting, version: z.number().int().min(0) }),
    reply: reply.SightingReply,
    errors: [409]
  }),
  removeSighting: endpoint({
    method: 'DELETE',
    path: '/sightings/{id}',
    params: ById,
    reply: Done,
    errors: [404]
  }),
  listNotebooks: endpoint({
    method: 'GET',
    path: '/notebooks',
    reply: z.object({ notebooks: z.array(reply.NotebookReply), unreadable: z.array(z.string()) })
  }),
  saveNotebook: endpoint({
    method: 'PUT',
    path: '/notebooks/{id}',
    params: ById,
    body: z.strictObject({ notebook: Notebook, version: z.number().int().min(0) }),
    reply: reply.NotebookReply,
    errors: [409]
  }),
  removeNotebook: endpoint({
    method: 'DELETE',
    path: '/notebooks/{id}',
    params: ById,
    reply: Done,
    errors: [404]
  }),
  exportShelf: endpoint({
    method: 'GET',
    path: '/shelf/table',
    reply: { media: 'text/csv' }
  }),
  importShelf: endpoint({
    method: 'POST',
    path: '/shelf/table',
    query: z.object({
      take: z
        .enum(['true', 'false'])
        .default('false')
        .transform((x) => x === 'true')
    }),
    body: table,
    reply: reply.CsvReply
  })
} as const;
