import type { Owner, PlugId, Thing, Wish } from '../model';
import type { Rail } from '../rails';
import type { Obstacle, TriedHere, Unlooked, Unreachable } from '../resources';
import type { Barrier, Verdict } from '../storage';
import type { Fault } from '../cabling';
import type { Consequence, Meant, Reason, SeenAt, Want } from '../settings';
import type { UnmetFacts } from '../software';

/** Two functions on one line, and how they meet. */
export interface LineClash {
  a: Owner;
  b: Owner;
  /** As printed: `IRQ 5`, `220h–22Fh`; several ranges that rest on the same settings stand together. */
  lineA: string[];
  lineB: string[];
  how: 'driven-twice' | 'overlap' | 'alias';
  /** Settings behind the two lines that nobody looked at. */
  assumed: Unlooked[];
  /** The one that the BIOS places as it starts: where it lies is the usual place, seen by nobody. */
  placed: 'a' | 'b' | null;
  reason:
    | { kind: 'apart' | 'pci-isa' | 'irq-2-9' | 'edge' }
    /** Both compare the same address lines; `mask` when they leave some out. */
    | { kind: 'port'; port: string; mask: string | null }
    | { kind: 'window'; range: string };
}

/** A line that does not work where its owner sits. */
interface LineFacts {
  owner: Owner;
  line: string;
  why: Unreachable;
  assumed: Unlooked[];
}

interface Slotted {
  card: Thing;
  slot: string;
}
interface VoltageFacts {
  cpu: Thing;
  low: number;
  high: number;
  volts: number;
  /** A position of the board that gives less is known. */
  canSet: boolean;
  /** A carrier with a regulator exists for this socket. */
  carried: boolean;
}
interface ClockFacts {
  cpu: Thing;
  /** MHz and factor as set. */
  bus: number;
  factor: number;
  core: number;
  ratedBus: number;
  ratedCore: number;
  /** Settings behind these numbers that nobody looked at, by their labels. */
  assumed: string[];
}
interface FloppyFacts {
  drive: Thing;
  kib: number;
  /** Of a floppy emulator: the largest format that it can be set to here; null: a drive, or none works. */
  smaller: number | null;
}
type Program = { program: string; profile: string; year: number | null };
/** A program and what it lacks. */
type Lacks<R extends UnmetFacts['rule']> = Program & Extract<UnmetFacts, { rule: R }>['facts'];
type CableFacts<R extends Fault['rule']> = Extract<Fault, { rule: R }>['facts'];

/** What each rule tells of a case, as data. Its words stand elsewhere; units are MHz, V, A, KiB, mm. */
export interface FactsOf {
  // Lines
  'line.irq': LineClash;
  'line.dma': LineClash;
  'line.io': LineClash;
  'line.memory': LineClash;
  'line.more': { more: number; listed: number };
  'line.share-unused': { line: string; quiet: Owner; other: Owner; assumed: Unlooked[] };
  'line.share-idle': { line: string; a: Owner; b: Owner; assumed: Unlooked[] };
  'slot.reach': LineFacts;
  'rom.window': LineFacts;
  'rom.16bit': { wide: Owner; narrow: Owner; block: string; assumed: Unlooked[] };
  'pci.interrupt': { card: Thing; function: string };
  'brief.off': { card: Thing; function: string; assumed: Unlooked[] };
  'audio.profile': {
    program: string;
    profile: string;
    function: string;
    cards: Thing[];
    assumed: Unlooked[];
    accepts: string;
    /** What the program's entry says of it. */
    note: string | null;
  };

  // Seats
  /** `isOut`: it does not go in at all, so it takes no line. */
  'slot.kind': Slotted & { why: Obstacle; isOut: boolean };
  /** `claim`: what the catalogue says. Tries in this very slot at this clock decide; others are told. */
  'slot.width': Slotted & {
    state: 'works' | 'untried' | 'cannot';
    claim: 'yes' | 'no' | 'untried';
    same: TriedHere;
    other: TriedHere;
  };
  /** The slot goes by the card-selected line, or the card wants to be bus master, and nobody has tried it. */
  'slot.untried': Slotted & { why: 'select' | 'master' };
  'slot.taken': { a: Thing; b: Thing; slot: string };
  'slot.shared': { a: Thing; b: Thing; slotA: string; slotB: string; why: 'bracket' | 'thick' };
  'slot.none': { card: Thing; free: number };
  'board.second': { board: Thing };
  'slot.length': Slotted & { cardMm: number; roomMm: number; by: 'board' | 'cage' };
  'slot.skirt': Slotted;
  'part.constraint': { card: Thing; why: string };
  'disk.firmware-base': { card: Thing; why: string };

