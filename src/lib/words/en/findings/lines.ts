import type { FunctionKind, Owner } from '../../../core/model';
import type { FactsOf, LineClash } from '../../../core/rules';
import { and, capital, sentence } from '../language';
import { unreachableWords } from '../reach';
import { ownerName, ownerShort, the } from '../things';
import { ifUsual, unlookedNames, type Told, type WordsOf } from './told';

/** What a person sees or hears when a function loses its line. */
const symptom: Partial<Record<FunctionKind, string>> = {
  audio: 'sound that repeats or stops',
  midi: 'MIDI notes that hang',
  fm: 'wrong or missing music',
  network: 'a network that stalls or a driver that does not load',
  scsi: 'a hang at a disk access',
  'hard-disk': 'a hang at a disk access',
  floppy: 'floppy read errors',
  serial: 'a mouse or modem on this port that freezes',
  modem: 'a modem that does not answer',
  mouse: 'a pointer that freezes',
  parallel: 'printing that stalls',
  cdrom: 'a CD-ROM driver that finds no drive',
  scanner: 'a scanner that is not found',
  display: 'a wrong or missing picture',
  ems: 'an EMS driver that refuses to load',
  rom: 'a sign-on message that does not appear',
  game: 'a joystick that moves by itself'
};

function expectation(a: Owner, b: Owner): string {
  const seen = [...new Set([symptom[a.kind], symptom[b.kind]].filter((s) => s !== undefined))];
  return seen.length ? `Expect ${seen.join(', or ')}.` : 'Neither can be relied on.';
}

const doing = {
  irq: 'both drive this interrupt',
  dma: 'both use this DMA channel',
  io: 'answer at the same ports',
  memory: 'use the same memory window'
} as const;

function reasonWords({ reason }: LineClash): string {
  switch (reason.kind) {
    case 'apart':
      return 'This card does not allow the two to be on one address.';
    case 'port':
      return reason.mask
        ? `Both decode only the address lines in ${reason.mask}, so both answer at ${reason.port} and at every address like it.`
        : `Both answer at ${reason.port}.`;
    case 'window':
      return `Both answer in ${reason.range}.`;
    case 'pci-isa':
      return 'PCI devices can share an interrupt with each other, never with an ISA device.';
    case 'irq-2-9':
      return 'On an AT-class board the IRQ 2 contact is wired to IRQ 9: it is one line.';
    case 'edge':
      return 'ISA interrupts are edge-triggered and driven by the card: two devices cannot use one.';
  }
}

const clashTitle: Record<
  LineClash['how'],
  (a: string, b: string, isSeen: boolean, areSeveral: boolean) => string
> = {
  'driven-twice': (a, _, isSeen) => `${a} ${isSeen ? 'is' : 'may be'} used twice`,
  overlap: (a, b, isSeen, areSeveral) =>
    `${a} ${isSeen ? (areSeveral ? 'overlap' : 'overlaps') : 'may overlap'} ${b}`,
  alias: (a, b, isSeen, areSeveral) =>
    areSeveral
      ? `${a} ${isSeen ? 'are' : 'may be'} aliases of ${b}`
      : `${a} ${isSeen ? 'is' : 'may be'} an alias of ${b}`
};
const placedWords = ({ placed, a, b, lineA, lineB }: LineClash): string =>
  placed
    ? ` The BIOS chooses the place of ${ownerName(placed === 'a' ? a : b)} as it starts, and this is the usual one: keep ${and(placed === 'a' ? lineB : lineA)} for ISA cards in its setup, where it lets you.`
    : '';
const unlooked = (assumed: LineClash['assumed']): string => ifUsual(unlookedNames(assumed));
const shared = (line: string, assumed: LineClash['assumed']): string =>
  `${line} ${assumed.length ? 'may be' : 'is'} shared`;
const isAt = ({ owner, line, why, assumed }: FactsOf['slot.reach']): string =>
  `${capital(ownerName(owner))} ${assumed.length ? 'is assumed to be at' : 'is set to'} ${line}, but ${unreachableWords(why)}. ${assumed.length ? 'There it would' : 'It will'} not be found.${unlooked(assumed)}`;
const clashOn =
  (both: string) =>
  (f: LineClash): Told => ({
    title: clashTitle[f.how](and(f.lineA), and(f.lineB), !f.assumed.length && !f.placed, f.lineA.length > 1),
    sentence: `${capital(ownerName(f.a))} and ${ownerName(f.b)} ${f.placed ? 'may ' : ''}${both}. ${expectation(f.a, f.b)}${unlooked(f.assumed)}${placedWords(f)}`,
    why: reasonWords(f)
  });

export const lines: WordsOf<
  | 'line.irq'
  | 'line.dma'
  | 'line.io'
  | 'line.memory'
  | 'line.more'
  | 'line.share-unused'
  | 'line.share-idle'
  | 'slot.reach'
  | 'rom.window'
  | 'rom.16bit'
  | 'pci.interrupt'
  | 'brief.off'
  | 'audio.profile'
  | 'serial.buffer'
  | 'port.numbering'
  | 'acpi.irq9'
  | 'unknown.lines'
  | 'unknown.routing'
