import type { DiskBus, InterfaceNote } from '../../core/disks';
import type { DriveInterface } from '../../core/model';

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

const buses: Record<DiskBus, string> = {
  isa8: 'an 8-bit ISA slot',
  isa16: 'a 16-bit ISA slot',
  vlb: 'a local-bus slot',
  pci: 'a PCI slot',
  board: 'the board'
};

/** What is to be known about the interface of a drive. */
export function interfaceWords(note: InterfaceNote): string {
  switch (note.is) {
    case 'plug':
      return plugs[note.interface];
    case 'rate':
      return `Through ${buses[note.bus]} at most about ${note.rate} MB/s: ${note.pio === null ? 'less than PIO mode 0' : `PIO mode ${note.pio}`}.`;
    case 'two-flash-cards':
      return 'Two flash cards on one cable: an old host may find neither. Try one alone first.';
    case 'flash-dma':
      return 'A card that insists on fast DMA may not be found by an old host: try an older card before you look for another fault.';
    case 'low-level-pair':
      return 'The low-level format belongs to this drive with this controller: on another controller it has to be done again, and everything is lost.';
    case 'esdi-type':
      return 'The setup says “not installed”; some ESDI controllers want type 1 there instead.';
    case 'no-low-level':
      return 'Never low-level format it: its tracks were written at the factory.';
  }
}

/** Steps of a low-level format, from the controller's own ROM. */
export const lowLevelSteps: readonly string[] = [
  'Copy everything off first: nothing survives.',
  'Let the drive run for half an hour, lying as it will lie in the machine.',
  'Start a debugger from a floppy and go to the ROM of the controller, mostly at its segment, offset 5 (g=c800:5).',
  'Give drive, geometry and interleave as above, and the bad tracks from the label.',
  'Partition and format again. If throughput falls to one sector a turn the interleave is one step too tight.'
];
