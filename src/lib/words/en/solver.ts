import type { ExplainReason, StruckReason } from '../../core/solver';
import { sentence } from './language';
import { unreachableWords } from './reach';
import { ownerName, the } from './things';

/** Why a setting can or cannot go to a position. */
export function explainWords(reason: ExplainReason): string {
  switch (reason.kind) {
    case 'here':
      return 'It is set there now.';
    case 'locked':
      return 'You locked this setting where it is.';
    case 'nothing':
      return 'Nothing is in the way.';
    case 'nothing-known':
      return 'Nothing known is in the way.';
    case 'holds':
      return sentence(`${ownerName(reason.owner)} uses ${reason.line}`);
    case 'no-interrupt':
      return `${reason.function} of ${the(reason.card)} would be left without an interrupt.`;
    case 'unreachable':
      return sentence(unreachableWords(reason.why));
    case 'constraint':
      return sentence(reason.why);
  }
}

/** Why a function cannot be on a line; without a full stop. */
export function struckWords(reason: StruckReason): string {
  switch (reason.kind) {
    case 'unreachable':
      return unreachableWords(reason.why);
    case 'fixed':
      return 'the setting is locked or cannot be moved';
    case 'constraint':
      return reason.why.replace(/\.$/, '');
  }
}