> = {
  'line.irq': clashOn(doing.irq),
  'line.dma': clashOn(doing.dma),
  'line.io': clashOn(doing.io),
  'line.memory': clashOn(doing.memory),
  'line.more': ({ more, listed }) => ({
    title: `${more} more clashes`,
    sentence: `Only the first ${listed} are listed. Start with fewer cards, or press Resolve.`,
    why: 'Nobody reads a list longer than that.'
  }),
  'line.share-unused': ({ line, quiet, other, assumed }) => ({
    title: shared(line, assumed),
    sentence: `${capital(ownerName(quiet))} must not use its interrupt. Plain DOS printing does not need it; a driver that turns it on would upset ${ownerName(other)}.${unlooked(assumed)}`,
    why: 'A printer port in plain mode leaves its interrupt unused.'
  }),
  'line.share-idle': ({ line, a, b, assumed }) => ({
    title: shared(line, assumed),
    sentence: `${capital(ownerName(a))} and ${ownerName(b)} work as long as they are never used at the same time.${unlooked(assumed)}`,
    why: 'Both ports release the line while their software is not running, and you said they never run together.'
  }),
  'slot.reach': (f) => ({
    title: `${f.line} cannot work here`,
    sentence: isAt(f),
    why: sentence(unreachableWords(f.why))
  }),
  'rom.window': (f) => ({
    title: `${f.line} cannot work here`,
    sentence: isAt(f),
    why: sentence(unreachableWords(f.why))
  }),
  'rom.16bit': ({ wide, narrow, block, assumed }) => ({
    title: '8-bit beside 16-bit memory',
    sentence: `${capital(ownerName(wide))} answers as 16-bit memory for all of ${block}. ${capital(ownerName(narrow))} is 8-bit and sits in the same block: it may read as garbage. Set the 16-bit card to 8-bit memory, turn on shadowing for its ROM, or move one of them to another block.${unlooked(assumed)}`,
    why: 'On ISA a card claims 16-bit memory by address lines 17 to 23 alone, so always for a whole block of 128 KiB.'
  }),
  'pci.interrupt': ({ card, function: fn }) => ({
    title: `${card.name} has no interrupt`,
    sentence: `The interrupt of its slot is set to off in the setup, so ${fn} of ${the(card)} will not work. Give the slot an interrupt, or move the card.`,
    why: 'A PCI function needs its interrupt; only a video card works without one.'
  }),
  'brief.off': ({ card, function: fn, assumed }) => ({
    title: `${capital(fn)} ${assumed.length ? 'may be' : 'is'} switched off`,
    sentence: `The brief needs ${fn} of ${the(card)}, and it is ${assumed.length ? 'assumed to be ' : ''}switched off.${unlooked(assumed)}`,
    why: 'The brief says that this must be on.'
  }),
  'audio.profile': ({ program, function: fn, cards, accepts, note, assumed }) => ({
    title: `${program} ${assumed.length ? 'may' : 'will'} not find ${fn}`,
    sentence: `${note ? `${sentence(note)} ` : ''}It accepts ${accepts}. ${and(cards.map(the))} ${cards.length > 1 ? 'are' : 'is'} ${assumed.length ? 'assumed to be at' : 'set to'} something else.${unlooked(assumed)}`,
    why: 'Many programs look for a card at its first settings only.'
  }),
  'serial.buffer': ({ owner, uart, needy }) => ({
    title: `${ownerShort(owner)} holds one character at a time`,
    sentence: `It is ${uart === '8250' ? 'an' : 'a'} ${uart}. For ${and(needy)} start at 9,600 baud: on an 8088 and under Windows characters are lost much above, under DOS on a fast AT-class machine 38,400 is usual. A port with a 16550 queues sixteen.`,
    why: 'A serial chip without a queue loses a character when the machine does not fetch it before the next one arrives.'
  }),
  'port.numbering': ({ ports, assumed }) => ({
    title: `${ports.map((p) => p.name).join(', ')}: not the usual addresses`,
    sentence: `The BIOS calls ${and(ports.map((p) => `${p.address} (${ownerName(p.owner)}) ${p.name}`))}. Programs that ask for a port by its name get that one.${unlooked(assumed)}`,
    why: 'The BIOS numbers ports in the order in which it finds them: printers at 3BCh, 378h, 278h, serial ports at 3F8h, 2F8h. Gaps are closed up. Programs that go by the address are not concerned.'
  }),
  'acpi.irq9': ({ bios, owner, assumed }) => ({
    title: 'IRQ 9 may belong to power management',
    sentence: `With ${bios} the board uses IRQ 9 for ACPI once Windows turns it on; ${ownerName(owner)} may lose its interrupt then. Use another interrupt, or turn ACPI off in the setup.${unlooked(assumed)}`,
    why: 'Boards from 1998 on route their power management to IRQ 9.'
  }),
  'unknown.lines': ({ part, function: fn }) => ({
    title: `Nothing is known about what ${fn ? `${fn} of ${part.name}` : part.name} uses`,
    sentence: `${the(part)} may use any interrupt, DMA channel, port or memory window, so a clash with it would not show here. Describe what it uses, or start without it first.`,
    why: 'A card uses its lines whether or not anybody has written them down.'
  }),
  'unknown.routing': ({ card, function: fn, slot }) => ({
    title: `The interrupt of ${card.name} is unknown`,
    sentence: `Nobody has written down how slot ${slot} is wired, so ${fn} of ${the(card)} may get any interrupt, including one that an ISA card uses. Read it off the screen at power-on.`,
    why: 'The system board decides which interrupt a PCI slot is wired to.'
  })
};
