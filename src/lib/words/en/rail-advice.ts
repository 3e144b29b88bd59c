import type { Hung, RailAdvice, RailSays, RailWhy, ShortHunt } from '../../core/rails';
import { and } from './language';
import { railList } from './rails';
import { the } from './things';

export const railVerdictWords: Record<RailSays['verdict'], string> = {
  pass: 'right',
  suspicious: 'suspicious',
  short: 'short',
  edge: 'just inside',
  fail: 'wrong',
  void: 'says nothing'
};

export const railWhyWords: Record<RailWhy, string> = {
  ok: '',
  'low-ohms': 'low: many chips, cards or a leaking part. Compare with a like board.',
  short: 'it pulls the rail to ground. Do not switch on.',
  lead: 'too much for ground to ground: a bad lead or plug. Touch the tips together first.',
  'power-on': 'read it unplugged, 30 seconds after switching off.',
  moving: 'it still moves: it charges. Take the value when it stands.',
  side: 'say on which side of the pulled plug it was read.',
  'not-a-rail': 'there is no limit for this pin.',
  edge: 'within one percent of the limit.',
  low: 'below its limit.',
  high: 'above its limit: off at once.',
  absent: 'it is not there.',
  'no-load': 'without a load a supply only says that it is there.',
  between:
    'neither low nor high: the supply, or a pin of the board that pulls it. Read it with the plug off and a load on.',
  'held-low': 'held low: the machine stays in reset.',
  sign: 'the wrong sign: check the leads, then off.'
};

export function railAdviceWords(advice: RailAdvice): string {
  switch (advice.what) {
    case 'stop':
      return `Stop at ${railList(advice.rails)}: do not switch on again before it is found.`;
    case 'halve':
      return 'Find the short by halves: below it says what to take out before each reading.';
    case 'leads':
      return 'Pull every drive off the leads of the supply and read again. Still short: it is inside the supply, which only a qualified person opens. Gone: one of the drives; put them back one at a time.';
    case 'compare':
      return `${railList(advice.rails)}: read a like board, or this one with the cards out. A factor of five below the like one outweighs the table.`;
    case 'supply':
      return 'All rails are right and power good is low: first more load on the supply, then another supply.';
    case 'again':
      return 'Some readings say nothing as they were taken: read them again.';
    case 'load':
      return 'Put a load on the supply first: resistors that can stand it, on metal. They get hot. A disk is no load to test with.';
    case 'fine':
      return 'Every rail of this plug was read and is right.';
  }
}

const edge: Record<Hung['kind'], string> = {
  card: 'Out of the machine, read the pins of its edge to ground: +5 V at B3 and B29, +12 V at B9, −5 V at B5, −12 V at B7.',
  drive: 'Read the pins of its power socket to ground.',
  keyboard: 'Look along its lead, and read its plug to ground.'
};

/** What to do next on the way to a short. */
export function huntWords({ state, out, isConfirmed }: ShortHunt): string {
  switch (state) {
    case 'next':
      return `Unplugged from the wall, take off: ${and(out.map((h) => the(h.thing)))}. Everything else stays in. Then read the rail again.`;
    case 'found': {
      const [it] = out;
      if (!it) return '';
      return isConfirmed
        ? `The short goes with ${the(it.thing)} alone. ${edge[it.kind]} It goes into no other machine.`
        : `By what was read it is ${the(it.thing)}. Put everything else back and read once with only this out: the short has to be gone.`;
    }
    case 'board':
      return 'Everything is off, and it is still short: it is on the board, or a plug is not off. Look for a tantalum capacitor or a foreign piece of metal first. With the supply and all cards off, 1 A at no more than 1 V into the rail in its own polarity, eyes protected: the part that gets warm, or the smallest millivolts. If you have never done this, leave it to somebody who has.';
    case 'contradiction':
      return 'One short does not explain these readings: there are two, or it comes and goes as something is moved. Begin again with everything off, and put one thing back at a time.';
  }
}

/** After the plugs of the board were exchanged under power. */
export const mishapWords = {
  ohms: 'Unplug it and put the plugs right. Read the ohms of every rail of the board here, supply off: until they pass nothing is switched on.',
  checks:
    'The rails passed since. Go on with the checks of level 3 before power; of the chips suspect memory and serial ports first. It may have survived; nobody can say so before it runs.'
} as const;
