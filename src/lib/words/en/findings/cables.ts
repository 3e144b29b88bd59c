import type { Owner, Thing } from '../../../core/model';
import { and } from '../language';
import { ownerName, ownerShort, isOwner, the } from '../things';
import type { WordsOf } from './told';

const device = (d: Thing | Owner): string => (isOwner(d) ? ownerName(d) : the(d));
const short = (d: Thing | Owner): string => (isOwner(d) ? ownerShort(d) : d.name);

/** The form of a verb behind a list of devices. */
const behind = (list: readonly unknown[], one: string, many: string): string =>
  list.length === 1 ? one : many;

const ataWhy =
  'An ATA cable has one master (or a single drive) and one slave, or two drives on a cable-select cable.';
const st506Why =
  'The controller selects by a line of the cable; the twist in lines 25 to 29 swaps two of them.';
const idWhy = 'Each device on a SCSI bus has its own ID, 0 to 7; the adapter is usually 7.';
const endWhy = 'A SCSI bus is terminated at its two physical ends and nowhere else.';
const floppyWhy =
  'A floppy controller has a select and a motor line for each drive; the twist in lines 10 to 16 swaps them.';

export const cables: WordsOf<
  | 'ata.select'
  | 'st506.select'
  | 'scsi.id'
  | 'scsi.termination'
  | 'scsi.signals'
  | 'scsi.width'
  | 'scsi.power'
  | 'floppy.cable'
