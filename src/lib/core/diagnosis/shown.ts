import { emptyFirst, isFirst } from '../boards';
import type { Kit } from '../kit';
import type { Owner } from '../model';
import type { Finding, FindingOf, RuleId } from '../rules';
import type { Era } from './families';
import type { Effect } from './effect';

/** Why a finding does not show at a start. */
export type NoShow =
  /** It cannot be put together so: it shows before power. */
  | 'fit'
  /** It shows in a program, in DOS or Windows, or as lost speed. */
  | 'use'
  /** A caution, a note or a wish: not known to be wrong. */
  | 'hint';

type Shows<R extends RuleId> = Effect | NoShow | ((f: FindingOf<R>, kit: Kit, era: Era) => Effect | NoShow);

const dead: Effect = { at: 'display', stops: 0.95 };
const noBoot: Effect = { at: 'boot', stops: 0.6, says: 'no-boot' };
/** Without the disk the machine may still start from a floppy. */
const noDisk: Effect = { at: 'disk', stops: 0.1, says: 'disk', then: noBoot };
const noFloppy: Effect = { at: 'floppy', stops: 0.05, says: 'floppy' };

type FunctionKind = Owner['kind'];

/** What is missed at a start when a function is not found. */
function lost(kinds: readonly FunctionKind[]): Effect | NoShow {
  if (kinds.includes('display')) return dead;
  if (kinds.includes('hard-disk') || kinds.includes('scsi')) return noDisk;
  if (kinds.includes('floppy')) return noFloppy;
  if (kinds.includes('keyboard')) return { at: 'keyboard', stops: 0.1, says: 'keyboard' };
  return kinds.length ? { at: 'config', stops: 0.1 } : 'use';
}
const kindsOn = (kit: Kit, item: string | undefined): FunctionKind[] =>
  (item === undefined ? [] : (kit.m.find(item)?.part.functions ?? [])).map((f) => f.kind);
const lostPart = (f: Finding, kit: Kit) => lost(kindsOn(kit, f.subjects[0]?.item));

/** The drives on one cable or one plug: which of them is meant says the subject. */
function lostDrive(f: Finding, kit: Kit): Effect | NoShow {
  const media = f.subjects.map((s) => kit.drives.find((d) => d.item.id === s.item)?.part.drive?.medium);
  return media.includes('floppy') ? noFloppy : media.includes('hard') ? noDisk : 'use';
}

type LineRule = 'line.irq' | 'line.dma' | 'line.io' | 'line.memory';
const kindsOf = (f: FindingOf<LineRule>): FunctionKind[] => [f.facts.a.kind, f.facts.b.kind];
/** What a driver or a program wants shows when it is loaded; what the BIOS itself runs shows as it looks for it. */
const onLine =
  (late: Effect) =>
  (f: FindingOf<LineRule>): Effect => {
    const kinds = kindsOf(f);
    if (kinds.includes('system')) return { at: 'timer', stops: 0.3 };
    if (kinds.includes('hard-disk')) return { ...noDisk, stops: 0.2 };
    return kinds.includes('floppy') ? { ...noFloppy, stops: 0.1 } : late;
  };

/** Kinds that have a ROM, or memory that the BIOS looks through for ROMs. */
const HAS_ROM: readonly FunctionKind[] = ['hard-disk', 'scsi', 'rom', 'network', 'floppy'];
function onAddress(f: FindingOf<'line.memory'>): Effect {
  const from = f.line?.from ?? 0;
  if (kindsOf(f).includes('display') || (from >= 0xa0000 && from < 0xc0000))
    return { at: 'display', stops: 0.6 };
  if (from < 0xa0000) return { at: 'count', stops: 0.5, says: 'memory' };
  return kindsOf(f).some((k) => HAS_ROM.includes(k))
    ? { at: 'roms', stops: 0.6, says: 'rom' }
    : { at: 'config', stops: 0.3 };
}

