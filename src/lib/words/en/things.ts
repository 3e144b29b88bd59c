import type { FunctionKind, Owner, Part, Thing, What } from '../../core/model';
import { kib } from './language';

/** What parts are called, besides their model. */

const buses = {
  isa8: '8-bit',
  isa16: '16-bit',
  vlb: 'local-bus',
  pci: 'PCI',
  agp: 'AGP',
  'pc-card': 'PC'
} as const;
/** Buses of slots, as a person reads them on a drawing. */
export const busName = {
  isa8: '8-bit ISA',
  isa16: '16-bit ISA',
  vlb: 'local bus',
  pci: 'PCI',
  agp: 'AGP',
  'memory-board': 'memory board only',
  'pc-card': 'PC card'
} as const;

/** Sockets of CPUs by their pins or their name. */
export const socketName: Record<string, string> = {
  dip40: '40-pin DIP',
  pga68: '68-pin PGA',
  plcc68: '68-pin PLCC',
  qfp: 'soldered',
  pga132: '132-pin PGA',
  pga168: '168-pin PGA',
  socket3: 'socket 3',
  socket4: 'socket 4',
  socket5: 'socket 5',
  socket7: 'socket 7',
  slot1: 'slot 1',
  socket370: 'socket 370'
};

/** The same beside a row of lines, where there is little room. */
export const seatName: Record<keyof typeof busName, string> = {
  ...busName,
  isa8: '8-bit',
  isa16: '16-bit',
  'memory-board': 'memory'
};

const standards: Record<string, string> = {
  mono: 'monochrome',
  cga: 'CGA',
  ega: 'EGA',
  mcga: 'MCGA',
  vga: 'VGA',
  '3d-only': '3D'
};

const jobs: Partial<Record<FunctionKind | 'multi-io', string>> = {
  'multi-io': 'multi-I/O',
  display: 'video',
  serial: 'serial',
  parallel: 'parallel',
  'hard-disk': 'hard-disk controller',
  floppy: 'floppy controller',
  audio: 'sound',
  fm: 'FM sound',
  midi: 'MIDI',
  game: 'game-port',
  cdrom: 'CD-ROM interface',
  network: 'network',
  scsi: 'SCSI',
  ems: 'EMS memory',
  mouse: 'bus-mouse',
  modem: 'modem',
  scanner: 'scanner',
  usb: 'USB',
  clock: 'clock',
  memory: 'memory',
  rom: 'ROM'
};

/** Interfaces of drives, with the plugs they are told by. */
export const interfaceName: Record<string, string> = {
  st506: 'MFM (34 and 20 pins)',
  rll: 'RLL (34 and 20 pins)',
  esdi: 'ESDI (34 and 20 pins)',
  xta: '8-bit IDE (40 pins)',
  ata: 'ATA (40 pins)',
  scsi: 'SCSI',
  floppy: 'floppy (34 pins)',
  'cd-panel': 'a CD-ROM panel interface',
  'one-cable': 'the single-cable interface of one system board, power included',
  usb: 'USB'
};
const shortInterface: Record<string, string> = {
  st506: 'MFM',
  rll: 'RLL',
  esdi: 'ESDI',
  xta: '8-bit IDE',
  ata: 'ATA',
  scsi: 'SCSI',
  'cd-panel': 'panel-interface',
  'one-cable': 'single-cable',
  usb: 'USB'
};

const floppies: Record<number, string> = {
  360: '360K',
  720: '720K',
  1200: '1.2M',
  1440: '1.44M',
  2880: '2.88M'
};
/** A floppy format as it is called. */
export const floppyName = (size: number): string => floppies[size] ?? `${size} KiB`;

const megabytes = (mb: number): string => (mb >= 1000 ? `${Math.round(mb / 100) / 10} GB` : `${mb} MB`);

