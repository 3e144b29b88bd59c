import type { Bar, Reason } from '../../core/planner';
import { tell } from './findings';
import { windowsName } from './things';

/** What stood against the machines that were tried. */
export function reasonWords(reason: Reason): string {
  switch (reason.kind) {
    case 'no-slots':
      return 'Not enough slots of the right kind';
    case 'lines':
      return 'The clashes between its cards cannot be resolved';
    case 'enclosure':
      return 'No case, power supply or keyboard fits';
    case 'budget':
      return 'It costs more than the budget';
    case 'services':
      return 'Nothing runs its drives, or a function you asked for is missing';
    case 'misfit':
      return 'The parts do not go together';
    case 'unplaced':
      return `Nothing that goes with ${reason.part} may be used under this brief`;
    case 'finding':
      return tell(reason.finding).title;
  }
}

/** Why the brief itself keeps a part out. */
export function barWords(bar: Bar): string {
  switch (bar.why) {
    case 'no-part':
      return 'It is not in the catalogue.';
    case 'excluded':
      return 'You left it out.';
    case 'never':
      return 'The brief says never to use this part.';
    case 'emulator-outside':
      return 'The brief allows an emulator outside the case only.';
    case 'seen-in-front':
      return 'It shows on the front, and the brief asks for a period-correct front.';
    case 'not-on-shelf':
      return 'It is not on the shelf, and the brief uses nothing else.';
    case 'driver':
      return bar.lacks.why === 'windows'
        ? `There is a driver for Windows ${windowsName(bar.lacks.needs)} only, and the brief has another system.`
        : `Its driver needs DOS ${bar.lacks.needs}, and the brief has DOS ${bar.lacks.dos}.`;
    case 'date':
      return `It was first sold in ${bar.from}, too late for ${bar.date}${bar.spirit ? ', even in the spirit of it' : ''}.`;
  }
}
