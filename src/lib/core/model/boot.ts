import { z } from 'zod';
import { atMost, finds } from './flaw';

const bytes = z.number().int().min(0).max(1_048_576);
/** A text file as it is on the machine: DOS itself reads no more. */
const file = z.string().max(65_536, finds('dos-file-size'));

/** A driver or resident program of the user's own, with the sizes that are known of it. */
export const OwnDriver = z.strictObject({
  /** As it is called on the disk, with its ending. */
  file: z
    .string()
    .trim()
    .regex(/^[A-Za-z0-9_$~!#%&@'{}()-]{1,8}(\.[A-Za-z0-9_$~!#%&@'{}()-]{1,3})?$/, finds('dos-file-name')),
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

/** Keyboard layouts by the letters of KEYB, as versions from 3.3 have them. */
export const LAYOUTS = [
  'BE',
  'CF',
  'DK',
  'FR',
  'GR',
  'IT',
  'LA',
  'NL',
  'NO',
  'PO',
  'SF',
  'SG',
  'SP',
  'SU',
  'SV',
  'UK'
] as const;
export type Layout = (typeof LAYOUTS)[number];

/** Drivers of the table that are loaded only where somebody wants them. */
export const EXTRAS = [
  'ansi',
  'doskey',
  'setver',
  'share',
  'ramdrive',
  'append',
  'print',
  'fastopen',
  'graphics',
  'power',
  'mixer',
  'sound-emulation',
  'midi-emulation'
] as const;
export type Extra = (typeof EXTRAS)[number];

/** How programs reach the network: a packet driver for those that bring the rest, or a stack that stays. */
export const NET_STACKS = ['packet', 'odi', 'ndis'] as const;
export type NetStack = (typeof NET_STACKS)[number];

/** What is known of how a machine starts: its own files, sizes that MEM showed, drivers that lie ready. */
export const BootRecord = z.strictObject({
  /** The user's own files. */
  config: file.optional(),
  autoexec: file.optional(),
  /** Bytes by the name of the program, without its ending. */
  sizes: z
    .record(z.string().min(1).max(12), z.strictObject({ stay: bytes, load: bytes.optional() }))
    .refine(...atMost(60))
    .optional(),
  /** Drivers, by their id in the table: whether they lie ready on a medium that this machine reads. */
  inHand: z
    .record(z.string().max(40), z.boolean())
    .refine(...atMost(60))
    .optional(),
  /** Drivers that are in no table. */
  own: z.array(OwnDriver).max(12).optional(),
  /** Tries of programs, by the program. */
  tried: z
    .record(z.string().max(64), z.array(Tried).max(20))
    .refine(...atMost(60))
    .optional(),
  /** A disk cache is wanted. */
  cache: z.boolean().optional(),
  /** Layout of the keyboard; left out: that of the United States, which takes no line. */
  layout: z.enum(LAYOUTS).optional(),
  /** Letters of code page 850 on the screen, with the layout. */
  codePage: z.boolean().optional(),
  extras: z.array(z.enum(EXTRAS)).max(EXTRAS.length).optional(),
  /** Left out: a packet driver. */
  network: z.enum(NET_STACKS).optional(),
  /** What `DIR C:\\ /S /B` shows: the files that are on the disk. */
  listing: file.optional(),
  /** When the user went on with the disk although drivers were not noted as in hand. */
  wentOn: z.iso.datetime().optional(),
  /** Handler of HIMEM.SYS for line A20 that works here; left out: the one that it finds by itself. */
  a20: z.number().int().min(1).max(17).optional(),
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