function driveWords({ medium, interface: plug, mb, floppyKiB }: Extract<What, { kind: 'drive' }>): string {
  const size = mb ? `${megabytes(mb)} ` : '';
  const by = shortInterface[plug] ?? '';
  switch (medium) {
    case 'floppy':
      return `${floppyName(floppyKiB ?? 0)} floppy drive`;
    case 'emulator':
      return 'floppy emulator';
    case 'optical':
      return `${by} CD-ROM drive`;
    case 'flash':
      return `${size}${by} flash disk`;
    case 'removable':
      return `${size}${by} cartridge drive`;
    default:
      return `${size}${by} hard disk`;
  }
}

const kinds = {
  cpu: 'CPU',
  fpu: 'FPU',
  monitor: 'monitor',
  supply: 'power supply',
  keyboard: 'keyboard',
  case: 'case',
  adapter: 'adapter',
  bios: 'BIOS',
  oscillator: 'oscillator'
} as const;

/** A family of CPUs or FPUs as people write it: `386SX`, `Pentium`. */
export const familyName = (id: string): string =>
  ({ pentium: 'Pentium', pentium2: 'Pentium II' })[id] ?? id.toUpperCase();
/** The same behind its article: `an 8088`, `a 486DX`. */
export const aFamily = (id: string): string => `${id.startsWith('8') ? 'an' : 'a'} ${familyName(id)}`;

const families: Record<string, string> = {
  xt: 'XT-class',
  at: 'AT-class',
  '386sx': '386SX',
  '386dx': '386',
  '486sx': '486',
  '486dx': '486',
  '586': '486',
  pentium: 'Pentium',
  pentium2: 'Pentium II'
};

/** What a part is, in a few words: `16-bit VGA card`, `120 MB ATA hard disk`. */
export function whatWords(what: What): string {
  switch (what.kind) {
    case 'board':
      return `${families[what.family] ?? what.family} board`;
    case 'card': {
      const job =
        what.does === 'display' && what.standard ? standards[what.standard] : what.does && jobs[what.does];
      return [buses[what.bus], job, 'card'].filter(Boolean).join(' ');
    }
    case 'drive':
      return driveWords(what).trim();
    case 'memory':
      return `${kib(what.kib)} module`;
    default:
      return kinds[what.kind];
  }
}

/** These are called by their class already; another word tells nothing more. */
const plain: readonly What['kind'][] = ['cpu', 'fpu', 'bios'];

/** A part by its model and what it is: `V16 (16-bit VGA card)`. */
export const the = ({ name, what }: Thing): string =>
  plain.includes(what.kind) ? name : `${name} (${whatWords(what)})`;

/** `COM1 of IO-9 (16-bit serial card)`, `COM1 on the system board`. */
export function ownerName(owner: Owner): string {
  if (owner.onBoard) return `${owner.function} on the system board`;
  if (!owner.thing) return `the system's own ${owner.function}`;
  return `${owner.function} of ${the(owner.thing)}`;
}

/** The same without what the part is, for headings. */
export const ownerShort = (owner: Owner): string =>
  owner.onBoard || !owner.thing ? ownerName(owner) : `${owner.function} of ${owner.thing.name}`;

export const isOwner = (thing: Thing | Owner): thing is Owner => 'function' in thing;

const headings: Record<Part['kind'], string> = {
  board: 'boards',
  cpu: 'CPUs',
  fpu: 'FPUs',
  memory: 'memory',
  card: 'cards',
  drive: 'drives',
  monitor: 'monitors',
  supply: 'supplies',
  keyboard: 'keyboards',
  case: 'cases',
  adapter: 'adapters',
  bios: 'BIOSes',
  oscillator: 'oscillators'
};
/** A kind of part, as a heading over several. */
export const kindWords = (kind: Part['kind']): string => headings[kind];

const oneOf: Record<Part['kind'], string> = {
  ...kinds,
  board: 'board',
  card: 'card',
  drive: 'drive',
  memory: 'memory'
};
/** One part of a kind. */
export const kindWord = (kind: Part['kind']): string => oneOf[kind];

/** A version of Windows in a sentence, after the word itself. */
export const windowsName = (version: number): string => (version >= 4 ? '95 or later' : String(version));
