import { bootPlan, expectationOf, type BootPlan, type NoPlan } from '../boot';
import type { Kit } from '../kit';
import type { PlacedLine } from '../placement';
import { situationsOf } from './check';
import { loadedOf, managerOf } from './situation';

/** How the machine's own files place their lines, by the name of the file without its ending, for each start. */
export function presentPlaces(kit: Kit): { hasManager: boolean; lines: PlacedLine[] }[] {
  const { config = '', autoexec = '' } = kit.build.boot ?? {};
  if (!config.trim() && !autoexec.trim()) return [];
  return situationsOf(config, autoexec, expectationOf(kit)).map((s) => {
    const loaded = loadedOf(s);
    return {
      hasManager: managerOf(loaded) !== null,
      lines: loaded.map((l) => ({
        name: l.file.base,
        region: l.high ? Math.max(0, ...l.high.regions) : 0
      }))
    };
  });
}

/** The plan of a build; of plans that are equally good one that changes few lines of the machine's own files. */
export const planBeside = (kit: Kit): BootPlan | NoPlan => bootPlan(kit, presentPlaces(kit));
