import { server } from '../words/server';
import type { BuildRecord } from './builds';
import { type Problem } from '../words';

export class NotFound extends Error {}

/** The build lies in the bin: it can be put back, and is not changed until then. */
export class InBin extends Error {
  constructor(readonly id: string) {
    super(server.inBin(id));
  }
}

/** It is kept, and what is kept cannot be read or used any more. */
export class Unreadable extends Error {
  constructor(
    message: string,
    readonly problems: Problem[] = []
  ) {
    super(message);
  }
}

/** Somebody saved in between: what they saved comes along. */
export class Conflict extends Error {
  constructor(readonly current: BuildRecord) {
    super(server.changedElsewhere);
  }
}

/** Somebody saved in between, and there is nothing to merge: the new state is to be looked at. */
export class Stale extends Error {}

/** A refusal with its HTTP status: 401 sign in first, 422 too much to work out, 429 too many at once. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly headers: Record<string, string> = {}
  ) {
    super(message);
  }
}
