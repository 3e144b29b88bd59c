import type { Waits } from '../../core/boards';
import type { FactId } from '../../core/model';
import type { Consequence, FactGroup, Meant, Reason, SlotName, Want, Reading } from '../../core/settings';
import { and, counted, kib, mhz, times } from './language';

type Fact = Meant['fact'];

/** What a fact is called that a switch tells the board. */
export const factWords: Record<FactId, string> = {
  fpu: 'FPU',
  banks: 'Memory banks',
  'memory-kib': 'Memory in all',
  display: 'First display',
  floppies: 'Floppy drives',
  'bus-mhz': 'CPU bus clock',
  factor: 'CPU multiplier',
  volts: 'CPU voltage',
  'bus-divisor': 'Bus divisor',
  'cache-kib': 'Cache size',
  'vlb-mhz': 'Local-bus speed',
  'vlb-wait': 'Local-bus wait',
  'wait-states': 'Wait states',
  battery: 'Battery',
  keyboard: 'Keyboard',
  monitor: 'Monitor kind',
  'bus-width': 'Bus width',
  'rom-write': 'ROM writing'
};

/** The name of a group of settings: by its fact, a function of the board by its own setting. */
export const factGroupWords = ({ fact, setting }: Pick<FactGroup, 'fact' | 'setting'>): string =>
  fact === 'on-board' ? setting : factWords[fact];

const displays = { mono: 'monochrome', colour: 'colour', 'own-bios': 'a card with its own BIOS' } as const;
const banks = counted('bank', 'banks');
const drives = counted('floppy drive', 'floppy drives');
const slot = ({ id, label }: SlotName): string => label ?? `slot ${id}`;

const valueWords: Partial<Record<Fact, (value: string | number) => string>> = {
  fpu: (v) => (v === 1 ? 'fitted' : 'none'),
  banks: (v) => banks(Number(v)),
  'memory-kib': (v) => kib(Number(v)),
  display: (v) => displays[v as keyof typeof displays] ?? String(v),
  floppies: (v) => (v === 0 ? 'none, or the fewest that the block can say' : String(v)),
  'bus-mhz': (v) => mhz(Number(v)),
  factor: (v) => `×${v}`,
  volts: (v) => `${v} V`,
  'bus-divisor': (v) => `÷ ${v}`,
  'cache-kib': (v) => kib(Number(v)),
  'vlb-wait': (v) => (v === 1 ? 'one' : 'none'),
  battery: (v) => (v === 'on-board' ? 'on the board' : String(v)),
  keyboard: (v) => String(v).toUpperCase(),
  'bus-width': (v) => `${v} bits`
};

/** The value that a build asks for: `two banks`, `monochrome`. */
export function wantedWords(fact: Fact, value: Want['value']): string {
  if (typeof value !== 'object') return (valueWords[fact] ?? String)(value);
  if ('either' in value) return value.either.join(' or ');
  return value.mhz === 'above-33' ? 'above 33 MHz' : 'up to 33 MHz';
}

/** On what an estimate of wait states rests; without one, what decides instead. */
export const waitsWords = (rests: Waits['rests']): string =>
  rests
    ? `2 clocks of ${rests.cycleNs} ns less ${rests.overheadNs} ns for the logic leave ${rests.leavesNs} ns; an estimate without cache, interleave and page mode`
    : 'From the 386 on page mode and cache decide; compare with the table of the board.';

