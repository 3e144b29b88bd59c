import { z } from 'zod';
import { CPU_FAMILIES, Claim, FPU_KINDS, Part, PartFunction } from '../core/model';

/** One thing that can be written down of a part: what may be typed or chosen follows from the schema of parts. */
export type Field = { key: string; required: boolean; usual?: unknown } & (
  | { type: 'number'; least?: number; most?: number; whole: boolean }
  | { type: 'text'; most: number }
  | { type: 'yes-no' }
  | { type: 'choice'; options: (string | number)[] }
  | { type: 'choices'; options: string[] }
  | { type: 'group'; fields: Field[] }
  | { type: 'list'; item: Field; most: number }
);

/** The part of JSON Schema that the schema of parts uses. */
interface Schema {
  type?: string;
  enum?: (string | number)[];
  const?: string | number;
  anyOf?: Schema[];
  properties?: Record<string, Schema>;
  required?: string[];
  items?: Schema;
  minimum?: number;
  maximum?: number;
  maxItems?: number;
  maxLength?: number;
  default?: unknown;
}

/** Names that look like numbers lose their order in a schema. */
const IN_ORDER: readonly string[] = [...CPU_FAMILIES, ...FPU_KINDS];
const inOrder = <T extends string | number>(options: readonly T[]): T[] => {
  const rank = (o: T) => IN_ORDER.indexOf(String(o));
  return [...options].sort((a, b) => (rank(a) < 0 || rank(b) < 0 ? 0 : rank(a) - rank(b)));
};

function fieldOf(key: string, schema: Schema, required: boolean): Field | null {
  const base = { key, required, ...(schema.default === undefined ? {} : { usual: schema.default }) };
  const constants = schema.anyOf?.flatMap((s) => (s.const === undefined ? [] : [s.const]));
  if (constants?.length && constants.length === schema.anyOf?.length)
    return { ...base, type: 'choice', options: constants };
  if (schema.enum) return { ...base, type: 'choice', options: inOrder(schema.enum) };
  switch (schema.type) {
    case 'number':
    case 'integer':
      return {
        ...base,
        type: 'number',
        whole: schema.type === 'integer',
        ...(schema.minimum === undefined ? {} : { least: schema.minimum }),
        ...(schema.maximum === undefined || schema.maximum > 2 ** 40 ? {} : { most: schema.maximum })
      };
    case 'string':
      return { ...base, type: 'text', most: schema.maxLength ?? 120 };
    case 'boolean':
      return { ...base, type: 'yes-no' };
    case 'object':
      return schema.properties ? { ...base, type: 'group', fields: fieldsIn(schema) } : null;
    case 'array': {
      const items = schema.items ?? {};
      if (items.enum) return { ...base, type: 'choices', options: inOrder(items.enum.map(String)) };
      const item = fieldOf('', items, true);
      return item && { ...base, type: 'list', item, most: schema.maxItems ?? 24 };
    }
    default:
      return null;
  }
}

const fieldsIn = (schema: Schema): Field[] =>
  Object.entries(schema.properties ?? {}).flatMap(
    ([key, s]) => fieldOf(key, s, schema.required?.includes(key) ?? false) ?? []
  );

/** Facts that each kind of part has, in the order in which one writes them down. */
const FACTS = {
  board: ['board', 'power'],
  cpu: ['cpu', 'power'],
  fpu: ['fpu', 'power'],
  memory: ['module', 'power'],
  card: ['card', 'video', 'audio', 'driver', 'power'],
  drive: ['drive', 'power'],
  monitor: ['monitor'],
  supply: ['supply'],
  keyboard: ['keyboard', 'power'],
  case: ['chassis'],
  adapter: ['adapter'],
  bios: ['firmware'],
  oscillator: ['oscillator']
} as const satisfies Record<Part['kind'], readonly (keyof Part)[]>;

export const PART_KINDS = Object.keys(FACTS) as Part['kind'][];
/** The facts without which a part of the kind is nothing: the first of them. */
export const mainFacts = (kind: Part['kind']): keyof Part => FACTS[kind][0];

/** What the page has fields of its own for, or what is read off the blocks. */
export const ELSEWHERE: Readonly<Record<string, readonly string[]>> = {
  board: ['class', 'cpu', 'slots', 'bios', 'headers', 'firmware', 'displaySwitch', 'fpuSwitch'],
  card: ['bus', 'lengthMm'],
  function: ['id', 'label', 'kind', 'off', 'claims', 'startKiB', 'home'],
  claim: ['id', 'label', 'resource', 'value', 'from', 'length', 'evidence', 'pin']
};
const others = (of: string, fields: Field[]): Field[] =>
  fields.filter((f) => !ELSEWHERE[of]?.includes(f.key));

const schemaOf = (type: z.ZodType): Schema =>
  z.toJSONSchema(type, { io: 'input', unrepresentable: 'any' }) as Schema;
let schema: Schema | null = null;
/** Groups of facts that can be written down of a kind of part. */
export function factFields(kind: Part['kind']): Extract<Field, { type: 'group' }>[] {
  schema ??= schemaOf(Part);
  const keys: readonly string[] = FACTS[kind];
  return keys.flatMap((key) => {
    const field = fieldOf(key, schema?.properties?.[key] ?? {}, key === mainFacts(kind));
    return field?.type === 'group' ? [{ ...field, fields: others(key, field.fields) }] : [];
  });
}

/** What can be written down of a function, and of a claim by its resource, beside where its numbers come from. */
export function functionFields(): { function: Field[]; claims: Record<Claim['resource'], Field[]> } {
  const claims = Object.fromEntries(
    Claim.options.map((option) => [option.shape.resource.value, others('claim', fieldsIn(schemaOf(option)))])
  ) as Record<Claim['resource'], Field[]>;
  return { function: others('function', fieldsIn(schemaOf(PartFunction))), claims };
}
