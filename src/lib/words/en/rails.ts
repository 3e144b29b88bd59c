import type { Rail } from '../../core/rails';
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

/** Several rails in one sentence. */
export const railList = (rails: readonly Rail[]): string => and(rails.map((r) => railWords[r]));

/** What is said wherever somebody may switch on. */
export const railStopWords = ({ plug, rails }: { plug: PlugId; rails: readonly Rail[] }): string =>
  `Do not switch on: ${railList(rails)} at the ${plugWords[plug]} reads short or wrong.`;