  // Evidence and what nobody looked at
  'setting.unseen': { part: Thing; settings: string[] };
  /** `where` it is to be read how they stand. */
  'setting.unread': { part: Thing; settings: string[]; where: Exclude<SeenAt, 'hand'> };
  'setting.unknown': { part: Thing; setting: string; decides: string[] };
  'evidence.guess': { part: Thing; setting: string };
  'evidence.conflict': {
    what: { setting: string; position?: string } | { resource: string; function: string };
    sources: { source: string; says: string }[];
  };
  'unknown.lines': { part: Thing; function: string | null };
  'unknown.routing': { card: Thing; function: string; slot: string };
  'unknown.board': { board: Thing; open: OpenFact[] };
  'unknown.bios': Record<string, never>;
  'kit.missing': { missing: MissingKind[] };
  'part.bad': { part: Thing; at: string; by: 'start' | 'shelf'; why: string | null };
  'part.borrowed': { part: Thing; from: string; at: string };
  /** A portable whose battery does not fit in as its bays are. */
  'bay.no-battery': { machine: Thing; bays: string[]; isSeen: boolean };
  /** A drive whose module is not in a bay now. */
  'bay.out': { drive: Thing; bay: string; holds: string; isSeen: boolean };

  // CPU
  'cpu.socket': { cpu: Thing; board: Thing } & (
    | { why: 'soldered' }
    | { why: 'socket'; needs: string; takes: string[] }
    | { why: 'family'; family: string; knows: string[] }
  );
  'cpu.voltage': VoltageFacts;
  'cpu.voltage-low': VoltageFacts;
  'cpu.voltage-unknown': { cpu: Thing; high: number; setting: string | null };
  /** A carrier that does not go into the socket of the board, or does not take the CPU. */
  'cpu.carrier': { carrier: Thing; board: Thing; cpu: Thing | null; why: 'board' | 'cpu' };
  /** How the cache in the CPU writes, against what the board is made for. */
  'cpu.writes': {
    cpu: Thing;
    board: Thing;
    why: 'stale' | 'unknown' | 'unlooked' | 'slower' | 'told';
    /** The setting of the board that decides it, where nobody looked. */
    assumed: string[];
  };
  'cpu.split': { cpu: Thing; board: Thing; inside: { low: number; high: number } };
  'cpu.clock': ClockFacts & { mistaken: boolean };
  'cpu.bus': ClockFacts;
  'cpu.slow': ClockFacts;
  'cpu.multiplier': { cpu: Thing; ratedFactor: number; factor: number; core: number; assumed: string[] };
  'fpu.kind':
    | { why: 'socket'; fpu: Thing; board: Thing; sockets: string[] }
    | { why: 'inside'; fpu: Thing; cpu: Thing }
    | { why: 'pair'; fpu: Thing; cpu: Thing; family: string; kind: string }
    /** `by`: the clock of the machine, or the rating of its CPU where that clock is not known. */
    | { why: 'slow'; fpu: Thing; needed: number; rated: number; by: 'clock' | 'rating'; assumed: string[] };
  'fpu.switch': { fpu: Thing | null; assumed: boolean };
  /** An oscillator where jumpers make the clock, or in place of the one that also runs the timer of an XT. */
  'cpu.oscillator': { oscillator: Thing; board: Thing; mhz: number; why: 'jumpers' | 'timer' };
  'vlb.load': { cards: number; bus: number; most: number; assumed: string[] };
  'vlb.speed': { bus: number; assumed: string[] };
  'isa.clock': {
    isa: number;
    assumed: string[];
    cure: { kind: 'divide' | 'setup'; by: number; gives: number } | { kind: 'turbo' | 'slower' };
  };

  // Board
  'keyboard.protocol': { keyboard: Thing; has: string[]; board: string[] };
  'keyboard.switch': { keyboard: Thing; protocol: string };
  'keyboard.plug': { keyboard: Thing; board: 'din5' | 'mini6' | string };
  'battery.leak': { board: Thing };
  /** A board whose BIOS is from before 1995 in a brief for 2000 and later. */
  'clock.century': { board: Thing; year: number };
  /** A serial port whose chip holds one character. */
  'serial.buffer': { owner: Owner; uart: string; needy: string[] };
  'port.numbering': {
    ports: { name: string; address: string; usual: string; owner: Owner }[];
    assumed: Unlooked[];
  };
  'acpi.irq9': { bios: string; owner: Owner; assumed: Unlooked[] };
  'pnp.nobios': { card: Thing; bios: string };

