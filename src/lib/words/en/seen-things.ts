import type {
  Feature,
  Gender,
  KeyboardKind,
  LabelBus,
  LabelRail,
  LabelWeight,
  Place,
  Shape
} from '../../core/identify';
import { factOption } from './screens/facts';
import { busName } from './things';

/** Plugs by what they are, with what tells them from those that look like them. */
export const plugLooks: Record<string, readonly [name: string, tell: string]> = {
  'display-ttl': [
    'display: MDA, CGA or EGA',
    'TTL levels. MDA, CGA and EGA share it: read the card before a monitor is connected.'
  ],
  'serial-9': ['serial port', 'Pins, not holes.'],
  vga: ['display: VGA', 'Three rows, smaller than the others with 15.'],
  game: ['game port', 'Two rows, +5 V on it. Often on a sound card.'],
  aui: ['network: AUI', 'Two rows with a slide latch, +12 V on it. Never a joystick in here.'],
  parallel: ['printer port', 'On most cards. Some SCSI cards have the same socket.'],
  'scsi-25': [
    'SCSI with 25 contacts',
    'Looks like a printer port: a printer or a dongle in it can be harmed.'
  ],
  'serial-25': ['serial port', 'Pins, not holes.'],
  'floppy-37': ['outside floppy drives', 'On cards of the first PC class.'],
  'printer-36': ['printer end of a printer cable', 'Two clips, 36 contacts.'],
  'scsi-50-outside': ['SCSI outside', 'Two clips, 50 contacts. Power for terminators on it.'],
  'keyboard-din': [
    'keyboard',
    'XT or AT protocol: the socket does not tell. Plug it only while the machine is off.'
  ],
  'midi-din': ['MIDI', 'The same shell as a keyboard socket, on a card or its cable.'],
  'keyboard-small': ['keyboard, small plug', 'The same socket as the mouse: go by its mark.'],
  'mouse-small': ['mouse, small plug', 'The same socket as the keyboard: go by its mark.'],
  'bus-mouse': ['bus mouse', 'Nine holes: neither keyboard nor PS/2 mouse.'],
  'network-coax': ['network: thin coax', '50\u00a0Ω, a T piece and terminators.'],
  arcnet: ['network: ARCnet', '93\u00a0Ω coax: the same plug, another network.'],
  composite: ['composite picture', 'On CGA cards; for a television or composite monitor.'],
  'network-pair': ['network: twisted pair', 'Eight contacts.'],
  'token-pair': ['network: token ring', 'The same socket as twisted pair: read the card.'],
  phone: ['telephone line', 'Of a modem. Ring voltage on it.'],
  'floppy-34': ['floppy', '34 pins, a twist in the cable between B: and A:.'],
  'st506-control': ['ST-506 or ESDI, control', '34 pins with one or two of 20 beside it.'],
  'st506-control-edge': ['ST-506 or ESDI drive, control', '34 fingers, and 20 fingers beside them.'],
  'floppy-34-edge': ['5.25" floppy drive', '34 fingers with a slot as key, and no 20 beside them.'],
  'st506-data': ['ST-506 or ESDI, data', '20 pins, one for each drive.'],
  'st506-data-edge': ['ST-506 or ESDI drive, data', '20 fingers.'],
  'ata-40': ['ATA', '40 pins, 16 bits.'],
  'xta-40': ['8-bit IDE', '40 pins, and not ATA: drives of the two do not work with each other.'],
  'cd-40': [
    'CD-ROM of one maker',
    '40 pins on a sound card of before about 1994: not ATA unless the card says so.'
  ],
  'cd-34': ['CD-ROM of one maker', '34 pins on a sound card: no floppy.'],
  'ata-44': [
    'ATA for 2.5" drives',
    'Closer pins, with +5 V on the last ones: one pin aside burns the drive.'
  ],
  'scsi-50': ['SCSI inside', '50 pins. Power for terminators on it.'],
  'scsi-68': ['wide SCSI', '68 close contacts. Single-ended and differential look alike.'],
  'feature-26': ['feature connector of a video card', '26 contacts on the upper edge.'],
  'parallel-26': ['printer port, inside end', '26 pins to a bracket with 25.'],
  'serial-10': ['serial port, inside end', '10 pins to a bracket. Two ways of wiring exist: read the board.'],
  'usb-10': ['USB, inside end', '10 pins, 9 fitted, +5 V on it: a serial bracket in it can be harmed.'],
  'game-16': ['game port, inside end', '16 pins, +5 V on it.'],
  'drive-power': [
    'power of a drive',
    '+12 V yellow at pin 1, +5 V red at pin 4, by habit. Two corners are cut.'
  ],
  'floppy-power': [
    'power of a 3.5" floppy drive',
    '+5 V at pin 1, +12 V at pin 4: the other way round, and it can be pushed on askew.'
  ],
  'at-power': [
    'one of two AT power plugs',
    'Black wires together in the middle. The other way round destroys the board.'
  ],
  'at-power-12': ['AT power of a board', 'Two plugs of six go on it, black wires together in the middle.'],
  'aux-33': ['3.3 V beside ATX', 'Six in a row like an AT plug: by its colours, +3.3 V orange.'],
  'cd-audio': [
    'CD sound',
    'Left, ground, ground, right: the order differs by maker, and nothing is harmed by it.'
  ],
  'fan-led': ['fan, light or switch', 'Read the board.'],
  'battery-4': [
    'battery outside',
    'One of the middle pins is missing as key; which end is + differs by maker.'
  ],
  'atx-20': ['ATX power', '20 contacts, +3.3 V orange at 1, 2 and 11.'],
  'other-20': [
    '20 contacts of a maker of its own',
    'The same shell as ATX with other pins: it destroys an ATX board. Measure by pin.'
  ]
};

