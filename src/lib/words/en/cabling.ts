import type { Due, Family } from '../../core/cabling';
import { disks } from './screens/disks';

/** What is still to be done to a drive on its cable; empty: nothing. */
export const dueWords = (family: Family, { unit, terminated }: Due): string =>
  [
    ...(unit === null ? [] : [disks.unitNames[family](unit)]),
    ...(terminated === null
      ? []
      : [`${disks.terminators.toLowerCase()} ${terminated ? disks.termIn : disks.termOut}`])
  ].join(', ');
