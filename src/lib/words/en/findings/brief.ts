import type { Ability, FunctionKind, Picture, Thing, Wish } from '../../../core/model';
import type { FactsOf } from '../../../core/rules';
import { and, counted, kib, or } from '../language';
import { slowWay } from '../boot-programs';
import { aFamily, floppyName, ownerName, the, windowsName } from '../things';
import type { Told, WordsOf } from './told';

const haves: Record<Extract<Wish, { kind: 'have' }>['what'], string> = {
  network: 'a network card',
  scsi: 'a SCSI adapter',
  cdrom: 'a CD-ROM drive',
  midi: 'a MIDI interface',
  game: 'a game port',
  modem: 'a modem',
  mouse: 'a mouse',
  'floppy-5': 'a 5.25 inch floppy drive',
  'floppy-3': 'a 3.5 inch floppy drive',
  fpu: 'an FPU',
  usb: 'USB'
};

const inHand = (card: Thing): string =>
  `${the(card)} has it, but is in no slot that takes it. Choose one for it.`;

function wishWords({ wish, part, free = 0, waiting, off }: FactsOf['brief.wish']): string {
  switch (wish.kind) {
    case 'keep':
      return `You want ${part} kept, and it is not in the machine.`;
    case 'never':
      return `You do not want ${part}, and it is in the machine.`;
    case 'emulator-outside':
      return 'You want the floppy emulator outside the case, and it is inside.';
    case 'original-look':
      return 'Something on the front was not there when the machine was sold.';
    case 'real-disk':
      return 'You want a real spinning hard disk, and there is none.';
    case 'colour':
      return waiting
        ? `You want a picture in colour: ${inHand(waiting)}`
        : 'You want a picture in colour, and card or monitor has none.';
    case 'quiet':
      return 'You want no spinning hard disk, and there is one.';
    case 'spare-slots':
      return `You want ${counted('slot', 'slots')(wish.count)} free, and there ${free === 1 ? 'is' : 'are'} ${free}.`;
    case 'have':
      return waiting
        ? `You want ${haves[wish.what]}: ${inHand(waiting)}`
        : off
          ? `You want ${haves[wish.what]}, and ${ownerName(off)} is switched off.`
          : `You want ${haves[wish.what]}, and there is none.`;
  }
}

const abilities: Record<Ability, string> = {
  fm: 'FM music',
  'stereo-fm': 'stereo FM',
  digital8: '8-bit digital sound',
  digital16: '16-bit digital sound',
  codec: 'codec sound',
  'midi-port': 'a MIDI interface',
  wavetable: 'a wavetable',
  'cd-audio': 'CD audio',
  speech: 'speech',
  tones: 'the three-voice card'
};
const pictures: Partial<Record<Picture, string>> = {
  text: 'text',
  'mono-graphics': 'monochrome graphics',
  cga: 'CGA graphics',
  ega: 'EGA graphics',
  mcga: 'MCGA graphics',
  vga: 'VGA graphics',
  '640x480x8': '640 × 480 in 256 colours',
  '800x600x8': '800 × 600 in 256 colours',
  '800x600x16': '800 × 600 in high colour',
  '1024x768x8': '1024 × 768 in 256 colours',
  '3d': '3D graphics'
};
const picture = (p: Picture): string => pictures[p] ?? p;
const functions: Partial<Record<FunctionKind, string>> = {
  game: 'a game port',
  midi: 'a MIDI interface',
  scanner: 'a scanner interface',
  serial: 'a serial port',
  parallel: 'a printer port',
  network: 'a network card',
  modem: 'a modem',
  mouse: 'a mouse'
};

/** A program that lacks something: the same title and reason, whatever it is. */
const lacks =
  <F extends { program: string; year: number | null }>(say: (f: F) => string) =>
  (f: F): Told => ({
    title: `${f.program} will not run properly`,
    sentence: say(f),
    why: `${f.program}${f.year ? ` (${f.year})` : ''} was written for such a machine.`
  });

const systemWhy = 'An operating system has a minimum machine of its own.';
const driverWhy = 'A driver is a program: it needs a certain CPU and a certain system.';
const periodWhy = 'The brief gives the machine a date.';
export const brief: WordsOf<
  | 'period.early'
  | 'period.late'
  | 'brief.wish'
  | 'os.unknown'
  | 'os.cpu'
  | 'os.memory'
  | 'os.partition'
  | 'os.disk'
  | 'os.driver'
  | 'software.cpu'
  | 'software.slow'
  | 'software.fast'
  | 'software.fpu'
  | 'software.base'
  | 'software.extended'
  | 'software.expanded'
  | 'video.memory'
  | 'software.display'
  | 'software.grey'
  | 'software.audio'
  | 'software.disk'
  | 'software.cdrom'
  | 'software.floppy'
  | 'software.ports'
  | 'software.dos'
  | 'software.windows'