/** The first bank is needed to begin at all; the rest only for the count. */
function inBank(kit: Kit, bank: string, stops: number): Effect {
  const banks = kit.memory?.banks ?? [];
  return banks.some((b) => (b.label ?? b.id) === bank && isFirst(banks, b))
    ? { at: 'memory', stops }
    : kit.facts.class === 'at'
      ? { at: 'count', stops: 0.1, says: 'memory-size' }
      : { at: 'count', stops: 0.3, says: 'memory' };
}

/** A setting that says something else than what is in the machine. */
function wrongSwitch(f: FindingOf<'switch'>, kit: Kit): Effect | NoShow {
  const { fact, more } = f.facts;
  switch (fact) {
    case 'banks':
    case 'memory-kib':
      return more ? { at: 'count', stops: 0.8, says: 'memory' } : { at: 'count', stops: 0 };
    case 'floppies':
      return more ? { at: 'floppy', stops: 0, says: 'floppy' } : 'use';
    case 'cache-kib':
      return more ? { at: 'system', stops: 0.5 } : 'use';
    case 'wait-states':
      return f.severity === 'caution' ? { at: 'count', stops: 0.2, says: 'memory' } : 'use';
    case 'vlb-mhz':
      return f.severity === 'clash' ? { at: 'boot', stops: 0.3 } : 'use';
    case 'battery':
      return { at: 'setup', stops: 0, says: 'settings' };
    case 'keyboard':
      return { at: 'keyboard', stops: 0.1, says: 'keyboard' };
    case 'bus-width':
      return lostPart(f, kit);
    default:
      return 'use';
  }
}

/**
 * How each finding shows at a start, or why it does not. Where it stops the machine, the chance; what is named by
 * `says` is read on the screen where it does not stop. From the usual behaviour of BIOSes; the chances are estimates.
 */
