import { z } from 'zod';
import { Id, Label, Text } from './base';
import { DriveFacts, DriveInterface, FirmwareFacts, ScsiFacts } from './drive-facts';
import {
  AdapterFacts,
  AudioFacts,
  ChassisFacts,
  CpuFacts,
  FpuFacts,
  KeyboardFacts,
  LookFacts,
  ModuleFacts,
  MonitorFacts,
  DriverFacts,
  OscillatorFacts,
  PowerNeed,
  SupplyFacts,
  Uart,
  VideoFacts,
  boardFit
} from './facts';
import { Address } from './address';
import { Meaning } from './meaning';

export { Id };

/** Where a fact comes from. Two sources that disagree are both kept. */
export const Evidence = z.strictObject({
  source: z.enum(['silkscreen', 'manual', 'measured', 'tried', 'listing', 'guess']),
  note: Text.optional(),
  date: z.string().max(20).optional(),
  /** What this source says, where sources disagree. */
  says: Text.optional(),
  /** This is the source that held when it was tried. */
  held: z.boolean().optional()
});

const Place = z.strictObject({
  /** Position of the block's top left corner on the drawing, in percent of the card. */
  x: z.number().min(0).max(100),
  y: z.number().min(0).max(100)
});

const blockBase = { id: Id, label: Label.optional(), at: Place.optional() };

/**
 * The physical thing on which a choice is made. Pins of a header are numbered down each column,
 * then to the right: in two rows column 1 holds pins 1 and 2.
 */
export const Block = z.discriminatedUnion('kind', [
  z.strictObject({
    ...blockBase,
    kind: z.literal('header'),
    rows: z.number().int().min(1).max(4),
    columns: z.number().int().min(1).max(40),
    /** Which corner pin 1 is in. */
    pin1: z.enum(['top-left', 'top-right', 'bottom-left', 'bottom-right']).default('top-left'),
    columnLabels: z.array(z.string().max(12)).optional()
  }),
  z.strictObject({
    ...blockBase,
    kind: z.literal('dip'),
    switches: z.number().int().min(1).max(16),
    /** What is printed on the block beside the side that closes the switch. */
    printed: z.enum(['ON', 'OPEN', 'CLOSED', '0/1', 'arrow']).default('ON'),
    /** The block is mounted with its numbers upside down. */
    flipped: z.boolean().default(false)
  }),
  z.strictObject({
    ...blockBase,
    kind: z.literal('rotary'),
    steps: z.number().int().min(2).max(32)
  }),
  /** A slide switch; place 0 is on the left, or on top. `stepLabels` are printed beside the places. */
  z.strictObject({
    ...blockBase,
    kind: z.literal('slide'),
    steps: z.number().int().min(2).max(6),
    stepLabels: z.array(z.string().max(12)).max(6).optional()
  }),
  z.strictObject({
    ...blockBase,
    kind: z.literal('solder'),
    bridges: z.number().int().min(1).max(16)
  }),
  /** Resistor packs in sockets: terminators that are in or out. `bridges` of a state are the packs that are in. */
  z.strictObject({
    ...blockBase,
    kind: z.literal('resistor'),
    packs: z.number().int().min(1).max(6)
  }),
  /** A choice burnt into a ROM or soldered in: never moved, only exchanged. */
  z.strictObject({ ...blockBase, kind: z.literal('firmware') }),
  /** A program run by hand writes the choice; `program` is the command without its value. */
  z.strictObject({
    ...blockBase,
    kind: z.literal('software'),
    program: z.string().max(80),
    /** The card forgets when it is switched off, so the program has to run at every start. */
    eachStart: z.boolean().optional()
  }),
  /** ISA plug-and-play: a configuration program or the BIOS chooses at each start. */
  z.strictObject({ ...blockBase, kind: z.literal('pnp') }),
  /** The BIOS chooses at each start (PCI interrupt inputs). */
  z.strictObject({ ...blockBase, kind: z.literal('startup') }),
  /** A bay of a portable that takes one of several modules; the value of a state is what the module is called. */
  z.strictObject({ ...blockBase, kind: z.literal('bay') })
]);

