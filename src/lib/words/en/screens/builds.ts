import { and } from '../..';
import { counted } from '../count';

export const builds = {
  title: 'Builds',
  lead: 'One sheet for each machine: what is in it, what is set, what is in the way.',
  empty: 'No machine yet. Start with its board; the cards follow.',
  newBuild: 'New build',
  orPlan: 'No board in mind yet?',
  openFile: 'Open a file',
  openLabel: 'Open a build file or a workshop archive',
  saveAll: 'Save everything',
  saveAllLabel: 'Save everything: every build with its log, as one archive',
  find: 'Find a build',
  noneFound: (query: string) => `No build matches “${query}”.`,
  more: (n: number) => `Show ${n} more`,
  standsFor: 'target date',
  part: (n: number) => (n === 1 ? 'part' : 'parts'),
  clash: (n: number) => (n === 1 ? 'clash' : 'clashes'),
  verdicts: {
    clean: 'no clash',
    caution: 'no clash',
    unknown: 'no clash in what is known',
    clash: 'clash',
    unchecked: 'being checked …',
    'too-large': 'too large to check',
    unreadable: 'cannot be read'
  },
  copy: 'Copy',
  copied: (name: string) => `A copy of ${name} is in the list.`,
  lastStart: (said: string) => `Last start: ${said}.`,
  suspects: (names: string) => `Suspect: ${names}`,
  waits: 'Changes wait in this browser; open it to send them.',
  copyLabel: (name: string) => `Copy ${name}`,
  toBin: 'To the bin',
  toBinLabel: (name: string) => `To the bin: ${name}`,
  binned: (name: string) => `${name} is in the bin.`,
  undo: 'Undo',
  bin: (n: number) => `Bin: ${counted('build', 'builds')(n)}`,
  putBack: 'Put back',
  putBackLabel: (name: string) => `Put back ${name}`,
  remove: 'Delete for good',
  removeLabel: (name: string) => `Delete for good: ${name}`,
  removeAsk: (name: string) => `Delete ${name} with its whole log? This cannot be undone.`,
  keep: 'Keep it',
  notOpened: (file: string) => `${file} was not opened; nothing was changed.`,
  tooLarge: (mib: number, most: number) =>
    `The file has ${mib} MiB; the largest that is read has ${most} MiB. A build file has a few hundred KiB: look whether it is the right one.`,
  arrived: (came: number, same: number) =>
    `${counted('build', 'builds')(came)} added${same ? `; ${same} here already` : ''}.`,
  leftOut: (n: number) => `${counted('thing', 'things')(n)} could not be taken in:`,
  leftMore: (n: number) => `and ${n} more`,
  name: 'Name of the machine',
  date: 'Target date (year, or 1991-03)',
  chooseBoard: 'Which board is it?',
  findBoard: 'Find a board',
  boardHint: 'Search: 386, XT, local bus',
  slots: counted('slot', 'slots'),
  noBoard: (query: string) =>
    `No board in the catalogue matches “${query}”. Try a CPU or a bus, or describe the board yourself.`,
  identifyBoard: 'Identify it by what you see',
  create: 'Create and add cards',
  needName: 'Give the machine a name.',
  needBoard: 'Choose its board.'
} as const;

export const ownBoard = {
  /** What is written into the part. */
  part: {
    seen: 'seen on the board',
    onlyOne: (drive: string) => `one ${drive} is taken to be there`
  },
  fromCatalogue: 'From the catalogue',
  mine: 'A board I have',
  which: 'Where the board comes from',
  takeAsMine: (query: string) =>
    query.trim() ? `Take “${query.trim()}” as a board I have` : 'Take it as a board I have',
  name: 'What is printed on it, or what you call it',
  nameHint: 'M/B 386-40 REV 2',
  class: 'Class, by its CPU',
  classes: {
    xt: 'XT (8088, 8086)',
    '286': '286',
    '386sx': '386SX',
    '386dx': '386DX',
    '486': '486',
    pentium: 'Pentium class',
    pentium2: 'slot 1, socket 370'
  },
  slots: 'Slots from the left: press one for each',
  slotRow: 'Slots as they stand',
  buses: {
    isa8: '8-bit',
    isa16: '16-bit',
    vlb: 'local bus',
    pci: 'PCI',
    agp: 'AGP',
    'memory-board': 'memory slot',
    'pc-card': 'PC card'
  },
  form: 'It is',
  forms: {
    '': 'an open board',
    'all-in-one': 'an all-in-one',
    portable: 'a portable',
    laptop: 'a laptop'
  },
  bays: 'Bays that take one of several modules, one a line',
  baysHint: 'left: floppy, CD-ROM\nright: battery, floppy',
  bayRead: (label: string, modules: readonly string[]) => `${label}: ${modules.join(' or ')}`,
  bayUnread: (line: string) =>
    `“${line}” was not understood: name the bay, a colon, then its modules with commas.`,
  removeSlot: (n: number, bus: string) => `Take slot ${n} (${bus}) out`,
  noSlots: 'No slot yet.',
  socket: 'CPU socket',
  notKnown: 'not known',
  onBoard: 'On the board itself',
  functions: {
    floppy: 'floppy controller',
    ide1: 'first IDE channel',
    ide2: 'second IDE channel',
    com1: 'COM1',
    com2: 'COM2',
    lpt1: 'LPT1',
    mouse: 'PS/2 mouse port',
    display: 'display',
    audio: 'sound',
    network: 'network',
    scsi: 'SCSI'
  },
  usual:
    'They are taken at their usual ports and lines: a guess until you look in the setup or at the jumpers.',
  open: {
    slots: 'slots',
    panel: 'what its own display shows',
    socket: 'the CPU socket',
    clock: 'clocks and voltage',
    memory: 'memory',
    bios: 'the BIOS and its limits on drives'
  },
  notChecked: (what: readonly string[]) =>
    `Not known, and so not checked: ${and(what)}. You can describe it further at any time; its jumpers can be pasted as text.`,
  needClass: 'Choose the class of the board.',
  needName: 'Write what is printed on the board, or what you call it.'
};
