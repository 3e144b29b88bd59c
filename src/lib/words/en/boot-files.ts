import { dosName, type DriverClass } from '../../core/boot';
import type { BootFacts, BootFinding, BootRule, Edit, LineMeaning } from '../../core/boot-files';
import { and, capital, or } from './language';
import { aFamily } from './things';

type FactsOf = { [R in BootRule]: Extract<BootFacts, { rule: R }>['facts'] };

/** What kinds of drivers are called. */
export const driverClassWords: Record<DriverClass, string> = {
  overlay: 'large-disk overlay',
  xms: 'extended memory driver',
  manager: 'memory manager of the 386',
  'upper-driver': 'upper memory driver',
  'ems-card': 'driver of the expanded memory card',
  'version-table': 'version table',
  'double-buffer': 'double buffer',
  compression: 'disk compression',
  'power-saving': 'power management',
  'scsi-manager': 'SCSI manager',
  'pnp-manager': 'plug-and-play configuration manager',
  'scsi-disk': 'SCSI disk driver',
  disk: 'disk driver',
  flash: 'flash card driver',
  'pc-card': 'PC card services',
  'cd-driver': 'CD-ROM driver',
  'ram-disk': 'RAM disk',
  display: 'display code page driver',
  ansi: 'screen driver ANSI.SYS',
  'net-manager': 'protocol manager',
  helper: 'file system helper',
  'set-clock': 'set-clock program',
  codec: 'set-up of the sound codec',
  mixer: 'mixer setting',
  'sound-emulation': 'sound emulation',
  'midi-emulation': 'MIDI emulation',
  packet: 'packet driver',
  'net-link': 'network link layer',
  'net-card': 'network card driver',
  'net-protocol': 'network protocol',
  'net-bind': 'network binding',
  requester: 'network client',
  share: 'SHARE',
  mouse: 'mouse driver',
  'cd-redirector': 'CD-ROM redirector',
  cache: 'disk cache',
  keyboard: 'keyboard layout',
  history: 'line history',
  resident: 'resident program'
};

const noPart = {
  optical: 'there is no CD-ROM drive in this build',
  network: 'there is no network card in this build',
  ems: 'there is no expanded memory card in this build',
  mouse: 'this build has neither a mouse nor a serial port'
} as const;

const upperWhy = {
  'no-provider': 'nothing in this start gives upper memory',
  'no-dos-umb': 'DOS=UMB is missing, so DOS does not take the upper memory that is there',
  'no-upper': 'the memory manager gives none: its line says neither RAM nor NOEMS'
} as const;

const blasterNames: Readonly<Record<string, string>> = {
  A: 'port',
  I: 'IRQ',
  D: 'DMA channel',
  H: '16-bit DMA channel',
  P: 'MIDI port',
  T: 'type'
};
const numberOf = (key: string, value: string): string => (key === 'A' || key === 'P' ? `${value}h` : value);
const unseen = (sure: boolean): string =>
  sure ? '' : ' Nobody has looked at that jumper yet: look before you change either.';

