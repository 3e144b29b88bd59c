import type { SizeRange } from '../../../core/boards';
import { allOf, counted } from '../count';

export const fit = {
  title: 'Fit',
  lead: 'What goes together. Drag a card to a slot, or choose its slot in the list.',
  views: {
    slots: 'Slots',
    memory: 'Memory',
    picture: 'Picture',
    drives: 'Drives',
    power: 'Power',
    time: 'Years',
    first: 'First file'
  },
  viewsLabel: 'Views of the fit',
  slot: (label: string) => `slot ${label}`,
  free: 'free',
  mm: (n: number) => `${n} mm`,
  roomFor: (n: number) => `room for ${n} mm`,
  tried: (works: number, not: number) => `tried in an 8-bit slot: works ${works}, does not ${not}`,
  untried: 'nobody has tried it in an 8-bit slot',
  worksHere: 'It works here',
  notHere: 'It does not work here',
  triedLabel: (name: string, does: boolean) =>
    does ? `It works here: ${name} in this slot` : `It does not work here: ${name} in this slot`,
  driveTried: (works: number, not: number) => `tried on this board: works ${works}, does not ${not}`,
  driveUntried: 'nobody has tried it on this board',
  driveTriedLabel: (name: string, does: boolean) =>
    does ? `It works here: ${name} on this board` : `It does not work here: ${name} on this board`,
  badDone: 'a part was found bad',
  badNote: (day: string, why: string) => `${day}: found bad, ${why}`,
  triedDone: 'a try was written down',
  triedAway: 'It is written down in this build; the shelf could not be reached.',
  takeTries: (n: number) =>
    n === 1 ? 'Take over a try from the shelf' : `Take over ${n} tries from the shelf`,
  toSlot: (name: string) => `Slot of ${name}`,
  noSlot: 'no slot',
  takeOut: 'Take out',
  takeOutLabel: (name: string) => `Take out ${name}`,
  loose: 'Not seated',
  moved: 'slot changed',
  socketTitle: 'CPU and FPU',
  cpu: 'CPU',
  fpu: 'FPU',
  none: 'none yet',
  soldered: 'soldered to the board',
  clock: (bus: number, factor: number, core: number) => `${bus} MHz × ${factor} = ${core} MHz`,
  rated: (core: number) => `rated ${core} MHz`,
  volts: (has: string, wants: string) => `${has} V, made for ${wants} V`,
  unknown: 'not known',
  add: 'Add',
  addTo: (what: string) => `Add: ${what}`,
  choose: 'choose',
  change: (name: string) => `${name} chosen`,

  memoryLead: 'A bank is full or empty. Choose a module, then press a bank to fill or empty it.',
  module: 'Module',
  bank: (id: string) => `Bank ${id}`,
  sockets: counted('socket', 'sockets'),
  bankLabel: (id: string, holds: string) => `Bank ${id}: ${holds}. Press to fill or empty`,
  empty: 'empty',
  onBoard: (size: string) => `${size} soldered to the board`,
  shows: 'POST counts',
  fitted: (size: string) => `${size} fitted`,
  below: (size: string) => `${size} conventional`,
  above: (size: string) => `${size} extended`,
  noModules: 'No module in the catalogue fits this board.',
  noBanks: 'This board’s memory is not described.',
  fill: 'Use this layout',

  plan: {
    reach: 'Reach a count',
    target: 'POST should count at least',
    from: 'Modules',
    sources: { any: 'any, the shelf first', shelf: 'from the shelf only' },
    badSize: (told: string) => `"${told}" is not understood. Enter a size such as 640 KiB or 4 MiB`,
    noWay: (size: string) => `No layout of this board gives a count of ${size}.`,
    under: (fitted: string, counted: string) => `${fitted} fitted counts as ${counted} on this board.`,
    showUnder: (counted: string) => `Layouts that count ${counted}`,
    counts: (size: string) => `counts ${size}`,
    cost: (shelf: number, buy: number, cost: number) =>
      buy === 0
        ? `${shelf === 1 ? '' : `${allOf(shelf)} `}from the shelf`
        : `${shelf ? `${shelf} from the shelf, ` : ''}${buy} to buy, about ${cost}`,
    slow: (has: number, wants: number) => `${has} ns where the board asks ${wants}`,
    tooLittle: (names: string) => `too little for ${names}`,
    more: (n: number) => `and ${n} more`,
    notWhole: 'There are more layouts than were looked at.',
    backwards: 'What does the count tell?',
    counted: 'POST counted, in KiB',
    empty: 'empty',
    noExplanation: 'No layout of this board shows that count. A bank with a module missing is not counted.',
    badCount: (told: string) =>
      `"${told}" is not understood. Enter what POST counted: 3712, about 3700, 3500 to 3800, more than 640`,
    takenAs: ({ least, most }: SizeRange) =>
      most === Infinity
        ? `Taken as ${least} KiB or more.`
        : least === 0
          ? `Taken as ${most} KiB or less.`
          : `Taken as ${least} to ${most} KiB.`,
    explained: (n: number) => (n === 1 ? 'One layout shows it.' : `${n} layouts show it.`),
    common: (what: string) => `All of them: ${what}.`,
    shadow: (least: number, most: number) =>
      `${least === most ? least : `${least} to ${most}`} KiB withheld for copies of ROMs`,
    chips: 'Loose chips',
    chipsAsk: 'Chips as marked: count and organisation, or the number on them',
    chipBus: 'Bus of the CPU',
    bits: (n: number) => `${n} bits`,
    onBus: (n: number) => `Whole banks on a bus of ${n} bits`,
    ifLost: 'If one is lost, or taken out for another machine',
    noBank:
      'These chips make no whole bytes, with or without parity. Count them again: one may be missing. One-bit chips beside wider ones hold the parity, one to every 8 bits.',
    noWidth: 'The marking does not say the width: ×1, ×4 and ×8 are different chips.',
    ifWidth: (w: string) => `if they are ×${w}`,
    withParity: 'with parity',
    noParity: 'without parity',
    asVideo: (pictures: string) => `as video memory up to ${pictures}`,
    waits: 'Wait states',
    ns: 'Memory, ns',
    mhz: 'Clock, MHz',
    needs: (n: number) => (n === 0 ? 'No wait state.' : n === 1 ? 'One wait state.' : `${n} wait states.`)
  },

  pictureLead: 'A monitor shows a mode when plug, kind of signal and both frequencies are in its ranges.',
  monitorOn: (monitor: string, card: string) => `${monitor} on ${card}`,
  onCard: 'Connected to',
  usualSwitch: (setting: string) => `Nobody looked at ${setting}: this is what its usual position shows.`,
  mode: 'Mode',
  lines: 'kHz',
  frames: 'Hz',
  becomes: 'What you see',
  verdict: {
    shown: 'shown',
    'no-plug': 'the plug does not fit',
    'no-sync': 'rolls or stays dark',
    danger: 'DANGER: can damage it'
  },
  noMonitor: 'No monitor yet. Add one to see what it shows.',
  noCard: 'no card',
  depth: (bits: number) =>
    bits === 0
      ? ''
      : `${2 ** Math.min(bits, 8) === 256 && bits > 8 ? `${bits} bits` : `${2 ** bits} colours`}`,
  tube: 'Inside a monitor are many kilovolts, also after unplugging: leave it shut; a qualified technician opens it.',

  drivesLead: 'Which controller runs each drive, and where it sits.',
  drive: 'Drive',
  runBy: 'Run by',
  assumed: (name: string) => `${name} (the first that suits)`,
  nothing: 'nothing yet',
  unit: 'Unit',
  bays: 'Bays',
  bay: { full5: 'full height 5.25"', half5: 'half height 5.25"', third3: '3.5"' },
  noCase: 'No case yet: bays are not checked.',
  needs: {
    'full-5': 'full 5.25"',
    'half-5': '5.25"',
    'third-3': '3.5"',
    'half-3': '3.5"',
    outside: 'outside',
    module: 'a bay of a portable',
    none: 'no bay'
  },

  powerLead: 'What the parts take on each rail, against what the supply gives.',
  noSupply: 'No supply yet: what the parts draw is shown anyway.',
  gives: (amps: string) => `gives ${amps}`,
  takes: (amps: string) => `takes ${amps}`,
  starting: (amps: string) => `spinning up ${amps}`,
  amps: (n: number) => `${n} A`,
  leads: (large: number, small: number) => `Power leads wanted: ${large} large, ${small} small.`,
  mains: 'Never open a supply: it holds mains voltage after unplugging.',
  railsLabel: 'Load of each rail in amperes',

  timeLead: 'When each part was sold, against the date of the brief.',
  timeLabel: 'Years in which the parts were sold',
  noDate: 'The brief has no date.',
  now: (date: string) => `target date ${date}`,

  firstLead: 'How the first file gets onto the machine: the shortest way first.',
  way1: (n: number) => `Way ${n}`,
  lacks: 'Missing:',
  has: { here: 'there', shelf: 'on the shelf', missing: 'missing' },
  noWay: 'No way found. A floppy drive or a flash adapter on the shelf would open one.',

  lentText: (title: string, to: string) => `This machine is without ${title}: it went to ${to}.`,
  otherKinds: 'Also in it',
  fromShelf: 'From the shelf',
  fitIt: 'Fit',
  searchAdd: 'Find a part to add'
} as const;

/** Bays of portables. */
export const bays = {
  title: 'Bays',
  unseen: 'assumed',
  together: 'What should be in it together?',
  holds: (bay: string, module: string) => `${bay}: ${module}`,
  cannot: (names: readonly string[]) =>
    names.length === 1
      ? `${names[0]} goes into no bay.`
      : `Cannot be in it together: ${names.slice(0, -1).join(', ')} and ${names.at(-1)}.`,
  noBattery: 'No battery in this layout',
  asNow: 'set like that',
  use: 'Use this layout',
  changed: 'module changed'
} as const;
