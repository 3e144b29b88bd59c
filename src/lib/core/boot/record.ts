import type { BootRecord, Build } from '../model';
import type { Measured } from './measured';

/** Changes what is known of how a machine starts; what is left empty goes. */
export function withBoot(build: Build, change: Partial<BootRecord>): Build {
  const merged = { ...build.boot, ...change };
  const kept = Object.fromEntries(
    Object.entries(merged).filter(([, v]) => {
      if (v === undefined || v === '' || v === false) return false;
      return typeof v !== 'object' || (Array.isArray(v) ? v.length > 0 : Object.keys(v).length > 0);
    })
  ) as BootRecord;
  const { boot: _, ...plain } = build;
  return Object.keys(kept).length ? { ...plain, boot: kept } : plain;
}

const MOST_SIZES = 60;

/** Keeps the sizes that MEM showed, newer ones over older. */
export const withSizes = (build: Build, programs: readonly Measured[]): Build =>
  withBoot(build, {
    sizes: Object.fromEntries(
      [
        ...Object.entries(build.boot?.sizes ?? {}),
        ...programs.map((p) => [p.name.slice(0, 12), { stay: Math.min(p.bytes, 1_048_576) }] as const)
      ].slice(-MOST_SIZES)
    )
  });