const words: { [R in BootRule]: (facts: FactsOf[R]) => [title: string, sentence: string] } = {
  'line.odd': () => ['Not understood', 'This line was not understood. It is left as it is.'],
  'line.long': ({ length }) => [
    'Line too long',
    `The line has ${length} characters. DOS reads 127 and drops the rest.`
  ],
  'word.unknown': ({ word, near }) => [
    `${word} is not known`,
    `No version of DOS has ${word} in CONFIG.SYS${near ? `. Did you mean ${near}?` : '; it may belong to another system.'}`
  ],
  'word.version': ({ word, since, dos }) => [
    `${word} comes with ${dosName(since)}`,
    `This machine is to run ${dosName(dos)}, which does not know ${word}.`
  ],
  'number.bad': ({ word, value, range }) => [
    `${word} does not take “${value}”`,
    `${word} takes ${range}. DOS reports an error in this line and goes on with its own value.`
  ],
  'comment.version': ({ word, since, dos }) => [
    'No comments in this version',
    `${dosName(dos)} knows no ${word} in CONFIG.SYS (from ${dosName(since)} on): it prints “Unrecognized command” and goes on. Nothing is harmed.`
  ],
  'at.version': ({ dos }) => [
    '@ is not known yet',
    `${dosName(dos)} takes @ for part of the command and answers “Bad command or file name” (from DOS 3.3 on).`
  ],
  'driver.cpu': ({ file, needs, has }) => [
    `${file} needs ${aFamily(needs)}`,
    `${file} runs on ${aFamily(needs)} or later. This machine has ${aFamily(has)}: without a check of its own the driver hangs here, with no message.`
  ],
  'driver.twice': ({ what, first }) => [
    `Second ${driverClassWords[what]}`,
    `Line ${first} loads one already. The second takes memory again, or refuses.`
  ],
  'driver.no-part': ({ file, what }) => [
    `${file} has nothing to drive`,
    `In the parts list ${noPart[what]}. Enter the part, or take the line out.`
  ],
  'driver.high': ({ file }) => [
    `${file} cannot be loaded high`,
    `${file} makes the upper memory or the driver under it. Load it with DEVICE, before every DEVICEHIGH.`
  ],
  'driver.no-xms': ({ file }) => [
    `${file} finds no extended memory`,
    `${file} wants XMS, and no extended memory driver is loaded before this line.`
  ],
  'order.manager': ({ file, xms }) => [
    `${file} needs HIMEM.SYS first`,
    xms === null
      ? `${file} takes its memory from HIMEM.SYS, which this start does not load.`
      : `${file} takes its memory from HIMEM.SYS, which comes only in line ${xms}. Put that line first.`
  ],
  'high.none': ({ word, why }) => [
    `${word} loads low here`,
    `${word} puts the program into conventional memory without saying so: ${upperWhy[why]}.`
  ],
  'dos.high': ({ why }) => [
    'DOS stays low',
    why === 'no-xms'
      ? 'DOS=HIGH needs HIMEM.SYS in the same start. Without it DOS says “HMA not available” and stays low.'
      : 'This CPU has no high memory area. DOS says so and stays low; nothing is harmed.'
  ],
  'region.version': ({ dos }) => [
    'No regions in this version',
    `/L and /S come with DOS 6. ${dosName(dos)} takes them for part of the file name.`
  ],
  'region.missing': ({ region, there, withInclude }) => [
    `There is no region ${region}`,
    `On this machine upper memory has ${there === 0 ? 'no region' : there === 1 ? 'one region' : `${there} regions`} under that line${
      withInclude
        ? `; region ${region} comes only with an I= range, once you have checked that it is free`
        : ''
    }. The program is loaded low without a message.`
  ],
  'manager.both': () => [
    'RAM and NOEMS together',
    'RAM asks for a page frame and NOEMS for none. Keep one of them.'
  ],
  'manager.frame': ({ range, owner, window }) => [
    'Page frame on a card',
    `The frame at ${range} lies over ${owner} at ${window}. Move the frame, or leave it to the manager.`
  ],
  'manager.frame-step': ({ at }) => [
    'Page frame off its step',
    `A frame begins on a multiple of 16 KiB (C000, C400, C800 and so on), not at ${at}.`
  ],
  'manager.include': ({ range, owner, use }) => [
    'I= covers something that is in use',
    `I=${range} gives memory to a window in which ${owner} answers (${use === 'bios' ? 'the system BIOS' : use.toUpperCase()}). Both answer at once: pictures, disks or the start go wrong.`
  ],
  'manager.overlap': ({ include, exclude }) => [
    'I= and X= overlap',
    `I=${include} and X=${exclude} meet. X= wins.`
  ],
  'manager.exclude': ({ range, owner, sure }) => [
    `X=${range} is missing`,
    `${owner} has memory at ${range}, which is not visible when the manager looks for free windows. Without X=${range} the manager may use it, and both answer.${unseen(sure)}`
  ],
  'manager.master': ({ card }) => [
    `${card} transfers past the memory manager`,
    `${card} is a bus master: it reads and writes real addresses, and with this manager memory lies elsewhere. It needs a driver with virtual DMA, or SMARTDRV /DOUBLE_BUFFER loaded low. Otherwise files are damaged as soon as something is loaded high.`
  ],
  'cd.no-driver': ({ name }) => [
    'No CD-ROM driver before the redirector',
    `No line of CONFIG.SYS in this start loads a CD-ROM driver${name ? ` with the name ${name}` : ''}, so the redirector finds no drive.`
  ],
  'cd.name': ({ name, known }) => [
    `No driver is called ${name}`,
    `The redirector asks for ${name}, and CONFIG.SYS names ${or(known)}. Both ends must have the same name.`
  ],
  'cd.letter': ({ letter, last, isUsual }) => [
    `Letter ${letter} is past LASTDRIVE`,
    isUsual
      ? `There is no LASTDRIVE line, so letters for the redirector end at ${last}.`
      : `LASTDRIVE ends at ${last}.`
  ],
  'cd.twice': ({ name, first }) => [
    `${name} is used twice`,
    `Line ${first} has a driver of the same name. Each needs its own.`
  ],
  'cache.order': ({ redirector }) => [
    'CDs are not cached',
    `The cache comes before the redirector in line ${redirector}, so it does not see the CD-ROM. Put it after that line.`
  ],
  'country.path': ({ word }) => [
    `${word} does not say where its file is`,
    `Without a path ${word} looks in the root of the start disk only. Write it out, such as C:\\DOS\\${word === 'KEYB' ? 'KEYBOARD' : 'COUNTRY'}.SYS.`
  ],
  'buffers.high': ({ buffers, most }) => [
    `${buffers} buffers do not fit high`,
    `About ${most} fit beside DOS in the high area. One more, and all of them go to conventional memory.`
  ],
  'environment.full': ({ needs, has, isUsual }) => [
    'Too little room for the variables',
    `The variables of this start take ${needs} bytes and there is room for ${has}${isUsual ? ', as no SHELL line with /E: says otherwise' : ''}. DOS says “Out of environment space”, and PATH or BLASTER is cut.`
  ],
  'path.long': ({ length }) => ['PATH too long', `PATH has ${length} characters. DOS keeps 122.`],
  'menu.many': ({ items }) => [
    'Too many items',
    `This menu has ${items} items. DOS shows nine; use a SUBMENU.`
  ],
  'menu.block': ({ block }) => [
    `There is no block [${block}]`,
    `This line leads to [${block}], and no such block is in the file.`
  ],
  'menu.unreached': ({ block }) => [
    `Nothing leads to [${block}]`,
    'No item of a menu and no INCLUDE names this block. Its lines never run.'
  ],
  'menu.default': ({ block }) => [
    `${block} is not in the menu`,
    'MENUDEFAULT names a block that no item offers. DOS takes the first item.'
  ],
  'menu.empty': () => ['Menu without items', 'A block of this name has to offer at least one MENUITEM.'],
  'label.missing': ({ label }) => [
    `There is no label :${label}`,
    'DOS stops the batch file here with “Label not found”; nothing after this line runs.'
  ],
  'label.twice': ({ label, first }) => [
    `:${label} appears twice`,
    `DOS tells labels apart by their first eight letters and goes to the first, in line ${first}.`
  ],
  'label.falls': ({ label, into }) => [
    `:${label} runs on into :${into}`,
    `No GOTO ends the branch of ${label}, so that start runs the lines of ${into} as well. End it with GOTO END.`
  ],
  'shell.floppy': ({ path, what }) => [
    `${what} names a floppy`,
    `${what} points to ${path}. When that floppy is out, DOS asks for a disk with COMMAND.COM after large programs.`
  ],
  'letter.none': ({ letter }) => [
    `There is no drive ${letter}:`,
    `This build has no ${letter === 'C' ? 'hard disk' : 'floppy drive'}, so the file cannot be found.`
  ],
  'file.missing': ({ path, elsewhere }) => [
    `${path} is not on the disk`,
    elsewhere.length
      ? `The listing of the disk has no ${path}. A file of that name lies at ${or(elsewhere.slice(0, 3))}.`
      : `The listing of the disk has no ${path}, nor a file of that name anywhere. DOS says “Bad or missing” and goes on without it.`
  ],
  'manager.refused': ({ programs, starts }) => [
    `${and(programs)} ${programs.length === 1 ? 'refuses' : 'refuse'} this manager`,
    `${starts === 1 ? 'This start loads' : 'Every start loads'} a memory manager, which keeps the CPU in its virtual mode. Give ${programs.length === 1 ? 'that program' : 'those programs'} a start with HIMEM.SYS alone${starts === 1 ? ', unless there is one in another pair of files' : ''}.`
  ],
  'blaster.differs': ({ key, says, card, is, sure }) => [
    `BLASTER says ${key}${says}, the card is at ${is}`,
    key === 'T'
      ? `The line that comes with ${card} says T${is}. Many old programs accept T${says} as well.`
      : `${card} ${sure ? 'is set to' : 'is assumed to be at'} ${blasterNames[key]} ${numberOf(key, is)}. Programs that believe the line look at ${numberOf(key, says)} and find nothing.${unseen(sure)}`
  ],
  'blaster.form': ({ why }) => [
    'BLASTER is not written as programs read it',
    why === 'blank'
      ? 'A blank beside the equals sign becomes part of the name or value. Programs then do not find it.'
      : 'Many programs read capital letters only.'
  ],
  'blaster.extra': ({ key, card }) => [
    `${key} is not for this card`,
    `${card} has no ${blasterNames[key]}. Some programs refuse the whole line then.`
  ],
  'blaster.short': ({ key, card, is }) => [
    `${key} is missing`,
    `Programs want A, I and D. ${card} is at ${blasterNames[key]} ${numberOf(key, is)}.`
  ],
  'blaster.no-card': () => ['BLASTER without a sound card', 'There is no sound card in the parts list.'],
  'blaster.missing': ({ card }) => [
    'No SET BLASTER',
    `${card} is fitted, and no start sets BLASTER. Many programs then find no digital sound.`
  ],
  'packet.differs': ({ what, says, card, is, sure }) => [
    `Packet driver looks at ${what === 'irq' ? 'IRQ' : 'port'} ${says}`,
    `${card} ${sure ? 'is set to' : 'is assumed to be at'} ${what === 'irq' ? 'IRQ' : 'port'} ${is}.${unseen(sure)}`
  ],
  'packet.vector': ({ vector }) => [
    `${vector} is not free for a packet driver`,
    'Free are 60h to 66h and 78h to 80h. 67h belongs to expanded memory, 70h to 77h to IRQ 8 to 15.'
  ],
  'word.place': ({ word, belongs }) => [
    `${word} belongs in ${belongs}`,
    belongs === 'CONFIG.SYS'
      ? 'In a batch file it is no command: DOS says “Bad command or file name” and goes on.'
      : 'In CONFIG.SYS it is no word: DOS says “Unrecognized command” and goes on.'
  ],
  'shell.temporary': () => [
    'SHELL without /P',
    'COMMAND.COM then runs as a guest: it reads no AUTOEXEC.BAT, and EXIT leaves the machine with nothing to run. Add /P.'
  ],
  'device.program': ({ file, isSure }) => [
    `${file} is ${isSure ? 'a program, not a driver' : 'hardly a driver'}`,
    isSure
      ? 'DEVICE hands control to the file as to a driver, and the start hangs or stops with an error. Run it from AUTOEXEC.BAT.'
      : 'Drivers end in .SYS, a few in .EXE. Loaded as a driver, a program hangs the start. Look in its papers.'
  ],
  'batch.ends': ({ file, from, to, by, isSure }) => [
    `Nothing below ${file} runs`,
    `${isSure ? 'A' : 'When this line runs, a'} batch file that is not called does not come back: ${from === to ? `line ${from} never runs` : `lines ${from} to ${to} never run`}. Write ${by} in front of it, or make it the last line.`
  ],
  'batch.waits': ({ word, from }) => [
    `What is below ${word} waits`,
    `From line ${from} on, this runs only after somebody has left ${word}. Drivers and SET lines belong above it.`
  ],
  'call.open': ({ file }) => [`${file} was not read`, 'What that batch file does is not checked here.']
};

