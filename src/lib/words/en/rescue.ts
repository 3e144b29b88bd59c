import type { ChannelId, Held, ReadStatus, Rung } from '../../core/rescue';
import type { RescueState } from '../../core/model';

export const rescueStates: Record<RescueState, readonly [name: string, signs: string]> = {
  silent: ['silent', 'It does not spin; its light may be on.'],
  hums: ['hums or tries', 'It tries to turn and does not.'],
  spins: ['spins, never ready', 'An even tone, no seek, or seeks against the stop.'],
  ready: ['ready after some tries', 'It works now.'],
  errors: ['read errors', 'Ready, but some sectors cannot be read.'],
  scraping: ['scraping, ringing, burnt', 'A sound or smell that was not there before.'],
  good: ['good', 'Ready at every start, no errors.']
};

export const rescueSteps: Record<string, string> = {
  leads: 'Reseat its cable and power lead.',
  volts: 'Measure +12 V and +5 V at its plug, under load.',
  select: 'Look at select and start jumper: some wait for a command.',
  clamp: 'Current in the +12 V lead: none means motor driver, fuse, or +12 V missing.',
  stuck: 'Stuck heads or bearing. Off again within 10 seconds of a start that stays stuck.',
  wait: 'Wait 30 seconds.',
  'warm-restart': 'Restart while it still spins: do not switch off.',
  rest: 'Only then: off for 10 minutes, warmed to room temperature.',
  'swap-cable': 'Swap cable and controller; the format belongs to its own controller.',
  sensor: 'Track-0 or index sensor: a sticky stop comes loose with warmth.',
  'image-now': 'This may be the only time it is ready. Image it now, before anything else.',
  'image-skipping': 'Image it, and skip what cannot be read in the first pass.',
  'off-stays': 'Switch it off. It stays off: what comes next is for a specialist.',
  'image-first': 'Image it before you write to it.'
};

export const rescueNever: Record<string, string> = {
  format: 'no format, no low-level format',
  board: 'do not exchange its board: from about 1993 on it holds numbers of its own drive',
  'three-tries': 'not more than three tries cold',
  open: 'do not open it',
  off: 'do not switch it off',
  restart: 'no restart for convenience',
  repair: 'no disk check that repairs',
  write: 'write nothing to it',
  'any-start': 'no further start'
};

export const rungWords: Record<Rung, string> = {
  warm: 'Warm it to 35 to 40 °C for one hour; dry, no hot air.',
  starts: 'Three ordinary starts.',
  twist: 'Power off: one quick twist of the whole drive about the axis of the spindle, then start at once.',
  hub: 'Power off: turn an open spindle hub or motor underneath a few degrees, the way it runs.',
  tap: 'Last: power off, one light tap on its side with the handle of a screwdriver.'
};

export const channelWords: Record<ChannelId, string> = {
  'serial-9600': 'serial cable, 9600',
  'serial-115200': 'serial cable, 115,200 at best',
  parallel: 'parallel cable, 4 bits',
  'network-8': '8-bit network card',
  'second-disk': 'second disk or flash adapter'
};

export const readOrderWords: Record<string, string> = {
  'first-track': 'Sector 0 and the whole first track: partition table, overlay, boot manager.',
  'boot-sectors': 'Each boot sector, and the extended records along their chain.',
  tables: 'First FAT, second FAT, root. Save: now the tree is known.',
  directories: 'Directories.',
  used: 'Clusters in use, upward in one sweep; files that the owner named first.',
  beside: 'Their neighbours outward: deleted files.',
  rest: 'The rest.'
};

export const passWords: Record<string, string> = {
  skipping: 'Whole tracks, no retries; after an error skip 1, 2, 4, 8 tracks.',
  backwards: 'Backwards over the gaps, sector by sector.',
  retries: '3 to 5 retries, with a seek from either side.',
  long: 'Long reads without correction; another temperature, another position, another host.'
};

export const readStatusWords: Record<ReadStatus, string> = {
  good: 'Read.',
  corrected:
    'Corrected: the data are good though an error is told. Keep it, mark it, read the rest of the track one by one.',
  unreadable: 'Cannot be corrected: leave it for a later pass.',
  'not-found': 'Address mark or sector not found: format or geometry. Check the geometry before more tries.',
  seek: 'Seek failed: stop after a few; the arm may be stuck.',
  closing: 'Not ready: stop and think. The window may be closing.',
  controller: 'Controller fault: cable, card, or their seats.',
  flagged: 'Flagged bad: data may be there. Try a long read.',
  reset: 'Reset failed: controller or cable.',
  parameters: 'Drive parameters wrong: type in the setup or the ROM.',
  program: 'A fault of the program: wrong call, or its buffer crosses 64 KiB. Says nothing of the disk.',
  floppy: 'A floppy matter: changed, or DMA too late.',
  'must-not': 'Write protect or write fault: it must not occur here. Something tried to write. Stop.',
  undefined: 'Not defined: treat it as a controller fault.'
};

/** Why steps that write to a drive are held back. */
export function heldWords({ why }: Held, drive: string): string {
  const missing = {
    none: 'there is no image of it',
    partial: 'its image is only partial',
    'no-hash': 'its image has no hash yet'
  }[why];
  return `${drive} holds data of which there is no other copy, and ${missing}. Write nothing to it.`;
}

/** A time that a person plans with. */
export function spanWords(seconds: number): string {
  if (seconds < 90) return `${Math.round(seconds)} s`;
  const minutes = seconds / 60;
  if (minutes < 100) return `${minutes < 10 ? minutes.toFixed(1) : Math.round(minutes)} min`;
  return `${(minutes / 60).toFixed(1)} h`;
}
