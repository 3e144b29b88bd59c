import type { Kit } from '../kit';
import type { Driver } from './drivers';
import { expectationOf } from './expect';
import { bootPlan, driversToCopy } from './plan';
import { installOrder, needsDriver, type InstallStep } from './windows';

/** What must lie ready before a disk is wiped, and is not noted as lying ready. */
export interface WipeGate {
  /** There is no plan, so nobody knows which drivers this machine needs. */
  isUnknown: boolean;
  drivers: Driver[];
  /** Steps of installing Windows whose driver is not noted as in hand. */
  windows: InstallStep[];
  /** When the user went on all the same; null: not yet. */
  wentOn: string | null;
}

/** The name under which the driver for a step of Windows is noted as in hand. */
export const windowsKey = ({ what }: Pick<InstallStep, 'what'>): string => `windows-${what}`;

/** Whether a driver lies ready: as somebody noted, or because the disk's listing shows it. Null: nobody knows. */
export function isInHand(kit: Kit, driver: Driver): boolean | null {
  const noted = kit.build.boot?.inHand?.[driver.id];
  if (noted !== undefined) return noted;
  return expectationOf(kit).listing?.byName.has(driver.file) ? true : null;
}

/**
 * What stands between this build and a disk that may be wiped.
 * @returns null where nothing does: every driver of the plan is in hand. Without a plan nobody knows which are needed,
 * and that holds it back too.
 */
export function wipeGate(kit: Kit): WipeGate | null {
  const plan = bootPlan(kit);
  const inHand = kit.build.boot?.inHand ?? {};
  const isUnknown = typeof plan === 'string';
  const drivers =
    typeof plan === 'string' ? [] : driversToCopy(plan).filter((d) => isInHand(kit, d) !== true);
  const windows = installOrder(kit).filter((s) => needsDriver(s) && inHand[windowsKey(s)] !== true);
  if (!drivers.length && !windows.length && !isUnknown) return null;
  return { isUnknown, drivers, windows, wentOn: kit.build.boot?.wentOn ?? null };
}