export const shapeWords: Record<Shape, string> = {
  d: 'D-shaped metal shell',
  box: 'two rows of pins, in a rim or bare',
  edge: 'gold fingers on the edge of a board',
  round: 'round, as wide as a thumb',
  'round-small': 'round, small',
  ribbon: 'flat with two clips',
  coax: 'coax with a bayonet',
  phono: 'phono, one pin in a ring',
  modular: 'like a telephone socket',
  'power-large': 'white power plug, big pins',
  'power-small': 'small power plug in a row',
  inline: 'one row of pins or contacts'
};
export const placeWords: Record<Place, string> = {
  bracket: 'on the bracket of a card',
  board: 'on a board or card',
  drive: 'on a drive',
  supply: 'on a lead of the supply',
  cable: 'on a cable'
};
export const genderWords: Record<Gender, string> = { pins: 'pins', holes: 'holes' };

export const keyboardWords: Record<KeyboardKind, string> = {
  xt: 'It speaks XT.',
  at: 'It speaks AT.',
  either: 'It speaks either, by its switch.',
  open: 'Not known yet which protocol it speaks.'
};
export const keyboardReasons: Record<string, string> = {
  'other-plug': 'Another plug: a protocol of its maker, for its own machine.',
  switch: 'It has a switch. Set it with the machine off, then plug it in again.',
  flash: 'Its lights flash by themselves as it gets power.',
  'small-plug': 'The small round plug is AT only.',
  '83-no-lights': '83 keys and no lights: the first kind.',
  '84-keys': '84 keys came with the AT.',
  'many-keys': 'Keyboards of 101 keys and more exist for either.',
  'look-switch': 'Look below it, and behind its label, for a switch.',
  'watch-lights': 'Watch its lights as the machine is switched on.'
};

export const driveBuses: Record<LabelBus, string> = {
  ata: 'IDE (ATA), 40 pins',
  xta: '8-bit IDE of the XT, 40 pins',
  'scsi-50': 'SCSI, 50 pins',
  'scsi-68': 'wide SCSI, 68 pins',
  'scsi-80': 'SCSI with one connector of 80 contacts for power and data',
  'scsi-differential': 'differential SCSI',
  mfm: 'MFM (ST-506), connectors of 34 and 20',
  rll: 'RLL (ST-506), connectors of 34 and 20',
  esdi: 'ESDI, connectors of 34 and 20'
};
export const labelWeights: Record<LabelWeight, string> = {
  printed: 'says so',
  usual: 'is found on such drives',
  habit: 'a habit of makers, no more than a hint'
};

export const railNames: Record<LabelRail, string> = {
  v5: '+5 V',
  v12: '+12 V',
  m5: '−5 V',
  m12: '−12 V',
  v3: '+3.3 V',
  standby: '+5 V standby'
};

/** Features of a board or a card that have no mark of their own. */
const features: Record<string, string> = {
  'slots.isa8': '8-bit slots',
  'slots.isa16': '16-bit slots',
  'slots.vlb': 'local-bus slots',
  'slots.pci': 'PCI slots',
  'slots.agp': 'AGP slots',
  'slots.memory-board': 'memory-board slots',
  'slot-order': 'Slots from the left',
  'sockets.simm30': '30-pin module sockets',
  'sockets.sipp30': '30-pin sockets for legs',
  'sockets.simm72': '72-pin module sockets',
  'sockets.dimm168': 'DIMM sockets',
  'cpu-socket': 'CPU',
  'fpu-socket': 'A socket for an FPU',
  battery: 'Battery',
  form: 'Size of the board',
  bus: 'Edge connector',
  headers: 'Jumper fields',
  dips: 'Switch blocks',
  etched: 'Number etched on it'
};

export const featureLabel = ({ id, label }: Feature): string => label ?? features[id] ?? id;

/** What was seen of a feature that is one of some: a socket, the size of a board; what is printed stands as it is. */
export function featureValue({ id }: Feature, value: unknown): string {
  if (id === 'etched' || id === 'slot-order') return String(value);
  if (id === 'bus') return busName[String(value) as keyof typeof busName] ?? String(value);
  return String(value).split(' or ').map(factOption).join(' or ');
}
