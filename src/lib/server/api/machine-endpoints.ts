import { z } from 'zod';
import { MOST_BYTES } from '../../core/boot-files';
import { ById, endpoint } from './endpoint';
import * as reply from './replies';

/** CONFIG.SYS or AUTOEXEC.BAT; empty: there is none. */
const StartFile = z.string().max(MOST_BYTES).default('');

/** What a build comes to as a machine: its memory, how it starts, what is wrong when it does not. */
export const machineEndpoints = {
  memoryMapOfBuild: endpoint({
    method: 'GET',
    path: '/builds/{id}/memory-map',
    params: ById,
    reply: reply.MemoryMapReply,
    errors: [404, 410]
  }),
  bootOfBuild: endpoint({
    method: 'GET',
    path: '/builds/{id}/boot',
    params: ById,
    reply: reply.BootReply,
    errors: [404, 410]
  }),
  bootCheckOfBuild: endpoint({
    method: 'POST',
    path: '/builds/{id}/boot-check',
    params: ById,
    body: z.strictObject({ config: StartFile, autoexec: StartFile }),
    reply: reply.BootCheckReply,
    errors: [404, 410]
  }),
  rehearseBuild: endpoint({
    method: 'GET',
    path: '/builds/{id}/rehearse',
    params: ById,
    query: z.object({ settings: z.enum(['found', 'chosen']).default('found') }),
    reply: reply.RehearseReply,
    errors: [404, 410]
  }),
  diagnoseBuild: endpoint({
    method: 'POST',
    path: '/builds/{id}/diagnose',
    params: ById,
    body: z.strictObject({ start: z.string().max(4000).optional() }),
    reply: reply.DiagnoseReply,
    errors: [404, 410]
  })
} as const;
