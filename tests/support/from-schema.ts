import { z } from 'zod';
import type { Seeded } from './random';

/** As much of JSON Schema as our schemas come out as. */
interface Node {
  $ref?: string;
  $defs?: Record<string, Node>;
  type?: string;
  const?: unknown;
  enum?: unknown[];
  anyOf?: Node[];
  oneOf?: Node[];
  allOf?: Node[];
  properties?: Record<string, Node>;
  required?: string[];
  additionalProperties?: Node | boolean;
  propertyNames?: Node;
  items?: Node;
  prefixItems?: Node[];
  minItems?: number;
  maxItems?: number;
  minimum?: number;
  maximum?: number;
  exclusiveMinimum?: number;
  exclusiveMaximum?: number;
  minLength?: number;
  maxLength?: number;
  pattern?: string;
  format?: string;
}

const known = new WeakMap<z.ZodType, Node>();

/**
 * A value that a schema describes, drawn at random: what may be left out is there or not, lists and records are short,
 * texts come from a pool where one fits. What rules between fields refuse is drawn again.
 * @param pool texts as people and other parts of a document would have them: ids, readings, names of tests
 * @returns undefined when nothing that was drawn is taken
 */
export function sample<T>(schema: z.ZodType<T>, r: Seeded, pool: readonly string[]): T | undefined {
  const root = known.get(schema) ?? (z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }) as Node);
  known.set(schema, root);
  const named = (ref: string): Node => (ref === '#' ? root : root.$defs![ref.split('/').at(-1)!]);
  const one = <V>(list: readonly V[]): V => list[r.int(list.length)];

  const text = (node: Node): string => {
    if (node.format === 'date-time')
      return new Date(Date.UTC(2026, r.int(11), 1 + r.int(27), r.int(24), r.int(60))).toISOString();
    if (node.format === 'date') return `2026-0${1 + r.int(9)}-1${r.int(10)}`;
    const pattern = node.pattern === undefined ? null : new RegExp(node.pattern, 'u');
    const fits = (s: string) =>
      s.length >= (node.minLength ?? 0) &&
      s.length <= (node.maxLength ?? Infinity) &&
      (pattern?.test(s) ?? true);
    for (let tries = 0; tries < 20; tries++) {
      const drawn = one(pool);
      if (fits(drawn)) return drawn;
    }
    return pool.find(fits) ?? 'x'.repeat(Math.max(1, node.minLength ?? 1));
  };
  const number = (node: Node): number => {
    const low = Math.max(node.minimum ?? node.exclusiveMinimum ?? 0, -1e6);
    const high = Math.min(node.maximum ?? node.exclusiveMaximum ?? 4096, 1e6);
    // Ends and small numbers are where things go wrong.
    const drawn = one([
      low,
      high,
      low + r.int(Math.max(1, Math.floor(high - low) + 1)),
      Math.min(high, low + r.int(9))
    ]);
    return node.type === 'integer' ? Math.trunc(drawn) : drawn;
  };
  const record = (node: Node, depth: number): Record<string, unknown> => {
    const out: Record<string, unknown> = {};
    for (const [key, value] of Object.entries(node.properties ?? {}))
      if (node.required?.includes(key) || r.chance(depth > 6 ? 0.2 : 0.55)) out[key] = draw(value, depth + 1);
    const rest = node.additionalProperties;
    if (typeof rest === 'object')
      for (let n = r.int(5); n > 0; n--) {
        const key = node.propertyNames ? draw(node.propertyNames, depth + 1) : one(pool);
        if (typeof key === 'string') out[key] = draw(rest, depth + 1);
      }
    return out;
  };
  const draw = (node: Node, depth: number): unknown => {
    if (node.$ref !== undefined) return draw(named(node.$ref), depth);
    if ('const' in node) return node.const;
    if (node.enum) return one(node.enum);
    const choice = node.anyOf ?? node.oneOf;
    if (choice) return draw(one(choice), depth);
    if (node.allOf) return draw(node.allOf[0], depth);
    if (node.prefixItems) return node.prefixItems.map((item) => draw(item, depth + 1));
    switch (node.type) {
      case 'object':
        return record(node, depth);
      case 'array': {
        const most = Math.min(node.maxItems ?? 5, 5);
        const count = Math.max(node.minItems ?? 0, r.int(most + 1));
        return Array.from({ length: count }, () => draw(node.items ?? {}, depth + 1));
      }
      case 'boolean':
        return r.chance(0.5);
      case 'number':
      case 'integer':
        return number(node);
      case 'null':
        return null;
      default:
        return text(node);
    }
  };
  for (let tries = 0; tries < 12; tries++) {
    const parsed = schema.safeParse(draw(root, 0));
    if (parsed.success) return parsed.data;
  }
  return undefined;
}
