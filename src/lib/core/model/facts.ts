import { z } from 'zod';
import { Id, Label } from './base';
import { PinHeader } from './meaning';

/** What a part is besides its settings and lines: the facts by which parts fit each other. */

const kib = z
  .number()
  .int()
  .min(0)
  .max(8 * 1024 * 1024);
const mhz = z.number().positive().max(2000);
const amps = z.number().min(0).max(60);
const range = z.strictObject({ low: z.number().min(0), high: z.number().min(0) });

/** In the order of their years; a schema puts names that look like numbers first. */
export const CPU_FAMILIES = [
  '8088',
  '8086',
  '286',
  '386sx',
  '386dx',
  '486sx',
  '486dx',
  '586',
  'pentium',
  'pentium2'
] as const;
export const CpuFamily = z.enum(CPU_FAMILIES);

/** Sockets by pins and standard; `qfp` is soldered to the board. */
export const CpuSocket = z.enum([
  'dip40',
  'pga68',
  'plcc68',
  'qfp',
  'pga132',
  'pga168',
  'socket3',
  'socket4',
  'socket5',
  'socket7',
  'slot1',
  'socket370'
]);

export const CpuFacts = z.strictObject({
  family: CpuFamily,
  socket: CpuSocket,
  /** Rated clocks: core = bus × multiplier. */
  coreMHz: mhz,
  busMHz: mhz,
  /** Core voltage that the chip is made for. */
  volts: range,
  /** Floating-point unit inside. */
  fpu: z.boolean().default(false),
  /** Runs its core and its pins at two voltages: a single-voltage board cannot take it. */
  split: z.boolean().default(false),
  /** The factor that a multiplier code means on this chip, where it is another one: `2` means 4. */
  reads: z.record(z.string().regex(/^\d+(\.\d)?$/), z.number().positive()).default({}),
  /** The factor at which it runs on a board without multiplier jumpers, where that is not its rated one. */
  openFactor: z.number().positive().optional(),
  /**
   * How the cache inside writes. `either`: a pin chooses, and open it writes through; `back`: always back. Left out:
   * nobody has read it off the chip.
   */
  writes: z.enum(['through', 'back', 'either']).optional()
});

export const CacheWrites = z.enum(['through', 'back']);
/** Chips of serial ports. The first two hold one character; the last a queue of sixteen. */
export const Uart = z.enum(['8250', '16450', '16550']);

export const FPU_KINDS = ['8087', '287', '387sx', '387dx', '487'] as const;
export const FpuKind = z.enum(FPU_KINDS);
export const FpuFacts = z.strictObject({ kind: FpuKind, mhz });

/** What is printed on an oscillator in a socket: MHz, with all its digits. */
export const OscillatorFacts = z.strictObject({ mhz });

export const MemoryType = z.enum(['dram', 'fpm', 'edo', 'sdram']);
export const ModuleForm = z.enum(['chips', 'sipp30', 'simm30', 'simm72', 'dimm168']);

/** One memory module, or one set of loose chips that makes a byte-wide (or whole) row. */
export const ModuleFacts = z.strictObject({
  form: ModuleForm,
  /** Capacity without parity. */
  kib,
  ns: z.number().min(5).max(300),
  parity: z.boolean().default(false),
  type: MemoryType.default('dram'),
  /** Two sides count as two banks on many boards. */
  sides: z.union([z.literal(1), z.literal(2)]).default(1),
  /** How it is made up: 9 × 256K×1. */
  chips: Label.optional()
});

/** Numbers a board offers: a list (one = fixed), or what each position of a setting gives. */
export const Offered = z.union([
  z.array(z.number().positive()).min(1).max(24),
  z.strictObject({ setting: Id, values: z.record(Id, z.number().positive()) })
]);

export const MemoryFacts = z.strictObject({
  /** Soldered to the board. */
  onboardKiB: kib.default(0),
  banks: z
    .array(
      z.strictObject({
        id: Id,
        label: Label.optional(),
        forms: z.array(ModuleForm).min(1),
        /** Modules that fill the bank; it is full or empty. */
        sockets: z.number().int().min(1).max(36)
      })
    )
    .max(16)
    .default([]),
  /** Module sizes that the board knows. */
  sizesKiB: z.array(kib).max(16).default([]),
  /** Most that the board takes. */
  maxKiB: kib,
  /** The fillings that the board knows, as module size for each bank; left out: any order. */
  fillings: z.array(z.array(kib)).max(80).optional(),
  /** Slowest memory that the board is good for at its top clock. */
  ns: z.number().min(5).max(300).default(150),
  parity: z.enum(['required', 'optional', 'off']).default('optional'),
  types: z.array(MemoryType).default(['dram', 'fpm']),
  /** Whether the 384 KiB under the ROMs come back above 1 MiB. */
  remap: z.enum(['yes', 'no', 'without-shadow']).default('no'),
  /** Withheld for copies of the ROMs in the usual setup. */
  shadowKiB: kib.default(0),
  cacheableKiB: kib.optional(),
  /** Needs the three supplies of the oldest memory chips: destroyed without −5 V. */
  threeSupply: z.boolean().default(false)
});

