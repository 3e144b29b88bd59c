import type { LinkCaution, Needed, Step } from '../../core/route-in';
import { floppyName } from '../../core/storage';
import { aFamily } from './things';

/** What a link needs, as it stands in a list. */
export function neededWords(needed: Needed): string {
  switch (needed.is) {
    case 'floppy-drive':
      return `a drive that reads ${floppyName(needed.kib)}`;
    case 'floppy-controller':
      return `a floppy controller of ${needed.kbit} kbit/s${needed.ownRom ? ' with a ROM of its own' : ''}`;
    case 'dos':
      return `DOS ${needed.version} or later`;
    case 'packet-driver':
      return `its packet driver (${needed.file})${needed.byAnotherWay ? ' on the machine, by another way first' : ''}`;
    case 'packet-driver-for':
      return `a packet driver that runs on ${aFamily(needed.cpu)}`;
    default:
      return things[needed.is];
  }
}

const things = {
  'usb-floppy': 'a USB floppy drive',
  'card-reader': 'a card reader',
  'flash-card': 'a flash card',
  'card-bracket': 'a card bracket',
  'ata-channel': 'an ATA channel',
  'ata-controller': 'an ATA controller',
  'xt-disk-adapter': 'an 8-bit disk adapter with ROM',
  'serial-port': 'a serial port',
  'null-modem': 'a null-modem cable',
  'usb-serial': 'a USB serial adapter for today’s computer',
  'started-system': 'a system that starts',
  'network-card': 'a network card',
  'unknown-driver': 'its driver on the machine (by another way first)',
  'floppy-emulator': 'a floppy emulator'
};

/** What to do on a link. */
export function stepWords(step: Step): string {
  switch (step.is) {
    case 'write-floppy':
      return `Write the files to a ${floppyName(step.kib)} floppy on today’s computer.`;
    case 'fill-card':
      return 'Copy the files to the flash card in a reader.';
    case 'fill-stick':
      return 'Put floppy images on a USB stick.';
    case 'read-floppy':
      return `Read the ${floppyName(step.kib)} floppy on ${step.on}.`;
    case 'write-there':
      return `Write a ${floppyName(step.kib)} floppy on ${step.on} (${step.drive}).`;
    case 'choose-image':
      return `Choose the image on the floppy emulator of ${step.on}.`;
    case 'put-card':
      return `Put the flash card into ${step.on}, switched off.`;
    case 'serial':
      return `Send the files over a serial cable; ${step.on} must have started DOS already.`;
    case 'network':
      return `Copy over the network; the driver must be on ${step.on} already.`;
  }
}

/** What to heed on a link. */
export function linkCautionWords(caution: LinkCaution): string {
  switch (caution.is) {
    case 'real-720k':
      return 'Use a real 720K floppy, without the second hole.';
    case 'narrow-tracks':
      return 'Format an unused floppy there: a 1.2M drive writes narrow tracks, and an old wide one may stay readable beneath.';
    case 'partition-here':
      return 'Partition the card on this machine: made elsewhere with other heads it reads as garbage.';
    case 'no-receiver':
      return 'Its DOS has no receiving program: type in a short one, or send with a terminal.';
    case 'slow-port':
      return `Start at 9,600 baud, six hours for 20 MB: a port that holds one character manages 38,400 at best${caution.isXt ? ', on an 8088 often less' : ''}.`;
    case 'isolated':
      return 'An old system gets no security updates: an isolated network only.';
    case 'driver-line':
      return 'The BIOS does not know this drive: a driver line (DRIVER.SYS or DRIVPARM) makes it work after the start, not for starting from it.';
    case 'small-images':
      return `Use images of ${floppyName(caution.kib)}: more than that this controller and BIOS do not take.`;
  }
}
