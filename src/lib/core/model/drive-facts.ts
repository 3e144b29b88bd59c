import { z } from 'zod';
import { biosTranslations } from '../storage';
import { FloppySize } from './medium';

/** What drives are, and what the set-up program of a board knows of them. */

/** What drives and controllers say to each other. */
export const DriveInterface = z.enum([
  'st506',
  'rll',
  'esdi',
  'xta',
  'ata',
  'scsi',
  'floppy',
  'cd-panel',
  'one-cable',
  'usb'
]);

/** How a SCSI device drives its bus; what is left out nobody has read off it. */
export const ScsiFacts = z.strictObject({
  /** The two kinds are electrically apart: on one cable drivers burn. */
  signals: z.enum(['single-ended', 'differential']).optional(),
  /** Bits: 8 on 50 lines, 16 on 68. */
  width: z.union([z.literal(8), z.literal(16)]).optional(),
  /** Feeds the terminators over the cable. */
  termPower: z.boolean().optional()
});

export const DriveFacts = z.strictObject({
  medium: z.enum(['hard', 'floppy', 'optical', 'flash', 'removable', 'emulator']),
  interface: DriveInterface,
  /** Capacity in sectors of 512 bytes; a floppy drive has a rate in its place. */
  sectors: z
    .number()
    .int()
    .positive()
    .max(2 ** 32)
    .optional(),
  /** What it reports of itself, or what is printed on it. */
  geometry: z
    .strictObject({
      cylinders: z.number().int().min(1).max(65535),
      heads: z.number().int().min(1).max(16),
      sectors: z.number().int().min(1).max(63)
    })
    .optional(),
  /** Largest floppy that it writes, in KiB. */
  floppyKiB: FloppySize.optional(),
  /** `module`: made for a bay of a portable. */
  bay: z.enum(['full-5', 'half-5', 'third-3', 'half-3', 'outside', 'module', 'none']),
  /**
   * Its power lead: the large four-pin one, the small one of floppies, from the slot of the card that it sits on, over
   * its data cable as the small disks of portables, or none.
   */
  plug: z.enum(['large', 'small', 'slot', 'cable', 'none']).default('large'),
  speed: z.number().positive().optional(),
  scsi: ScsiFacts.optional(),
  /** Cylinder from which writing is precompensated, of drives that leave it to the controller; 65535: none. */
  precomp: z.number().int().min(0).max(65_535).optional(),
  /** Cylinder on which the heads are parked, of drives that do not do it themselves. */
  landing: z.number().int().min(0).max(65_535).optional()
});

/** An entry of the drive-type table of a setup; precompensation 65535 is none. */
export const DriveTypeEntry = z.strictObject({
  type: z.number().int().min(1).max(60),
  cylinders: z.number().int().min(1).max(4096),
  heads: z.number().int().min(1).max(16),
  sectors: z.number().int().min(1).max(63),
  precomp: z.number().int().min(0).max(65_535),
  landing: z.number().int().min(0).max(65_535)
});

/** What the set-up program of a board knows. */
export const FirmwareFacts = z.strictObject({
  year: z.number().int().min(1978).max(2002),
  setup: z.enum(['none', 'floppy', 'key']),
  key: z.string().max(30).optional(),
  /** How it beeps: as the originals, by counts, long and short, or in groups. */
  beeps: z.enum(['P', 'A', 'B', 'C']).optional(),
  pnp: z.boolean().default(false),
  cdBoot: z.boolean().default(false),
  /** Looks for ROMs on cards at start; the very first one does not. */
  scansRoms: z.boolean().default(true),
  /** It counts no memory above this, in KiB. */
  mostBaseKiB: z.number().int().min(64).max(640).optional(),
  /** Largest floppy it knows, in KiB. */
  floppyKiB: z.number().int().min(160).max(2880),
  disk: z.strictObject({
    /** How many drive types its table holds; 0: the controller's ROM does it. */
    types: z.number().int().min(0).max(60),
    user: z.boolean(),
    translation: z.enum([...biosTranslations, 'rom']),
    /** Entries of its type table that are not those of the common one. */
    table: z.array(DriveTypeEntry).max(60).optional(),
    /** Keeps the last cylinder back for diagnostics: one fewer than typed is offered. */
    keepsLast: z.boolean().optional(),
    /** Cylinders that the setup takes. */
    cylinders: z.number().int().min(0).max(65535),
    /** Cylinder counts above which it hangs at detection. */
    hangs: z.array(z.enum(['6322', '65535'])).optional(),
    /** INT 13h extensions, functions 41h to 48h: from about 1996 to 1998 on. */
    extensions: z.boolean().optional(),
    /** Largest disk that it handles whole, in MiB; beyond it hangs or sees less. */
    mostMiB: z.number().int().positive().optional()
  })
});

export type DriveFacts = z.output<typeof DriveFacts>;
export type DriveInterface = z.output<typeof DriveInterface>;
export type ScsiFacts = z.output<typeof ScsiFacts>;
export type FirmwareFacts = z.output<typeof FirmwareFacts>;
export type DriveTypeEntry = z.output<typeof DriveTypeEntry>;
