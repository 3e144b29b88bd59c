import type {
  Assumption,
  ClaimAssumption,
  Habit,
  LineAs,
  Question,
  TableReading,
  Told
} from '../../core/table';
import { and, kib, mhz, volts } from './language';

const hex = (n: number): string => `${n.toString(16).toUpperCase()}h`;

/** Facts that a position tells, by what stands before and behind their value. */
const facts: Record<string, (value: number | string) => string> = {
  fpu: (v) => (v === 1 ? 'FPU fitted' : 'no FPU'),
  banks: (v) => (v === 1 ? '1 bank' : `${v} banks`),
  'memory-kib': (v) => `${kib(Number(v))} in all`,
  display: (v) =>
    v === 'mono' ? 'monochrome first' : v === 'colour' ? 'colour first' : 'a card with its own BIOS first',
  monitor: (v) => `${String(v).replace('-', ', ').replace('enhanced', 'enhanced monitor')}`,
  floppies: (v) => (v === 1 ? '1 floppy drive' : `${v} floppy drives`),
  'bus-mhz': (v) => mhz(Number(v)),
  factor: (v) => `×${v}`,
  volts: (v) => volts(Number(v)),
  'bus-divisor': (v) => `clock ÷ ${v}`,
  'cache-kib': (v) => `${kib(Number(v))} of cache`,
  'vlb-mhz': (v) => `local bus up to ${mhz(Number(v))}`,
  'vlb-wait': (v) => `local-bus wait: ${v}`,
  'wait-states': (v) => (v === 1 ? '1 wait state' : `${v} wait states`),
  battery: (v) => (v === 'external' ? 'battery outside' : 'battery on the board'),
  keyboard: (v) => `${String(v).toUpperCase()} keyboard`,
  'bus-width': (v) => `${v} bits`,
  'rom-write': (v) => (v === 1 ? 'ROM can be written' : 'ROM protected')
};

/** What one position means, as it was understood. */
export function toldWords(told: readonly Told[]): string {
  if (!told.length) return 'not understood';
  return told
    .map((t) => {
      switch (t.kind) {
        case 'io':
          return `port ${hex(t.port)}`;
        case 'irq':
          return `IRQ ${t.line}`;
        case 'dma':
          return `DMA ${t.channel}`;
        case 'memory':
          return `window at ${hex(t.base)}`;
        case 'fact':
          return facts[t.fact]?.(t.value) ?? `${t.fact} ${t.value}`;
        case 'switched':
          return t.on ? 'on' : 'off';
        case 'reserved':
          return 'reserved';
      }
    })
    .join(', ');
}

export const lineAsWords: Record<LineAs, string> = {
  blank: '',
  rule: '',
  title: 'title',
  heading: 'heading',
  rows: 'read',
  legend: 'key to the marks',
  rest: 'read',
  note: 'kept as a note',
  'not-understood': 'not understood'
};

const asWords: Record<Extract<Assumption, { about: 'number-alone' }>['as'], string> = {
  io: 'a port',
  irq: 'an IRQ',
  dma: 'a DMA channel',
  memory: 'an address',
  'memory-kib': 'memory',
  'bus-mhz': 'MHz'
};

const assumptionWords = (a: Assumption): string => {
  switch (a.about) {
    case 'number-alone':
      return `“${a.text}” has no unit; it is taken as ${asWords[a.as]}`;
    case 'usual-home':
      return `“${a.text}” is taken to be at its usual address`;
    case 'unit':
      return `“${a.text}” has no unit; it is taken as ${a.as}`;
  }
};

/** How marks were read where no key says it. */
const habits: Readonly<Record<Habit, string>> = {
  bits: '1 is read as ON or closed, 0 as OFF or open. If it is the other way, add the line “0 = ON, 1 = OFF”.',
  levers: 'Up is read as ON, down as OFF. If it is the other way, add the line “up = OFF, down = ON”.',
  crosses: 'x is read as a jumper that is there. If it is the other way, add a line such as “x = open”.',
  rings: 'o is read as a jumper that is there. If it is the other way, add a line such as “o = open”.',
  any: 'x beside ON and OFF, or 1 and 0, is read as “does not matter”. If it stands for a side, add a line such as “x = ON”.'
};

const inLines = (lines: readonly number[]): string =>
  lines.length === 0
    ? ''
    : `${lines.length === 1 ? 'Line' : 'Lines'} ${and(lines.slice(0, 4).map(String))}${lines.length > 4 ? ' and more' : ''}: `;

/** What is to be answered about a table. */
export function questionWords(q: Question, read: Pick<TableReading, 'settings'>): string {
  const label = 'setting' in q ? (read.settings.find((s) => s.id === q.setting)?.label ?? q.setting) : '';
  switch (q.about) {
    case 'contradiction':
      return `${inLines(q.lines)}one position of ${label} has two meanings: ${and(q.texts.map((t) => `“${t}”`))}. Which one holds?`;
    case 'defaults':
      return `${inLines(q.lines)}${label} has more than one default. Which one is it?`;
    case 'what-numbers':
      return `${inLines(q.lines)}what are these numbers? Write IRQ, DMA, port or a unit in front of them, or above them.`;
    case 'what-it-means':
      return `${inLines(q.lines)}these words of ${label} say nothing known; they are kept as they are.`;
    case 'no-rows':
      return `${inLines(q.lines)}${q.block || 'a switch'} is named, and no line says what its positions mean.`;
    case 'too-many':
      return `${inLines(q.lines)}${label} would have more than 256 positions; these lines are not in it.`;
    case 'default-unknown':
      return `The table does not say which position of ${label} is the default; the first one is taken, as a guess.`;
    case 'assumed':
      return `${inLines(q.lines)}${assumptionWords(q.assumption)}.`;
    case 'pairs':
      return `${inLines(q.lines)}places are only counted there, and taken to be the pairs of pins 1-2, 3-4, 5-6 in their order. Look at the header.`;
    case 'several-blocks':
      return `${inLines(q.lines)}${and(q.blocks)} are set together there, and a setting lies on one block only. These lines are not in it; write down by hand what they say.`;
    case 'letters':
      return `${inLines(q.lines)}the pins have letters there; A, B, C are taken to be pins 1, 2, 3. Look which end is A.`;
    case 'marks':
      return habits[q.marks];
  }
}

/** What was taken for granted when numbers became lines of a function. */
export function claimAssumptionWords(a: ClaimAssumption): string {
  switch (a.about) {
    case 'length':
      return a.from === 'usual'
        ? `Decodes ${a.length} ports, as ${a.kind} functions usually do: an assumption.`
        : `Decodes ${a.length} ports: as many as lie between its choices at most. An assumption.`;
    case 'bytes':
      return `Its window is taken as ${a.length / 1024} KiB: an assumption.`;
    case 'home':
      return `The table does not say where it is; the usual address and lines of ${a.kind} are taken.`;
  }
}
