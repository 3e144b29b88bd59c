import type { Severity } from '../model';
import type { RuleId } from './facts';

/** Stages of the rail in which findings are open. */
export type Stage = 'brief' | 'parts' | 'fit' | 'switches' | 'lines' | 'disks';

/** Views of the stage Fit. */
export type FitView = 'slots' | 'memory' | 'picture' | 'drives' | 'power' | 'time';

export type Place = { stage: Exclude<Stage, 'fit'> } | { stage: 'fit'; view: FitView };

export interface RuleEntry {
  /** Where its findings are open: in one stage, and in Fit in one of its views. */
  place: Place;
  /** How bad it is, the usual first; a case says which when there are several. */
  severity: readonly [Severity, ...Severity[]];
  /** A stop or clash about the machine or a broken wish ends a plan; one about a program counts against it. */
  about: 'machine' | 'program' | 'wish' | 'period';
  /** Behind it something may hide that no rule can see. `lines`: also lines of the machine. */
  hides?: 'lines' | 'other';
  /** A board of which this is found is known in part only. */
  partBoard?: true;
  /** It works, but nobody would plan a machine so. */
  notPlanned?: true;
  /** Where it is about one thing alone: it is so in every machine for the same brief. */
  ofPart?: true;
  /** Another case, supply or keyboard may cure it. */
  enclosure?: true;
}

const fit = (view: FitView): Place => ({ stage: 'fit', view });
const at = (stage: Exclude<Stage, 'fit'>): Place => ({ stage });
const entry = (
  place: Place,
  severity: Severity | readonly [Severity, ...Severity[]],
  more: Partial<RuleEntry> = {}
): RuleEntry => ({
  place,
  severity: typeof severity === 'string' ? [severity] : severity,
  about: 'machine',
  ...more
});

const slots = fit('slots');
const memory = fit('memory');
const picture = fit('picture');
const drives = fit('drives');
const power = fit('power');
const enclosure = { enclosure: true } as const;
const program = { about: 'program' } as const;
const programOf = (severity: Severity | readonly [Severity, ...Severity[]]) =>
  entry(at('brief'), severity, program);

/**
 * Every rule once: where its findings count, how bad they are, and what they mean for a plan. Rail, tabs, planner,
 * replacement, command line and API read this table; no name of a rule is ever taken apart. Another folder has the
 * words.
 */