/** What is physically there in one position. Exactly one of the forms, to match the block. */
export const State = z.union([
  z.strictObject({
    caps: z.array(z.tuple([z.number().int().min(1), z.number().int().min(1)])).max(40)
  }),
  z.strictObject({ switches: z.record(z.string().regex(/^\d+$/), z.enum(['on', 'off'])) }),
  z.strictObject({ step: z.number().int().min(0).max(31) }),
  z.strictObject({ bridges: z.array(z.number().int().min(1)).max(16) }),
  z.strictObject({ value: z.string().max(120) })
]);

export const Position = z.strictObject({
  id: Id,
  label: Label,
  state: State.optional(),
  evidence: z.array(Evidence).optional()
});

/** One choice made on a block or on part of one. */
export const Setting = z.strictObject({
  id: Id,
  label: Label,
  block: Id.optional(),
  /** False: nobody knows what it does. It is kept and drawn, and the solver never moves it. */
  known: z.boolean().default(true),
  positions: z.array(Position).max(256).default([]),
  default: Id.optional(),
  evidence: z.array(Evidence).optional()
});

/** What a part offers. The kinds that have usual homes are those of `homes` in the resources. */
export const FunctionKind = z.enum([
  'display',
  'serial',
  'parallel',
  'hard-disk',
  'floppy',
  'audio',
  'fm',
  'midi',
  'game',
  'cdrom',
  'network',
  'scsi',
  'ems',
  'mouse',
  'modem',
  'scanner',
  'usb',
  'keyboard',
  'clock',
  'fpu',
  'memory',
  'rom',
  'battery',
  'system',
  'other'
]);

/** `where setting is one of these positions`, all entries together. */
const Match = z.record(Id, z.array(Id).min(1));

const Value = Address.nullable();

/** Where the number of a claim comes from. */
export const ClaimSource = z.union([
  z.strictObject({ setting: Id, values: z.record(Id, Value) }),
  z.strictObject({
    settings: z.array(Id).min(1).max(6),
    /** The first row that matches counts; a row may leave settings out. */
    rows: z
      .array(z.strictObject({ when: z.record(Id, Id).default({}), value: Value }))
      .min(1)
      .max(1024)
  })
]);

/** How a line may be used by two devices; see the resources for what each kind means. */
export const Sharing = z.enum(['never', 'idle', 'unused', 'level']);

const claimBase = {
  id: Id.optional(),
  label: Label.optional(),
  value: Value.optional(),
  from: ClaimSource.optional(),
  sharing: Sharing.default('never'),
  /** Function ids or kinds of other parts that use the same line or address on purpose. */
  sharesWith: z.array(Id).default([]),
  evidence: z.array(Evidence).optional()
};

/**
 * What a function takes while it is on. The number is `value` (fixed), `from` (read from settings
 * through a table; null = takes nothing then) or, for a PCI interrupt, `pin`.
 */
export const Claim = z.discriminatedUnion('resource', [
  z.strictObject({ ...claimBase, resource: z.literal('irq'), pin: z.enum(['A', 'B', 'C', 'D']).optional() }),
  z.strictObject({
    ...claimBase,
    resource: z.literal('dma'),
    width: z.union([z.literal(8), z.literal(16)]).default(8),
    /** An ISA bus master: the channel is used in cascade mode. */
    busMaster: z.boolean().default(false)
  }),
  z.strictObject({
    ...claimBase,
    resource: z.literal('io'),
    /** Ports that the card decodes from its base, 1 to 1024. */
    length: z.number().int().min(1).max(1024),
    /** Address lines compared; left out: 3FFh for ISA (10 lines), FFFFh for PCI. */
    mask: Address.optional(),
    access: z.enum(['both', 'read', 'write']).default('both'),
    decode: z.enum(['isa', 'pci']).optional()
  }),
  z.strictObject({
    ...claimBase,
    resource: z.literal('memory'),
    /** Bytes. */
    length: Address,
    width: z.union([z.literal(8), z.literal(16)]).default(8),
    use: z.enum(['rom', 'ram', 'frame', 'display']).default('ram'),
    /** Copied to RAM at start, so no longer read over the bus. */
    shadowed: z.boolean().default(false),
    decode: z.enum(['isa', 'pci']).optional()
  })
]);