> = {
  'ata.select': (f) => {
    const told = (title: string, sentence: string) => ({ title, sentence, why: ataWhy });
    switch (f.why) {
      case 'both':
        return told(
          `${f.a.name} and ${f.b.name} are both jumpered as ${f.as}`,
          'Neither is found, or both answer at once: jumper one as master and one as slave.'
        );
      case 'mixed':
        return told(
          `${f.a.name} and ${f.b.name} are jumpered in two ways`,
          'Use cable select on both or on neither: beside a fixed master or slave both may come up as the same one.'
        );
      case 'cable-select':
        return told(
          `${f.a.name} and ${f.b.name} are both on cable select`,
          f.known
            ? 'This cable connects line 28 to both plugs, so both take themselves for the master and neither is found. Jumper one as master and one as slave.'
            : 'That needs a cable made for it (line 28 open at one plug). On a plain cable both take themselves for the master and neither is found.'
        );
      case 'only':
        return told(
          `${f.drive.name} is jumpered as the only drive`,
          'Some drives have another position for a master with a slave; without it the slave is not found.'
        );
      case 'lone-slave':
        return told(
          `${f.drive.name} is a slave without a master`,
          'Old controllers do not find it: jumper it as master or single.'
        );
    }
  },
  'st506.select': (f) => {
    const told = (title: string, sentence: string) => ({ title, sentence, why: st506Why });
    switch (f.why) {
      case 'floppy-cable':
        return told(
          `A floppy cable on ${ownerShort(f.controller)}`,
          'Its twist is in lines 10 to 16; a hard-disk cable has it in 25 to 29. The drive behind it is not selected.'
        );
      case 'unselected':
        return told(
          `${f.drive.name} is never selected`,
          `Jumpered as the ${f.unit} select on its plug, it listens to a line the controller does not use. On this cable it needs the ${f.wants} select.`
        );
      case 'both':
        return told(
          `${f.a.name} and ${f.b.name} both answer as disk ${f.as}`,
          f.twisted
            ? 'With the twisted cable jumper both as the second select; the twist tells them apart.'
            : 'On a straight cable one is the first select, the other the second.'
        );
      case 'no-first':
        return told(
          `${f.drive.name} answers as the second disk, and there is no first`,
          f.twisted
            ? 'The machine looks for disk 1 and finds none: put it on the end plug, behind the twist.'
            : 'The machine looks for disk 1 and finds none: jumper it as the first select.'
        );
      case 'open-end':
        return told(
          `${f.drive.name} ends the cable without a terminator`,
          'Signals reflect from the open end: errors come and go. The last drive keeps its terminator.'
        );
      case 'middle':
        return told(
          `${f.drive.name} is terminated in the middle`,
          'Only the last drive keeps its terminator; two overload the lines, and drives are not found.'
        );
    }
  },
  'scsi.id': (f) => {
    const told = (title: string, sentence: string) => ({ title, sentence, why: idWhy });
    switch (f.why) {
      case 'both':
        return told(
          `${f.a.name} and ${f.b.name} both have SCSI ID ${f.id}`,
          'Both answer at once: neither is found, or one shows up at every ID. Give each its own.'
        );
      case 'adapter':
        return told(
          `${f.drive.name} has the adapter’s ID`,
          'The host adapter is nearly always ID 7: give the drive one from 0 to 6.'
        );
      case 'no-zero':
        return told(
          'No disk has ID 0',
          'Most adapters boot from ID 0 only; some can be set otherwise in their own setup.'
        );
    }
  },
  'scsi.termination': (f) => {
    const told = (title: string, sentence: string) => ({ title, sentence, why: endWhy });
    if (f.why === 'unseen')
      return told(
        'Terminators nobody looked at',
        `They should be: ${f.ends.map((e) => `${device(e.device)}: ${e.fitted ? 'fitted' : 'removed'}`).join('; ')}. Look, and record it under Disks, Interfaces.`
      );
    return told(
      f.why === 'open-end'
        ? `${short(f.device)} ends the bus without terminators`
        : `${short(f.device)} is terminated in the middle`,
      `${device(f.device)} must ${f.why === 'open-end' ? 'have' : 'not have'} its terminators fitted. Otherwise drives come and go, or data is garbled.`
    );
  },
  'scsi.signals': ({ why, differential, other }) => {
    const names = and(other.map(device));
    return {
      title:
        why === 'apart'
          ? 'Differential and single-ended SCSI on one cable'
          : 'A differential device on this bus',
      sentence:
        why === 'apart'
          ? `Do not power on: ${and(differential.map(device))} ${behind(differential, 'drives', 'drive')} the cable with signal pairs, ${names} with single lines. Either can be destroyed. Take one kind off the cable.`
          : `${and(differential.map(device))} ${behind(differential, 'is', 'are')} differential. Look at ${names} before you connect them: on a single-ended bus either can be destroyed. A label with DIFF or HVD, or a symbol of two triangles one behind the other, says differential.`,
      why: 'Differential SCSI drives two lines for each signal; a single-ended device ties one of them to ground.'
    };
  },
  'scsi.width': ({ wide, narrow, adapterIsWide }) => ({
    title: 'Wide and narrow SCSI on one bus',
    sentence: adapterIsWide
      ? `${and(narrow.map(device))} ${behind(narrow, 'has', 'have')} 8 data lines, ${and(wide.map(device))} ${behind(wide, 'has', 'have')} 16. Connect the narrow ${behind(narrow, 'one', 'ones')} behind the wide ${behind(wide, 'one', 'ones')}, through an adapter that terminates the upper lines.`
      : `${and(wide.map(device))} ${behind(wide, 'has', 'have')} 16 data lines, the adapter has 8: ${behind(wide, 'it works', 'they work')} at 8 with an adapter from 68 to 50 pins that terminates the upper lines.`,
    why: 'The upper eight data lines must end in a terminator where the 50-pin cable begins.'
  }),
  'scsi.power': ({ fitted }) => ({
    title: 'Nothing powers the terminators',
    sentence: `${and(fitted.map(device))}: none of them puts terminator power on the cable. Turn it on at one, usually the adapter, by jumper or fuse.`,
    why: 'Terminators take their current from the TERMPWR line of the cable; without it the bus is not terminated at all.'
  }),
  'floppy.cable': (f) => {
    const told = (title: string, sentence: string) => ({ title, sentence, why: floppyWhy });
    switch (f.why) {
      case 'disk-cable':
        return told(
          `A hard-disk cable on ${ownerShort(f.controller)}`,
          'Its twist is in lines 25 to 29: a floppy drive behind it gets the wrong signals. A floppy cable has it in 10 to 16.'
        );
      case 'both':
        return told(
          `${f.a.name} and ${f.b.name} both answer as ${f.as}`,
          f.straight
            ? 'A straight cable serves one drive. Use one with a twist in lines 10 to 16.'
            : 'Connect one behind the twist (A:) and one before it (B:), both jumpered as the second select.'
        );
      case 'unselected':
        return told(
          `${f.drive.name} answers to no letter`,
          `Jumpered as the ${f.unit} select it listens to the motor or select line of another drive. The ${f.wants} select is right on this controller; the first is right only where a controller has one motor line for all drives.`
        );
      case 'no-a':
        return told(
          `${f.drive.name} is B:, and there is no A:`,
          'On a straight cable the drive is B:, and the machine does not boot from it. Use a cable with a twist, or the floppy swap of the BIOS setup.'
        );
    }
  }
};
