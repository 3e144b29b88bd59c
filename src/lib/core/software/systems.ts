import { runs } from '../boards';
import type { CpuFamily, DriverFacts } from '../model';

/**
 * Operating systems: what each needs at the least, and the DOS that lies under it. From the makers' requirements and
 * what is known of setups that refuse. Every question about a system reads this table.
 */
export interface System {
  /** As it is written in a brief: `Windows 3.1`. Also its name on screen. */
  name: string;
  /** How it is recognised in what somebody typed. */
  pattern: RegExp;
  windows: number | null;
  /** The DOS under it; null: the one that the brief names besides. */
  dos: number | null;
  cpu: CpuFamily;
  /** KiB below 640 that must be there, and above 1 MiB. */
  baseKiB: number;
  extendedKiB: number;
  /** MiB of disk that the installation takes at the least; 0: runs from a floppy. */
  diskMiB: number;
}

const windows = (
  name: string,
  version: number,
  pattern: RegExp,
  needs: Pick<System, 'cpu' | 'baseKiB' | 'extendedKiB' | 'diskMiB'>,
  dos: number | null = null
): System => ({ name, pattern, windows: version, dos, ...needs });

/** Later ones first: the first that matches counts. */
export const systems: readonly System[] = [
  // Its setup refuses a 386, and looks for an FPU and 66 MHz.
  windows(
    'Windows 98',
    4.1,
    /\bwin(?:dows)?\s*(?:98|4\.1)/i,
    { cpu: '486dx', baseKiB: 640, extendedKiB: 15_360, diskMiB: 120 },
    7.1
  ),
  windows(
    'Windows 95 OSR2',
    4,
    /\bwin(?:dows)?\s*95\s*(?:b|c|osr\s*2(?:\.\d)?)\b/i,
    { cpu: '386dx', baseKiB: 640, extendedKiB: 3072, diskMiB: 60 },
    7.1
  ),
  windows(
    'Windows 95',
    4,
    /\bwin(?:dows)?\s*(?:95|4(?:\.0)?)/i,
    { cpu: '386dx', baseKiB: 640, extendedKiB: 3072, diskMiB: 60 },
    7
  ),
  // Enhanced mode only.
  windows('Windows for Workgroups 3.11', 3.11, /\bwin(?:dows)?(?:\s+for\s+workgroups)?\s*3\.11/i, {
    cpu: '386sx',
    baseKiB: 640,
    extendedKiB: 2048,
    diskMiB: 10
  }),
  // Standard mode: a 286 and 256 KiB above the first megabyte.
  windows('Windows 3.1', 3.1, /\bwin(?:dows)?\s*3\.1/i, {
    cpu: '286',
    baseKiB: 640,
    extendedKiB: 256,
    diskMiB: 8
  }),
  // Real mode.
  windows('Windows 3.0', 3, /\bwin(?:dows)?\s*3(?:\.0)?(?![.\d]*\d)/i, {
    cpu: '8088',
    baseKiB: 640,
    extendedKiB: 0,
    diskMiB: 6
  }),
  windows('Windows 2.0', 2, /\bwin(?:dows)?\s*2(?!\d)/i, {
    cpu: '8088',
    baseKiB: 512,
    extendedKiB: 0,
    diskMiB: 0
  }),
  windows('Windows 1.0', 1, /\bwin(?:dows)?\s*1(?!\d)/i, {
    cpu: '8088',
    baseKiB: 256,
    extendedKiB: 0,
    diskMiB: 0
  })
];

/** The system that a brief names; null when it names none that is known. */
export const systemIn = (os: string | undefined): System | null =>
  systems.find((s) => s.pattern.test(os ?? '')) ?? null;

/** Words that may stand before DOS; with any other it is a DOS whose versions are counted in another way. */
const BEFORE_DOS: readonly string[] = [
  '',
  'ms',
  'pc',
  'on',
  'with',
  'and',
  'under',
  'plain',
  'or',
  'in',
  'the',
  'from'
];
const NEWEST_DOS = 8;

/** The version of DOS that somebody typed; null: none, or one of another kind of DOS. */
function typedDos(os: string): number | null {
  const [, before = '', version] = /([a-z]*)[- ]*dos\s*(\d+(?:\.\d+)?)/i.exec(os) ?? [];
  const dos = Number(version);
  return version && BEFORE_DOS.includes(before.toLowerCase()) && dos >= 1 && dos <= NEWEST_DOS ? dos : null;
}

/** Versions of DOS and Windows in what the brief says of the system, such as `Windows 3.1 on DOS 6.22`. */
export function systemOf(os: string | undefined): { dos: number | null; windows: number | null } {
  const system = systemIn(os);
  return { dos: typedDos(os ?? '') ?? system?.dos ?? null, windows: system?.windows ?? null };
}

/** What a machine has, as far as a system asks for it; null: not entered. */
export interface SystemOffer {
  cpu?: CpuFamily | null;
  /** KiB fitted in all, and KiB above 1 MiB that are left after shadowing. */
  totalKiB?: number | null;
  extendedKiB?: number | null;
  diskMiB?: number | null;
}

/** What a machine has too little of for a system. What is not entered is not judged. */
export function systemLacks(
  { cpu, baseKiB, extendedKiB, diskMiB }: System,
  has: SystemOffer
): ('cpu' | 'base' | 'extended' | 'disk')[] {
  const below = (given: number | null | undefined, needed: number) =>
    given !== null && given !== undefined && given < needed;
  return [
    ...(has.cpu && !runs(has.cpu, cpu) ? (['cpu'] as const) : []),
    ...(below(has.totalKiB, baseKiB) ? (['base'] as const) : []),
    ...(below(has.extendedKiB, extendedKiB) ? (['extended'] as const) : []),
    ...(below(has.diskMiB, diskMiB) ? (['disk'] as const) : [])
  ];
}

/** Whether a machine is enough for the system that a brief names; true where it names none. */
export const suitsSystem = (os: string | undefined, has: SystemOffer): boolean => {
  const system = systemIn(os);
  return system === null || systemLacks(system, has).length === 0;
};

/** What a driver wants of a system and does not get there. */
export type DriverLacks = { why: 'windows'; needs: number } | { why: 'dos'; needs: number; dos: number };

/** Why a driver is none for the system that a brief names; null where it is one, or none is named. */
export function driverLacks(
  { windows: needs, dos: needsDos }: DriverFacts,
  os: string | undefined
): DriverLacks | null {
  const { dos, windows } = systemOf(os);
  if (needs !== undefined && os && (windows ?? 0) < needs) return { why: 'windows', needs };
  return dos !== null && needsDos !== undefined && dos < needsDos
    ? { why: 'dos', needs: needsDos, dos }
    : null;
}