/** Title and sentence of what is wrong with a line. */
export function bootFindingWords(f: BootFacts): { title: string; sentence: string } {
  const [title, sentence] = (words[f.rule] as (facts: unknown) => [string, string])(f.facts);
  return { title, sentence };
}

/** One change of a file as a thing to do at the machine. */
export const editWords = ({ line, text, isNew }: Edit): string =>
  text === null
    ? `take line ${line} out`
    : isNew
      ? `before line ${line} write: ${text}`
      : line
        ? `line ${line} becomes: ${text}`
        : `add the line: ${text}`;

/** In which starts it holds. */
export const inStarts = ({ choices }: Pick<BootFinding, 'choices'>): string =>
  choices.length ? `In ${choices.length === 1 ? 'the start' : 'the starts'} ${choices.join(', ')}` : '';

/** What a line of a start file does. */
export function lineMeaningWords(m: LineMeaning): string {
  switch (m.kind) {
    case 'blank':
      return '';
    case 'comment':
      return 'Comment.';
    case 'odd':
      return 'Not understood; left as it is.';
    case 'dos':
      return 'Where DOS itself lies, and whether it takes upper memory.';
    case 'country':
      return 'Date, time and currency of a country.';
    case 'install':
      return 'Loads a resident program before COMMAND.COM.';
    case 'menu':
      return 'Menu.';
    case 'block':
      return `Block of the start ${m.name}.`;
    case 'include':
      return `Runs the block ${m.name} here.`;
    case 'driver':
      return `${m.class === null ? 'A program that is not in the table' : capital(driverClassWords[m.class])}${
        m.asksHigh ? ', high if there is room' : ''
      }${m.asks ? ', not in every case' : ''}.`;
    case 'shell':
      return m.environment === null
        ? 'Where COMMAND.COM lies.'
        : `Where COMMAND.COM lies, with ${m.environment} bytes for variables.`;
    case 'number':
      return numberWords[m.word.replace(/HIGH$/, '')] ?? '';
    case 'variable':
      return m.name.toUpperCase() === 'PATH' ? 'Where DOS looks for programs.' : `Sets ${m.name}.`;
    case 'label':
      return 'Label.';
    case 'goto':
      return /%CONFIG%/i.test(m.label) ? 'To the label of the start that was chosen.' : `To ${m.label}.`;
    case 'call':
      return 'Another batch file, not read here.';
    case 'echo':
      return 'Shows a text, or turns the showing of commands on or off.';
    case 'command':
      return 'A command of DOS.';
    case 'other-word':
      return 'A word of CONFIG.SYS.';
  }
}
const numberWords: Readonly<Record<string, string>> = {
  FILES: 'Files that may be open at one time.',
  BUFFERS: 'Disk buffers.',
  FCBS: 'Files of very old programs.',
  LASTDRIVE: 'Last drive letter.',
  STACKS: 'Stacks for interrupts.'
};