/** A reason why the build asks for a position; without a full stop. */
export function reasonOf(r: Reason): string {
  switch (r.is) {
    case 'fpu-fitted':
      return `${r.title} sits in the FPU socket`;
    case 'no-fpu':
      return 'no FPU is in the machine';
    case 'banks-filled':
      return `${r.banks.length === 1 ? 'bank' : 'banks'} ${r.banks.join(', ')} filled, ${kib(r.totalKiB)} in all`;
    case 'banks-hold':
      return `the banks hold ${kib(r.totalKiB)}`;
    case 'other-block-sets-banks':
      return 'this block sets the total, the other one the banks';
    case 'display':
      return `${r.title} in ${r.where ? slot(r.where) : 'the board'} ${r.unlooked ? `is usually ${displays[r.kind]} (nobody looked at ${r.unlooked} on it)` : `is ${displays[r.kind]}`}`;
    case 'own-bios-counts-as-colour':
      return 'this board knows colour and monochrome only, and such a card counts as colour';
    case 'either-display-first':
      return 'either of the two may come first';
    case 'floppies':
      return r.titles.length
        ? `${drives(r.titles.length)} in the machine: ${r.titles.join(', ')}`
        : 'no floppy drive is in the machine';
    case 'cpu-rating':
      return `${r.cpu} is rated ${mhz(r.busMHz)} outside × ${times(r.factor)} = ${mhz(r.coreMHz)} inside`;
    case 'clock-is-outside':
      return 'the jumper sets the clock outside the CPU, not the number on it';
    case 'code-is-read':
      return 'the code on the board is read by the CPU in its own way';
    case 'cpu-volts':
      return r.low === r.high
        ? `it is made for ${r.low} V; read it off the chip`
        : `it is made for ${r.low} to ${r.high} V; read it off the chip`;
    case 'external-clock':
      return `the external clock is ${mhz(r.mhz)}`;
    case 'isa-clock':
      return `${mhz(r.busMHz)} ÷ ${r.divisor} = ${mhz(r.isaMHz)}; ISA cards expect 8.33 MHz at most`;
    case 'cache-fitted':
      return `${kib(r.kib)} of cache is on the board`;
    case 'local-bus-clock':
      return `the local bus runs at the external clock, ${mhz(r.mhz)}`;
    case 'local-bus-waits':
      return `the local bus runs at ${mhz(r.mhz)}; above 33 MHz writes need a wait state`;
    case 'memory-speed':
      return `${r.ns} ns memory at ${mhz(r.mhz)}`;
    case 'waits-estimate':
      return waitsWords(r.rests);
    case 'battery-taken-off':
      return 'the barrel battery was taken off';
    case 'battery-on-header':
      return 'a pack goes on the battery header';
    case 'battery-fitted':
      return r.kind === 'barrel'
        ? 'the barrel battery is on the board; once a pack takes its place, mark it as taken off'
        : `the ${r.kind} battery is on the board`;
    case 'keyboard-speaks':
      return `${r.title} speaks ${r.protocol.toUpperCase()} here`;
    case 'monitor-connected':
      return `${r.title} is connected to it`;
    case 'monitor-kind-is-safe':
      return 'of the kinds that cannot damage it, this one shows most';
    case 'slot-width':
      return r.bits === 8 ? `${slot(r.slot)} has 8 bits only` : `${slot(r.slot)} has 16 bits`;
    case 'eight-bits-also-work':
      return '8 bits also work, slower; needed when an 8-bit ROM shares the block';
    case 'rom-written-while-programmed':
      return 'the ROM is written only while it is being programmed';
    case 'off-after-commissioning':
      return 'off after commissioning';
    case 'cards-do-the-same':
      return `${and(r.cards)} ${r.cards.length === 1 ? 'does' : 'do'} the same`;
    case 'board-goes-off':
      return 'two of a kind answer at one address: the one of the board goes off';
    case 'function-in-use':
      return `the build uses ${r.label} of the board`;
    case 'drive-needs-function':
      return `a drive of the build needs ${r.label}, and no card has it`;
    case 'locked-by-hand':
      return 'locked there by hand';
    case 'planned-for-lines':
      return 'planned so for the lines';
  }
}

/** Reasons in one line. */
export const reasonsOf = (reasons: readonly Reason[]): string => reasons.map(reasonOf).join('; ');

const isaSpeeds = {
  fails: 'most cards fail',
  'some-fail': 'some cards are not found or give errors'
} as const;

