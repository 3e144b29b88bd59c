import type { FaultMode, Verdict } from '../../core/diagnosis';
import { cardOutIn } from '../../core/diagnosis/bench-tests';
import type { MessageId, Power, StageId, Start } from '../../core/model';
import { capital } from './language';
import { tell } from './findings';

/** Stages of a start, by what one sees or hears of them. */
export const stageWords: Record<StageId, string> = {
  rails: 'power: fan and lights',
  reset: 'reset let go',
  fetch: 'CPU begins',
  rom: 'ROM checked',
  timer: 'timer and refresh',
  memory: 'first memory',
  controllers: 'keyboard controller',
  setup: 'setup or switches read',
  display: 'picture: first text',
  count: 'memory count',
  keyboard: 'keyboard: lights flash',
  floppy: 'floppy drive: light and clack',
  disk: 'hard disk ready',
  roms: 'ROMs of cards: their text',
  summary: 'summary, or F1 is asked for',
  boot: 'beep, and the drive is read',
  partition: 'partition table',
  system: 'DOS or Windows begins',
  config: 'drivers of CONFIG.SYS',
  prompt: 'prompt'
};

export const powerWords: Record<Power, string> = {
  still: 'no fan, no lights',
  twitch: 'fan twitches, then off',
  ticks: 'ticking',
  runs: 'fan runs'
};

export const messageWords: Record<MessageId, string> = {
  memory: 'memory or parity error',
  'memory-size': 'memory size differs',
  settings: 'settings lost, checksum, 161 to 164',
  'display-type': 'display type wrong',
  keyboard: 'keyboard error, 301',
  locked: 'locked, 302',
  floppy: 'floppy error, 601',
  disk: 'hard disk error, 1701, 1780',
  rom: 'ROM error',
  'not-system': 'not a system disk',
  'no-system': 'missing operating system',
  'no-boot': 'no boot disk, ROM BASIC, or a flashing cursor',
  interpreter: 'bad or missing command interpreter'
};

const components: Record<string, string> = {
  supply: 'power supply',
  short: 'a short on a rail (a tantalum capacitor, loose metal)',
  cpu: 'CPU and its contacts',
  board: 'system board',
  rom: 'BIOS ROM',
  memory: 'memory',
  leak: 'damage by a leaking battery',
  cell: 'battery of the setup',
  display: 'video card',
  monitor: 'monitor, its lead or its switches',
  keyboard: 'keyboard',
  roms: 'a ROM on a card',
  medium: 'disk or floppy that it boots from',
  setup: 'what the setup or a jumper says of memory and display',
  lock: 'lock of the case'
};

const ways: Record<string, string> = {
  'supply-dead': 'power supply gives nothing',
  'supply-weak': 'power supply is weak',
  short: 'short on a rail',
  'power-good': 'power good is missing',
  'cpu-contact': 'contacts of CPU or ROM',
  'board-logic': 'logic on the board',
  rom: 'content of the BIOS ROM',
  'board-timer': 'timer or refresh on the board',
  'memory-contact': 'contacts of the first memory bank',
  'memory-chip': 'a chip of the first memory bank',
  'memory-loose': 'a contact of the first memory bank that comes and goes',
  'power-late': 'power good that comes too late at some starts',
  'memory-high': 'a chip higher up in memory',
  'memory-missing': 'a module or chip that is not seen',
  'size-told': 'setup still has the memory of before',
  'display-told': 'setup or jumper names another display',
  lock: 'key lock is turned, or its lead is shorted',
  leak: 'leak damage near the keyboard controller',
  'keyboard-controller': 'keyboard controller',
  cell: 'battery of the setup is flat',
  'display-contact': 'contacts of the video card',
  'display-card': 'video card is faulty',
  monitor: 'monitor, its lead or its switches',
  keyboard: 'keyboard is faulty or dirty',
  'floppy-drive': 'dirty or faulty',
  'floppy-cable': 'cable or power lead',
  'disk-not-ready': 'does not become ready',
  'disk-slow': 'spins up too slowly',
  'disk-sticky': 'becomes ready at some starts only',
  'disk-cable': 'cable, select jumper or power lead',
  'disk-errors': 'has read errors',
  'disk-table': 'active flag or partition table',
  'disk-geometry': 'is set up with another geometry than it was partitioned under',
  interpreter: 'COMMAND.COM is lost or of another version',
  'option-rom': 'window or content of a ROM on a card',
  'no-system': 'no system on the disk or floppy',
  'no-medium': 'nothing that it can boot from is in'
};

