import type { Rail, RailAdvice, RailSays, RailWhy } from '../../core/diagnosis';
import type { PlugId } from '../../core/model';
import { and } from './language';

export const railWords: Record<Rail, string> = {
  '+5': '+5 V',
  '+12': '+12 V',
  '-12': '−12 V',
  '-5': '−5 V',
  '+3.3': '+3.3 V',
  standby: '+5 V standby',
  'power-good': 'power good',
  'switch-on': 'switch on',
  ground: 'ground',
  none: 'no pin'
};

export const plugWords: Record<PlugId, string> = {
  at: 'AT power plugs, P1 to P12',
  atx20: 'ATX power plug, 20 pins',
  drive: 'drive plug, big',
  floppy: 'drive plug, small',
  slot: 'ISA slot, row B'
};

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

const list = (rails: readonly Rail[]): string => and(rails.map((r) => railWords[r]));

/** What is said wherever somebody may switch on. */
export const railStopWords = ({ plug, rails }: { plug: PlugId; rails: readonly Rail[] }): string =>
  `Do not switch on: ${list(rails)} at the ${plugWords[plug]} reads short or wrong.`;

export function railAdviceWords(advice: RailAdvice): string {
  switch (advice.what) {
    case 'stop':
      return `Stop at ${list(advice.rails)}: do not switch on again before it is found.`;
    case 'halve':
      return 'To find the short: unplug the drives, take half of the cards out, read again, then the next half. At the last single card read the pins of its edge.';
    case 'compare':
      return `${list(advice.rails)}: read a like board, or this one with the cards out. A factor of five below the like one outweighs the table.`;
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
