import { cablesOf, type Kit, hasOwnRom } from '../kit';
import type { DriveInterface } from '../model';
import { interleaveRate } from '../storage';

/** What a bus carries of a disk, in MB/s: programmed transfer through an 8-bit slot, 16-bit ISA, local bus, PCI. */
const ceilings: Record<string, { words: string; rate: number }> = {
  isa8: { words: 'an 8-bit ISA slot', rate: 0.9 },
  isa16: { words: 'a 16-bit ISA slot', rate: 3 },
  vlb: { words: 'a local-bus slot', rate: 11.1 },
  pci: { words: 'a PCI slot', rate: 16.7 },
  board: { words: 'the board', rate: 16.7 }
};
/** PIO modes 0 to 4 in MB/s; 3 and 4 need flow control. */
export const pioModes = [3.3, 5.2, 8.3, 11.1, 16.7] as const;

export interface InterfaceNote {
  text: string;
  grade: 'stop' | 'caution' | 'note';
}

const plugs: Record<DriveInterface, string> = {
  st506: '34 and 20 pins, MFM: not RLL and not ESDI, though the plugs are the same',
  rll: '34 and 20 pins, RLL: a drive rated for MFM may not hold it',
  esdi: '34 and 20 pins, ESDI: not ST-506, though the plugs are the same',
  xta: '40 pins, 8-bit IDE: not ATA in either direction, though the plug is the same',
  ata: '40 or 44 pins, ATA',
  scsi: '50 pins, SCSI: a number of its own, terminated at the two ends of the cable',
  floppy: '34 pins, floppy',
  'cd-panel': '40 pins or fewer for one maker’s CD-ROM: not ATA',
  'one-cable':
    'one cable with power inside, for one system board: no other drive fits it; a replacement is a drive on a card, powered from the slot',
  usb: 'USB'
};

/** What is to be known about the interface of a drive in this machine. */
export function interfaceNotes(kit: Kit, item: string): InterfaceNote[] {
  const cabled = cablesOf(kit).find((c) => c.drive.item.id === item);
  if (!cabled) return [];
  const { drive, controller } = cabled;
  const d = drive.part.drive;
  const out: InterfaceNote[] = [{ grade: 'note', text: plugs[d.interface] }];
  if (controller) {
    const slot = kit.m.find(controller.item)?.slot;
    const bus = slot ? slot.bus : controller.onBoard ? 'board' : 'isa16';
    const { words, rate } = ceilings[bus] ?? ceilings.isa16;
    if (d.interface === 'ata')
      out.push({
        grade: 'note',
        text: `Through ${words} at most about ${rate} MB/s: ${rate < pioModes[0] ? 'less than PIO mode 0' : `PIO mode ${pioModes.findLastIndex((m) => m <= rate + 0.01)}`}.`
      });
  }
  const mates = cablesOf(kit).filter((c) => c.controller && c.controller === controller);
  const flash = mates.filter((c) => c.drive.part.drive.medium === 'flash');
  if (flash.length > 1 && d.medium === 'flash')
    out.push({
      grade: 'caution',
      text: 'Two flash cards on one cable: an old host may find neither. Try one alone first.'
    });
  if (d.medium === 'flash' && (kit.year ?? 9999) < 1996)
    out.push({
      grade: 'note',
      text: 'A card that insists on fast DMA may not be found by an old host: try an older card before you look for another fault.'
    });
  if (d.interface === 'st506' || d.interface === 'rll' || d.interface === 'esdi')
    out.push({
      grade: 'caution',
      text: 'The low-level format belongs to this drive with this controller: on another controller it is made anew, and everything is lost.'
    });
  if (d.interface === 'esdi' && controller && hasOwnRom(kit, controller))
    out.push({
      grade: 'note',
      text: 'The setup says “not installed”; some ESDI controllers want type 1 there instead.'
    });
  if (d.interface === 'ata' || d.interface === 'xta')
    out.push({
      grade: 'caution',
      text: 'Never low-level format it: its tracks were written at the factory.'
    });
  return out;
}

export interface Interleave {
  step: number;
  bytesPerSecond: number;
  /** Controllers of this class mostly miss the next sector; keep up; or wait longer than they need. */
  verdict: 'tight' | 'fits' | 'slow';
}

/** First year in which AT-class controllers as a rule read a whole track in one revolution. */
const KEEPS_UP = 1989;

/**
 * Interleave steps for an MFM or RLL drive with what each lets through when the controller keeps up.
 * @param since year in which the controller was first sold; null where nobody knows
 */
export function interleaves(
  sectorsATrack: number,
  isXt: boolean,
  since: number | null = null,
  rpm = 3600
): Interleave[] {
  const least = isXt ? 3 : since !== null && since >= KEEPS_UP ? 1 : 2;
  return [1, 2, 3, 4, 5, 6].map((step) => ({
    step,
    bytesPerSecond: interleaveRate(rpm, sectorsATrack, step),
    verdict: step < least ? 'tight' : isXt || step <= 3 ? 'fits' : 'slow'
  }));
}

/** Steps of a low-level format, from the controller's own ROM. */
export const lowLevelSteps: readonly string[] = [
  'Copy everything off first: nothing survives.',
  'Let the drive run for half an hour, lying as it will lie in the machine.',
  'Start a debugger from a floppy and go to the ROM of the controller, mostly at its segment, offset 5 (g=c800:5).',
  'Give drive, geometry and interleave as above, and the bad tracks from the label.',
  'Partition and format again. If throughput falls to one sector a turn the interleave is one step too tight.'
];
