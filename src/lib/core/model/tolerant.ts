import { z } from 'zod';
import { Build, BuildFile, FORMAT_MINOR } from './build';
import { Part } from './part';

/**
 * The same schema with room for fields that it does not know, at every depth: what a newer minor
 * version of the format added is kept and written out again. What is known is checked as before.
 */
export function tolerant<T extends z.ZodType>(schema: T): T {
  const known = made.get(schema);
  if (known) return known as T;
  const def = schema._zod.def as unknown as Definition;
  const changed = changes[def.type]?.(def);
  const out = changed ? (z.core.clone(schema, { ...def, ...changed } as never) as T) : schema;
  made.set(schema, out);
  return out;
}

interface Definition {
  type: string;
  shape: Record<string, z.ZodType>;
  element: z.ZodType;
  innerType: z.ZodType;
  options: z.ZodType[];
  items: z.ZodType[];
  keyType: z.ZodType;
  valueType: z.ZodType;
}

const made = new Map<z.ZodType, z.ZodType>();
const inner = (def: Definition) => ({ innerType: tolerant(def.innerType) });
const changes: Record<string, (def: Definition) => object> = {
  object: (def) => ({
    shape: Object.fromEntries(Object.entries(def.shape).map(([key, value]) => [key, tolerant(value)])),
    catchall: z.unknown()
  }),
  array: (def) => ({ element: tolerant(def.element) }),
  record: (def) => ({ valueType: tolerant(def.valueType) }),
  tuple: (def) => ({ items: def.items.map(tolerant) }),
  union: (def) => ({ options: def.options.map(tolerant) }),
  optional: inner,
  default: inner,
  nullable: inner
};

const TolerantBuild = tolerant(Build);
const TolerantPart = tolerant(Part);
const TolerantFile = tolerant(BuildFile);

/** The schema that fits a document: strict for what this release writes, with room for what is newer. */
export const buildSchema = (document: unknown) => (isNewer(newerMinor(document)) ? TolerantBuild : Build);
/** Parts that were kept passed their check when they came in; they may hold newer fields. */
export const keptPart = (document: unknown): Part => TolerantPart.parse(document);
export const fileSchema = (file: Record<string, unknown>) => (isNewer(file.minor) ? TolerantFile : BuildFile);

export const isNewer = (minor: unknown): minor is number => typeof minor === 'number' && minor > FORMAT_MINOR;

function newerMinor(document: unknown): unknown {
  const newer = typeof document === 'object' && document && (document as { newer?: unknown }).newer;
  return typeof newer === 'object' && newer ? (newer as { minor?: unknown }).minor : undefined;
}
