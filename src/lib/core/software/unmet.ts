import type { Ability, CpuFamily, FunctionKind, Picture, Profile, Wants } from '../model';
import { families, runs } from '../boards';
import { pictureKiB } from '../video';
import type { Offer } from './offer';
import { waysIn, type SlowDown } from './slowing';

/** The part of a machine that a want is about: what a planner decides at one time. */
export type Area = 'cpu' | 'memory' | 'display' | 'audio' | 'storage' | 'ports' | 'system';

/** A want and what the machine has instead. Speeds are the speed index, sizes KiB below 1 MiB's units unless named. */
export type UnmetFacts =
  | { rule: 'software.cpu'; facts: { needs: CpuFamily; has: CpuFamily } }
  | { rule: 'software.slow'; facts: { needs: number; has: number; severe: boolean } }
  | { rule: 'software.fast'; facts: { most: number; has: number; severe: boolean; by: SlowDown['means'][] } }
  | { rule: 'software.fpu'; facts: { refuses: boolean } }
  | { rule: 'software.base'; facts: { needsKiB: number; hasKiB: number } }
  | { rule: 'software.extended'; facts: { needsKiB: number; hasKiB: number } }
  | { rule: 'software.expanded'; facts: { needsKiB: number; hasKiB: number } }
  | { rule: 'video.memory'; facts: { picture: Picture; needsKiB: number; hasKiB: number } }
  | { rule: 'software.display'; facts: { pictures: Picture[] } }
  | { rule: 'software.grey'; facts: { pictures: Picture[] } }
  | { rule: 'software.audio'; facts: { knows: Ability[] } }
  | { rule: 'software.disk'; facts: { needsMiB: number; hasMiB: number | null } }
  | { rule: 'software.cdrom'; facts: Record<string, never> }
  | { rule: 'software.floppy'; facts: { kib: number } }
  | { rule: 'software.ports'; facts: { missing: FunctionKind[] } }
  | { rule: 'software.dos'; facts: { needs: number; has: number } }
  | { rule: 'software.windows'; facts: { needs: number } };

/** What a program lacks, as data. `hard`: it will not run, or only not as meant. */
export type Unmet = UnmetFacts & { area: Area; hard: boolean };

/** Below this share of the least speed a program is no use, above it it crawls; the same the other way round. */
const CRAWLS = 0.6;
const RACES = 2;

const standIns: Partial<Record<FunctionKind, readonly FunctionKind[]>> = {
  mouse: ['mouse', 'serial'],
  modem: ['modem', 'serial']
};
/** Functions that serve for one that a program names: a mouse or a modem also hangs on a serial port. */
export const serving = (named: FunctionKind): readonly FunctionKind[] => standIns[named] ?? [named];

/** The pictures that a program offers, when none of them can be shown. */
const lacked = (display: Wants['display'], offer: Offer): readonly Picture[] | null =>
  display?.length && offer.pictures && !display.some((p) => offer.pictures?.has(p)) ? display : null;

/** Whether a picture is drawn in colours: a program that offers one without is made for monitors without. */
const isInColours = (picture: Picture): boolean => picture !== 'text' && picture !== 'mono-graphics';

/** Without these a program runs all the same. */
const dispensable: readonly FunctionKind[] = ['game', 'parallel', 'mouse'];

type Found = UnmetFacts & { hard: boolean };
const hard = (found: UnmetFacts): Found => ({ ...found, hard: true });
const soft = (found: UnmetFacts): Found => ({ ...found, hard: false });

