import { cablesOf, type Kit, hasOwnRom } from '../kit';
import { keyIn, type DriveInterface } from '../model';
import { interleaveRate } from '../storage';

/** What a bus carries of a disk, in MB/s: programmed transfer through an 8-bit slot, 16-bit ISA, local bus, PCI. */
const ceilings = { isa8: 0.9, isa16: 3, vlb: 11.1, pci: 16.7, board: 16.7 } as const;
/** Where a disk's words go through. */
export type DiskBus = keyof typeof ceilings;
/** PIO modes 0 to 4 in MB/s; 3 and 4 need flow control. */
export const pioModes = [3.3, 5.2, 8.3, 11.1, 16.7] as const;

/** What is to be known about an interface; `pio` is null where the bus is slower than mode 0. */
export type InterfaceNote = { grade: 'stop' | 'caution' | 'note' } & (
  | { is: 'plug'; interface: DriveInterface }
  | { is: 'rate'; bus: DiskBus; rate: number; pio: number | null }
  | { is: 'two-flash-cards' | 'flash-dma' | 'low-level-pair' | 'esdi-type' | 'no-low-level' }
);

/** What is to be known about the interface of a drive in this machine. */
export function interfaceNotes(kit: Kit, item: string): InterfaceNote[] {
  const cabled = cablesOf(kit).find((c) => c.drive.item.id === item);
  if (!cabled) return [];
  const { drive, controller } = cabled;
  const d = drive.part.drive;
  const out: InterfaceNote[] = [{ grade: 'note', is: 'plug', interface: d.interface }];
  if (controller && d.interface === 'ata') {
    const slot = kit.m.find(controller.item)?.slot;
    const bus = keyIn(ceilings, slot ? slot.bus : controller.onBoard ? 'board' : 'isa16') ?? 'isa16';
    const rate = ceilings[bus];
    const pio = pioModes.findLastIndex((mode) => mode <= rate + 0.01);
    out.push({ grade: 'note', is: 'rate', bus, rate, pio: pio < 0 ? null : pio });
  }
  const mates = cablesOf(kit).filter((c) => c.controller && c.controller === controller);
  const flash = mates.filter((c) => c.drive.part.drive.medium === 'flash');
  if (flash.length > 1 && d.medium === 'flash') out.push({ grade: 'caution', is: 'two-flash-cards' });
  if (d.medium === 'flash' && (kit.year ?? 9999) < 1996) out.push({ grade: 'note', is: 'flash-dma' });
  if (d.interface === 'st506' || d.interface === 'rll' || d.interface === 'esdi')
    out.push({ grade: 'caution', is: 'low-level-pair' });
  if (d.interface === 'esdi' && controller && hasOwnRom(kit, controller))
    out.push({ grade: 'note', is: 'esdi-type' });
  if (d.interface === 'ata' || d.interface === 'xta') out.push({ grade: 'caution', is: 'no-low-level' });
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
