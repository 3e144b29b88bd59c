import { z } from 'zod';
import { Id, Text } from './base';
import { Ability, CpuFamily } from './facts';
import { pictures } from './pictures';

/** exact: sold at the date; spirit: a few years around it; convenient: whatever serves. */
export const Strictness = z.enum(['exact', 'spirit', 'convenient']);
export const Source = z.enum(['shelf', 'prefer-shelf', 'anything']);

/** In whatever money the owner counts. */
export const Budget = z.number().min(0).max(1_000_000);

export const Picture = z.enum(pictures);

/** What a program asks of the whole machine. Everything that is left out does not matter to it. */
export const Wants = z.strictObject({
  /** The least CPU whose instructions it uses. */
  cpu: CpuFamily.optional(),
  /** Window of the speed index (see the CPU table): below too slow, above too fast. */
  speed: z.strictObject({ from: z.number().min(0).optional(), to: z.number().min(0).optional() }).optional(),
  fpu: z.enum(['needed', 'helps']).optional(),
  memory: z
    .strictObject({
      /** KiB below 640 that must be free before it starts. */
      baseKiB: z.number().int().min(0).max(640).optional(),
      /** KiB above 1 MiB (extended). */
      extendedKiB: z.number().int().min(0).max(1_048_576).optional(),
      /** KiB of expanded memory, from a board or from a driver on a 386. */
      expandedKiB: z.number().int().min(0).max(32_768).optional()
    })
    .optional(),
  /** Pictures that it offers: one of them is enough. */
  display: z.array(Picture).optional(),
  /** Sound that it knows: one of them is enough; without any it beeps. */
  audio: z.array(Ability).optional(),
  /** It is not what it is meant to be without sound. */
  audioNeeded: z.boolean().optional(),
  diskMiB: z.number().min(0).max(100_000).optional(),
  /** The floppy that it comes on, in KiB. */
  floppyKiB: z.number().int().optional(),
  cdrom: z.boolean().optional(),
  /** Least DOS, as 3.3. */
  dos: z.number().min(1).max(8).optional(),
  windows: z.number().min(1).max(5).optional(),
  /**
   * The CPU's virtual 8086 mode, in which a memory manager keeps it: `off`, it switches to protected mode by itself and
   * refuses; `needed`, it works only under one.
   */
  v86: z.enum(['off', 'needed']).optional(),
  /** Functions that it drives: a mouse, a game port, a modem. */
  functions: z
    .array(z.enum(['mouse', 'game', 'modem', 'serial', 'parallel', 'network', 'scanner', 'midi']))
    .optional()
});

/** Something the owner wants although it costs slots, plugs or money. */
export const Wish = z.discriminatedUnion('kind', [
  /** This very part stays in, working or not. */
  z.strictObject({ kind: z.literal('keep'), part: Id, why: Text.optional() }),
  /** Never this part. */
  z.strictObject({ kind: z.literal('never'), part: Id, why: Text.optional() }),
  /** A floppy emulator may only stand outside the case. */
  z.strictObject({ kind: z.literal('emulator-outside') }),
  /** Nothing in front that was not there when it was sold: no flash adapters, no emulators. */
  z.strictObject({ kind: z.literal('original-look') }),
  /** At least this many slots stay free. */
  z.strictObject({ kind: z.literal('spare-slots'), count: z.number().int().min(1).max(8) }),
  /** A function that must be there, whatever program asks for it. */
  z.strictObject({
    kind: z.literal('have'),
    what: z.enum([
      'network',
      'scsi',
      'cdrom',
      'midi',
      'game',
      'modem',
      'mouse',
      'floppy-5',
      'floppy-3',
      'fpu',
      'usb'
    ])
  }),
  /** A hard disk that turns, no flash. */
  z.strictObject({ kind: z.literal('real-disk') }),
  /** A picture in colour: card and monitor. */
  z.strictObject({ kind: z.literal('colour') }),
  /** No hard disk that turns. */
  z.strictObject({ kind: z.literal('quiet') })
]);

export type Strictness = z.output<typeof Strictness>;
export type Source = z.output<typeof Source>;
export type Picture = z.output<typeof Picture>;
export type Wants = z.output<typeof Wants>;
export type Wish = z.output<typeof Wish>;
