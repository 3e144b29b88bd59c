/** Where a plug or a socket sits. */
export const PLACES = ['bracket', 'board', 'drive', 'supply', 'cable'] as const;
export type Place = (typeof PLACES)[number];
/** What it looks like. `d`: a D shell, `box`: pins in a plastic rim or bare rows, `edge`: gold fingers on a board. */
export const SHAPES = [
  'd',
  'box',
  'edge',
  'round',
  'round-small',
  'ribbon',
  'coax',
  'phono',
  'modular',
  'power-large',
  'power-small',
  'inline'
] as const;
export type Shape = (typeof SHAPES)[number];
export type Gender = 'pins' | 'holes';

export interface PlugSeen {
  place?: Place;
  shape?: Shape;
  /** Contacts, fitted or not. */
  pins?: number;
  gender?: Gender;
}

export interface Plug {
  id: string;
  places: readonly Place[];
  shape: Shape;
  pins: number;
  gender?: Gender;
  /** It carries power, or levels that a wrong partner does not take. */
  isHot?: true;
}

/** Plugs of such machines by what one sees. From the usual connectors of the field. */
export const PLUGS: readonly Plug[] = [
  { id: 'display-ttl', places: ['bracket'], shape: 'd', pins: 9, gender: 'holes', isHot: true },
  { id: 'serial-9', places: ['bracket'], shape: 'd', pins: 9, gender: 'pins', isHot: true },
  { id: 'vga', places: ['bracket'], shape: 'd', pins: 15, gender: 'holes' },
  { id: 'game', places: ['bracket'], shape: 'd', pins: 15, gender: 'holes', isHot: true },
  { id: 'aui', places: ['bracket'], shape: 'd', pins: 15, gender: 'holes', isHot: true },
  { id: 'parallel', places: ['bracket'], shape: 'd', pins: 25, gender: 'holes' },
  { id: 'scsi-25', places: ['bracket'], shape: 'd', pins: 25, gender: 'holes', isHot: true },
  { id: 'serial-25', places: ['bracket'], shape: 'd', pins: 25, gender: 'pins', isHot: true },
  { id: 'floppy-37', places: ['bracket'], shape: 'd', pins: 37, gender: 'holes' },
  { id: 'printer-36', places: ['cable'], shape: 'ribbon', pins: 36 },
  { id: 'scsi-50-outside', places: ['bracket', 'cable'], shape: 'ribbon', pins: 50, isHot: true },
  { id: 'keyboard-din', places: ['board'], shape: 'round', pins: 5, gender: 'holes', isHot: true },
  { id: 'midi-din', places: ['bracket', 'cable'], shape: 'round', pins: 5, gender: 'holes' },
  { id: 'keyboard-small', places: ['board'], shape: 'round-small', pins: 6, gender: 'holes', isHot: true },
  {
    id: 'mouse-small',
    places: ['board', 'bracket'],
    shape: 'round-small',
    pins: 6,
    gender: 'holes',
    isHot: true
  },
  { id: 'bus-mouse', places: ['bracket'], shape: 'round-small', pins: 9, gender: 'holes', isHot: true },
  { id: 'network-coax', places: ['bracket'], shape: 'coax', pins: 2 },
  { id: 'arcnet', places: ['bracket'], shape: 'coax', pins: 2 },
  { id: 'composite', places: ['bracket'], shape: 'phono', pins: 2 },
  { id: 'network-pair', places: ['bracket'], shape: 'modular', pins: 8 },
  { id: 'token-pair', places: ['bracket'], shape: 'modular', pins: 8 },
  { id: 'phone', places: ['bracket'], shape: 'modular', pins: 6, isHot: true },
  { id: 'floppy-34', places: ['board', 'drive', 'cable'], shape: 'box', pins: 34 },
  { id: 'st506-control', places: ['board', 'cable'], shape: 'box', pins: 34 },
  { id: 'st506-control-edge', places: ['drive'], shape: 'edge', pins: 34 },
  { id: 'floppy-34-edge', places: ['drive'], shape: 'edge', pins: 34 },
  { id: 'st506-data', places: ['board', 'cable'], shape: 'box', pins: 20 },
  { id: 'st506-data-edge', places: ['drive'], shape: 'edge', pins: 20 },
  { id: 'ata-40', places: ['board', 'drive', 'cable'], shape: 'box', pins: 40 },
  { id: 'xta-40', places: ['board', 'drive', 'cable'], shape: 'box', pins: 40 },
  { id: 'cd-40', places: ['board', 'drive', 'cable'], shape: 'box', pins: 40 },
  { id: 'cd-34', places: ['board', 'drive', 'cable'], shape: 'box', pins: 34 },
  { id: 'ata-44', places: ['board', 'drive', 'cable'], shape: 'box', pins: 44, isHot: true },
  { id: 'scsi-50', places: ['board', 'drive', 'cable'], shape: 'box', pins: 50, isHot: true },
  { id: 'scsi-68', places: ['bracket', 'drive', 'cable'], shape: 'box', pins: 68, isHot: true },
  { id: 'feature-26', places: ['board'], shape: 'box', pins: 26 },
  { id: 'parallel-26', places: ['board', 'cable'], shape: 'box', pins: 26 },
  { id: 'serial-10', places: ['board', 'cable'], shape: 'box', pins: 10, isHot: true },
  { id: 'usb-10', places: ['board'], shape: 'box', pins: 10, isHot: true },
  { id: 'game-16', places: ['board'], shape: 'box', pins: 16, isHot: true },
  { id: 'drive-power', places: ['drive', 'supply', 'cable'], shape: 'power-large', pins: 4, isHot: true },
  { id: 'floppy-power', places: ['drive', 'supply', 'cable'], shape: 'power-small', pins: 4, isHot: true },
  { id: 'at-power', places: ['board', 'supply'], shape: 'inline', pins: 6, isHot: true },
  { id: 'at-power-12', places: ['board'], shape: 'inline', pins: 12, isHot: true },
  { id: 'aux-33', places: ['board', 'supply'], shape: 'inline', pins: 6, isHot: true },
  { id: 'cd-audio', places: ['board', 'drive', 'cable'], shape: 'inline', pins: 4 },
  { id: 'fan-led', places: ['board', 'cable'], shape: 'inline', pins: 2 },
  { id: 'battery-4', places: ['board'], shape: 'inline', pins: 4, isHot: true },
  { id: 'atx-20', places: ['board', 'supply'], shape: 'power-large', pins: 20, isHot: true },
  { id: 'other-20', places: ['board', 'supply'], shape: 'power-large', pins: 20, isHot: true }
];

export interface PlugMatch {
  plugs: readonly Plug[];
  /** What was told does not tell them apart, and a wrong one can be harmed: nothing is plugged on a guess. */
  doNotPlug: boolean;
}

/** Plugs that fit what was seen; a feature that nobody looked at leaves all of them in. */
export function plugsLike({ place, shape, pins, gender }: PlugSeen): PlugMatch {
  const plugs = PLUGS.filter(
    (p) =>
      (place === undefined || p.places.includes(place)) &&
      (shape === undefined || p.shape === shape) &&
      (pins === undefined || p.pins === pins) &&
      (gender === undefined || p.gender === undefined || p.gender === gender)
  );
  return { plugs, doNotPlug: plugs.length > 1 && plugs.some((p) => p.isHot) };
}
