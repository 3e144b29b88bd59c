import type { FunctionKind } from '../model';
import type { Line, Machine } from '../resources';

/** What a person sees or hears when a function loses its line. */
const symptom: Partial<Record<FunctionKind, string>> = {
  audio: 'sound repeats a fragment or stops',
  midi: 'MIDI music hangs on a note',
  fm: 'music is wrong or silent',
  network: 'the network stalls or its driver does not load',
  scsi: 'the machine hangs at a disk access',
  'hard-disk': 'the machine hangs at a disk access',
  floppy: 'floppies give read errors',
  serial: 'a mouse or modem on this port freezes',
  modem: 'the modem does not answer',
  mouse: 'the pointer freezes',
  parallel: 'printing stalls',
  cdrom: 'the CD-ROM driver finds no drive',
  scanner: 'the scanner is not found',
  display: 'the picture is wrong or missing',
  ems: 'the expanded-memory driver refuses to load',
  rom: 'its start-up message does not appear',
  game: 'the joystick moves by itself'
};

/** `sound stops, or the modem does not answer` for the two owners of a clash. */
export function consequence(a: Line, b: Line): string {
  const said = [...new Set([a, b].flatMap((line) => symptom[line.kind] ?? []))];
  return said.length ? `Expect: ${said.join(', or ')}.` : 'Neither can be relied on.';
}

/** `audio of Merganser 16` as a person would name it. */
export function nameOf(m: Machine, line: Pick<Line, 'item' | 'function'>): string {
  const fitted = m.find(line.item);
  const fn = fitted?.part.functions.find((f) => f.id === line.function);
  if (line.item === 'system') return `the board's own ${fn?.label ?? line.function}`;
  return `${fn?.label ?? line.function} of ${fitted?.title ?? line.item}`;
}

export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
