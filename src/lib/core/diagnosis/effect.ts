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
  /** The start goes on, and nothing is seen of it. */
  dark?: true;
  /** The start goes on, and the text that would come at this stage does not. */
  isMissing?: true;
}
