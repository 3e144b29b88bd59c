import type { ExplainReason, Share, StruckReason } from '../../core/solver';
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

const shares: Record<Share['kind'], string> = {
  own: 'One card puts several of its own functions on one line on purpose.',
  with: 'Both are made to answer at this address together.',
  'one-only': 'The BIOS switches the ranges of one PCI or AGP display on and leaves those of the other off.',
  level: 'PCI interrupts are level-triggered and made for sharing.',
  idle: 'Both ports let go of the line while idle, and you said they are never used together.',
  unused:
    'The software of one polls its device and may leave the line undriven: do not give it a driver that uses the interrupt.'
};

/** Why two functions may use one line. */
export const shareWords = (share: Share): string => shares[share.kind];

/** A machine that is larger than can be worked out. */
export const tooLargeWords =
  'The parts of this machine have more combinations of settings than can be worked out. Take out the part with the most settings, or lock some of them.';