/** What the machine does while a setting stands so: whole sentences. */
export function consequenceOf(c: Consequence): string {
  switch (c.is) {
    case 'fpu-missing':
      return 'Programs that look for an FPU hang: the switch says that there is one.';
    case 'fpu-hidden':
      return 'Programs do not find the FPU until the switch says that it is there.';
    case 'memory-fewer-banks':
      return 'The memory count shows fewer banks than are filled; the rest of the memory is not used.';
    case 'memory-empty-banks':
      return 'POST stops with a memory error: it looks for banks that are empty.';
    case 'memory-counts-only':
      return `POST counts ${kib(c.kib)} only; DOS gets no more.`;
    case 'memory-ends-early':
      return 'POST stops with a memory error where the fitted memory ends.';
    case 'display-complains':
      return 'The card’s own BIOS takes over; some setups complain even so.';
    case 'display-dark':
      return `${c.complains ? 'A complaint about the display type, or a dark' : 'Dark'} screen and one long, two short beeps; eight short by another BIOS.`;
    case 'floppies-no-letter':
      return 'The last floppy drives get no letter.';
    case 'floppies-waited-for':
      return 'The start waits for a drive that is not there, and it takes up a drive letter.';
    case 'cpu-slower-outside':
      return `The machine runs slower than ${c.cpu ?? 'the CPU'} could. Harmless.`;
    case 'cpu-core-clock-outside':
      return `${mhz(c.mhz)} is what runs inside; as set the CPU freezes.`;
    case 'cpu-above-rating':
      return 'The CPU is driven above its rating: it freezes or runs hot.';
    case 'cpu-core-too-fast':
      return `Inside it would run at ${mhz(c.mhz)}: it freezes or runs hot.`;
    case 'cpu-slower-inside':
      return 'Inside it runs slower than it could. Harmless.';
    case 'volts-too-high':
      return 'Too high a voltage destroys the CPU at once. Do not power on.';
    case 'volts-too-low':
      return 'Too little voltage: it does not start, or freezes when it gets warm.';
    case 'isa-clock':
      return c.how === 'slower'
        ? `ISA runs at ${mhz(c.mhz)}, slower than it could.`
        : `ISA runs at ${mhz(c.mhz)}: ${isaSpeeds[c.how]}.`;
    case 'cache-unused':
      return 'Part of the cache is not used; the machine is slower.';
    case 'cache-missing':
      return 'The board uses cache that is not there: it crashes as DOS or Windows loads.';
    case 'local-bus-set-slower':
      return 'Local-bus cards are set for a slower clock: the picture tears or disk data is garbled.';
    case 'local-bus-set-faster':
      return 'Local-bus cards wait longer than they need to.';
    case 'local-bus-no-wait':
      return 'Writes without a wait state above 33 MHz: the picture may tear.';
    case 'local-bus-needless-wait':
      return 'Writes over the local bus are slower than they need to be.';
    case 'memory-too-slow':
      return 'Memory may be too slow without a wait state: parity errors or a freeze.';
    case 'memory-needless-wait':
      return 'The machine waits for memory that is fast enough; slower, harmless.';
    case 'battery-cut-off':
      return 'The battery on the board is cut off: without a pack on the header date and setup are lost at every power-off.';
    case 'battery-charged-wrongly':
      return 'The board charges what is not there, and the setup is lost, or a pack that must not be charged: lithium and alkaline ones can burst.';
    case 'keyboard-dead':
      return 'No key does anything, or POST stops with a keyboard error.';
    case 'monitor-damaged':
      return 'The card sends timing that can damage this monitor. Do not connect it.';
    case 'monitor-wrong-picture':
      return 'The picture rolls, stays dark or shows wrong colours.';
    case 'rom-read-wrong':
      return 'A 16-bit ROM in an 8-bit slot is read wrong: no picture, or the card is not found.';
    case 'rom-overwritten':
      return 'A program that runs wild can overwrite the ROM; the disk is not found any more.';
    case 'two-answer':
      return `${c.label} of the board and ${c.card ?? 'a card'} answer together: neither is found.`;
    case 'function-off':
      return `${c.label} is off: what is connected to it is not found.`;
    case 'volts-not-looked':
      return 'Nobody looked at it, and too high a voltage destroys the CPU. Record it before power.';
    case 'not-looked':
      return 'Nobody looked at it yet: record it, or set it as drawn.';
    case 'other-lines':
      return 'It answers on other lines than planned; see Lines.';
  }
}

/** What a reading of a row says: `banks 0–3`, `640K or 512K`. */
export function readingWords({ setting, possible }: Reading): string {
  if (!setting.known) return 'nobody knows what it does';
  const labels = setting.positions.filter((p) => possible.includes(p.id)).map((p) => p.label);
  if (!labels.length) return 'in no row of the table';
  return labels.length > 6 ? `one of ${labels.length}` : labels.join(' or ');
}

/** `Memory banks: banks 0–3; First display: monochrome`, of the settings that are known. */
export const decodedSentence = (readings: readonly Reading[]): string =>
  readings
    .filter((r) => r.setting.known && r.position !== null)
    .map((r) => `${r.setting.label}: ${readingWords(r)}`)
    .join('; ');
