import { there } from '../model';
/** Ways to get the bytes off, with what they carry in a second at best. From the usual speeds of such lines. */
export const CHANNELS = [
  { id: 'serial-9600', bytesPerSecond: 960 },
  { id: 'serial-115200', bytesPerSecond: 11_520 },
  { id: 'parallel', bytesPerSecond: 30_000 },
  { id: 'network-8', bytesPerSecond: 60_000 },
  { id: 'second-disk', bytesPerSecond: 174_000 }
] as const;
export type ChannelId = (typeof CHANNELS)[number]['id'];

/** What one floppy holds beside its own tables. */
export const FLOPPIES = { f360: 354 * 1024, f1440: 1_457_664 } as const;

export interface ChannelTime {
  id: ChannelId;
  seconds: number;
}

/** Seconds that each way takes for so many bytes, the quickest first. An optimum: retries come on top. */
export const channelTimes = (bytes: number): ChannelTime[] =>
  CHANNELS.map(({ id, bytesPerSecond }) => ({ id, seconds: bytes / bytesPerSecond })).sort(
    (a, b) => a.seconds - b.seconds
  );

export const floppyCounts = (bytes: number): Record<keyof typeof FLOPPIES, number> => ({
  f360: Math.ceil(bytes / FLOPPIES.f360),
  f1440: Math.ceil(bytes / FLOPPIES.f1440)
});

/** What to read first: it is saved after each step. */
export const READ_ORDER = [
  'first-track',
  'boot-sectors',
  'tables',
  'directories',
  'used',
  'beside',
  'rest'
] as const;
/** Passes over what could not be read. */
export const PASSES = ['skipping', 'backwards', 'retries', 'long'] as const;

/** What an answer of the BIOS for reading a sector means for an image. */
export type ReadStatus =
  | 'good'
  | 'corrected'
  | 'unreadable'
  | 'not-found'
  | 'seek'
  | 'closing'
  | 'controller'
  | 'flagged'
  | 'reset'
  | 'parameters'
  | 'program'
  | 'floppy'
  | 'must-not'
  | 'undefined';

const STATUS: Readonly<Record<number, ReadStatus>> = {
  0x00: 'good',
  0x11: 'corrected',
  0x10: 'unreadable',
  0x02: 'not-found',
  0x04: 'not-found',
  0x40: 'seek',
  0x80: 'closing',
  0xaa: 'closing',
  0x20: 'controller',
  0x0a: 'flagged',
  0x0b: 'flagged',
  0x05: 'reset',
  0x07: 'parameters',
  0x01: 'program',
  0x09: 'program',
  0x06: 'floppy',
  0x08: 'floppy',
  0x03: 'must-not',
  0xcc: 'must-not',
  0xbb: 'undefined',
  0xe0: 'undefined',
  0xff: 'undefined'
};

/**
 * Reads a status as it is written: `11h`, `0x11`, `AA`. Digits are hex, as every such program shows them.
 * @returns null when it is no status that is known
 */
export function readStatus(text: string): { code: number; means: ReadStatus } | null {
  const m = /^\s*(?:0x)?([0-9a-f]{1,2})\s*h?\s*$/i.exec(text);
  if (!m) return null;
  const code = parseInt(there(m[1]), 16);
  const means = STATUS[code];
  return means ? { code, means } : null;
}
