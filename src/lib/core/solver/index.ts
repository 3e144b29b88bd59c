export { choose, resolve, solutionOf, sharesOf, DEFAULT_NODES } from './resolve';
export type { Resolution, ResolveOptions, Solution, Move, Share, ClaimRow, CoreMember } from './resolve';
export { explain, type Explanation } from './explain';
export { applyFix, fixCost, type Relaxation } from './relax';
export { LEVELS, compare, moveCost, capMoves, leverMoves, type Level, type Objective } from './objective';
export { compile, isFixed } from './compile';
export { feasible, solve, objectiveText } from './solve';
export { findCore, quickXplain } from './core';
export { loom, type LoomGroup, type LoomRow, type LoomMark } from './loom';
