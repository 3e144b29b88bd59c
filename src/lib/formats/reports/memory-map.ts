import { VARIANTS, counted, shownMemory } from '../../core/boards';
import {
  conditionalRuns,
  freeRuns,
  memoryMap,
  paragraphRange,
  regionBytes,
  upperPlan,
  type Piece
} from '../../core/boot';
import { kitOf, totalKiB } from '../../core/kit';
import { maybeWords, useWords, variantWords } from '../../words';
import type { Machine } from './machine';

const owner = ({ owner: o }: Piece) => (o.thing ? `${o.thing.name}, ${o.function}` : o.function);

/** The first megabyte of a build, who answers where, and what is counted above. */
export function memoryMapReport({ build, parts }: Machine): object {
  const kit = kitOf(build, parts);
  const total = totalKiB(kit);
  const map = memoryMap(kit, total);
  const asPiece = (p: Piece) => ({
    window: paragraphRange(p),
    kib: (p.to - p.from) / 1024,
    use: p.use,
    words: useWords[p.use],
    owner: owner(p),
    shadowed: p.shadowed,
    sure: p.sure
  });
  const plans = (['best', null] as const).map((frame) => {
    const plan = map.hidden.length ? null : upperPlan(map, { frame, use: kit.build.boot?.free ?? [] });
    return plan
      ? {
          frame: plan.frame && paragraphRange(plan.frame),
          regions: plan.regions.map((r) => ({ window: paragraphRange(r), kib: (r.to - r.from) / 1024 })),
          bytes: regionBytes(plan),
          exclude: plan.exclude.map((x) => ({
            window: paragraphRange(x),
            owner: owner(x.piece),
            sure: x.piece.sure
          })),
          include: plan.include.map(paragraphRange)
        }
      : null;
  });
  return {
    conventionalKiB: map.conventional === null ? null : map.conventional / 1024,
    pieces: map.pieces.map(asPiece),
    free: freeRuns(map.pieces, 0xc0000, 0xf0000).map((r) => ({
      window: paragraphRange(r),
      kib: (r.to - r.from) / 1024
    })),
    collisions: map.collisions.map((c) => ({ window: paragraphRange(c), a: owner(c.a), b: owner(c.b) })),
    hidden: map.hidden,
    doubtful: map.doubtful,
    conditional: conditionalRuns(map).map((c) => ({
      window: paragraphRange(c),
      why: c.why,
      look: maybeWords[c.why].look
    })),
    withFrame: plans[0],
    withoutFrame: plans[1],
    memory:
      kit.memory && total > 0
        ? {
            fittedKiB: total,
            ...shownMemory(total, kit.memory),
            variants: VARIANTS.map((v) => ({ variant: v, words: variantWords[v], ...counted(total, v) }))
          }
        : null
  };
}
