import type {
  Because,
  BootFiles,
  Driver,
  LineWhy,
  ManagerKind,
  Maybe,
  NoPlan,
  PlannedStart,
  Refused,
  Use,
  WayOver
} from '../../core/boot';
import { dosName } from '../../core/boot';
import type { Extra, Layout, NetStack } from '../../core/model';
import type { Variant } from '../../core/boards';
import { driverClassWords } from './boot-files';
import { and, capital } from './language';
import { aFamily } from './things';

export const useWords: Record<Use, string> = {
  display: 'display memory',
  rom: 'ROM',
  ram: 'memory on a card',
  frame: 'page frame of a card',
  bios: 'system BIOS'
};

export const maybeWords: Record<Maybe, { title: string; look: string }> = {
  mono: {
    title: 'B000–B7FF, the monochrome window',
    look: 'Free while the display stays in colour. Try it: run a graphics program and a text program, then Windows. Windows 3.x in enhanced mode uses it unless its helper driver is in SYSTEM.INI.'
  },
  'e-segment': {
    title: 'E000–EFFF',
    look: 'Free where the BIOS is 64 KiB long. Look with a memory viewer after a cold start: the whole window must read FF. Managers leave it out unless I= says so.'
  },
  'rom-tail': {
    title: 'C600–C7FF, behind the video ROM',
    look: 'The video ROM is 24 KiB long, but many cards answer in the whole 32. Try it before you rely on it.'
  }
};

export const variantWords: Record<Variant, string> = {
  none: 'the 384 KiB under the ROMs stay there',
  'moves-256': '256 KiB move above 1 MiB',
  'moves-rest': 'what is not shadowed moves above 1 MiB',
  'moves-all': 'all 384 KiB move above 1 MiB'
};

export function wayOverWords(w: WayOver): string {
  switch (w.kind) {
    case 'cache':
      return `leave the disk cache out: ${w.gainsKiB} KiB more`;
    case 'video-shadow':
      return `video shadow off in the setup: ${w.gainsKiB} KiB more, text gets slower`;
    case 'shadow':
      return `all shadow off in the setup: ${w.gainsKiB} KiB more${w.isSlow ? '; BIOS calls get much slower on this class' : ''}`;
    case 'bank':
      return `fill bank ${w.bank} with ${w.modules} × ${w.moduleKiB} KiB: ${w.gainsKiB} KiB more`;
  }
}

export const managerWords: Record<ManagerKind, string> = {
  none: 'no memory manager',
  xms: 'HIMEM.SYS only',
  noems: 'upper memory, no expanded memory',
  ems: 'upper and expanded memory'
};
const managerLabels: Record<ManagerKind, string> = {
  none: 'Plain',
  xms: 'Extended memory',
  noems: 'Upper memory',
  ems: 'Expanded memory'
};

export const groupWords: Readonly<Record<string, string>> = {
  cd: 'CD',
  mouse: 'mouse',
  network: 'network',
  cache: 'cache',
  'ram-disk': 'RAM disk',
  emulation: 'sound emulation'
};

export const layoutWords: Record<Layout, string> = {
  BE: 'Belgium',
  CF: 'Canada, French',
  DK: 'Denmark',
  FR: 'France',
  GR: 'Germany',
  IT: 'Italy',
  LA: 'Latin America',
  NL: 'Netherlands',
  NO: 'Norway',
  PO: 'Portugal',
  SF: 'Switzerland, French',
  SG: 'Switzerland, German',
  SP: 'Spain',
  SU: 'Finland',
  SV: 'Sweden',
  UK: 'United Kingdom'
};

export const extraWords: Record<Extra, string> = {
  ansi: 'ANSI.SYS',
  doskey: 'DOSKEY',
  setver: 'SETVER',
  share: 'SHARE',
  ramdrive: 'RAM disk of 1 MiB',
  append: 'APPEND',
  print: 'Print queue',
  fastopen: 'FASTOPEN',
  graphics: 'GRAPHICS',
  power: 'POWER',
  mixer: 'Mixer levels at start',
  'sound-emulation': 'Sound emulation',
  'midi-emulation': 'MIDI emulation'
};

export const netStackWords: Record<NetStack, string> = {
  packet: 'packet driver',
  odi: 'ODI stack with requester',
  ndis: 'NDIS stack with redirector'
};

/** What a start is called in a menu: `Expanded memory + CD + mouse`. No commas: they part the fields of the line. */
export const startLabel = ({ manager, configuration: c }: PlannedStart): string =>
  [managerLabels[manager.kind], ...c.on.map((g) => groupWords[g] ?? g)].join(' + ');

/** A start on the bench sheet: what it is called, what it leaves, what runs in it. */
export const startOnSheet = (name: string, start: PlannedStart, programs: readonly string[]): string =>
  `${name}, ${startLabel(start)}: largest program ${start.free.map(Math.round).join('–')} KiB${
    programs.length ? `; for ${and(programs)}` : ''
  }.`;

/** A plan that is not there yet. */
export const planPending = 'The starts are still being worked out.';

export const noPlanWords: Record<NoPlan, string> = {
  'no-dos': 'The brief does not say which DOS. Enter it there: what the files may contain depends on it.',
  'no-cpu':
    'No CPU that goes into the board is entered. Without it nobody knows which memory and which drivers this machine can have.',
  'no-memory': 'No memory is entered, so nothing can be placed.',
  'dos-too-new': 'This DOS needs a 386. The CPU of this build is older.'
};

export const driverTitle = (d: Driver): string => `${capital(driverClassWords[d.class])} (${d.file})`;

