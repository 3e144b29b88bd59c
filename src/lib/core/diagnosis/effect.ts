import type { MessageId, Power, StageId } from '../model';

/** What a fault does to a start. */
export interface Effect {
  at: StageId;
  /** Chance that it stops the start there; else the start goes on. */
  stops: number;
  /** Message that it leaves where it does not stop, or as it stops. */
  says?: MessageId;
  /** What fan and lights do. */
  power?: Partial<Record<Power, number>>;
  /** Chance that it shows at one start; left out: it shows at each. */
  shows?: number;
  /** The start goes on, and nothing is seen of it. */
  dark?: true;
  /** The start goes on, and the text that would come at this stage does not. */
  isMissing?: true;
  /** What follows from it at a later stage. */
  then?: Pick<Effect, 'at' | 'stops' | 'says'>;
}

/** What a fault does at one stage. */
export type StageEffect = Pick<Effect, 'stops' | 'says' | 'isMissing' | 'dark'>;

/** What a fault does at a stage, itself or by what follows. */
export function effectAt(effect: Effect, stage: StageId): StageEffect | null {
  return effect.at === stage ? effect : effect.then?.at === stage ? effect.then : null;
}
