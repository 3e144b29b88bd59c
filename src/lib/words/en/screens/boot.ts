import { counted } from '../count';
export const boot = {
  planning: 'Working the starts out',
  planTrouble: {
    'too-long': 'It took too long and was ended. Remove a wish or a driver, and it may finish in time.',
    broken: 'The starts could not be worked out. Try again.',
    stopped: 'It was stopped. What is shown is not of this state; open this page again to work it out.'
  },
  title: 'Boot',
  lead: 'Drivers, CONFIG.SYS and AUTOEXEC.BAT for this machine, and the fewest ways to start it that serve every program.',
  views: {
    plan: 'Starts and files',
    own: 'Your own files',
    sizes: 'What MEM shows',
    programs: 'Programs',
    devices: 'Sound and network',
    windows: 'Windows'
  },
  viewsLabel: 'Views of Boot',
  // Plan
  one: 'One start serves every program.',
  noPrograms: 'One start, with everything that is fitted. The brief names no program to check it by.',
  many: (n: number) => `${n} starts are needed; fewer will not do.`,
  oneOpen: 'One start. It is not sure that every program fits it: see below.',
  why: (names: string) => `No start serves two of these: ${names}.`,
  cut: 'The search for places was ended early: these are the best found, not proved.',
  clash: 'Lines has open clashes: the numbers below may still change. Mend those first.',
  free: (low: number, high: number) => `Largest program ${Math.round(low)}–${Math.round(high)} KiB`,
  byDos: (kib: number) => `${Math.round(kib)} KiB if DOS places by itself`,
  xms: (kib: number) => `XMS ${kib} KiB`,
  ems: (kib: number) => `EMS ${kib} KiB`,
  onePool: 'XMS and EMS share one pool',
  serves: 'Programs',
  verdicts: {
    fits: 'fits',
    try: 'may fit: try it',
    no: 'does not fit',
    unsaid: 'not known: its memory needs are not stated',
    windows: 'runs in Windows'
  },
  needs: (kib: number) => (kib ? `asks for ${kib} KiB` : 'gives no memory figure'),
  lacks: {
    ems: (kib: number) => `${Math.ceil(kib)} KiB of EMS short`,
    xms: (kib: number) => `${Math.ceil(kib)} KiB of XMS short`,
    base: (kib: number) => `${Math.ceil(kib)} KiB of conventional memory short`,
    missing: (names: string) => `nothing here for: ${names}`,
    v86: 'the memory manager is in its way, or it needs one'
  },
  file: (name: string) => `${name}, line by line`,
  line: 'Line',
  reason: 'Why',
  save: (name: string) => `Save ${name}`,
  floppy: 'Start floppy',
  floppySizes: { 360: '360K', 720: '720K', 1200: '1.2M', 1440: '1.44M', 2880: '2.88M' },
  saveFloppy: 'Save the floppy image',
  floppyGoesOn: 'Go on from C: (for a disk that the machine cannot start from)',
  floppyNote: 'The files in an image, with a list of what to put on it. It holds no system: SYS does that.',
  bootGui: 'Windows begins from the menu: set BootGUI=0 in MSDOS.SYS.',
  ini: 'SYSTEM.INI',
  gate: {
    title: (n: number) =>
      n === 1
        ? 'Before the disk is wiped: one driver is not noted as in hand'
        : `Before the disk is wiped: ${n} drivers are not noted as in hand`,
    unknown:
      'Before the disk is wiped: nobody knows which drivers this machine needs, as its start is not planned',
    why: 'After it the old system can no longer fetch them.',
    where: 'Note them under Boot.',
    goOn: 'Go on anyway',
    signed: (at: string) => `You went on anyway, ${at}.`,
    back: 'Hold it back again',
    went: 'went on with the disk although drivers are not noted as in hand',
    wentBack: 'the disk is held back until the drivers are in hand'
  },
  drivers: 'Drivers',
  driversNote: 'Before anything is wiped, have each of these ready on a medium that this machine can read.',
  hand: { yes: 'in hand', no: 'missing', unknown: 'not known' },
  handLabel: (name: string) => `Is ${name} in hand?`,
  ofDos: 'comes with DOS',
  handChanged: 'a driver was noted as in hand or missing',
  missing: (n: number) => (n === 1 ? 'One driver is missing.' : `${n} drivers are missing.`),
  open: (n: number) =>
    n === 1 ? 'One driver is not noted either way.' : `${n} drivers are not noted either way.`,
  refused: 'Not possible here',
  wishes: {
    title: 'Wishes',
    none: 'none',
    layout: 'Keyboard layout',
    usual: 'United States, no line needed',
    codePage: 'Letters of code page 850',
    network: 'Network',
    cache: 'Disk cache',
    a20: 'Handler of HIMEM.SYS for A20',
    a20Own: 'the one it finds by itself',
    a20Number: (n: number) => `/MACHINE:${n}`,
    a20Help:
      'Only if HIMEM.SYS says that it cannot control A20, or the machine hangs once DOS is loaded high. First switch a fast A20 gate off in the setup, then try 1, 2, 11 and so on, one at each start, from a floppy that starts without it. Write down here the one that works on this board.',
    changed: 'a wish for the start was changed'
  },
  typical: 'typical',
  measured: 'as MEM showed it',
  stays: (low: number, high: number) =>
    low === high
      ? `${(low / 1024).toFixed(1)} KiB stay`
      : `${(low / 1024).toFixed(0)}–${(high / 1024).toFixed(0)} KiB stay`,
  folders: 'Folders are the usual ones. Nobody has checked that this disk has them.',
  noReady: 'There is no plan yet.',
  droppable: (name: string) => `Without ${name} one start fewer would do.`,
  ownDriver: {
    title: 'A driver of your own',
    file: 'File',
    where: 'Loaded in',
    wheres: { config: 'CONFIG.SYS', autoexec: 'AUTOEXEC.BAT' },
    load: 'KiB while it starts',
    stay: 'KiB that stay',
    high: 'It may be loaded high',
    add: 'Add it',
    bad: 'Write a DOS file name (eight characters, a dot, three characters) and both sizes in KiB.',
    added: 'a driver was added',
    removed: 'a driver was removed',
    remove: (name: string) => `Remove ${name}`
  },
  // Programs
  programsLead: 'What to choose in the set-up of each program on this machine.',
  programsNone: 'The brief names no program yet.',
  programAdded: (name: string) => `${name} was added to the brief`,
  print: 'Print these cards',
  asks: {
    start: 'Start with',
    speed: 'Speed',
    sound: 'Sound',
    music: 'Music',
    input: 'Mouse, joystick, CD',
    tried: 'Tried'
  },
  speedText: (index: number, from: number | null, to: number | null) =>
    `index ${index}, made for ${from === null ? (to === null ? 'any' : `up to ${to}`) : to === null ? `${from} or more` : `${from} to ${to}`}`,
  speedVerdicts: { fits: 'right', 'too-slow': 'too slow', 'too-fast': 'too fast' },
  slowBy: (ways: string) => `Slow it down by ${ways}. Rough factors: measure once.`,
  noSlow: 'No way is known to slow this machine down enough.',
  anySpeed: 'no speed range is stated',
  soundText: (card: string, numbers: string) => `${card}: ${numbers}`,
  port: (n: string) => `port ${n}h`,
  irq: (n: number) => `IRQ ${n}`,
  dma: (n: number) => `DMA ${n}`,
  dma16: (n: number) => `16-bit DMA ${n}`,
  unseen: '(nobody looked)',
  noSound: 'no sound card: PC speaker',
  fm: 'FM at 388h',
  midi: (n: string) => `MIDI at ${n}h`,
  noMusic: 'none',
  joystick: 'joystick',
  mouse: 'mouse',
  cd: 'CD',
  noDriver: '(no driver in this start)',
  neither: 'neither',
  triedAs: 'How did it run?',
  triedNote: 'Note',
  triedAdd: 'Note this try',
  triedNoted: 'a try of a program was noted',
  triedNever: 'not tried here yet',
  // Devices
  sets: 'Variables for sound',
  setsUnseen: 'Some of these numbers are only assumed: nobody has looked at the card yet.',
  setsNone: 'No card of this build asks for a variable.',
  reserved: 'Before plug and play runs for the first time',
  reservedLead:
    'It cannot see cards that are set by hand. Put their lines into the reserved list first, or the setup’s list of legacy lines.',
  reservedNone: 'No card here is configured by plug and play.',
  reservedIrq: 'IRQ',
  reservedDma: 'DMA',
  reservedPorts: 'Ports',
  reservedNothing: 'none',
  reservedOwn: 'plug and play itself',
  lockUp: 'If it locks up on the first run, look in this order',
  lockUps: [
    'The read port lies on the address of a card: choose another.',
    'A line that a card set by hand drives was given away: reserve it.',
    'The CD or game port of the card meets the channel on the board: switch it off.',
    'The configuration manager was loaded high: load it low.',
    'Then try with display, disk and this card only, and add the others one by one.'
  ],
  cdLead:
    'CD music needs the analogue lead from the drive to the sound card, and the CD level of the mixer up. Silence with working data is one of the two, never an IRQ. The pins of that lead differ by maker.',
  network: 'Network',
  networkNone: 'There is no network card in this build.',
  networkLine: (card: string, port: string, irq: string) => `${card}: port ${port}, IRQ ${irq}`,
  networkPacket:
    'A packet driver alone: nothing else stays in memory, and a transfer program brings its own protocol. Address, mask, gateway and name server go into its text file.',
  networkStack: (name: string) =>
    `${name[0]?.toUpperCase()}${name.slice(1)}: port and IRQ go into its text file, equal to the card. A packet driver on the same card excludes it. Unload in the reverse order.`,
  networkUnseen: 'not looked at',
  networkChecks: [
    'Look at what the packet driver prints: an address of FF:FF or 00:00 means the wrong port.',
    'Thin coax has a terminator at both ends, one end earthed; complete and switched off it measures about 25\u00a0Ω at any T-piece.',
    'Twisted pair goes straight to a switch, crossed from card to card. Some switches of today take no 10 Mbit/s.',
    'Give the machine a network of its own, with one transfer server: these systems get no more security fixes, and their passwords can be read on the wire.'
  ],
  // Windows
  windowsNone: 'The brief names no Windows from 3.0 on.',
  windowsOrder: 'Order of installation',
  windowsSum: (least: number, most: number) =>
    `${least === most ? '' : `${least} to `}${counted('restart', 'restarts')(most)} in all, roughly.`,
  windowsGate: (n: number) =>
    n === 0
      ? 'Every driver for Windows is noted as in hand.'
      : `${n === 1 ? 'One driver for this Windows is' : `${n} drivers for this Windows are`} not noted as in hand. Do not wipe the disk before they are.`,
  windowsLimits: 'Limits that this machine meets',
  windowsNoLimits: 'Nothing that is entered runs into a limit of the table.',
  windowsNeeds: 'The minimum for this Windows is checked under Brief.',
  // Own files
  lineByLine: 'Line by line',
  does: 'What it does',
  takes: 'Takes',
  takesText: (low: number, high: number) =>
    low === high
      ? `${low.toLocaleString('en-US')} bytes`
      : `${Math.round(low / 1024)}–${Math.round(high / 1024)} KiB`,
  ownLead:
    'Type or paste the files of this machine, or open them. Each line is checked against the build and against the other file; nothing is changed until you press a button.',
  config: 'CONFIG.SYS',
  autoexec: 'AUTOEXEC.BAT',
  openFile: 'Open a file',
  keep: 'the start files were changed',
  nothing: 'No fault was found in what could be checked.',
  nothingYet: 'Nothing to check yet.',
  notAsked: 'Not checked:',
  notAskedNames: {
    dos: 'what the version of DOS knows (the brief names none)',
    cpu: 'what the CPU can run (none is entered)',
    hidden: 'upper memory (a card may answer there, and nobody knows where)',
    doubtful: 'what a jumper of unknown meaning may switch on in upper memory',
    listing: 'whether the files are on the disk (no listing of it was pasted)'
  },
  found: (n: number) => (n === 1 ? 'One thing to look at' : `${n} things to look at`),
  at: (file: string, line: number) => (line ? `${file}, line ${line}` : file),
  goTo: (file: string, line: number) => `Go to line ${line} of ${file}`,
  becomes: 'Becomes',
  goes: 'The line is removed.',
  newLine: 'A new line',
  fix: 'Change it',
  fixed: 'a line of a start file was mended',
  severity: { stop: 'Stop', clash: 'Wrong', caution: 'Look', note: 'Note' },
  // Listing
  listing: 'What is on the disk',
  listingHint:
    'Paste what DIR C:\\ /S /B shows (DOS 5 and later), or CHKDSK /V before. Lines that name a file which is not there are found then.',
  listingKept: 'the listing of the disk was changed',
  listingSays: (files: number, odd: number) =>
    `${counted('path', 'paths')(files)}${odd ? `, ${counted('line that is not a path', 'lines that are not paths')(odd)}` : ''}.`,
  listingNone: 'No line is a path such as C:\\DOS\\HIMEM.SYS, so nothing is checked by it.',
  onDisk: 'on the disk',
  // Sizes
  sizesLead:
    'Start the machine, run MEM /C /P (or MEM /D), and type or paste what it shows. These sizes replace the typical ones.',
  sizesLabel: 'What MEM printed',
  sizesNone: 'No line was understood. A row of MEM has a name and sizes, such as MOUSE 16,900 (17K).',
  sizesOdd: (n: number) => (n === 1 ? 'One line was not understood:' : `${n} lines were not understood:`),
  sizesTake: (n: number) => (n === 1 ? 'Keep this size' : `Keep these ${n} sizes`),
  sizesKept: 'sizes from MEM were kept',
  sizesForget: 'Forget all sizes',
  sizesForgot: 'sizes from MEM were dropped',
  sizesKnown: 'Sizes that are kept',
  sizesLargest: (bytes: number) => `Largest program as MEM says: ${Math.floor(bytes / 1024)} KiB`,
  program: 'Program',
  conventional: 'Conventional',
  upper: 'Upper',
  bytes: (n: number) => n.toLocaleString('en-US')
} as const;