  // Memory
  'memory.bank': { bank: string; filled: number; sockets: number; why: 'part' | 'more' };
  'memory.mixed': { bank: string; what: 'size' | 'type' | 'parity' | 'speed'; values: string[] };
  'memory.loose': { bank: string | null };
  /** Chips of one supply in sockets for three. */
  'memory.supplies': { module: Thing; bank: string; board: Thing };
  /** A module for 3.3 V beside one for 5 V. */
  'memory.apart': { low: Thing; bank: string; other: Thing; otherBank: string };
  /** The first bank of a form is empty and another is not; `some`: some boards of this age take any bank first. */
  'memory.first': { bank: string; filled: string[]; some: boolean };
  'memory.filling': { known: number[][] };
  'memory.kind': { module: Thing; bank: string } & (
    | { why: 'form'; takes: string[]; is: string }
    | { why: 'size'; takes: number[] }
    | { why: 'type'; type: string }
  );
  'memory.edo': { module: Thing };
  'memory.speed': {
    module: Thing;
    ns: number;
    needed: number;
    /** Clock of the bus, where it asks more than the board does. */ busMHz?: number;
  };
  'memory.parity': { required: boolean };
  'memory.card': {
    card: Thing;
    startKiB: number;
    endsKiB: number;
    kib: number;
    isGap: boolean;
    isSeen: boolean;
  };
  /** Expanded memory that could fill conventional memory up, and is not set to. */
  'memory.backfill': { card: Thing; endsKiB: number; isSeen: boolean; canFill: boolean };
  'memory.sides': { module: Thing; bank: string };
  'memory.reach': { limit: number; total: number; by: 'cpu' | 'board' | 'cache'; family: string };
  'memory.shown': { count: number; total: number; extended: number };
  'dma.reach16m': { card: Thing };

  // Picture
  'video.danger': {
    monitor: Thing;
    card: Thing;
    horizontal: number;
    ranges: { low: number; high: number }[];
    /** The switch that decides it, where nobody looked: the frequency is that of its worst position. */
    unlooked: string | null;
  };
  /** `waiting`: a card that would do it, once it has a slot. */
  'video.signal': { monitor: Thing } & (
    | { card: null; why: 'no-card'; waiting: Thing | null }
    | { card: Thing; why: 'plug' | 'frequencies' }
  );
  'video.modes': { monitor: Thing; card: Thing; modes: string[]; fixed: boolean };
  'video.grey': { monitor: Thing };
  'video.flat': { monitor: Thing };
  /** `assumed`: nobody looked at the board; `unlooked`: the switch that chooses what the card is, where nobody looked. */
  'video.switch': {
    set: string;
    card: Thing;
    is: string;
    harmless: boolean;
    /** The BIOS looks for the card all the same and complains; the first ones go by the switch alone. */
    complains: boolean;
    assumed: boolean;
    unlooked: string | null;
  };
  /** `unlooked`: switches that choose what a card is, where nobody looked. */
  'video.two': { kind: 'mono' | 'colour'; cards: Thing[]; unlooked: string[] };
  'video.second': { cards: Thing[]; driven: boolean; unlooked: string[] };
  'video.pass': { card: Thing };

  // Drives
  'disk.interface': { drive: Thing; needs: string } & (
    | { why: 'off'; controller: Owner }
    | { why: 'full' }
    | {
        why: 'other';
        controller: Owner | null;
        /** A card that would do it, once it has a slot. */
        waiting: Thing | null;
        trap: { controller: Owner; speaks: string } | null;
      }
  );
  'disk.coding': { drive: Thing; controller: Owner; drives: 'mfm' | 'rll' };
  /** `unlooked`: switches that may bring a second one to the address, where nobody looked. */
  'disk.controller-twice': { controllers: Owner[]; unlooked: string[] };
  'disk.power':
    | { drive: Thing; why: 'slot' | 'cable' | 'no-lead'; controller: Owner }
    | { drive: Thing; why: 'adapter'; supply: Thing };
  'bay.size': { drive: Thing; bay: string; chassis: Thing };
  'bay.rails': { drive: Thing };
  /** `worked`: this very drive was seen to work on this board all the same. */
  'floppy.rate': FloppyFacts & { controller: Owner; rate: number; needed: number; worked: TriedHere | null };
  'floppy.bios': FloppyFacts & {
    bios: string;
    knows: number;
    driverHelps: boolean;
    worked: TriedHere | null;
  };
  /** An emulator of which nobody said what it is set to: the largest format that works here. */
  'floppy.image': { drive: Thing; kib: number };
  'drive.tried': { drive: Thing; not: number; last: string | null };
  /** Drives that all want a driver line, in a machine with nothing else to start from. */
  'floppy.start': { drives: Thing[]; bios: string; knows: number };
  'floppy.dos': FloppyFacts & { dos: number; needs: number };
  'ata.select': CableFacts<'ata.select'>;
  'st506.select': CableFacts<'st506.select'>;
  'scsi.id': CableFacts<'scsi.id'>;
  'scsi.termination': CableFacts<'scsi.termination'>;
  'scsi.signals': CableFacts<'scsi.signals'>;
  'scsi.width': CableFacts<'scsi.width'>;
  'scsi.power': CableFacts<'scsi.power'>;
  'floppy.cable': CableFacts<'floppy.cable'>;
  'disk.boot': { scsi: Thing; ata: Thing };
  'disk.rom': { drive: Thing; bios: string };
  'rom.unscanned': { card: Thing; bios: string };
  /**
   * `usable`: sectors that can be had; `type`: the entry of the type table, where that leaves fewer than the barrier.
   */
  'disk.limit': { drive: Thing; barrier: Barrier; usable: number; type: string | null };
  'disk.type': {
    drive: Thing;
    bios: string;
    types: number;
    best: string;
    geometry: { cylinders: number; heads: number; sectors: number };
    usable: number;
    lost: number;
  };
  'disk.setup': { drive: Thing; verdict: Verdict };

