import type { MissingKind, OpenFact } from '../../../core/rules';
import { and, capital } from '../language';
import { the } from '../things';
import type { WordsOf } from './told';

const openFacts: Record<OpenFact, readonly [fact: string, unchecked: string]> = {
  socket: ['CPU socket', 'whether the CPU fits, and its voltage'],
  clock: ['clock', 'how fast the CPU runs'],
  memory: ['memory', 'memory banks, module kinds and the memory count'],
  keyboard: ['keyboard connector', 'whether the keyboard fits'],
  power: ['power connector', 'whether the power supply fits'],
  form: ['size', 'whether it fits the case'],
  supply: ['its own power supply', 'whether it carries what is fitted'],
  panel: ['built-in display', 'which pictures it shows']
};

export const missingNames: Record<MissingKind, string> = {
  cpu: 'CPU',
  memory: 'memory',
  monitor: 'monitor',
  display: 'video card',
  drives: 'drives',
  supply: 'power supply',
  keyboard: 'keyboard'
};

export const unknown: WordsOf<
  'unknown.board' | 'unknown.bios' | 'kit.missing' | 'part.bad' | 'part.borrowed'
> = {
  'unknown.board': ({ board, open }) => ({
    title: `${board.name}: ${open.map((o) => openFacts[o][0]).join(', ')} unknown`,
    sentence: `Not checked because of that on ${the(board)}: ${open.map((o) => openFacts[o][1]).join('; ')}.`,
    why: 'What is not known about a board is left out of the check.'
  }),
  'unknown.bios': () => ({
    title: 'Nothing is known about the BIOS',
    sentence:
      'Not checked because of that: how large a disk it can use, which floppy drives it knows, and whether it looks for ROMs on cards.',
    why: 'The BIOS decides which drives are seen, how much of them, and what the machine boots from.'
  }),
  'part.bad': ({ part, at, by, why }) => ({
    title: `${part.name} was found bad`,
    sentence: `${by === 'shelf' ? `The shelf says so of ${the(part)}` : `${capital(the(part))} was found bad in this machine`} on ${at}${why ? `: ${why}` : ''}. Take it out, or put another one in.`,
    why: 'What was found on this very part stands above everything that is known of its kind.'
  }),
  'part.borrowed': ({ part, from, at }) => ({
    title: `${part.name} is on loan from ${from}`,
    sentence: `${capital(the(part))} came from ${from} on ${at}. A cure with a borrowed part is not a repair, and ${from} is not a reference until the part is back.`,
    why: 'With a part missing it is a different machine: whatever is compared with it has to name the difference.'
  }),
  'kit.missing': ({ missing: kinds }) => ({
    title: 'Not entered yet',
    sentence: `No ${and(kinds.map((k) => missingNames[k]))} yet: left out of the check until you add ${kinds.length > 1 ? 'them' : 'it'} under Fit.`,
    why: 'What is not entered is left out of the check.'
  })
};