/** What a program can ask, by the area it is about; null when it is met or when nobody entered it yet. */
const tests: readonly [area: Area, find: (wants: Wants, offer: Offer) => Found | null][] = [
  [
    'cpu',
    ({ cpu }, offer) =>
      cpu && offer.cpu && !runs(offer.cpu, cpu)
        ? hard({ rule: 'software.cpu', facts: { needs: cpu, has: offer.cpu } })
        : null
  ],
  [
    'cpu',
    ({ speed }, offer) => {
      if (speed?.from === undefined || offer.speed === null || offer.speed >= speed.from) return null;
      const severe = offer.speed < speed.from * CRAWLS;
      return {
        rule: 'software.slow',
        facts: { needs: speed.from, has: offer.speed, severe },
        hard: severe
      };
    }
  ],
  [
    'cpu',
    ({ speed }, offer) => {
      if (speed?.to === undefined || offer.speed === null || offer.speed <= speed.to) return null;
      const [way = []] = waysIn(offer.speed, speed.from ?? 0, speed.to, offer.slow ?? [], 'likely');
      const by = way.map((m) => m.means);
      const severe = offer.speed > speed.to * RACES && !by.length;
      return { rule: 'software.fast', facts: { most: speed.to, has: offer.speed, severe, by }, hard: severe };
    }
  ],
  [
    'cpu',
    ({ fpu }, offer) =>
      fpu && offer.cpu && !offer.fpu
        ? { rule: 'software.fpu', facts: { refuses: fpu === 'needed' }, hard: fpu === 'needed' }
        : null
  ],
  [
    'memory',
    ({ memory }, offer) =>
      memory?.baseKiB !== undefined && offer.memory && offer.memory.base < memory.baseKiB
        ? hard({
            rule: 'software.base',
            facts: { needsKiB: memory.baseKiB, hasKiB: offer.memory.base }
          })
        : null
  ],
  [
    'memory',
    ({ memory }, offer) =>
      memory?.extendedKiB !== undefined && offer.memory && offer.memory.extended < memory.extendedKiB
        ? hard({
            rule: 'software.extended',
            facts: { needsKiB: memory.extendedKiB, hasKiB: offer.memory.extended }
          })
        : null
  ],
  [
    'memory',
    ({ memory }, offer) => {
      if (memory?.expandedKiB === undefined || !offer.memory) return null;
      const isDriver = offer.cpu !== null && families[offer.cpu].rank >= 2;
      const spare = isDriver ? offer.memory.expanded - (memory.extendedKiB ?? 0) : offer.memory.expanded;
      return spare >= memory.expandedKiB
        ? null
        : hard({
            rule: 'software.expanded',
            facts: { needsKiB: memory.expandedKiB, hasKiB: Math.max(0, spare) }
          });
    }
  ],
  [
    'display',
    ({ display }, offer) => {
      const [roomy] = lacked(display, offer)?.filter((p) => offer.roomier?.().has(p)) ?? [];
      const needsKiB = roomy && pictureKiB(roomy);
      return needsKiB
        ? hard({
            rule: 'video.memory',
            facts: { picture: roomy, needsKiB, hasKiB: offer.videoKiB ?? 0 }
          })
        : null;
    }
  ],
  [
    'display',
    ({ display }, offer) => {
      const missing = lacked(display, offer);
      return missing && !missing.some((p) => pictureKiB(p) && offer.roomier?.().has(p))
        ? hard({ rule: 'software.display', facts: { pictures: [...missing] } })
        : null;
    }
  ],
  [
    'display',
    ({ display }, offer) => {
      const { pictures, coloured } = offer;
      if (!display?.every(isInColours) || !pictures || !coloured) return null;
      const shown = display.filter((p) => pictures.has(p));
      return shown.length && !shown.some((p) => coloured.has(p))
        ? soft({ rule: 'software.grey', facts: { pictures: shown } })
        : null;
    }
  ],
  [
    'audio',
    ({ audio, audioNeeded }, offer) =>
      audio?.length && !audio.some((a) => offer.abilities.has(a))
        ? { rule: 'software.audio', facts: { knows: [...audio] }, hard: audioNeeded === true }
        : null
  ],
  [
    'storage',
    ({ diskMiB }, offer) =>
      diskMiB !== undefined && (offer.diskMiB ?? 0) < diskMiB
        ? hard({ rule: 'software.disk', facts: { needsMiB: diskMiB, hasMiB: offer.diskMiB } })
        : null
  ],
  [
    'storage',
    ({ cdrom }, offer) => (cdrom && !offer.cdrom ? hard({ rule: 'software.cdrom', facts: {} }) : null)
  ],
  [
    'storage',
    ({ floppyKiB }, offer) =>
      floppyKiB !== undefined && offer.floppies.length > 0 && !offer.floppies.includes(floppyKiB)
        ? soft({ rule: 'software.floppy', facts: { kib: floppyKiB } })
        : null
  ],
  [
    'ports',
    ({ functions }, offer) => {
      const missing = (functions ?? []).filter((f) => !serving(f).some((g) => offer.functions.has(g)));
      return missing.length
        ? {
            rule: 'software.ports',
            facts: { missing },
            hard: !missing.every((f) => dispensable.includes(f))
          }
        : null;
    }
  ],
  [
    'system',
    ({ dos }, offer) =>
      dos !== undefined && offer.dos !== null && offer.dos < dos
        ? hard({ rule: 'software.dos', facts: { needs: dos, has: offer.dos } })
        : null
  ],
  [
    'system',
    ({ windows }, offer) =>
      windows !== undefined && offer.dos !== null && (offer.windows ?? 0) < windows
        ? hard({ rule: 'software.windows', facts: { needs: windows } })
        : null
  ]
];

/** What a machine lacks for a program, hard ones first. Empty: it runs as meant. */
export function unmet(profile: Profile, offer: Offer, areas?: readonly Area[]): Unmet[] {
  const wants = profile.wants ?? {};
  const out: Unmet[] = [];
  for (const [area, find] of tests) {
    const found = !areas || areas.includes(area) ? find(wants, offer) : null;
    if (found) out.push({ area, ...found });
  }
  return out.sort((a, b) => Number(b.hard) - Number(a.hard));
}

/** Whether a program runs on what is offered. */
export const isMet = (profile: Profile, offer: Offer): boolean => unmet(profile, offer).every((u) => !u.hard);
