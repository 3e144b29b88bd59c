import type { Build, RescueDisk, RescueState } from '../model';

/** What is noted of one drive; nothing where nobody looked. */
export const rescueOf = (build: Build, item: string): RescueDisk => build.rescue?.[item] ?? {};

/** Changes what is noted of one drive; `undefined` takes a field out. */
export function withRescue(
  build: Build,
  item: string,
  change: { [K in keyof RescueDisk]?: RescueDisk[K] | undefined }
): Build {
  const merged = { ...rescueOf(build, item), ...change };
  const kept = Object.fromEntries(Object.entries(merged).filter(([, v]) => v !== undefined)) as RescueDisk;
  const { [item]: _, ...others } = build.rescue ?? {};
  const rescue = Object.keys(kept).length ? { ...others, [item]: kept } : others;
  const { rescue: __, ...plain } = build;
  return Object.keys(rescue).length ? { ...plain, rescue } : plain;
}

/** Its data are safe: a full image with its hash. A partial one, or one without a hash, is not that yet. */
export const isImaged = ({ image }: RescueDisk): boolean =>
  image !== undefined && image.sha256 !== undefined && !image.partial;

/** What keeps steps that write from a drive. */
export interface Held {
  item: string;
  /** `none`: no image; `partial`, `no-hash`: there is one that does not do yet. */
  why: 'none' | 'partial' | 'no-hash';
  /** Somebody goes on all the same. */
  wayPast: RescueDisk['wayPast'] | null;
}

/** Whether steps that write to a drive are held back: unique data without a full image and its hash. */
export function heldBack(build: Build, item: string): Held | null {
  const disk = rescueOf(build, item);
  if (disk.unique !== 'yes' || isImaged(disk)) return null;
  const why = !disk.image ? 'none' : disk.image.partial ? 'partial' : 'no-hash';
  return { item, why, wayPast: disk.wayPast ?? null };
}

/**
 * Whether what destroys all data of a drive may be proposed: somebody said that nothing on it is without a copy, it is
 * imaged, or somebody signed for it. Where nobody said anything it may not.
 */
export function mayBeWiped(build: Build, item: string): boolean {
  const disk = rescueOf(build, item);
  return disk.unique === 'no' || isImaged(disk) || disk.wayPast !== undefined;
}

/** Every drive of a build that is held back and that nobody signed for. */
export const allHeld = (build: Build): Held[] =>
  Object.keys(build.rescue ?? {}).flatMap((item) => heldBack(build, item) ?? []);

/** Below this many starts counts are told, not a chance. */
const FEW = 5;

export interface Series {
  n: number;
  ready: number;
  /** Chance that one more start works: an upper estimate, as starts wear. Null while there are few. */
  again: number | null;
}

/** (k + ½) ÷ (n + 1) after k of n starts became ready. */
export function seriesOf({ starts = [] }: RescueDisk): Series {
  const ready = starts.filter((s) => s.ready).length;
  return {
    n: starts.length,
    ready,
    again: starts.length < FEW ? null : (ready + 0.5) / (starts.length + 1)
  };
}

/** Other data than unique ones: from this chance on it may be switched off. */
const GOOD_ENOUGH = 0.9;

/** Whether the drive may be switched off now. */
export type MayStop = 'free' | 'image-first' | 'risky';
export function mayStop(disk: RescueDisk): MayStop {
  if (!disk.readySince || isImaged(disk)) return 'free';
  // Whether the data are unique was never said: then they count as unique.
  if (disk.unique !== 'no') return 'image-first';
  const { n, ready } = seriesOf(disk);
  return n > 0 && (ready + 0.5) / (n + 1) < GOOD_ENOUGH ? 'risky' : 'free';
}

/** Rungs of getting a stuck drive to turn, each once or twice, then the next. */
export const RUNGS = ['warm', 'starts', 'twist', 'hub', 'tap'] as const;
export type Rung = (typeof RUNGS)[number];
/** With unique data a forced start may cost the heads: after these a specialist. */
const GENTLE: readonly Rung[] = ['warm', 'starts'];

export interface Advice {
  /** Sentences by name, in the order to do them. */
  steps: readonly string[];
  never: readonly string[];
  ladder: readonly Rung[];
  /** It stays off. */
  isOff: boolean;
}

const PLANS: Readonly<Record<RescueState, Omit<Advice, 'ladder' | 'isOff'>>> = {
  silent: { steps: ['leads', 'volts', 'select', 'clamp'], never: ['format', 'board'] },
  hums: { steps: ['stuck'], never: ['three-tries'] },
  spins: { steps: ['wait', 'warm-restart', 'rest', 'swap-cable', 'sensor'], never: ['open'] },
  ready: { steps: ['image-now'], never: ['off', 'restart', 'repair'] },
  errors: { steps: ['image-skipping'], never: ['write', 'repair', 'format'] },
  scraping: { steps: ['off-stays'], never: ['any-start'] },
  good: { steps: ['image-first'], never: [] }
};

/** What to do with a drive in a state, and what not. A ladder of forced starts only where somebody said the data are not unique. */
export function adviceOf({ state, unique }: RescueDisk): Advice | null {
  if (!state) return null;
  const rungs = state === 'hums' ? (unique === 'no' ? RUNGS : GENTLE) : [];
  return { ...PLANS[state], ladder: rungs, isOff: state === 'scraping' };
}
