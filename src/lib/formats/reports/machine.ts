import type { Build, PartSet } from '../../core/model';

/** What a report is about. */
export interface Machine {
  build: Build;
  parts: PartSet;
}