  // Power and case
  'power.minus5-dram': { supply: Thing; board: Thing };
  'power.rail': { supply: Thing; rail: string; amps: number; limit: number };
  'power.start': { amps: number; limit: number };
  /** Rails that were measured short or wrong; `exchanged`: the plugs were, and the ohms are to be read first. */
  'power.rails': { why: 'read'; plug: PlugId; rails: Rail[] } | { why: 'exchanged'; cased: boolean | null };
  'power.least': { supply: Thing; needs: number; gets: number };
  'power.minus5': { supply: Thing; needy: string[] };
  'power.plugs': { supply: Thing; missing: number; has: Leads; needs: Leads };
  'power.form': { supply: Thing; has: 'atx' | 'at' };
  'bay.supply': { supply: Thing; chassis: Thing; takes: string[] };
  'bay.board': { board: Thing; chassis: Thing } & (
    | { why: 'size'; form: string; takes: string[] }
    | { why: 'spacing'; slots: string; openings: string }
  );

  // Switches
  switch: {
    fact: Meant['fact'];
    /** Of a number: it says more than there is, or less. */
    more?: boolean;
    setting: string;
    position: string;
    consequence: Consequence;
    /** What it should say, and the chain of reasons. */
    required: Want['value'];
    because: Reason[];
    canSay: boolean;
  };

  // Brief
  'period.early': { part: Thing; from: number; date: string };
  'period.late': { part: Thing; to: number; date: string };
  /** `waiting`: a card that would do and is in no slot; `off`: a function that would do and is switched off. */
  'brief.wish': { wish: Wish; part: string; free?: number; waiting: Thing | null; off: Owner | null };
  'os.unknown': { os: string };
  'os.cpu': { system: string; family: string; needs: string };
  'os.memory': { system: string; needsKiB: number; of: 'all' | 'base' | 'extended'; hasKiB: number };
  'os.partition': { dos: string; mostMiB: number; diskMiB: number };
  'os.disk': { system: string; needsMiB: number; diskMiB: number };
  'os.driver': { part: Thing } & (
    | { why: 'cpu'; needs: string; family: string }
    | { why: 'dos'; needs: number; dos: number }
    | { why: 'windows'; needs: number }
  );
  'software.cpu': Lacks<'software.cpu'>;
  'software.slow': Lacks<'software.slow'>;
  'software.fast': Lacks<'software.fast'>;
  'software.fpu': Lacks<'software.fpu'>;
  'software.base': Lacks<'software.base'>;
  'software.extended': Lacks<'software.extended'>;
  'software.expanded': Lacks<'software.expanded'>;
  'video.memory': Lacks<'video.memory'>;
  'software.display': Lacks<'software.display'>;
  'software.grey': Lacks<'software.grey'>;
  'software.audio': Lacks<'software.audio'>;
  'software.disk': Lacks<'software.disk'>;
  'software.cdrom': Lacks<'software.cdrom'>;
  'software.floppy': Lacks<'software.floppy'>;
  'software.ports': Lacks<'software.ports'>;
  'software.dos': Lacks<'software.dos'>;
  'software.windows': Lacks<'software.windows'>;
}

interface Leads {
  large: number;
  small: number;
}

/** Facts of a board that may be open, and kinds of parts that may not be entered yet. */
export type OpenFact = 'socket' | 'clock' | 'memory' | 'keyboard' | 'power' | 'form' | 'supply' | 'panel';
export type MissingKind = 'cpu' | 'memory' | 'monitor' | 'display' | 'drives' | 'supply' | 'keyboard';

export type RuleId = keyof FactsOf;