export const PartFunction = z.strictObject({
  id: Id,
  label: Label,
  kind: FunctionKind,
  /** The function is off when any of these matches. Empty: it cannot be switched off. */
  off: z.array(Match).default([]),
  claims: z.array(Claim).max(32).default([]),
  /** Its cable carries the power of the drives too, as in portables. */
  feeds: z.boolean().optional(),
  /** Drives that it runs, and how many. */
  speaks: z.array(DriveInterface).optional(),
  units: z.number().int().min(1).max(15).optional(),
  /** Of a host adapter: how its bus is driven. */
  scsi: ScsiFacts.optional(),
  /** Of a serial port: its chip. Only the last one buffers what comes in. */
  uart: Uart.optional(),
  /** Fastest floppy of a floppy controller, in KiB. */
  floppyKiB: z.number().int().min(160).max(2880).optional(),
  /** Memory that it brings: expanded memory of a board, shared memory. */
  memoryKiB: z.number().int().min(1).max(65536).optional(),
  /**
   * KiB at which the memory of a card begins, by a setting. Left out: it goes on where the board's ends. Of expanded
   * memory: where it fills conventional memory up from (backfill), 640 for not at all; left out: it cannot.
   */
  startKiB: z
    .strictObject({ setting: Id, values: z.record(Id, z.number().int().min(0).max(65_536)) })
    .optional(),
  /** Of memory on a card: with parity or without; left out: nobody looked. */
  parity: z.boolean().optional(),
  /** In use the whole session (a mouse, a network): its lines are never idle or unused. */
  resident: z.boolean().default(false),
  /** Usual numbers that override those of the kind: COM1 is 3F8h and IRQ 4. */
  home: z
    .strictObject({
      irq: z.array(z.number().int()).optional(),
      dma: z.array(z.number().int()).optional(),
      io: z.array(Address).optional(),
      memory: z.array(Address).optional()
    })
    .optional()
});

/** Combinations that a part does not allow. */
export const Constraint = z.union([
  z.strictObject({
    /** Only these combinations work (plug-and-play lists, a ROM built for one port base). */
    allow: z.strictObject({
      settings: z.array(Id).min(1).max(8),
      rows: z.array(z.array(Id)).min(1).max(1024)
    }),
    why: Label
  }),
  z.strictObject({ forbid: Match, why: Label }),
  /** Two functions of the part that may not meet on a line or address. */
  z.strictObject({ apart: z.tuple([Id, Id]), why: Label })
]);

export const SlotBus = z.enum(['isa8', 'isa16', 'vlb', 'pci', 'agp', 'memory-board', 'pc-card']);

/** How thick a PC card is: type I 3.3 mm, type II 5 mm, type III 10.5 mm. */
const PcCardType = z.union([z.literal(1), z.literal(2), z.literal(3)]);

export const Slot = z.strictObject({
  id: Id,
  label: Label.optional(),
  bus: SlotBus,
  /** Longest card that fits, in mm. */
  lengthMm: z.number().positive().optional(),
  /** Slots with the same word share one bracket: only one of them can be used. */
  bracket: Id.optional(),
  /** Of a slot for PC cards: the thickest that goes in by itself. */
  type: PcCardType.optional(),
  /** Of a slot for PC cards: the slot above it, which a card of type III in this one fills as well. */
  over: Id.optional(),
  /** Reads a card only where the card drives the card-selected line: the short slot next to the supply of the first XT. */
  selected: z.boolean().optional(),
  /** Whether a local-bus or PCI card may be bus master here; left out: nobody has written it down. */
  master: z.boolean().optional(),
  /** PCI and AGP: which start-up setting of the board each interrupt pin is wired to. */
  routing: z.partialRecord(z.enum(['A', 'B', 'C', 'D']), Id).optional()
});

