import { openStops, powerSteps } from '../core/diagnosis';
import type { Build, PartSet } from '../core/model';
import { allHeld } from '../core/rescue';
import { heldWords, powerCheckWords, powerStopWords } from '../words';

/** What stands between the last step and the switch, as it stands on the bench sheet. */
export interface SheetPower {
  /** Stops that nobody ruled out. */
  stops: string[];
  /** Checks that are open or were skipped, in their order. */
  checks: { text: string; skippedBy: string | null }[];
  /** Drives that nothing may be written to. */
  held: string[];
}

export function sheetPower(build: Build, parts: PartSet): SheetPower {
  const steps = powerSteps(build);
  const titles = new Map(build.items.map((i) => [i.id, i.label ?? parts.get(i.part)?.name ?? i.id]));
  return {
    stops: openStops(steps).map((s) => powerStopWords[s.id] ?? s.id),
    checks: steps
      .filter((s) => s.kind === 'check' && (s.state === 'open' || s.state === 'skipped'))
      .map((s) => ({
        text: powerCheckWords[s.id] ?? s.id,
        skippedBy: s.state === 'skipped' ? (s.by ?? '?') : null
      })),
    held: allHeld(build)
      .filter((h) => !h.wayPast)
      .map((h) => heldWords(h, titles.get(h.item) ?? h.item))
  };
}