export const FormFactor = z.enum(['xt', 'full-at', 'baby-at', 'lpx', 'atx']);
/** How far apart slots stand, and the openings of a case: five slots of an inch, or eight of 0.8 inch. */
export const SlotSpacing = z.enum(['1 inch', '0.8 inch']);
export const KeyboardProtocol = z.enum(['xt', 'at']);
export const KeyboardPlug = z.enum(['din5', 'minidin6']);

/** What a board has besides slots; part of its board facts. */
export const boardFit = {
  form: FormFactor.optional(),
  slotSpacing: SlotSpacing.optional(),
  cpuSocket: z
    .strictObject({
      accepts: z.array(CpuSocket).min(1),
      families: z.array(CpuFamily).min(1),
      /** A CPU that is soldered in: its part. */
      soldered: Id.optional()
    })
    .optional(),
  fpuSockets: z.array(FpuKind).optional(),
  /** External clock in MHz. */
  busClock: Offered.optional(),
  multiplier: Offered.optional(),
  coreVolts: Offered.optional(),
  /** What the clock table of the board prints; where nobody knows, both readings are shown. */
  clockUnit: z.enum(['bus', 'core', 'unknown']).optional(),
  /** ISA clock = external clock ÷ this. */
  busDivisor: Offered.optional(),
  /**
   * Which way of writing of the cache in the CPU the board is made for: one it is fixed to, or what a setting chooses.
   * A board of one that writes through never asks the CPU before a card reads memory.
   */
  cacheWrites: z
    .union([CacheWrites, z.strictObject({ setting: Id, values: z.record(Id, CacheWrites) })])
    .optional(),
  /** Pins for the leads of the case, the battery and the like. */
  headers: z.array(PinHeader).max(24).optional(),
  memory: MemoryFacts.optional(),
  cacheKiB: kib.optional(),
  keyboard: z.strictObject({ protocols: z.array(KeyboardProtocol).min(1), plug: KeyboardPlug }).optional(),
  battery: z.enum(['barrel', 'coin', 'pack', 'clock-module', 'none']).optional(),
  powerPlug: z.enum(['at', 'atx', 'either']).optional(),
  /** The set-up program that it holds. */
  firmware: Id.optional(),
  /** Display setting: what the board must be told of the first display. */
  displaySwitch: z
    .strictObject({ setting: Id, values: z.record(Id, z.enum(['mono', 'colour', 'own-bios', 'any'])) })
    .optional(),
  fpuSwitch: z.strictObject({ setting: Id, fitted: Id, none: Id }).optional()
};

/** `inside`: the cable of a panel or tube that is built in. */
export const Plug = z.enum(['de9', 'de15', 'composite', 'inside']);
export const Signal = z.enum(['mono', 'rgbi', 'ega', 'analogue', 'composite']);
export const VideoStandard = z.enum(['mono', 'cga', 'ega', 'mcga', 'vga', '3d-only']);

export const VideoFacts = z.strictObject({
  standard: VideoStandard,
  memoryKiB: kib,
  outputs: z
    .array(z.strictObject({ plug: Plug, signals: z.array(Signal).min(1) }))
    .min(1)
    .max(4),
  /** Modes beyond those of the standard, as ids of the table of display modes. */
  modes: z.array(z.string().max(20)).max(24).default([]),
  /** Bits for each pixel that it can show. */
  depths: z
    .array(
      z.union([
        z.literal(1),
        z.literal(2),
        z.literal(4),
        z.literal(8),
        z.literal(15),
        z.literal(16),
        z.literal(24),
        z.literal(32)
      ])
    )
    .default([]),
  accelerated: z.enum(['no', '2d', '3d']).default('no'),
  /** Monochrome graphics of 720 × 348 besides text. */
  monoGraphics: z.boolean().default(false),
  monitorSwitch: z
    .strictObject({
      setting: Id,
      values: z.record(Id, z.enum(['mono', 'colour', 'enhanced-200', 'enhanced-350']))
    })
    .optional()
});

export const Ability = z.enum([
  'fm',
  'stereo-fm',
  'digital8',
  'digital16',
  'codec',
  'midi-port',
  'wavetable',
  'cd-audio',
  'speech',
  'tones'
]);
export const AudioFacts = z.strictObject({ abilities: z.array(Ability).min(1) });

