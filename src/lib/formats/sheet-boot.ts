import { installOrder, wipeGate, writeFiles, type BootPlan, type NoPlan } from '../core/boot';
import { planBeside } from '../core/boot-files';
import { kitOf } from '../core/kit';
import type { Build, PartSet } from '../core/model';
import { allHeld } from '../core/rescue';
import {
  driverTitle,
  installWords,
  noPlanWords,
  planPending,
  refusedWords,
  startLabel,
  startOnSheet
} from '../words';

/** How the machine starts, as it stands on the bench sheet. */
export interface SheetBoot {
  /** A line for each start, or why there is no plan. */
  starts: string[];
  files: string[];
  /** Drivers that are not noted as in hand. */
  missing: string[];
  /** What this machine cannot load. */
  refused: string[];
  /** Steps of installing Windows, in their order. */
  windows: string[];
}

/** @param made the plan of its starts; null: it is still being worked out; left out: it is worked out here */
export function sheetBoot(build: Build, parts: PartSet, made?: BootPlan | NoPlan | null): SheetBoot {
  const kit = kitOf(build, parts);
  const plan = made === undefined ? planBeside(kit) : made;
  const gate = wipeGate(kit);
  const common = {
    missing: gate
      ? [...gate.drivers.map(driverTitle), ...gate.windows.map((s) => installWords(s).title)]
      : [],
    // Nothing that writes to a disk is on the sheet while its data have no image.
    windows: allHeld(build).some((h) => !h.wayPast) ? [] : installOrder(kit).map((s) => installWords(s).title)
  };
  if (plan === null) return { starts: [planPending], files: [], refused: [], ...common };
  if (typeof plan === 'string') return { starts: [noPlanWords[plan]], files: [], refused: [], ...common };
  const { files, names } = writeFiles(kit, plan, startLabel);
  const nameOf = new Map(build.brief.profiles.map((p) => [p.id, p.name]));
  return {
    starts: plan.starts.map((s, i) =>
      startOnSheet(
        names[i] ?? '',
        s,
        plan.programs.filter((p) => p.start === s.configuration.id).flatMap((p) => nameOf.get(p.id) ?? [])
      )
    ),
    files: files.map((f) => f.name),
    refused: plan.refused.map(refusedWords),
    ...common
  };
}
