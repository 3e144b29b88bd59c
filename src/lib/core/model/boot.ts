import { z } from 'zod';

const bytes = z.number().int().min(0).max(1_048_576);
/** A text file as it is on the machine: DOS itself reads no more. */
const file = z.string().max(65_536, 'DOS reads no more than 64 KiB of it');

/** A driver or resident program of the user's own, with the sizes that are known of it. */
export const OwnDriver = z.strictObject({
  /** As it is called on the disk, with its ending. */
  file: z
    .string()
    .trim()
    .regex(
      /^[A-Za-z0-9_$~!#%&@'{}()-]{1,8}(\.[A-Za-z0-9_$~!#%&@'{}()-]{1,3})?$/,
      'write a name of DOS, such as DRIVER.SYS'
    ),
  where: z.enum(['config', 'autoexec']),
  /** Bytes. */
  load: bytes,
  stay: bytes,
  high: z.boolean(),
  args: z.string().trim().max(80).optional()
});
export type OwnDriver = z.output<typeof OwnDriver>;

/** What was seen when a program was run on this machine. */
export const Tried = z.strictObject({
  at: z.iso.datetime(),
  result: z.enum(['works', 'too-fast', 'too-slow', 'silent', 'crashes', 'refuses']),
  note: z.string().trim().max(400).optional()
});
export type Tried = z.output<typeof Tried>;

/** What is known of how a machine starts: its own files, sizes that MEM showed, drivers that lie ready. */
export const BootRecord = z.strictObject({
  /** The user's own files. */
  config: file.optional(),
  autoexec: file.optional(),
  /** Bytes by the name of the program, without its ending. */
  sizes: z
    .record(z.string().min(1).max(12), z.strictObject({ stay: bytes, load: bytes.optional() }))
    .refine((sizes) => Object.keys(sizes).length <= 60, 'at most 60 sizes')
    .optional(),
  /** Drivers, by their id in the table: whether they lie ready on a medium that this machine reads. */
  inHand: z
    .record(z.string().max(40), z.boolean())
    .refine((list) => Object.keys(list).length <= 60, 'at most 60 drivers')
    .optional(),
  /** Drivers that are in no table. */
  own: z.array(OwnDriver).max(12, 'at most 12 drivers of your own').optional(),
  /** Tries of programs, by the program. */
  tried: z
    .record(z.string().max(64), z.array(Tried).max(20))
    .refine((list) => Object.keys(list).length <= 60, 'at most 60 programs')
    .optional(),
  /** A disk cache is wanted. */
  cache: z.boolean().optional(),
  /** Where the page frame is wanted; left out: wherever it leaves most. */
  frame: z.number().int().min(0xc0000).max(0xe0000).multipleOf(0x4000).optional(),
  /** The setup leaves a hole for a card at this MiB; null or left out: none that is known. */
  holeMiB: z.union([z.literal(14), z.literal(15)]).optional(),
  /** Upper windows that were tried and are free, by their name in the map. */
  free: z
    .array(z.enum(['mono', 'e-segment', 'rom-tail']))
    .max(3)
    .optional()
});
export type BootRecord = z.output<typeof BootRecord>;
