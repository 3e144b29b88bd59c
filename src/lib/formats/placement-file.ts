import { z } from 'zod';
import { schemaFlaws } from '../core/model';
import { PLACE_LIMITS, STARTS_LIMITS } from '../core/placement';
import { InvalidDocument, documentNames, fileFlaws, placementFlaws } from '../words';

const name = z.string().trim().min(1).max(60);
const bytes = z.number().int().min(0).max(1_048_576);
const kib = z.number().min(0).max(4_194_304);
const regions = z.array(bytes).max(PLACE_LIMITS.regions);

/** A line of a start-up file; sizes in bytes. */
const Line = z.strictObject({
  name,
  /** 0 or `config`: CONFIG.SYS; 1 or `autoexec`: AUTOEXEC.BAT. */
  stage: z
    .union([z.literal(0), z.literal(1), z.literal('config'), z.literal('autoexec')])
    .default(1)
    .transform((s): 0 | 1 => (s === 0 || s === 'config' ? 0 : 1)),
  load: bytes,
  stay: bytes,
  after: z.array(name).max(PLACE_LIMITS.lines).default([]),
  high: z.boolean().default(true),
  movesItself: z.boolean().default(false)
});
const lines = z
  .array(Line)
  .max(PLACE_LIMITS.lines)
  .refine((list) => new Set(list.map((l) => l.name)).size === list.length, placementFlaws.sameName);

/** What `yj place` reads: regions and lines. */
export const PlaceFile = z.strictObject({
  regions,
  lines,
  nodes: z.number().int().min(1).max(PLACE_LIMITS.nodes).optional()
});

/** What `yj starts` reads: managers, optional lines, and the needs of programs. */
export const StartsFile = z.strictObject({
  managers: z
    .array(
      z.strictObject({
        id: name,
        freeBytes: bytes,
        regions: regions.default([]),
        xmsKiB: kib.default(0),
        emsKiB: kib.default(0),
        onePool: z.boolean().default(false),
        v86: z.boolean().default(false),
        lines: z.number().int().min(0).max(9).default(0)
      })
    )
    .min(1)
    .max(STARTS_LIMITS.managers),
  optional: z
    .array(
      z.strictObject({ id: name, lines, takesKiB: kib.default(0), wantsXms: z.boolean().default(false) })
    )
    .max(STARTS_LIMITS.optional)
    .default([]),
  always: lines.default([]),
  programs: z
    .array(
      z.strictObject({
        id: name,
        baseKiB: kib.default(0),
        emsKiB: kib.default(0),
        xmsKiB: kib.default(0),
        mostXmsKiB: kib.nullable().default(null),
        needs: z.array(name).max(STARTS_LIMITS.optional).default([]),
        v86: z.enum(['any', 'off', 'needed']).default('any')
      })
    )
    .min(1)
    .max(STARTS_LIMITS.programs)
});

/** @throws InvalidDocument naming what is wrong, and where */
function readAs<T extends z.ZodType>(schema: T, text: string, what: string): z.output<T> {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch (error) {
    throw new InvalidDocument([{ path: '', message: fileFlaws.notJsonAs((error as Error).message) }], what);
  }
  const parsed = schema.safeParse(data);
  if (!parsed.success) throw new InvalidDocument(schemaFlaws(parsed.error), what);
  return parsed.data;
}

export const readPlaceFile = (text: string): z.output<typeof PlaceFile> =>
  readAs(PlaceFile, text, documentNames.lines);
export const readStartsFile = (text: string): z.output<typeof StartsFile> =>
  readAs(StartsFile, text, documentNames.programs);