export const MonitorFacts = z.strictObject({
  inputs: z
    .array(z.strictObject({ plug: Plug, signals: z.array(Signal).min(1) }))
    .min(1)
    .max(4),
  /** Ranges of line frequency in kHz and of picture frequency in Hz; a narrow range is a fixed one. */
  horizontal: z.array(range).min(1).max(6),
  vertical: range,
  colour: z.boolean(),
  /** Made for one signal: another can damage it. */
  fixed: z.boolean().default(false),
  inches: z.number().min(5).max(30).optional(),
  /** Behaviour that is mistaken for a fault. */
  darkWithoutSignal: z.boolean().default(false),
  flat: z.boolean().default(false)
});

export const SupplyFacts = z.strictObject({
  form: z.enum(['xt', 'at', 'atx']),
  watts: z.number().positive().max(1000),
  /** Most that each rail gives, in amperes. */
  rails: z.strictObject({
    v5: amps,
    v12: amps,
    v3: amps.default(0),
    m5: amps.default(0),
    m12: amps.default(0)
  }),
  /** Least load on +5 V below which it does not start. */
  leastV5: amps.default(0),
  plugs: z.strictObject({
    large: z.number().int().min(0).max(20),
    small: z.number().int().min(0).max(8).default(0)
  })
});

/** What a part takes, in amperes; `start12` is the peak on +12 V while a drive spins up. */
export const PowerNeed = z.strictObject({
  v5: amps.default(0),
  v12: amps.default(0),
  v3: amps.default(0),
  start12: amps.optional(),
  minus5: z.boolean().default(false)
});

export const KeyboardFacts = z.strictObject({
  protocols: z.array(KeyboardProtocol).min(1),
  plug: KeyboardPlug,
  /** How it changes between them. */
  change: z.enum(['fixed', 'switch', 'automatic']).default('fixed')
});

export const ChassisFacts = z.strictObject({
  forms: z.array(FormFactor).min(1),
  bays: z.strictObject({
    full5: z.number().int().min(0).max(10).default(0),
    half5: z.number().int().min(0).max(12).default(0),
    third3: z.number().int().min(0).max(12).default(0)
  }),
  openings: z.number().int().min(1).max(12),
  spacing: SlotSpacing.optional(),
  cardMm: z.number().positive().optional(),
  supply: z.array(z.enum(['xt', 'at', 'atx'])).default(['at'])
});

/** Makes one plug or interface out of another. */
export const AdapterFacts = z.strictObject({
  from: Label,
  to: Label,
  /** Units that it carries. */
  units: z.number().int().min(1).max(8).default(1),
  /** A carrier between a CPU and its socket. */
  cpu: z
    .strictObject({
      /** Sockets of a board that it goes into. */
      into: z.array(CpuSocket).min(1),
      /** Sockets of CPUs that it takes. */
      takes: z.array(CpuSocket).min(1),
      /** Volts that its regulator makes; left out: nobody has measured it. */
      volts: z.number().positive().max(6).optional()
    })
    .optional()
});

/** What a program that runs a device asks of the machine. */
export const DriverFacts = z.strictObject({
  /** Lowest CPU class that it runs on. */
  cpu: CpuFamily,
  /** First version of DOS that loads it. */
  dos: z.number().positive().max(9).optional(),
  /** First version of Windows that has it; such a driver is none for DOS. */
  windows: z.number().positive().max(5).optional()
});

/** What a person can see on it, for recognising it. */
export const LookFacts = z.strictObject({
  chips: z.array(Label).max(24).default([]),
  connectors: z.array(Label).max(24).default([]),
  etched: Label.optional(),
  colour: z.string().max(30).optional()
});

export type CpuFacts = z.output<typeof CpuFacts>;
export type CpuFamily = z.output<typeof CpuFamily>;
export type CpuSocket = z.output<typeof CpuSocket>;
export type FpuKind = z.output<typeof FpuKind>;
export type ModuleFacts = z.output<typeof ModuleFacts>;
export type ModuleForm = z.output<typeof ModuleForm>;
export type MemoryFacts = z.output<typeof MemoryFacts>;
export type Offered = z.output<typeof Offered>;
export type VideoFacts = z.output<typeof VideoFacts>;
export type VideoStandard = z.output<typeof VideoStandard>;
export type MonitorFacts = z.output<typeof MonitorFacts>;
export type Plug = z.output<typeof Plug>;
export type Signal = z.output<typeof Signal>;
export type Ability = z.output<typeof Ability>;
export type SupplyFacts = z.output<typeof SupplyFacts>;
export type PowerNeed = z.output<typeof PowerNeed>;
export type KeyboardFacts = z.output<typeof KeyboardFacts>;
export type ChassisFacts = z.output<typeof ChassisFacts>;
export type DriverFacts = z.output<typeof DriverFacts>;
export type AdapterFacts = z.output<typeof AdapterFacts>;
