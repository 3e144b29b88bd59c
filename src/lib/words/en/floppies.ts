import type { FloppyNote, Link } from '../../core/disks';
import { tell } from './findings';
import { findingOf } from '../../core/rules';
import { floppyName, ownerName } from './things';

/** The links of a floppy chain by name. */
export const linkName: Record<Link['what'], string> = {
  controller: 'controller',
  rate: 'data rate',
  bios: 'BIOS',
  dos: 'DOS',
  cable: 'cable'
};

/** What a link is, or why it fails. */
export function linkWords(link: Link): string {
  switch (link.what) {
    case 'controller':
      if (!link.controller) return 'no floppy controller has a connection left';
      return link.isOn
        ? `connected to ${ownerName(link.controller)}`
        : `${ownerName(link.controller)} is switched off`;
    case 'rate':
      return link.ok
        ? `the controller has the ${link.needed} kbit/s that ${floppyName(link.kib)} needs`
        : `${floppyName(link.kib)} needs ${link.needed} kbit/s, and the controller has ${link.most} at most`;
    case 'bios': {
      if (link.knows === null) return 'nobody has described which floppy drives the BIOS supports';
      const name = floppyName(link.kib);
      if (link.by === 'bios') return `the BIOS supports ${name}`;
      if (link.by === 'rom') return `the controller’s own ROM supports ${name}`;
      const most = floppyName(link.knows);
      return link.by === 'driver'
        ? `the BIOS supports up to ${most}; a driver line makes it work once DOS is up`
        : `the BIOS supports up to ${most}`;
    }
    case 'dos':
      return link.dos === null
        ? 'no DOS has been chosen'
        : `${floppyName(link.kib)} came with DOS ${link.needs}; the brief has ${link.dos}`;
    case 'cable':
      if (link.plug === null) return 'a cable carries two drives';
      return link.fault
        ? tell(findingOf(link.fault)).sentence
        : `on plug ${link.plug}${link.behindTwist ? ', behind the twist' : ''}`;
  }
}

export const floppyNote: Record<FloppyNote, string> = {
  'narrow-track':
    'What it writes on a 360K disk may not be readable in a 360K drive: its tracks are narrower.',
  'own-rom':
    'This controller has its own ROM: set the board for no floppy drives, give the ROM a window, and leave IRQ 6, DMA 2 and 3F0h to one controller.',
  emulator:
    'An emulator counts as a drive: set its select jumper as for any drive, and use one image format at a time.',
  'high-density': 'A high-density disk formatted as 720K without its hole covered fails in other drives.'
};