> = {
  'period.early': ({ part, from, date }) => ({
    title: `${part.name} is too recent`,
    sentence: `${the(part)} was first sold in ${from}, and the target date is ${date}.`,
    why: periodWhy
  }),
  'period.late': ({ part, to, date }) => ({
    title: `${part.name} was old by then`,
    sentence: `${the(part)} was last sold in ${to}, and the target date is ${date}.`,
    why: periodWhy
  }),
  'brief.wish': (f) => ({
    title: 'Does not meet the brief',
    sentence: wishWords(f),
    why: 'What you ask for in the brief is a condition.'
  }),
  'os.unknown': ({ os }) => ({
    title: `“${os}” is no system known here`,
    sentence:
      'No version of DOS or Windows can be read from it, so nothing is checked of what it needs: CPU, memory, disk, drivers, start files. Write a version, such as DOS 6.22 or Windows 98.',
    why: systemWhy
  }),
  'os.cpu': ({ system, family: has, needs }) => ({
    title: `${system} does not run on ${aFamily(has)}`,
    sentence: `It needs ${aFamily(needs)} or later and stops while starting.`,
    why: systemWhy
  }),
  'os.memory': ({ system, needsKiB, of, hasKiB }) => ({
    title: `Too little memory for ${system}`,
    sentence:
      of === 'base'
        ? `It needs ${kib(needsKiB)} of conventional memory, and there ${hasKiB ? `are ${kib(hasKiB)}` : 'is none'}.`
        : `It needs ${kib(needsKiB)} above the first MiB, and there ${hasKiB ? `are ${kib(hasKiB)}` : 'is none'}.`,
    why: systemWhy
  }),
  'os.partition': ({ dos, mostMiB, diskMiB }) => ({
    title: `DOS ${dos} uses ${mostMiB} MiB of the disk`,
    sentence: `It makes one partition of at most ${mostMiB} MiB; the rest of ${diskMiB} MiB stays unused. DOS 3.3 makes several, 4.0 and later make larger ones.`,
    why: systemWhy
  }),
  'os.disk': ({ system, needsMiB, diskMiB }) => ({
    title: `Too little disk for ${system}`,
    sentence: `It needs about ${needsMiB} MiB, and the largest disk has ${diskMiB}.`,
    why: systemWhy
  }),
  'os.driver': (f) => ({
    title:
      f.why === 'cpu'
        ? `The driver of ${f.part.name} does not run on ${aFamily(f.family)}`
        : `The driver of ${f.part.name} needs ${f.why === 'windows' ? 'Windows' : 'a later DOS'}`,
    sentence:
      f.why === 'cpu'
        ? `It is written for ${aFamily(f.needs)} or later: it hangs or stops while loading, and ${the(f.part)} cannot be used.`
        : f.why === 'windows'
          ? `There is a driver for Windows ${windowsName(f.needs)} only, so ${the(f.part)} cannot be used under the system of the brief.`
          : `It loads with DOS ${f.needs} or later, and the brief has DOS ${f.dos}.`,
    why: driverWhy
  }),
  'software.cpu': lacks(
    ({ needs, has }) =>
      `It is written for ${aFamily(needs)} or later, and this is ${aFamily(has)}: it stops at once or hangs.`
  ),
  'software.slow': lacks(({ needs, has, severe }) =>
    severe
      ? `Too slow: speed index ${has}, and it needs ${needs} or more.`
      : `It will crawl: speed index ${has}, and it needs ${needs} or more.`
  ),
  'software.fast': lacks(({ most, has, severe, by }) => {
    const why = `speed index ${has}, and it is made for ${most} at most.`;
    if (severe) return `Too fast to use: ${why}`;
    return by.length
      ? `It will run too fast as it stands: ${why} It may come down with ${slowWay(by)}: measure once.`
      : `It will run too fast: ${why}`;
  }),
  'software.fpu': lacks(({ refuses }) =>
    refuses ? 'It refuses to start without an FPU.' : 'Without an FPU it calculates slowly.'
  ),
  'software.base': lacks(
    ({ needsKiB, hasKiB }) =>
      `It needs ${needsKiB} KiB free below 640 KiB; about ${hasKiB} KiB will be free, an estimate before drivers.`
  ),
  'software.extended': lacks(
    ({ needsKiB, hasKiB }) =>
      `It needs ${kib(needsKiB)} above 1 MiB, and ${kib(hasKiB)} will be there after shadow RAM.`
  ),
  'software.expanded': lacks(
    ({ needsKiB, hasKiB }) =>
      `It needs ${kib(needsKiB)} of expanded memory, and there are ${kib(hasKiB)}: fit an EMS card, or on a 386 more memory and an EMS driver.`
  ),
  'video.memory': lacks(
    ({ picture: p, needsKiB, hasKiB }) =>
      `It shows ${picture(p)}, which takes ${needsKiB} KiB of video memory, and the card has ${hasKiB} KiB.`
  ),
  'software.display': lacks(
    ({ pictures: list }) =>
      `It shows ${or(list.map(picture))}, and this card and monitor can show none of it.`
  ),
  'software.grey': ({ program, pictures: list }) => ({
    title: `${program} in shades of one colour`,
    sentence: `It is drawn in colours (${or(list.map(picture))}), and the monitor shows none: some things are hard to tell apart.`,
    why: 'A monochrome monitor shows the colours of a program as shades.'
  }),
  'software.audio': lacks(
    ({ knows }) => `It supports ${or(knows.map((a) => abilities[a]))}, and there is none.`
  ),
  'software.disk': lacks(({ needsMiB, hasMiB }) =>
    hasMiB === null
      ? `It needs ${needsMiB} MiB of hard disk, and there is none.`
      : `It needs ${needsMiB} MiB of hard disk, and the largest has ${hasMiB}.`
  ),
  'software.cdrom': lacks(() => 'It comes on a CD-ROM, and there is no CD-ROM drive.'),
  'software.floppy': lacks(
    ({ kib: size }) => `It comes on ${floppyName(size)} floppies, which these drives cannot read.`
  ),
  'software.ports': lacks(
    ({ missing }) => `It uses ${and(missing.map((m) => functions[m] ?? m))}, and there is none.`
  ),
  'software.dos': lacks(({ needs, has }) => `It needs DOS ${needs} or later, and the brief has DOS ${has}.`),
  'software.windows': lacks(
    ({ needs }) => `It needs Windows ${windowsName(needs)}, and the brief does not have it.`
  )
};
