import { clocksOf, speedIndex } from '../boards';
import type { Kit } from '../kit';
import type { Profile, Tried } from '../model';
import { offerOf, slowDowns, unmet, waysIn, type SlowDown, type Unmet } from '../software';
import { expectationOf, type Found, type SoundCard } from './expect';
import type { BootPlan, PlannedStart, ProgramVerdict } from './plan';
import type { Group } from './wanted';

/** How a program's window of speed meets this machine. */
export interface SpeedFit {
  index: number;
  from: number | null;
  to: number | null;
  verdict: 'fits' | 'too-slow' | 'too-fast';
  /** Means that bring the machine into the window, the mildest first; together where one is not enough. */
  slow: SlowDown[][];
}

export function speedFit(kit: Kit, profile: Profile): SpeedFit | null {
  const cpu = kit.seatedCpu?.cpu;
  const { core } = clocksOf(kit.board, kit.seatedCpu, kit.at, () => true);
  const window = profile.wants?.speed;
  if (!cpu || core === null || !window) return null;
  const index = Math.round(speedIndex(cpu, core));
  const from = window.from ?? null;
  const to = window.to ?? null;
  const verdict =
    from !== null && index < from ? 'too-slow' : to !== null && index > to ? 'too-fast' : 'fits';
  return {
    index,
    from,
    to,
    verdict,
    slow: verdict === 'too-fast' && to !== null ? waysIn(index, from ?? 0, to, slowDowns(kit)) : []
  };
}

/** What to choose in the set-up of a program, from the build as it stands. */
export interface SetUp {
  sound: {
    card: string;
    port: Found | null;
    irq: Found | null;
    dma: Found | null;
    dma16: Found | null;
  } | null;
  /** Music: FM at 388h, or a MIDI port. */
  fm: boolean;
  midi: Found | null;
  joystick: boolean;
  /** Whether there is one, and its driver is in the start of the program; without a plan nobody knows the start. */
  mouse: Reach;
  cd: Reach;
}
export type Reach = 'here' | 'no-driver' | 'none';

/** Everything that stands on the sheet of a program. */
export interface ProgramSheet {
  profile: Profile;
  /** In which start, and how sure that is; null without a plan. */
  start: ProgramVerdict | null;
  speed: SpeedFit | null;
  setUp: SetUp;
  unmet: Unmet[];
  tried: readonly Tried[];
}

const best = (cards: readonly SoundCard[]): SoundCard | null =>
  cards.find((c) => c.port && c.dma) ?? cards[0] ?? null;

/** The sheets of every program of the brief. */
export function programSheets(kit: Kit, plan: BootPlan | null): ProgramSheet[] {
  const ex = expectationOf(kit);
  const offer = offerOf(kit);
  const card = best(ex.sound);
  const reach = (isThere: boolean, group: Group, start: PlannedStart | undefined): Reach =>
    !isThere ? 'none' : start && !start.configuration.on.includes(group) ? 'no-driver' : 'here';
  const common = {
    sound: card && { card: card.title, port: card.port, irq: card.irq, dma: card.dma, dma16: card.dma16 },
    fm: offer.abilities.has('fm') || offer.abilities.has('stereo-fm'),
    midi: card?.midi ?? null,
    joystick: offer.functions.has('game')
  };
  const hasMouse = offer.functions.has('mouse') || ex.serials > 0;
  return kit.build.brief.profiles.map((profile) => {
    const verdict = plan?.programs.find((p) => p.id === profile.id) ?? null;
    const start = plan?.starts.find((s) => s.configuration.id === verdict?.start);
    return {
      profile,
      start: verdict,
      speed: speedFit(kit, profile),
      setUp: {
        ...common,
        mouse: reach(hasMouse, 'mouse', start),
        cd: reach(ex.optical.length > 0, 'cd', start)
      },
      unmet: unmet(profile, offer),
      tried: kit.build.boot?.tried?.[profile.id] ?? []
    };
  });
}