export const shows: { readonly [R in RuleId]: Shows<R> } = {
  'line.irq': onLine({ at: 'config', stops: 0.2 }),
  'line.dma': onLine({ at: 'config', stops: 0.1 }),
  'line.io': (f) => {
    // Of a display only the first ports are needed to show a picture; those of accelerators come later.
    const from = f.line?.from ?? 0;
    return kindsOf(f).includes('display') && from >= 0x3b0 && from <= 0x3df
      ? { at: 'display', stops: 0.7 }
      : onLine({ at: 'config', stops: 0.3 })(f);
  },
  'line.memory': onAddress,
  'line.more': 'use',
  'line.share-unused': 'hint',
  'line.share-idle': 'hint',
  'slot.reach': (f) => lost([f.facts.owner.kind]),
  'rom.window': (f) => (f.facts.owner.kind === 'display' ? dead : { at: 'roms', stops: 0, isMissing: true }),
  'rom.16bit': 'hint',
  'pci.interrupt': { at: 'config', stops: 0.1 },
  'audio.profile': 'use',
  'port.numbering': 'hint',
  'serial.buffer': 'use',
  'acpi.irq9': 'hint',
  'unknown.lines': 'hint',
  'unknown.routing': 'hint',

  'slot.kind': (f, kit) =>
    f.facts.why.why === 'card-select' || f.facts.why.why === 'bus-master' ? lostPart(f, kit) : 'fit',
  'slot.width': (f, kit) => (f.facts.state === 'cannot' ? lostPart(f, kit) : 'hint'),
  'slot.untried': 'hint',
  'slot.taken': 'fit',
  'slot.shared': 'fit',
  'slot.none': 'hint',
  'board.second': 'hint',
  'slot.length': 'fit',
  'slot.skirt': 'fit',
  'cpu.socket': (f) => (f.facts.why === 'family' ? { at: 'fetch', stops: 0.6 } : 'fit'),
  'cpu.voltage': { at: 'fetch', stops: 0.8 },
  'cpu.voltage-low': { at: 'fetch', stops: 0.7 },
  'cpu.voltage-unknown': 'hint',
  'cpu.carrier': 'fit',
  // The floppy is read by DMA: the BIOS finds in memory what was there before.
  'cpu.writes': noBoot,
  'cpu.split': { at: 'fetch', stops: 0.3 },
  'cpu.clock': { at: 'fetch', stops: 0.5 },
  'cpu.bus': 'hint',
  'cpu.slow': 'use',
  'cpu.multiplier': 'use',
  'fpu.kind': (f) =>
    f.facts.why === 'pair' ? { at: 'fetch', stops: 0.2 } : f.facts.why === 'slow' ? 'use' : 'fit',
  'fpu.switch': 'use',
  'cpu.oscillator': 'use',
  'vlb.load': { at: 'display', stops: 0.3 },
  'vlb.speed': 'hint',
  'isa.clock': { at: 'display', stops: 0.3 },
  'pnp.nobios': 'hint',
  'battery.leak': 'hint',
  'clock.century': 'hint',
  'keyboard.protocol': { at: 'keyboard', stops: 0.1, says: 'keyboard' },
  'keyboard.switch': 'hint',
  'keyboard.plug': 'fit',
  'unknown.board': 'hint',

  'memory.bank': (f, kit) => inBank(kit, f.facts.bank, 0.8),
  'memory.mixed': (f, kit) => inBank(kit, f.facts.bank, 0.5),
  'memory.loose': 'fit',
  'memory.first': { at: 'memory', stops: 0.8 },
  'memory.filling': (_, kit) =>
    kit.memory && emptyFirst(kit.memory.banks, (b) => Boolean(kit.banks.get(b.id)?.length))
      ? { at: 'memory', stops: 0.8 }
      : kit.facts.class === 'at'
        ? { at: 'count', stops: 0, says: 'memory-size' }
        : { at: 'count', stops: 0.3, says: 'memory' },
  'memory.kind': (f, kit) => (f.facts.why === 'form' ? 'fit' : inBank(kit, f.facts.bank, 0.8)),
  'memory.apart': { at: 'memory', stops: 0.2 },
  'memory.supplies': { at: 'memory', stops: 0.8 },
  'memory.edo': 'hint',
  'memory.speed': 'hint',
  'memory.parity': { at: 'count', stops: 0.8, says: 'memory' },
  'memory.card': (f) =>
    f.facts.isGap
      ? { at: 'count', stops: 0, says: 'memory-size' }
      : { at: 'count', stops: 0.4, says: 'memory' },
  'memory.backfill': { at: 'count', stops: 0, says: 'memory-size' },
  'memory.sides': 'hint',
  'memory.reach': 'hint',
  'memory.shown': 'hint',
  'dma.reach16m': 'hint',

  'video.danger': (f) => (f.facts.unlooked ? 'hint' : { at: 'display', stops: 0, dark: true }),
  'video.signal': (f) => (f.facts.why === 'no-card' ? dead : { at: 'display', stops: 0, dark: true }),
  'video.modes': 'use',
  'video.flat': 'hint',
  'video.grey': 'hint',
  // The first BIOSes go by the switch alone; later ones look for the card and complain. Set for a card with its own
  // BIOS they start no display at all, and say nothing of it.
  'video.switch': (f, kit) =>
    f.facts.harmless || f.facts.assumed || f.facts.unlooked !== null
      ? 'hint'
      : kit.facts.class === 'xt' && f.facts.set === 'own-bios'
        ? { at: 'display', stops: 0, dark: true }
        : { at: 'display', stops: kit.facts.class === 'xt' ? 0.9 : 0.3, says: 'display-type' },
  'video.two': { at: 'display', stops: 0.7 },
  'video.second': 'hint',
  'video.pass': 'use',

  'disk.interface': lostDrive,
  'disk.coding': 'use',
  'disk.controller-twice': 'hint',
  'disk.power': lostDrive,
  'disk.rom': noBoot,
  'disk.boot': 'hint',
  'rom.unscanned': (f, kit) => (kindsOn(kit, f.subjects[0]?.item).includes('display') ? dead : noBoot),
  'bay.size': 'fit',
  'bay.rails': 'fit',
  'ata.select': { ...noDisk, stops: 0.3 },
  'st506.select': { ...noDisk, stops: 0.3 },
  'scsi.id': { at: 'roms', stops: 0.3, says: 'disk' },
  // The drivers of both ends work against each other.
  'scsi.signals': { at: 'roms', stops: 0.3, says: 'disk' },
  'scsi.width': 'hint',
  'scsi.power': 'hint',
  'scsi.termination': { at: 'roms', stops: 0.2, says: 'disk' },

  'power.minus5-dram': { at: 'memory', stops: 1 },
  'power.rail': { at: 'fetch', stops: 0.2, power: { runs: 0.7, twitch: 0.3 } },
  'power.start': 'hint',
  // It was seen already: the meter says so, and no setting.
  'power.rails': 'hint',
  'power.least': 'hint',
  'power.minus5': 'use',
  // Leads for drives: which drive goes without is the builder's choice.
  'power.plugs': (_, kit) =>
    kit.drives.some((d) => d.part.drive?.medium === 'hard') ? { ...noDisk, stops: 0.05 } : noFloppy,
  'power.form': 'fit',
  'bay.supply': 'fit',
  'bay.board': 'fit',

  'disk.limit': { at: 'system', stops: 0.6, says: 'no-system' },
  'disk.type': 'use',
  'disk.setup': { at: 'system', stops: 0.6, says: 'no-system' },
  'disk.firmware-base': noBoot,
  'floppy.rate': 'use',
  'drive.tried': 'hint',
  'floppy.bios': { at: 'floppy', stops: 0, says: 'floppy' },
  'floppy.start': noBoot,
  'floppy.image': 'hint',
  'floppy.dos': 'use',
  'floppy.cable': noFloppy,
  'unknown.bios': 'hint',

  'part.constraint': lostPart,
  'setting.unseen': 'hint',
  'setting.unread': 'hint',
  'setting.unknown': 'hint',
  'evidence.guess': 'hint',
  'evidence.conflict': 'hint',
  switch: wrongSwitch,

  'kit.missing': 'hint',
  'part.bad': (f, kit) => lostPart(f, kit),
  'part.borrowed': 'hint',
  'bay.no-battery': 'hint',
  'bay.out': 'hint',

  'period.early': 'hint',
  'period.late': 'hint',
  'brief.off': 'use',
  'brief.wish': 'hint',
  'os.unknown': 'hint',
  'os.cpu': { at: 'system', stops: 0.8 },
  'os.memory': { at: 'system', stops: 0.5 },
  'os.partition': 'hint',
  'os.disk': 'use',
  'os.driver': { at: 'config', stops: 0.2 },
  'software.cpu': 'use',
  'software.slow': 'use',
  'software.fast': 'use',
  'software.fpu': 'use',
  'software.base': 'use',
  'software.extended': 'use',
  'software.expanded': 'use',
  'software.display': 'use',
  'software.audio': 'use',
  'software.disk': 'use',
  'software.cdrom': 'use',
  'software.floppy': 'use',
  'software.grey': 'use',
  'software.ports': 'use',
  'software.dos': 'use',
  'software.windows': 'use',
  'video.memory': 'use'
};

/** Known to be wrong: a stop, a clash, or a switch that says what is not so. All else is a hint. */
const isKnown = ({ severity, rule }: Finding): boolean =>
  severity === 'stop' || severity === 'clash' || (rule === 'switch' && severity === 'caution');

/** How a finding shows at a start of this machine, or why it does not. */
export function shownBy(f: Finding, kit: Kit, era: Era): Effect | NoShow {
  if (!isKnown(f)) return 'hint';
  const told = shows[f.rule] as Shows<never>;
  return typeof told === 'function' ? told(f as never, kit, era) : told;
}
