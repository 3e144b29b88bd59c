import type { PartWith } from '../model';
import type { Kit, PlacedDrive } from './kit';

export const bayKinds = ['full5', 'half5', 'third3'] as const;
export type BayKind = (typeof bayKinds)[number];

export interface InBay<T = PlacedDrive> {
  drive: T;
  /** The bay that it sits in: kind and number; null when there is none left. */
  bay: { kind: BayKind; n: number } | null;
  /** Whether a 3.5 inch drive in a 5.25 inch bay has rails. */
  rails: 'none' | 'there' | 'missing';
}

const order = {
  'full-5': 0,
  'half-5': 1,
  'half-3': 2,
  'third-3': 3,
  outside: 4,
  module: 4,
  none: 4
} as const;

/** Puts the drives of a build into the bays of its case; without a case there is nothing to say. */
export function placeDrives(kit: Kit): InBay[] {
  const chassis = kit.chassis?.part.chassis;
  if (!chassis) return [];
  const rails = kit.adapters
    .filter((a) => a.part.adapter.from === 'third-3')
    .reduce((n, a) => n + (a.item.count ?? 1), 0);
  return placeIn(chassis, kit.drives, ({ part }) => part.drive.bay, rails);
}

/**
 * Puts drives into the bays of a case, the largest first: a full-height bay takes two of half height, a 5.25 inch bay
 * one of 3.5 inch on rails. Drives that need no bay are left out.
 * @param railed how many pairs of rails there are
 */
export function placeIn<T>(
  chassis: PartWith<'chassis'>['chassis'],
  drives: readonly T[],
  bayOf: (drive: T) => keyof typeof order,
  railed: number
): InBay<T>[] {
  // Half-height places; a full-height bay is two of them that belong together.
  const places = [
    ...Array.from({ length: chassis.bays.half5 }, (_, n) => ({ kind: 'half5' as const, n, half: 0 })),
    ...Array.from({ length: chassis.bays.full5 }, (_, n) =>
      [0, 1].map((half) => ({ kind: 'full5' as const, n, half }))
    ).flat()
  ];
  const small = Array.from({ length: chassis.bays.third3 }, (_, n) => ({ kind: 'third3' as const, n }));
  let rails = railed;
  const takeFull = (): InBay['bay'] => {
    const at = places.findIndex(
      (p, i) => p.kind === 'full5' && p.half === 0 && places[i + 1]?.n === p.n && places[i + 1]?.half === 1
    );
    const [first] =
      at >= 0
        ? places.splice(at, 2)
        : places.filter((p) => p.kind === 'half5').length > 1
          ? places.splice(0, 2)
          : [];
    return first ? { kind: first.kind, n: first.n } : null;
  };
  const takeHalf = (): InBay['bay'] => {
    const place = places.shift();
    return place ? { kind: place.kind, n: place.n } : null;
  };
  return [...drives]
    .sort((a, b) => order[bayOf(a)] - order[bayOf(b)])
    .flatMap((drive): InBay<T>[] => {
      const bay = bayOf(drive);
      if (bay === 'outside' || bay === 'module' || bay === 'none') return [];
      if (bay === 'full-5') return [{ drive, bay: takeFull(), rails: 'none' }];
      if (bay === 'half-5') return [{ drive, bay: takeHalf(), rails: 'none' }];
      const own = small.shift();
      if (own) return [{ drive, bay: own, rails: 'none' }];
      const half = takeHalf();
      return [{ drive, bay: half, rails: half === null ? 'none' : rails-- > 0 ? 'there' : 'missing' }];
    });
}
