import { families } from '../boards';
import type { Kit } from '../kit';
import type { CpuFamily, PartWith } from '../model';
import { meaningsOf } from '../settings';

/** A means to slow a machine down, with the factor that it usually has. From the domain's table; each to be measured once. */
export interface SlowDown {
  means: 'turbo' | 'waits' | 'l2-off' | 'l1-off' | 'multiplier' | 'software';
  factor: readonly [least: number, most: number];
}

/** Means that a board with such a CPU has. */
export function slowDownsOf(board: PartWith<'board'>, family: CpuFamily): SlowDown[] {
  const { rank } = families[family];
  const facts = board.board;
  const out: SlowDown[] = [];
  if (facts.headers?.some((h) => h.kind === 'turbo-switch')) out.push({ means: 'turbo', factor: [1.3, 4] });
  const setsWaits = meaningsOf(board).some((m) => m.fact === 'wait-states');
  if ((rank === 1 || rank === 2) && setsWaits) out.push({ means: 'waits', factor: [1.1, 1.6] });
  if (facts.cacheKiB) out.push({ means: 'l2-off', factor: [1.05, 1.4] });
  if (rank === 3) out.push({ means: 'l1-off', factor: [3, 8] });
  if (rank >= 4) out.push({ means: 'l1-off', factor: [8, 25] });
  if (facts.multiplier && !Array.isArray(facts.multiplier))
    out.push({ means: 'multiplier', factor: [1.3, 4] });
  if (rank >= 3) out.push({ means: 'software', factor: [1.1, 8] });
  return out;
}

/** Means that a machine has. */
export function slowDowns(kit: Kit): SlowDown[] {
  const family = kit.seatedCpu?.cpu.family;
  return family ? slowDownsOf(kit.board, family) : [];
}

/**
 * Means, alone or two together, after which the speed index may lie in a window, the mildest first.
 * @param from least index of the window; 0: none
 * @param reach `likely`: with the middle of each factor, not only with the most that it can be
 */
export function waysIn(
  index: number,
  from: number,
  to: number,
  means: readonly SlowDown[],
  reach: 'may' | 'likely' = 'may'
): SlowDown[][] {
  const upTo = ({ factor: [low, high] }: SlowDown): number =>
    reach === 'may' ? high : Math.sqrt(low * high);
  const fits = (list: readonly SlowDown[]): boolean => {
    const most = list.reduce((n, m) => n * upTo(m), 1);
    const least = list.reduce((n, m) => n * m.factor[0], 1);
    return index / most <= to && index / least >= from;
  };
  const alone = means.filter((m) => fits([m])).map((m) => [m]);
  if (alone.length) return alone;
  return means.flatMap((a, i) => means.slice(i + 1).flatMap((b) => (fits([a, b]) ? [[a, b]] : [])));
}