export const BoardFacts = z.strictObject({
  class: z.enum(['xt', 'at']),
  /** A machine that is sold as one: supply and keyboard are its own, and so is the display that its part describes. Left out: an open board. */
  closed: z.enum(['all-in-one', 'portable', 'laptop']).optional(),
  cpu: Label.optional(),
  /** Expansion bus clock in MHz. */
  busMHz: z.number().positive().optional(),
  slots: z.array(Slot).max(32),
  /** System BIOS window; left out: F0000h, 64 KiB. */
  bios: z.strictObject({ base: Address, length: Address }).optional(),
  ...boardFit
});

export const CardFacts = z.strictObject({
  bus: z.enum(['isa8', 'isa16', 'vlb', 'pci', 'agp', 'pc-card']),
  /** Of a PC card. */
  type: PcCardType.optional(),
  lengthMm: z.number().positive().optional(),
  /** A 16-bit card in an 8-bit slot: works, does not, or nobody has tried. */
  fallback8: z.enum(['yes', 'no', 'untried']).default('untried'),
  /** An 8-bit card whose lower edge reaches down where a 16-bit slot has its extension. */
  skirt: z.boolean().optional(),
  /** Whether it drives the card-selected line that one slot of the first XT goes by. */
  drivesSelect: z.enum(['yes', 'no', 'untried']).optional(),
  /** Takes the local bus or PCI over by itself: it needs a slot that lets it. */
  master: z.boolean().optional()
});

/** A line for a start-up file; {function.claim} is replaced by the claim's number. */
export const StartupLine = z.strictObject({
  file: z.enum(['CONFIG.SYS', 'AUTOEXEC.BAT', 'SETUP']),
  text: Label,
  /** Written only while this function is on. */
  when: Id.optional()
});

/** A model of hardware, as the catalogue describes it. */
export const Part = z.strictObject({
  id: Id,
  kind: z.enum([
    'board',
    'cpu',
    'fpu',
    'memory',
    'card',
    'drive',
    'monitor',
    'supply',
    'keyboard',
    'case',
    'adapter',
    'bios',
    'oscillator'
  ]),
  maker: Label,
  name: Label,
  summary: Text.optional(),
  /** Years in which it was sold; `to` may be left out while unknown. */
  sold: z
    .strictObject({ from: z.number().int().min(1970).max(2010), to: z.number().int().max(2010).optional() })
    .optional(),
  price: z.strictObject({ low: z.number().min(0), high: z.number().min(0) }).optional(),
  evidence: z.array(Evidence).default([]),
  quirks: z.array(Text).default([]),
  board: BoardFacts.optional(),
  card: CardFacts.optional(),
  cpu: CpuFacts.optional(),
  fpu: FpuFacts.optional(),
  module: ModuleFacts.optional(),
  video: VideoFacts.optional(),
  audio: AudioFacts.optional(),
  drive: DriveFacts.optional(),
  monitor: MonitorFacts.optional(),
  supply: SupplyFacts.optional(),
  keyboard: KeyboardFacts.optional(),
  chassis: ChassisFacts.optional(),
  adapter: AdapterFacts.optional(),
  firmware: FirmwareFacts.optional(),
  oscillator: OscillatorFacts.optional(),
  power: PowerNeed.optional(),
  driver: DriverFacts.optional(),
  look: LookFacts.optional(),
  blocks: z.array(Block).max(64).default([]),
  settings: z.array(Setting).max(64).default([]),
  functions: z.array(PartFunction).max(32).default([]),
  constraints: z.array(Constraint).max(64).default([]),
  /** What settings say of the machine, beside the lines that they choose. */
  means: z.array(Meaning).max(32).optional(),
  startup: z.array(StartupLine).max(16).default([])
});

export type Part = z.output<typeof Part>;
export type Block = z.output<typeof Block>;
export type State = z.output<typeof State>;
export type Position = z.output<typeof Position>;
export type Setting = z.output<typeof Setting>;
export type PartFunction = z.output<typeof PartFunction>;
export type FunctionKind = z.output<typeof FunctionKind>;
export type Claim = z.output<typeof Claim>;
export type Constraint = z.output<typeof Constraint>;
export type Slot = z.output<typeof Slot>;
export type SlotBus = z.output<typeof SlotBus>;
export type Sharing = z.output<typeof Sharing>;
export type Resource = Claim['resource'];
