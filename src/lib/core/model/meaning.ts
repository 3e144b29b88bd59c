import { z } from 'zod';
import { Id, Label, Text } from './base';

/** Facts of a machine that a setting can say. */
export const FactId = z.enum([
  'fpu',
  'banks',
  'memory-kib',
  'display',
  'floppies',
  'bus-mhz',
  'factor',
  'volts',
  'bus-divisor',
  'cache-kib',
  'vlb-mhz',
  'vlb-wait',
  'wait-states',
  'battery',
  'keyboard',
  'monitor',
  'bus-width',
  'rom-write'
]);
export const FactValue = z.union([z.number(), z.string().min(1).max(40)]);

/** What each position of a setting tells of the machine: how many banks, which display comes first. */
export const Meaning = z.strictObject({ fact: FactId, setting: Id, values: z.record(Id, FactValue) });

/** A row of pins on the board that a lead of the case or a cable goes to. */
export const PinHeader = z.strictObject({
  id: Id,
  label: Label,
  kind: z.enum([
    'speaker',
    'reset',
    'turbo-switch',
    'turbo-led',
    'power-led',
    'key-lock',
    'disk-led',
    'battery',
    'power',
    'keyboard',
    'other'
  ]),
  /** What each pin carries, from pin 1 on. */
  pins: z.array(Label).min(2).max(12),
  /** Which way round matters. */
  polar: z.boolean().default(false),
  note: Text.optional()
});

export type FactId = z.output<typeof FactId>;
export type FactValue = z.output<typeof FactValue>;
export type Meaning = z.output<typeof Meaning>;
export type PinHeader = z.output<typeof PinHeader>;
