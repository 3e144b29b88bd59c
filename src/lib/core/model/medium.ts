import { z } from 'zod';
import { sameJson } from './equal';
import { FLOPPY_KIB } from './floppy-sizes';

const DiskGeometry = z.strictObject({
  cylinders: z.number().int().min(1).max(65_536),
  heads: z.number().int().min(1).max(256),
  sectors: z.number().int().min(1).max(255)
});

export const FloppySize = z.literal(FLOPPY_KIB);

/**
 * A cable of drives: straight; with the twist of floppies (lines 10 to 16) or the one of hard disks (25 to 29);
 * or with a terminator of its own at its end.
 */
export const Ribbon = z.enum(['straight', 'floppy-twist', 'disk-twist', 'end-terminator', 'cable-select']);
export type Ribbon = z.output<typeof Ribbon>;

/** Select jumpers of drives on a 34-pin cable, as they are counted from one: DS0 or DS1 is the first. */
export const Select = z.enum(['first', 'second', 'third', 'fourth']);
export type Select = z.output<typeof Select>;

/** What is known of one medium: how it was declared, made and tried. */
export const DiskRecord = z.strictObject({
  /** What this very specimen has, where that is not what its model is said to have. */
  real: z
    .strictObject({
      cylinders: z.number().int().min(1).max(65_536),
      heads: z.number().int().min(1).max(16),
      sectors: z.number().int().min(1).max(255),
      /** Sectors in all, where the geometry does not tell. */
      total: z
        .number()
        .int()
        .min(1)
        .max(2 ** 48)
        .optional()
    })
    .optional(),
  /** As it is typed into the setup of this machine; type is a number of the table, `user` or `not installed`. */
  setup: DiskGeometry.extend({ type: z.string().max(20).optional() }).optional(),
  /** Heads and sectors in force when it was partitioned, and where that was. */
  made: z
    .strictObject({
      heads: z.number().int().min(1).max(256),
      sectors: z.number().int().min(1).max(63),
      where: z.string().max(120).optional(),
      at: z.iso.datetime().optional()
    })
    .optional(),
  /** Geometries that were tried, in which machine, and what happened. */
  tries: z
    .array(
      z.strictObject({
        at: z.iso.datetime(),
        where: z.string().max(120),
        cylinders: z.number().int().min(1).max(65_536),
        heads: z.number().int().min(1).max(256).optional(),
        sectors: z.number().int().min(1).max(255).optional(),
        result: z.enum(['started', 'hung', 'too-small', 'not-found']),
        note: z.string().max(400).optional()
      })
    )
    .max(100)
    .default([]),
  /** Cylinders of each partition that is planned. */
  plan: z.array(z.number().int().min(1).max(65_536)).max(24).optional()
});

export type DiskRecord = z.output<typeof DiskRecord>;

/**
 * What is known of a medium once a machine's record of it has gone from one state to another: what was changed there
 * is changed here, what was learnt in other machines stays. Setup and plan belong to the machine alone.
 */
export function mediumAfter(
  known: DiskRecord | undefined,
  before: DiskRecord | undefined,
  after: DiskRecord | undefined
): DiskRecord {
  const was = before?.tries ?? [];
  const is = after?.tries ?? [];
  const kept = (known?.tries ?? []).filter((t) => has(is, t) || !has(was, t));
  const out: DiskRecord = { tries: [...kept, ...is.filter((t) => !has(kept, t))].slice(-100) };
  const changed = <K extends 'real' | 'made'>(key: K): DiskRecord[K] =>
    sameJson(before?.[key], after?.[key]) ? known?.[key] : after?.[key];
  const [real, made] = [changed('real'), changed('made')];
  return { ...out, ...(real && { real }), ...(made && { made }) };
}

const has = <T>(list: readonly T[], one: T): boolean => list.some((x) => sameJson(x, one));
