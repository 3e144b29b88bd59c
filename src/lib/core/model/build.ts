import { z } from 'zod';
import { atMost, finds } from './flaw';
import { Name, line } from './base';
import { Address } from './address';
import { DiskRecord, FloppySize, Ribbon, Select } from './medium';
import { Id, Part, State } from './part';
import { Trial } from './shelf';
import { Budget, Source, Strictness, Wants, Wish } from './wishes';
import { Start } from './start';
import { TrialRow } from './trial';
import { Intake } from './intake';
import { Mishap, Rails, ShortStep } from './rails';
import { RescueDisk } from './rescue';
import { BootRecord } from './boot';

const Text = z.string().max(4000);
const Positions = z.record(Id, Id);

/** One physical specimen: a part, where it sits, and how its settings stand. */
/** A block cut out of a photograph and straightened, with what was read from it. */
export const BlockPicture = z.strictObject({
  at: z.iso.date(),
  /** What it was read as, and confirmed. */
  state: State,
  /** Places that the picture left open or showed otherwise, and that somebody told by looking. */
  told: z.number().int().min(0).max(40),
  image: z
    .string()
    .max(12_000)
    .regex(/^data:image\/(?:jpeg|png|webp);base64,[A-Za-z0-9+/]+={0,2}$/, finds('no-picture'))
});
export type BlockPicture = z.output<typeof BlockPicture>;

export const Item = z.strictObject({
  id: Id,
  part: Id,
  label: line(120).optional(),
  /** Slot of the board; left out while it is not seated. */
  slot: Id.optional(),
  /** Where it sits when that is no slot: a memory bank, a drive bay. */
  place: Id.optional(),
  /** How many of it: modules in a bank. */
  count: z.number().int().min(1).max(36).optional(),
  /**
   * The item, and its function where it has several, that its cable goes to; the unit is master, slave, an ID;
   * the plug its place on the cable counted from the controller; the select the jumper of a floppy drive.
   */
  cable: z
    .strictObject({
      to: Id,
      function: Id.optional(),
      unit: z.string().max(20).optional(),
      plug: z.number().int().min(1).max(15).optional(),
      select: Select.optional()
    })
    .optional(),
  /** The cable on each of its functions that runs drives. */
  ribbons: z.record(Id, Ribbon).optional(),
  /** Whether its terminators are in, of a drive or a host adapter. Left out: nobody looked. */
  terminated: z.boolean().optional(),
  /** Format of the images that a floppy emulator is set to, in KiB. Left out: nobody said. */
  imageKiB: FloppySize.optional(),
  /** The shelf item that this is. */
  specimen: Id.optional(),
  /** A hard disk or card as a medium. */
  disk: DiskRecord.optional(),
  /** Slot in which it was found, when the plan is to move it. */
  slotAsFound: Id.optional(),
  /** Positions as found on the bench. A setting that is not listed was not looked at. */
  asFound: Positions.default({}),
  /** Blocks as they were seen, where that says more than the positions: half looked at, or in no table. */
  seen: z.record(Id, State).optional(),
  /** It was found bad: by what was tried here, or the shelf says so. */
  foundBad: z
    .strictObject({ at: z.iso.date(), by: z.enum(['start', 'shelf']), why: line(200).optional() })
    .optional(),
  /** On loan from another machine: neither of the two is as it was. */
  borrowed: z.strictObject({ from: Id, name: line(120), at: z.iso.date() }).optional(),
  /** Tries of this card in slots, here and elsewhere: they stand above what the catalogue says of its kind. */
  tried: z.array(Trial).max(60).optional(),
  /** Photographs of blocks from which they were read. */
  pictures: z
    .record(Id, BlockPicture)
    .refine(...atMost(24))
    .optional(),
  /** Positions the plan wants. A setting that is not listed stays as found. */
  chosen: Positions.default({}),
  /** Settings on which the user's word is final. */
  locked: z.array(Id).max(64).default([]),
  notes: Text.optional()
});

/** Names one function of one item: item and function id. The board's item id is `board`. */
export const FunctionRef = z.strictObject({ item: Id, function: Id });

/**
 * What a program expects of a function: its first claim of each listed resource is one of the
 * numbers. `weight` 'hard' counts before every wish; a wish weighs 1 to 100.
 */
export const Need = z.strictObject({
  kind: z.string().max(40),
  irq: z.array(z.number().int().min(0).max(15)).optional(),
  dma: z.array(z.number().int().min(0).max(7)).optional(),
  io: z.array(Address).optional(),
  memory: z.array(Address).optional(),
  weight: z.union([z.literal('hard'), z.number().int().min(1).max(100)]).default('hard'),
  why: z.string().max(400).optional()
});

export const Profile = z.strictObject({
  id: Id,
  name: z.string().min(1).max(120),
  /** The year in which it came out. */
  year: z.number().int().min(1975).max(2005).optional(),
  summary: z.string().max(400).optional(),
  /** What it asks of the machine beside lines. */
  wants: Wants.optional(),
  needs: z.array(Need).max(32).default([])
});

/** A move or a step of the bench sheet that was ticked off. `from` is the position before, to go back to. */
export const Tick = z.strictObject({
  at: z.iso.datetime(),
  text: z.string().max(400),
  item: Id.optional(),
  setting: Id.optional(),
  from: z.string().max(64).optional()
});

