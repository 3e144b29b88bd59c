import { resolve, type Resolution, type ResolveOptions, type Share, type Solution } from '../../core/solver';
import { shareWords } from '../../words';
import type { Machine } from './machine';

/** A share with the reason why two functions may use one line. */
type ToldShare = Share & { reason: string };
type Told<S> = S extends Solution ? Omit<S, 'shares'> & { shares: ToldShare[] } : S;
export type ToldResolution = Told<Resolution>;

const told = <S extends Solution>(solution: S) => ({
  ...solution,
  shares: solution.shares.map((share): ToldShare => ({ ...share, reason: shareWords(share) }))
});

/** The positions without a clash, or why there are none, with what a person has to know of them. */
export function resolveReport({ build, parts }: Machine, options: ResolveOptions = {}): ToldResolution {
  const resolution = resolve(build, parts, options);
  return resolution.status === 'solved'
    ? { ...told(resolution), alternatives: resolution.alternatives.map(told) }
    : resolution;
}
