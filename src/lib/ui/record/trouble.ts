import type { Build } from '../../core/model';
import type { Saved } from './send';

/** Two states that were made from one, of which neither may be lost. */
export interface Collision {
  base: Build;
  mine: Build;
  theirs: Saved;
}

/** What stands between the screen and the record; `fine` when nothing does. */
export type Trouble =
  | { kind: 'fine' }
  /** The server does not answer; changes wait. */
  | { kind: 'away' }
  /** The server will not take the last state. */
  | { kind: 'refused'; lines: string[] }
  /** The passphrase is asked for again. */
  | { kind: 'locked'; lines: string[] }
  | { kind: 'binned' }
  | { kind: 'gone' };
