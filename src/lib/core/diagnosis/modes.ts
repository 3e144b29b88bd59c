import { STAGES, there, type Start } from '../model';
import { ERAS, driveEstimates, estimates, type Cure, type Estimate } from './estimates';
import { disksOf } from '../disks';
import type { Kit } from '../kit';
import type { Finding } from '../rules';
import type { Effect } from './effect';
import type { Era } from './families';
import type { Mode } from './sets';
import { shownBy } from './shown';

/** What can be wrong with one thing of the machine. */
export interface FaultMode extends Mode {
  /** The thing: a part of the build by its id, or what every machine has. */
  component: string;
  /** The way of failing, for its words. */
  way: string;
  item?: string;
  /** What the checks say of it; of a setting that nobody looked at, what they would say. */
  finding?: Finding;
  /** Nobody looked at this setting; it may stand at this position. */
  unseen?: { item: string; setting: string; position: string; label: string; positionLabel: string };
  effect: Effect;
  cure: Cure;
}

const LATE = STAGES.indexOf('roms');

/** Whether a start says what a fault says, or stands so late that it may be it. */
const isAskedFor = (
  { isLate, effect }: Pick<Estimate, 'isLate' | 'effect'>,
  seen: readonly Start[]
): boolean =>
  !isLate ||
  seen.some(
    ({ messages, stays, reached }) =>
      (effect.says && messages?.includes(effect.says)) ||
      (effect.stops > 0 && stays && reached && STAGES.indexOf(reached) >= LATE)
  );

/** Drives that a start waits for: the first hard disk and the first two floppies; nothing is seen of the others. */
function driveModes(kit: Kit, at: number, seen: readonly Start[]): FaultMode[] {
  const behindRom = new Set(disksOf(kit).flatMap((d) => (d.facts?.isRom ? [d.drive.item.id] : [])));
  return (['floppy', 'hard'] as const).flatMap((medium) =>
    kit.drives
      .filter((d) => d.part.drive?.medium === medium)
      .slice(0, medium === 'hard' ? 1 : 2)
      .flatMap((d) =>
        driveEstimates
          .filter((e) => e.medium === medium && isAskedFor(e, seen))
          .map(({ id, prior, effect, cure }): FaultMode => ({
            id: `${id} ${d.item.id}`,
            way: id,
            component: d.item.id,
            item: d.item.id,
            prior: there(prior[at]),
            effect: effect.at === 'disk' && behindRom.has(d.item.id) ? { ...effect, at: 'roms' } : effect,
            cure
          }))
      )
  );
}

/** Age of a machine by what is in it: the kind of board decides. */
export function eraOf(kit: Kit): Era {
  if (kit.facts.slots.some((s) => s.bus === 'pci' || s.bus === 'agp')) return 'IV';
  const families = kit.facts.cpuSocket?.families ?? [];
  if (families.some((f) => /^(?:386|486|586|pentium)/.test(f))) return 'III';
  if (kit.facts.class === 'at') return 'II';
  return (kit.firmware?.firmware?.year ?? 1985) < 1985 ? 'I' : 'II';
}

/** What the checks found and a start shows: it is so. */
const foundModes = (kit: Kit, era: Era, findings: readonly Finding[]): FaultMode[] =>
  findings.flatMap((finding): FaultMode[] => {
    const effect = shownBy(finding, kit, era);
    if (typeof effect === 'string') return [];
    const item = finding.subjects[0]?.item;
    const component = `finding ${finding.id}`;
    return [
      {
        id: component,
        way: 'finding',
        component,
        ...(item ? { item } : {}),
        finding,
        prior: 1,
        effect,
        cure: 'setting'
      }
    ];
  });

/**
 * After the plugs were exchanged under power ground has +5 V: memory chips go first, and the board's own logic. How many
 * times the odds are then, an estimate; serial chips go too, and no start shows them.
 */
const AFTER_MISHAP: Readonly<Record<string, number>> = {
  'memory-chip': 8,
  'memory-high': 8,
  'board-logic': 3,
  'keyboard-controller': 3
};

/** A prior whose odds are so many times as high. */
const raised = (prior: number, factor = 1): number => (prior * factor) / (1 - prior + prior * factor);

/**
 * Everything that may be wrong with a machine: what its age makes likely, its drives, a card that pulls the bus for
 * each card, and what the checks of the build found, which is certain.
 * @param findings findings that are open
 * @param seen starts: what shows late, or by its message alone, is looked for where one of them asks for it
 */
export function modesOf(
  kit: Kit,
  era: Era,
  findings: readonly Finding[],
  seen: readonly Start[] = []
): FaultMode[] {
  const at = ERAS.indexOf(era);
  const display = kit.m.fitted.find((f) => f.part.video);
  return [
    ...estimates
      .filter((e) => there(e.prior[at]) > 0 && (e.has?.(kit) ?? true) && isAskedFor(e, seen))
      .map(({ id, component, prior, effect, cure }): FaultMode => ({
        id,
        way: id,
        component,
        prior: kit.build.mishap ? raised(there(prior[at]), AFTER_MISHAP[id]) : there(prior[at]),
        effect,
        cure
      })),
    ...driveModes(kit, at, seen),
    ...kit.m.fitted
      .filter((f) => f.part.card && f.slot && f !== display)
      .map((f): FaultMode => ({
        id: `card-${f.item.id}`,
        way: 'card',
        component: f.item.id,
        item: f.item.id,
        prior: 0.03,
        effect: { at: 'fetch', stops: 0.5, power: { runs: 0.7, twitch: 0.3 } },
        cure: 'exchange'
      })),
    ...foundModes(kit, era, findings)
  ];
}