/** A part of the build is called by its title, and without one by its model. */
type TitleOf = (item: string) => string | null;
const titled = ({ item }: FaultMode, titleOf: TitleOf): string | null => (item ? titleOf(item) : null);

/** A setting that nobody looked at. */
function unseenWords(mode: FaultMode, titleOf: TitleOf): string {
  const { label, positionLabel } = mode.unseen!;
  const on = titled(mode, titleOf);
  return `${on ? `${on}: ` : ''}${label} may be at ${positionLabel}; nobody looked`;
}

/** The thing that a verdict is about. @param mode one of its modes */
export function componentWords(component: string, mode: FaultMode, titleOf: TitleOf): string {
  if (mode.unseen) return unseenWords(mode, titleOf);
  if (mode.finding) return tell(mode.finding).title;
  return titled(mode, titleOf) ?? components[component] ?? component;
}

/** One fault in words. */
export function modeWords(mode: FaultMode, titleOf: TitleOf): string {
  if (mode.unseen) return unseenWords(mode, titleOf);
  if (mode.finding) return tell(mode.finding).title;
  const title = titled(mode, titleOf);
  if (mode.way === 'card') return `${title ?? 'A card'} pulls down the bus or a rail`;
  const way = ways[mode.way] ?? mode.way;
  return title ? `${title}: ${way}` : way;
}

export const verdictWords: Record<Verdict, string> = {
  implicated: 'suspect',
  cleared: 'cleared by what was seen',
  untested: 'not reached: nothing is known of it',
  open: 'open'
};

/** A chance in words first. All chances here rest on estimates. */
export const chanceWords = (p: number): string =>
  p >= 0.6 ? 'likely' : p >= 0.25 ? 'quite possible' : p >= 0.08 ? 'possible' : p >= 0.01 ? 'rare' : 'hardly';

