import type { Teardown } from '../../core/model';
import type { LastLook } from '../../core/teardown';

const verbs: Record<Teardown['kind'], string> = {
  screw: 'Screw in',
  cable: 'Plug in',
  card: 'Seat',
  drive: 'Mount',
  supply: 'Mount',
  board: 'Put in',
  cover: 'Put on',
  other: 'Put back'
};

/** A step of taking apart, turned round. */
export const assemblyWords = ({ kind, what, where }: Teardown): string =>
  `${verbs[kind]} ${what}${where ? `: ${where}` : ''}`;

const looks = {
  loose: 'No screw, jumper or tool lies on the board or under it.',
  black: 'The black wires of the two power plugs meet in the middle.',
  ribbons: 'The red edge of every ribbon cable is at pin 1, at both ends.',
  cards: 'Every card is all the way down, its bracket screwed.',
  fan: 'No lead touches a fan.'
};

/** Something to look at before the cover goes on. */
export function lastLookWords(look: LastLook): string {
  if ('what' in look) return `Still off: ${look.what.join(', ')}`;
  if ('header' in look) {
    const { label, kind, pins } = look.header;
    return `${label} (${kind.replaceAll('-', ' ')}): ${pins[0]} is pin 1.`;
  }
  return looks[look.id];
}
