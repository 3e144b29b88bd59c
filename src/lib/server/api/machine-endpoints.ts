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
    summary: 'The first megabyte as the settings stand: who answers where, what collides, regions and counts',
    params: ById,
    reply: reply.MemoryMapReply,
    errors: [404, 410]
  }),
  bootOfBuild: endpoint({
    method: 'GET',
    path: '/builds/{id}/boot',
    summary:
      'The fewest starts that serve every program, with their files; plan is null where it cannot be planned',
    params: ById,
    reply: reply.BootReply,
    errors: [404, 410]
  }),
  bootCheckOfBuild: endpoint({
    method: 'POST',
    path: '/builds/{id}/boot-check',
    summary: 'What is wrong in a pair of files, line by line, against the build; nothing is saved',
    params: ById,
    body: z.strictObject({ config: StartFile, autoexec: StartFile }),
    reply: reply.BootCheckReply,
    errors: [404, 410]
  }),
  rehearseBuild: endpoint({
    method: 'GET',
    path: '/builds/{id}/rehearse',
    summary:
      'The start of the build, settings as found or as planned: stages in time, where it will stop and why',
    params: ById,
    query: z.object({ settings: z.enum(['found', 'chosen']).default('found') }),
    reply: reply.RehearseReply,
    errors: [404, 410]
  }),
  diagnoseBuild: endpoint({
    method: 'POST',
    path: '/builds/{id}/diagnose',
    summary:
      'What is wrong, from the last start that is noted or from a small text with what was seen, one thing a line',
    params: ById,
    body: z.strictObject({ start: z.string().max(4000).optional() }),
    reply: reply.DiagnoseReply,
    errors: [404, 410]
  })
} as const;