interface TestTold {
  what: string;
  how: string;
}
const tests: Record<string, TestTold> = {
  'set-right': {
    what: 'Set right what the checks found wrong, then start',
    how: 'The bench sheet has the moves; tick them off there, so that this page knows.'
  },
  listen: {
    what: 'Switch on again and look and listen',
    how: 'Film it with sound. Wait 60 seconds before you call the screen dark.'
  },
  ohms: {
    what: 'Measure the rails to ground',
    how: 'Unplugged, 30 seconds after switching off. A short reads under 2\u00a0Ω on +5 V, under 5\u00a0Ω on ±12 V.'
  },
  volts: {
    what: 'Measure +5 V at a drive plug',
    how: 'Running, 4.75 to 5.25 V. Do not probe inside a slot.'
  },
  settings: {
    what: 'Compare jumpers and switches with their table',
    how: 'Switches says what each should be.'
  },
  'save-setup': {
    what: 'Open the setup, save it once and start again',
    how: 'Change nothing. If the memory still differs then, a module is not seen.'
  },
  cell: { what: 'Measure the battery', how: 'A coin cell under 2.7 V is flat. Do not charge or short it.' },
  leak: {
    what: 'Look round the battery for green or white residue',
    how: 'Within 6 cm: tracks, keyboard controller, slots.'
  },
  'reseat-memory': {
    what: 'Clean and reseat the first memory bank',
    how: 'Power off and unplugged. Note which module sat where.'
  },
  'reseat-cards': { what: 'Clean and reseat the video card', how: 'Try another slot of its kind, too.' },
  'reseat-cpu': {
    what: 'Reseat CPU and BIOS ROM',
    how: 'Pin 1 first. The cooler goes back on before power.'
  },
  strip: {
    what: 'Take every card but the video card out',
    how: 'Power off and unplugged. Note which slot each sat in. If it starts then, leave out one at a time.'
  },
  'other-monitor': {
    what: 'Try a monitor that is known good',
    how: 'Only one of the right kind: a wrong signal can damage it.'
  },
  'other-display': {
    what: 'Fit a video card that is known good',
    how: 'Set the display switch for it first. Put the old one back after a cure: the seating may have been it.'
  },
  'other-memory': {
    what: 'Fill the first bank with memory that is known good',
    how: 'Put the old one back after a cure: the contacts may have been it.'
  },
  'other-supply': {
    what: 'Try a power supply that is known good',
    how: 'Of the same plug, read by its label. Never put a suspect supply on a good machine.'
  },
  'other-keyboard': { what: 'Try another keyboard', how: 'Of the same protocol.' },
  cables: {
    what: 'Reseat the drive cables and power leads',
    how: 'Power off. Red edge to pin 1, both ends; look at the select jumper as well.'
  },
  'other-floppy': {
    what: 'Try another floppy drive',
    how: 'Of the same kind, on the same plug. Clean the heads of the old one first.'
  },
  'warm-restart': {
    what: 'Wait 20 seconds and restart without switching off',
    how: 'A disk that spins up slowly is ready then. If it holds data nobody has a copy of: image it now, before anything else.'
  },
  'display-elsewhere': {
    what: 'Try the video card in another machine',
    how: 'Only after its rails were measured, in a machine you can spare, with the disk unplugged.'
  },
  'memory-elsewhere': {
    what: 'Try the memory in another machine',
    how: 'Only after its rails were measured, in a machine you can spare, with the disk unplugged.'
  },
  'put-back': {
    what: 'Put the old part back and start again',
    how: 'If it stays cured, it was the seating; if it fails again, it is the part. Not a part that got hot, smelled or measured short.'
  },
  'boot-floppy': {
    what: 'Boot from a floppy that is known good',
    how: 'Write nothing to the hard disk meanwhile.'
  },
  'read-table': {
    what: 'Read the partition table from a boot floppy',
    how: 'Copy the first track to a file and keep it. Write no partition sector before that copy is safe. Disks reads an image.'
  }
};

/** What a test is called, and how it is done. */
export function testWords(id: string, titleOf: TitleOf): TestTold {
  const card = cardOutIn(id);
  return card
    ? {
        what: `Leave only ${titleOf(card) ?? 'this card'} out`,
        how: 'All other cards in, each in its slot. Power off and unplugged first.'
      }
    : (tests[id] ?? { what: id, how: '' });
}

/** What a reading says when the fault was there, and when not. */
const readings: Record<string, readonly [yes: string, no: string]> = {
  ohms: ['A rail reads short', 'No rail is short'],
  volts: ['It is outside', 'It is inside'],
  settings: ['One was wrong', 'All are right'],
  cell: ['It is flat', 'It is good'],
  leak: ['There is residue', 'It is clean'],
  'read-table': ['No partition is active, or it is damaged', 'The table is right'],
  'display-elsewhere': ['It fails there too', 'It works there'],
  'memory-elsewhere': ['It fails there too', 'It works there']
};
export const readWords = (test: string): readonly [yes: string, no: string] =>
  readings[test] ?? ['It was there', 'It was not there'];

/** A start or a reading in one line, as it was noted. */
export function startWords(s: Start, titleOf: TitleOf): string {
  if (s.read)
    return `${testWords(s.read.test, titleOf).what}: ${readWords(s.read.test)[s.read.found ? 0 : 1].toLowerCase()}`;
  const told = [
    s.after && s.after !== 'nothing' ? `after “${testWords(s.after, titleOf).what}”` : null,
    s.after === 'nothing' ? 'again, nothing changed' : null,
    s.power ? powerWords[s.power] : null,
    s.beeps ? `beeps ${s.beeps}` : null,
    s.screen ? `screen ${s.screen}` : null,
    s.reached ? `${s.stays ? 'stops at' : 'came to'} “${stageWords[s.reached]}”` : null,
    s.messages?.length ? s.messages.map((m) => messageWords[m]).join(', ') : null,
    s.messages && !s.messages.length ? 'no message' : null
  ].filter((t) => t !== null);
  return capital(told.join('; '));
}
