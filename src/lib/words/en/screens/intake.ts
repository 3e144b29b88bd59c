import type { IntakeEntry, IntakeKnown } from '../../../core/intake';
import type { IntakeSource } from '../../../core/model';

export const intake = {
  lead: 'Mains lead out of the wall. Switch nothing on, move no jumper and unplug nothing inside until this list is done. What could not be looked at is “not seen”, not “absent”.',
  progress: (done: number, all: number) => `${done} of ${all} written down`,
  parts: {
    outside: 'Outside, case closed',
    opened: 'Case open',
    board: 'Board and cards',
    screen: 'Screen',
    disks: 'Disks',
    software: 'On the screen'
  } satisfies Record<IntakeEntry['part'], string>,
  atFirstPower: 'at the first power that is allowed, not before',
  gap: 'Open: photograph it before you touch it.',
  entries: {
    case: ['Case', 'Six sides, labels, seals, screws; who opened it before.'],
    smell: [
      'Smell, rattle, damp',
      'Fish: leaking capacitors. Rattle: loose metal. Cold or damp: 24 hours indoors first.'
    ],
    source: ['Where it comes from', 'From whom, last known to run when, keys, papers.'],
    wishes: ['Wishes of its owner', 'What must not change. What data are on it.'],
    lead: ['Mains lead and inlet', 'Whole, earthed, not stiff or cracked.'],
    selector: ['Voltage selector and label', 'Both: the switch, and what the label of the supply says.'],
    serials: ['Serial numbers', 'Case, board, drives, monitor.'],
    'in-drives': ['Things in the drives', 'A floppy in A: is what it would boot from.'],
    inside: ['Inside, straight down', 'One photograph of all, before anything comes out.'],
    cards: ['Each card in its slot', 'Number the slots from the supply.'],
    cables: ['Every cable, both ends', 'Red edge, twist, which plug goes where.'],
    'power-leads': ['Power leads', 'Which lead goes to which drive and to the board.'],
    'front-panel': ['Front panel wires', 'The pins with the colours on them.'],
    spades: [
      'Spades of the mains switch',
      'Colours differ by maker. Only look: refitting is for a qualified person.'
    ],
    'supply-label': ['Label of the supply', 'Volts, amperes, plug.'],
    cell: ['Battery and 6 cm round it', 'Barrel, coin or pack; green or white residue.'],
    'board-switches': [
      'Switches and jumpers of the board',
      'Straight on and close, lit from the side of the switches.'
    ],
    'card-switches': ['Switches and jumpers of the cards', 'Display, memory, multi-function; drives too.'],
    'memory-marks': ['Memory', 'Rows and their markings; sides of modules; empty sockets.'],
    'rom-labels': ['Labels of the ROMs', 'Number, date, which socket.'],
    fpu: ['FPU', 'Fitted or an empty socket.'],
    'setup-disk': ['Setup program disk', 'There or not; a copy of it.'],
    'keyboard-switch': ['Switch under the keyboard', 'X or A, behind a label on some.'],
    'key-lock': ['Lock and key', 'Locked or open, and where the key is.'],
    'cpu-text': ['Text and notch of the CPU', 'Clock and volts as printed.'],
    'cell-volts': [
      'Volts of the battery',
      'Under 2.5 V the setup is lost: note it, and take a barrel off now.'
    ],
    capacitors: ['Capacitors round the CPU', 'Bulged or leaking tops.'],
    'plug-colours': [
      'Colours at the supply plug',
      'By pin: some makers fitted the same shell with other pins.'
    ],
    'setup-pages': ['Setup pages', 'Every page by camera, once the first power is allowed.'],
    'irq-table': ['Table of devices and interrupts', 'The list that appears before the start.'],
    counts: ['Counts on the screen', 'Memory, floppies, ports.'],
    screen: ['Monitor', 'Tube or panel, plug, switches, label of its ranges.'],
    parked: ['Heads parked?', 'Before the disk is moved at all. Not known: take it as not parked.'],
    'disk-label': ['Label of the hard disk', 'Cylinders, heads, sectors; select jumper; terminator.'],
    'disk-type': ['Disk in the setup', 'Type or numbers, and the mode.'],
    'start-files': ['Start files', 'Copied before anything is edited; volume label, DOS version, date.']
  } as Record<string, readonly [title: string, hint: string]>,
  known: (k: IntakeKnown): string =>
    k.kind === 'settings'
      ? `${k.seen} of ${k.all} recorded under Switches`
      : k.kind === 'parts'
        ? k.names.join(', ')
        : k.text,
  sources: {
    seen: 'seen',
    read: 'read off it',
    told: 'told',
    guess: 'a guess',
    'not-seen': 'could not be seen'
  } satisfies Record<IntakeSource, string>,
  source: 'How it is known',
  by: 'By whom',
  text: 'What',
  photo: 'photographed',
  add: 'Write down',
  more: 'Add another answer',
  take: 'Take it away',
  differ: 'These answers differ. Both are kept.',
  freeze: 'Taken as found',
  freezeWhy:
    'Press this before the first change. From then on answers are only added, and a hash tells whether anything was altered.',
  frozen: (when: string) => `Taken as found ${when}. Answers are only added now.`,
  hash: (h: string) => `SHA-256 ${h}`,
  noHash: 'No hash: this page was not opened from this machine.',
  noted: 'the intake',
  wasFrozen: 'the intake was taken as found'
} as const;