export const becauseWords = (b: Because): string =>
  b.kind === 'wish'
    ? 'you asked for it'
    : b.kind === 'programs'
      ? `for ${and(b.names)}`
      : b.name
        ? `for ${b.name}`
        : 'a mouse is fitted';

const refusedWhy = (why: Refused['why']): string => {
  switch (why.kind) {
    case 'cpu':
      return `needs ${aFamily(why.needs)}, and this machine has ${aFamily(why.has)}. Find a build of it for the older CPU.`;
    case 'dos':
      return `needs ${dosName(why.needs)}, and this machine runs ${dosName(why.has)}.`;
    case 'display':
      return 'the letters of a code page are drawn by an EGA or a VGA, and none is on here.';
    case 'sound':
      return 'there is no sound card in this build.';
    case 'xms':
      return 'lives in extended memory, and this machine gives none.';
    case 'manager':
      return 'works only under the memory manager of a 386, and this machine cannot have it.';
  }
};
export const refusedWords = ({ driver, because, why }: Refused): string =>
  `${driverTitle(driver)}, ${becauseWords(because)}: ${refusedWhy(why)}`;

const plainWhy: Readonly<Record<string, string>> = {
  xms: 'Extended memory, and the high area for DOS. First of all.',
  'dos-high': 'Moves DOS into the high area: about 40 KiB more for programs.',
  'dos-umb': 'Moves DOS high, and gives it the upper memory for DEVICEHIGH and LH.',
  files: 'Files that programs may have open at one time.',
  stacks: 'Windows 3.1 wants it.',
  path: 'Where DOS looks for programs.',
  prompt: 'Shows drive and folder.',
  date: 'This machine has no clock, and DOS does not ask when there is an AUTOEXEC.BAT.',
  echo: 'Commands are not shown.',
  country: 'How date, time and money are written.',
  'code-page': 'Letters of code page 850, before the keyboard is told of them.',
  menu: 'Menu of the starts.',
  branch: 'Branch of the start that was chosen.',
  'second-stage': 'Goes on with the disk, once the drivers are loaded.',
  windows: 'Windows begins without drivers of DOS: they would slow down its disk and sound.'
};

/** The reason that is shown beside a line. */
export function lineWhyWords(why: LineWhy): string {
  switch (why.kind) {
    case 'driver': {
      const where =
        why.region === null
          ? ''
          : why.region > 0
            ? `, in region ${why.region}`
            : why.driver.high === 'no'
              ? ', low: it does not work high'
              : why.driver.high === 'try'
                ? ', low: not every build of it works high'
                : ', low: no region has room';
      return `${capital(driverClassWords[why.driver.class])}, ${becauseWords(why.because)}${where}${why.isMeasured ? '; size as MEM showed it' : ''}.`;
    }
    case 'buffers':
      return why.isHigh
        ? 'They fit beside DOS in the high area.'
        : 'They lie in conventional memory, half a KiB each.';
    case 'manager':
      return `${capital(managerWords[why.manager])}.${
        why.exclude.length ? ` X= keeps it off memory of cards that it cannot see.` : ''
      }${why.include.length ? ` I= uses a window that you said is free.` : ''}${
        why.sound16
          ? ` The manager copies what ${why.sound16} plays by DMA through a buffer of its own: should a program report a DMA buffer error, add D=64.`
          : ''
      }`;
    case 'double-buffer':
      return `${why.card} is a bus master: its transfers go through a buffer in low memory.`;
    case 'shell':
      return why.isTight
        ? `Room for the variables: they take ${why.needs} bytes, and DOS keeps ${why.usual} by itself.`
        : 'Where COMMAND.COM lies.';
    case 'lastdrive':
      return why.isShared
        ? 'The redirector of the network gives letters up to the last.'
        : 'Letters for the CD redirector. Without it they end at E.';
    case 'each-start':
      return `${why.card} forgets its settings when it is switched off.`;
    case 'sound':
      return `As ${why.card} is set.`;
    case 'look':
      return `Nobody has looked yet how ${why.card} is set. Look, record it under Switches or Parts, and this line is written.`;
    default:
      return plainWhy[why.kind] ?? '';
  }
}

/** The list that goes onto a start floppy: what has to be put on it, and on the disk, before it starts. */
export function floppyList(
  dos: number,
  kinds: BootFiles['kind'],
  toCopy: readonly string[],
  where: string,
  goesOn: string | null = null
): string {
  const steps = [
    dos >= 5
      ? `Write this image to a floppy, then on a machine that runs ${dosName(dos)}: SYS A:`
      : `On a machine that runs ${dosName(dos)}: FORMAT A: /S, then copy the files of this image to it. Before DOS 5 the system goes onto an empty floppy only.`,
    ...(dos < 4 ? ['Copy COMMAND.COM to it: SYS and FORMAT of this version may leave it out.'] : []),
    ...(kinds === 'sets'
      ? [
          'The pairs CONFIG.1 and AUTOEXEC.1, CONFIG.2 and AUTOEXEC.2 are one for each start: rename the one you want.'
        ]
      : []),
    ...(toCopy.length ? [`Copy to ${where}, from the floppies of their makers: ${toCopy.join(', ')}`] : []),
    ...(goesOn
      ? [
          `COMMAND.COM on ${goesOn} must be of exactly the version of this floppy, else: Incorrect DOS version.`,
          'Keep a second copy of this floppy: without it the machine does not start.'
        ]
      : []),
    'Check every path in CONFIG.SYS and AUTOEXEC.BAT against the disk.'
  ];
  return `${steps.map((s, i) => `${i + 1}. ${s}`).join('\r\n')}\r\n`;
}
