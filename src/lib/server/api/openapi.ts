import { api } from '../../words/server';
import { z } from 'zod';
import { sure } from '../../core/model';
import type { Endpoint, RawBody } from './endpoint';
import { endpoints, named } from './endpoints';

type Json = Record<string, unknown>;

const PREFIX = '/api/v1';
const SCHEMAS = '#/components/schemas/';
const isRaw = (body: Endpoint['body']): body is RawBody => body !== null && 'media' in body;

/** The description of the API (OpenAPI 3.1), made from the schemas that check it. */
export function openApi(): Json {
  const described = { input: describe('input'), output: describe('output') };
  const schemaOf = (schema: z.ZodType, io: 'input' | 'output'): Json => {
    const known = Object.entries(named).find(([, s]) => s === schema);
    return known ? { $ref: SCHEMAS + known[0] } : (described[io].get(schema) ?? {});
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
    components: {
      schemas: Object.fromEntries(Object.entries(named).map(([id, s]) => [id, described.input.get(s)]))
    }
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

/**
 * Every schema of the API, those with a name and those of one operation only, in one go: a schema by itself would take all
 * named ones along.
 */
function describe(io: 'input' | 'output'): Map<z.ZodType, Json> {
  const all = new Map<z.ZodType, string>();
  for (const { params, query, body, reply } of Object.values(endpoints) as Endpoint[])
    for (const schema of [params, query, body, reply])
      if (schema && !('media' in schema) && !all.has(schema)) all.set(schema, `of-one-${all.size}`);
  for (const [id, schema] of Object.entries(named)) all.set(schema, id);
  const registry = z.registry<{ id: string }>();
  for (const [schema, id] of all) registry.add(schema, { id });
  const { schemas } = z.toJSONSchema(registry, {
    io,
    unrepresentable: 'any',
    uri: (id) => SCHEMAS + id
  });
  const own = (id: string): Json => {
    const { $schema: _s, $id: _i, ...rest } = sure(schemas[id], 'described schema') as Json;
    return rest;
  };
  // What has no name of its own stands where it is used, also within another.
  const written = (value: unknown): unknown => {
    if (Array.isArray(value)) return value.map(written);
    if (value === null || typeof value !== 'object') return value;
    const { $ref, ...rest } = value as Json;
    const isLoose = typeof $ref === 'string' && $ref.startsWith(`${SCHEMAS}of-one-`);
    const whole = isLoose ? { ...own($ref.slice(SCHEMAS.length)), ...rest } : (value as Json);
    return Object.fromEntries(Object.entries(whole).map(([key, v]) => [key, written(v)]));
  };
  return new Map([...all].map(([schema, id]) => [schema, written(own(id)) as Json]));
}