/** A step of taking the machine apart; read backwards it is the order of putting it together. */
export const Teardown = z.strictObject({
  id: Id,
  at: z.iso.datetime(),
  kind: z.enum(['screw', 'cable', 'card', 'drive', 'supply', 'board', 'cover', 'other']),
  what: z.string().trim().min(1, finds('what-came-off')).max(200),
  /** Where it was: a plug, a slot, which way round. */
  where: z.string().max(200).optional(),
  /** Pins of the board that it was on. */
  header: Id.optional(),
  /** Put back. */
  back: z.iso.datetime().optional()
});

export const Brief = z.strictObject({
  /** Year and month that the machine stands for, as 1991-03. */
  date: z
    .string()
    .regex(/^\d{4}(-\d{2})?$/, finds('no-month'))
    .optional(),
  role: Text.optional(),
  os: z.string().max(120).optional(),
  strictness: Strictness.optional(),
  budget: Budget.optional(),
  /** Where the parts of a plan may come from. */
  source: Source.optional(),
  wishes: z.array(Wish).max(24).optional(),
  profiles: z.array(Profile).max(40).default([]),
  /** Functions that must be on whatever it costs. */
  mustBeOn: z.array(FunctionRef).max(200).default([]),
  /** Functions that the machine can do without. */
  mayBeOff: z.array(FunctionRef).max(200).default([])
});

/** One machine. A build is one document, checked as a whole. */
export const Build = z.strictObject({
  id: Id,
  name: Name,
  notes: z.string().max(20_000).optional(),
  brief: Brief.default({ profiles: [], mustBeOn: [], mayBeOff: [] }),
  board: Item,
  items: z.array(Item).max(40).default([]),
  /** Items that lie ready and could be exchanged for a fitted one. */
  shelf: z.array(Item).max(200).default([]),
  /** Pairs of functions of which the user says: never used at the same time. */
  neverTogether: z
    .array(z.tuple([FunctionRef, FunctionRef]))
    .max(100)
    .default([]),
  /** Functions in use the whole session (a mouse on COM1). */
  resident: z.array(FunctionRef).max(100).default([]),
  acknowledged: z.array(z.string().max(300)).max(500).default([]),
  /** Ticked steps of the bench sheet, by key. */
  done: z
    .record(z.string().max(200), Tick)
    .refine(...atMost(1000))
    .optional(),
  /** Steps of taking it apart, by id. */
  teardown: z
    .record(Id, Teardown)
    .refine(...atMost(300))
    .optional(),
  /** Starts of the machine, with what was seen and heard of each, by id. */
  starts: z
    .record(Id, Start)
    .refine(...atMost(300))
    .optional(),
  /** Arrangements that were tried by swapping parts, and how they went. */
  trials: z.array(TrialRow).max(200).optional(),
  /** What a meter showed at the plugs. */
  rails: Rails.optional(),
  /** Readings on the way to a short, by halves. */
  shortHunt: z.array(ShortStep).max(60).optional(),
  /** The plugs were exchanged under power. */
  mishap: Mishap.optional(),
  /** Answers before the first power, by question; what is left out is not known. */
  firstPower: z
    .record(z.string().max(20), z.string().max(20))
    .refine(...atMost(20))
    .optional(),
  /** What is known of the data on its drives, by item. */
  rescue: z
    .record(Id, RescueDisk)
    .refine(...atMost(40))
    .optional(),
  /** Answers of the intake by entry, see `Intake`. */
  intake: Intake.optional(),
  /** Checks before the first power that were done or skipped, by check. */
  powerChecks: z
    .record(
      z.string().max(40),
      z.strictObject({ at: z.iso.datetime(), done: z.boolean(), by: z.string().trim().max(80).optional() })
    )
    .refine(...atMost(60))
    .optional(),
  /** Its start files, what MEM showed, which drivers lie ready. */
  boot: BootRecord.optional(),
  /** What sits on each row of pins of the board, in the words of whoever unplugged it. */
  pins: z.record(Id, z.string().max(400)).optional(),
  /**
   * Set when the build came in a file of a newer minor version: that version, and the fields beside
   * the build that this release does not know. They are kept and written out again.
   */
  newer: z
    .strictObject({
      minor: z.number().int().min(0).max(10_000),
      fields: z.record(z.string().max(64), z.unknown())
    })
    .optional()
});

/**
 * The version of the file format that this release writes. A new minor version only adds fields
 * that may be left out, so older releases read it; anything else is a new version.
 */
export const FORMAT_VERSION = 1;
export const FORMAT_MINOR = 11;
export const FORMAT_NAME = 'yellow-jumper/build';

/** One file: a build and every part it uses, so that it opens on another machine. */
export const BuildFile = z.strictObject({
  format: z.literal(FORMAT_NAME),
  version: z.literal(FORMAT_VERSION),
  minor: z.number().int().min(0).max(10_000).default(0),
  build: Build,
  parts: z.array(Part).max(250)
});

export type Tick = z.output<typeof Tick>;
export type Teardown = z.output<typeof Teardown>;
export type Item = z.output<typeof Item>;
export type FunctionRef = z.output<typeof FunctionRef>;
export type Need = z.output<typeof Need>;
export type Profile = z.output<typeof Profile>;
export type Brief = z.output<typeof Brief>;
export type Build = z.output<typeof Build>;
export type BuildFile = z.output<typeof BuildFile>;
/** The parts of a build by id. */
export type PartSet = ReadonlyMap<string, Part>;
