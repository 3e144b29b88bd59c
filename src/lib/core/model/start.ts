import { z } from 'zod';

/** Stages of a start, in the order that most machines have them. */
export const STAGES = [
  'rails',
  'reset',
  'fetch',
  'rom',
  'timer',
  'memory',
  'controllers',
  'setup',
  'display',
  'count',
  'keyboard',
  'floppy',
  'disk',
  'roms',
  'summary',
  'boot',
  'partition',
  'system',
  'config',
  'prompt'
] as const;
export const StageId = z.enum(STAGES);

/** Messages on the screen, by what they are about; each BIOS has its own words for them. */
export const MESSAGES = [
  'memory',
  'memory-size',
  'settings',
  'display-type',
  'keyboard',
  'locked',
  'floppy',
  'disk',
  'rom',
  'not-system',
  'no-system',
  'no-boot',
  'interpreter'
] as const;
export const MessageId = z.enum(MESSAGES);

export const Power = z.enum(['still', 'twitch', 'ticks', 'runs']);

/** What was seen and heard of one start. What is left out was not looked at, which is not the same as not there. */
export const Start = z.strictObject({
  at: z.iso.datetime(),
  /** Fan and lights: nothing, a twitch and off, ticking, or it runs. */
  power: Power.optional(),
  /** Beeps as they were heard: `none`, `3`, `1 long 2 short`, `1-3-3`, `repeated`. */
  beeps: z.string().trim().max(60).optional(),
  /** They were counted from a film with sound. */
  filmed: z.boolean().optional(),
  screen: z.enum(['dark', 'text']).optional(),
  /** Dark for 60 s, on a monitor that is known good, and looked at twice. */
  darkSure: z.boolean().optional(),
  /** The last stage of which something was seen. */
  reached: StageId.optional(),
  /** It went no further. */
  stays: z.boolean().optional(),
  /** Messages that were read; an empty list: the screen was read and had none. */
  messages: z.array(MessageId).max(13).optional(),
  /**
   * What was done since the start before: a test by its name, `nothing` for only switching on again. Left out: something
   * else was changed, or nobody said, and what was seen before no longer counts.
   */
  after: z.string().max(80).optional(),
  /** Not a start: something was measured or looked at, and the fault it looks for was there or not. */
  read: z.strictObject({ test: z.string().max(40), found: z.boolean() }).optional(),
  note: z.string().max(400).optional()
});

export type StageId = z.output<typeof StageId>;
export type MessageId = z.output<typeof MessageId>;
export type Power = z.output<typeof Power>;
export type Start = z.output<typeof Start>;