export const registry: Readonly<Record<RuleId, RuleEntry>> = {
  'line.irq': entry(at('lines'), 'clash'),
  'line.dma': entry(at('lines'), 'clash'),
  'line.io': entry(at('lines'), 'clash'),
  'line.memory': entry(at('lines'), 'clash'),
  'line.more': entry(at('lines'), 'clash'),
  'line.share-unused': entry(at('lines'), 'caution'),
  'line.share-idle': entry(at('lines'), 'caution'),
  'slot.reach': entry(slots, 'clash'),
  'rom.window': entry(at('lines'), 'clash'),
  'rom.16bit': entry(at('lines'), 'caution'),
  'pci.interrupt': entry(at('lines'), 'clash'),
  'audio.profile': entry(at('lines'), ['clash', 'note'], program),
  'serial.buffer': entry(at('lines'), 'note'),
  'port.numbering': entry(at('lines'), 'note'),
  'acpi.irq9': entry(at('lines'), 'caution'),
  'unknown.lines': entry(at('lines'), 'caution', { hides: 'lines' }),
  'unknown.routing': entry(at('lines'), 'caution', { hides: 'lines' }),

  'slot.kind': entry(slots, ['clash', 'stop']),
  'slot.width': entry(slots, ['caution', 'note', 'clash']),
  'slot.untried': entry(slots, 'caution'),
  'slot.taken': entry(slots, 'clash'),
  'slot.shared': entry(slots, 'clash'),
  'board.second': entry(slots, 'caution'),
  'slot.none': entry(slots, 'caution', { hides: 'lines' }),
  'slot.length': entry(slots, 'clash', enclosure),
  'slot.skirt': entry(slots, 'clash'),
  'cpu.socket': entry(slots, 'clash'),
  'cpu.voltage': entry(slots, 'stop'),
  'cpu.voltage-low': entry(slots, 'clash'),
  'cpu.voltage-unknown': entry(slots, 'stop'),
  'cpu.carrier': entry(slots, 'clash'),
  'cpu.writes': entry(slots, ['clash', 'caution', 'note']),
  'cpu.split': entry(slots, 'clash'),
  'cpu.clock': entry(slots, 'clash'),
  'cpu.bus': entry(slots, 'caution'),
  'cpu.slow': entry(slots, 'note'),
  'cpu.multiplier': entry(slots, 'note'),
  'fpu.kind': entry(slots, 'clash'),
  'cpu.oscillator': entry(slots, 'caution'),
  'fpu.switch': entry(slots, ['clash', 'caution']),
  'bay.no-battery': entry(slots, 'note'),
  'bay.out': entry(drives, 'note'),
  'vlb.load': entry(slots, 'clash'),
  'vlb.speed': entry(slots, 'caution'),
  'isa.clock': entry(slots, ['caution', 'clash']),
  'pnp.nobios': entry(slots, 'caution'),
  'battery.leak': entry(slots, 'caution'),
  'clock.century': entry(slots, 'note'),
  'keyboard.protocol': entry(slots, 'clash', enclosure),
  'keyboard.switch': entry(slots, 'note', enclosure),
  'keyboard.plug': entry(slots, 'caution', enclosure),
  'unknown.board': entry(slots, 'caution', { hides: 'other', partBoard: true }),

  'memory.bank': entry(memory, 'clash'),
  'memory.mixed': entry(memory, ['clash', 'caution', 'note']),
  'memory.loose': entry(memory, ['note', 'clash']),
  'memory.first': entry(memory, ['clash', 'caution']),
  'memory.filling': entry(memory, 'clash'),
  'memory.kind': entry(memory, 'clash'),
  'memory.apart': entry(memory, 'stop'),
  'memory.supplies': entry(memory, 'stop'),
  'memory.edo': entry(memory, 'caution'),
  'memory.speed': entry(memory, 'caution'),
  'memory.parity': entry(memory, ['note', 'clash']),
  'memory.card': entry(memory, ['clash', 'caution']),
  'memory.backfill': entry(memory, 'caution'),
  'memory.sides': entry(memory, 'caution'),
  'memory.reach': entry(memory, 'note'),
  'memory.shown': entry(memory, 'note'),
  'dma.reach16m': entry(memory, 'caution'),

  'video.danger': entry(picture, 'stop'),
  'video.signal': entry(picture, 'clash'),
  'video.modes': entry(picture, 'note'),
  'video.flat': entry(picture, 'note'),
  'video.grey': entry(picture, 'note'),
  'video.switch': entry(picture, ['clash', 'caution', 'note']),
  'video.two': entry(picture, 'clash'),
  'video.second': entry(picture, 'caution'),
  'video.pass': entry(picture, 'clash'),

  'disk.interface': entry(drives, 'clash'),
  'disk.coding': entry(drives, 'caution', { notPlanned: true }),
  'disk.controller-twice': entry(drives, 'caution'),
  'disk.power': entry(drives, ['clash', 'note']),
  'disk.rom': entry(drives, 'clash'),
  'disk.boot': entry(at('disks'), 'note'),
  'rom.unscanned': entry(drives, 'clash'),
  'bay.size': entry(drives, 'clash', enclosure),
  'bay.rails': entry(drives, 'note', enclosure),
  'ata.select': entry(drives, ['clash', 'caution', 'note']),
  'st506.select': entry(drives, ['clash', 'caution']),
  'scsi.id': entry(drives, ['clash', 'note']),
  'scsi.termination': entry(drives, ['clash', 'note']),
  'scsi.signals': entry(drives, ['stop', 'caution']),
  'scsi.width': entry(drives, 'note'),
  'scsi.power': entry(drives, 'caution'),

  'power.minus5-dram': entry(power, 'stop', enclosure),
  'power.rail': entry(power, 'clash', enclosure),
  'power.start': entry(power, 'caution', enclosure),
  'power.rails': entry(power, 'stop'),
  'power.least': entry(power, 'caution', enclosure),
  'power.minus5': entry(power, 'clash', enclosure),
  'power.plugs': entry(power, 'clash', enclosure),
  'power.form': entry(power, ['clash', 'caution'], enclosure),
  'bay.supply': entry(power, 'caution', enclosure),
  'bay.board': entry(power, 'clash', enclosure),

  'disk.limit': entry(at('disks'), ['caution', 'clash']),
  'disk.type': entry(at('disks'), 'note'),
  'disk.setup': entry(at('disks'), ['clash', 'caution']),
  'disk.firmware-base': entry(at('disks'), 'clash'),
  'floppy.rate': entry(at('disks'), ['clash', 'caution']),
  'drive.tried': entry(at('disks'), 'caution'),
  'floppy.bios': entry(at('disks'), ['clash', 'caution']),
  'floppy.start': entry(at('disks'), 'caution', { notPlanned: true }),
  'floppy.image': entry(at('disks'), 'note'),
  'floppy.dos': entry(at('disks'), 'clash'),
  'floppy.cable': entry(at('disks'), ['clash', 'caution']),
  'unknown.bios': entry(at('disks'), 'caution', { hides: 'other' }),

  'part.constraint': entry(at('switches'), 'clash'),
  'setting.unseen': entry(at('switches'), 'note', { hides: 'lines' }),
  'setting.unread': entry(at('lines'), 'note', { hides: 'lines' }),
  'setting.unknown': entry(at('switches'), 'caution', { hides: 'lines' }),
  'evidence.guess': entry(at('switches'), 'caution', { hides: 'lines' }),
  'evidence.conflict': entry(at('switches'), 'caution'),
  switch: entry(at('switches'), ['clash', 'stop', 'caution', 'note']),

  'part.bad': entry(at('parts'), 'clash'),
  'part.borrowed': entry(at('parts'), 'note'),
  'kit.missing': entry(at('parts'), 'note', { hides: 'other' }),

  'period.early': entry(fit('time'), ['caution', 'note'], { about: 'period' }),
  'period.late': entry(fit('time'), 'note', { about: 'period' }),
  'brief.off': entry(at('brief'), 'clash'),
  'brief.wish': entry(at('brief'), 'caution', { about: 'wish' }),
  'os.unknown': entry(at('brief'), 'caution', { hides: 'other' }),
  'os.cpu': entry(at('brief'), 'clash'),
  'os.memory': entry(at('brief'), 'clash'),
  'os.partition': entry(at('brief'), 'caution'),
  'os.disk': entry(at('brief'), 'clash'),
  'os.driver': entry(at('brief'), ['clash', 'caution'], { ofPart: true }),
  'software.cpu': programOf('clash'),
  'software.slow': programOf(['clash', 'caution']),
  'software.fast': programOf(['clash', 'caution']),
  'software.fpu': programOf(['clash', 'caution']),
  'software.base': programOf('clash'),
  'software.extended': programOf('clash'),
  'software.expanded': programOf('clash'),
  'software.display': programOf('clash'),
  'software.grey': programOf('caution'),
  'software.audio': programOf(['clash', 'caution']),
  'software.disk': programOf('clash'),
  'software.cdrom': programOf('clash'),
  'software.floppy': programOf('caution'),
  'software.ports': programOf(['clash', 'caution']),
  'software.dos': programOf('clash'),
  'software.windows': programOf('clash'),
  'video.memory': programOf('clash')
};

/** Every name of a rule. */
export const ruleIds = Object.keys(registry) as RuleId[];
