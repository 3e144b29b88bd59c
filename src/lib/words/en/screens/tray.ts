import { counted } from '../count';
import { floppyName } from '../things';

export const tray = {
  label: 'Tray',
  inTheWay: 'To solve',
  elsewhere: 'In other stages',
  nothingInTheWay: 'Nothing is in the way.',
  nothingFound: (n: number) =>
    `Nothing found in what is known. ${counted('thing', 'things')(n)} not checked or only assumed: see the notes.`,
  notes: counted('note', 'notes'),
  severity: { stop: 'Stop: do not power on', clash: 'Clash', caution: 'Caution', note: 'Note' },
  noSingleMove: 'No single change fixes this. Press R to find a plan.',
  show: (title: string) => `Show ${title}`,

  selected: 'Selected part',
  change: 'Change on the card',
  part: 'Part',
  option: (slot: string | undefined, name: string, maker: string, kind: string) =>
    slot ? `Slot ${slot}: ${name} (${maker})` : [name, kind && `(${kind})`].filter(Boolean).join(' '),
  where: (name: string, slot: string | undefined) => (slot ? `${name}, slot ${slot}` : name),
  legend: 'Dashed: as found. Yellow: chosen. Dotted: nobody looked.',
  offNote: 'Machine off and unplugged.',
  asFound: 'As found',
  chosen: 'Chosen',
  asFoundOf: (setting: string) => `${setting} as found`,
  chosenOf: (setting: string) => `${setting} chosen`,
  unknown: 'unknown: never moved',
  lock: 'lock',
  locked: 'locked',
  lockLabel: (setting: string) => `Lock ${setting}`,
  notLooked: 'not looked at',
  likeFound: 'as found',

  plan: 'Plan',
  resolving: 'Working it out',
  stop: 'Stop',
  take: 'Take this plan',
  leave: 'Cancel',
  ribbons: {
    straight: 'straight',
    'floppy-twist': 'twist in lines 10–16 (floppies)',
    'disk-twist': 'twist in lines 25–29 (hard disks)',
    'end-terminator': 'with a terminator at its end',
    'cable-select': 'for cable select (line 28 open, or marked plugs)'
  },
  nothingMoves: 'Nothing has to move',
  nothingMovesSeen: 'Nothing to move among what was looked at',
  planUnseen: (n: number) =>
    `${counted('setting', 'settings')(n)} nobody looked at: the bench sheet lists them.`,
  planUnknown: 'Not covered, since nobody knows it:',
  moves: (n: number) => `${counted('setting', 'settings')(n)} to move`,
  proved: 'Proved: no answer needs less.',
  bestSoFar: 'The best found before the limit; a better one may exist.',
  onlyShown: 'Previewed on the chart; not applied yet.',
  shared: (line: string) => `${line} shared:`,
  sharedBy: (a: string, b: string) => `${a} with ${b}.`,
  otherWays: 'Other ways',
  best: 'Best',
  alternative: (n: number) => `Alternative ${n}`,
  noMove: 'no move',
  sharesALine: ', shares a line',
  impossible: 'These cannot live together',
  minimal: 'Leave any one of them out and the rest fit.',
  notMinimal: 'The search for the smallest such set was stopped.',
  help: 'What would help',
  then: ', then ',
  noHelp: 'No single change, nor two or three together, makes room. Take a card out and try again.',
  stopped: 'Stopped before an answer was found',
  allowOff: 'Functions may be switched off',

  why: 'Why not',
  whyTitle: (card: string, block: string, to: string) => `${card} ${block} to ${to}?`,
  after: (n: number | undefined) =>
    `It can work after ${n === undefined ? 'some moves' : counted('move', 'moves')(n)}:`,
  whereverTheyGo: 'Wherever the others go, it cannot. These block it:',
  understood: 'Understood',
  bracket: 'bracket',
  rearEdge: 'rear edge',
  escape: 'Esc',
  drawing: (name: string) => `Drawing of ${name}`,
  noDrawing: 'No jumper or switch to move on this one.',

  fixes: {
    swap: (a: string, b: string, slot: string) => `Swap ${a} with ${b} (slot ${slot})`,
    move: (a: string, slot: string) => `Move ${a} to slot ${slot}`,
    unlock: (setting: string, item: string) => `Unlock ${setting} of ${item}`,
    off: (fn: string, item: string) => `Switch off ${fn} of ${item}`,
    exchange: (item: string, other: string) => `Exchange ${item} for ${other} from the shelf`,
    out: (item: string) => `Take ${item} out`,
    terminators: (title: string, isIn: boolean) => `${title}: terminators ${isIn ? 'in' : 'out'}`,
    image: (title: string, kib: number) => `${title}: images of ${floppyName(kib)}`,
    declare: (title: string, cylinders: number) =>
      `${title}: type ${counted('cylinder', 'cylinders')(cylinders)}`,
    apart: 'Never used together',
    known: 'Mark as dealt with'
  },
  unknownPosition: 'unknown'
} as const;
