/** One way on in a search, and what can come of it. */
export interface Branch {
  /** Nothing that comes of it is below this. */
  hope: number;
  /** Nothing that comes of it, or of any branch after it, is below this. */
  behind: number;
}

/**
 * The bounding of a branch and bound: goes into every branch that may come out below the room that is left, and ends
 * where none behind it can. A branch is made only when those before it are done, so its bounds may stand on what they found.
 * @param room what is to be beaten, asked anew before each branch
 * @param into goes into a branch; true ends it there: nothing better can come
 * @returns the least hope of what was passed over, Infinity when nothing was: what is there is not below it
 */
export function branch<B extends Branch>(
  branches: Iterable<B>,
  room: () => number,
  into: (branch: B) => boolean | undefined
): number {
  let passed = Infinity;
  for (const one of branches) {
    const most = room();
    if (one.behind >= most) return Math.min(passed, one.behind);
    if (one.hope >= most) passed = Math.min(passed, one.hope);
    else if (into(one)) return passed;
  }
  return passed;
}
