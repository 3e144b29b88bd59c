import { api } from '../../words/server';
import { z } from 'zod';
import type { Endpoint, RawBody } from './endpoint';
import { endpoints, named } from './endpoints';

type Json = Record<string, unknown>;

const PREFIX = '/api/v1';
const isRaw = (body: Endpoint['body']): body is RawBody => body !== null && 'media' in body;

/** The description of the API (OpenAPI 3.1), made from the schemas that check it. */
export function openApi(): Json {
  const registry = z.registry<{ id: string }>();
  for (const [id, schema] of Object.entries(named)) registry.add(schema, { id });
  const schemaOf = (schema: z.ZodType, io: 'input' | 'output'): Json => {
    const known = Object.entries(named).find(([, s]) => s === schema);
    if (known) return { $ref: `#/components/schemas/${known[0]}` };
    const local = z.registry<{ id: string }>();
    for (const [id, s] of Object.entries(named)) local.add(s, { id });
    local.add(schema, { id: 'it' });
    const { it } = convert(local, io);
    return it;
  };
  const paths: Record<string, Json> = {};
  for (const [id, endpoint] of Object.entries(endpoints) as [keyof typeof endpoints, Endpoint][]) {
    const path = (paths[PREFIX + endpoint.path] ??= {});
    path[endpoint.method.toLowerCase()] = operation(id, endpoint, schemaOf);
  }
  return {
    openapi: '3.1.0',
    info: { title: 'Yellow Jumper', version: '1', description: api.errors },
    servers: [{ url: '/' }],
    paths,
    components: { schemas: convert(registry, 'input') }
  };
}

function operation(
  operationId: keyof typeof api.summaries,
  { params, query, body, reply, status, errors, path }: Endpoint,
  schemaOf: (schema: z.ZodType, io: 'input' | 'output') => Json
): Json {
  const fields = (schema: z.ZodType, where: 'path' | 'query') => {
    const { properties = {}, required = [] } = schemaOf(schema, 'input') as {
      properties?: Json;
      required?: string[];
    };
    return Object.entries(properties).map(([name, s]) => ({
      name,
      in: where,
      required: where === 'path' || required.includes(name),
      schema: s
    }));
  };
  const media = (s: z.ZodType | { media: string }, io: 'input' | 'output') =>
    'media' in s ? { [s.media]: {} } : { 'application/json': { schema: schemaOf(s, io) } };
  const takes = isRaw(body)
    ? {
        [body.media]:
          body.media === 'application/json' ? { schema: { $ref: '#/components/schemas/BuildFile' } } : {}
      }
    : body && media(body, 'input');
  return {
    operationId,
    summary: api.summaries[operationId],
    ...(path.includes('{') || Object.keys(schemaOf(query, 'input').properties ?? {}).length
      ? { parameters: [...fields(params, 'path'), ...fields(query, 'query')] }
      : {}),
    ...(takes ? { requestBody: { required: true, content: takes } } : {}),
    responses: {
      [status]: { description: api.done, content: media(reply, 'output') },
      ...Object.fromEntries(
        errors.map((code) => [
          code,
          {
            description: api.statuses[code],
            content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } }
          }
        ])
      )
    }
  };
}

function convert(
  registry: z.core.$ZodRegistry<{ id: string }>,
  io: 'input' | 'output'
): Record<string, Json> {
  const { schemas } = z.toJSONSchema(registry, {
    io,
    unrepresentable: 'any',
    uri: (id) => `#/components/schemas/${id}`
  });
  return Object.fromEntries(
    Object.entries(schemas).map(([id, { $schema: _s, $id: _i, ...schema }]) => [id, schema as Json])
  );
}
