/** Thrown inside a search when its budget is spent or the user stops it. */
class Stopped extends Error {}

/** One for all: making a new one costs more than a search node. */
const STOPPED = new Stopped('search stopped');

/** How often somebody is asked whether to stop, in nodes. */
const ASKED_EVERY = 512;

/** How far a search may go: counts its nodes and ends it. */
export class Budget {
  /** @param nodes that were looked at before */
  constructor(
    private readonly limit: number,
    private readonly shouldStop: () => boolean = () => false,
    public nodes = 0
  ) {}

  /** @throws Stopped when this node is one too many, or somebody wants to stop */
  spend(): void {
    this.nodes++;
    if (this.nodes > this.limit || this.nodes % ASKED_EVERY === 0) this.ask();
  }

  /** Asks at once, before something that takes long. @throws Stopped */
  ask(): void {
    if (this.nodes > this.limit || this.shouldStop()) throw STOPPED;
  }
}

/** Ends a search before its end. @throws Stopped */
export function stop(): never {
  throw STOPPED;
}

/** Whether a search was ended by its budget, and nothing went wrong. */
export const isStopped = (error: unknown): boolean => error instanceof Stopped;

/** What a search finds, or what is said when it was ended before. */
export function attempt<T, U>(search: () => T, ifStopped: () => U): T | U {
  try {
    return search();
  } catch (error) {
    if (isStopped(error)) return ifStopped();
    throw error;
  }
}
