/** Words about computations that take a while. */
export const work = {
  seconds: (n: number, limit: number) => `${n} s of ${limit} s at most`,
  ended: {
    'too-long': (limit: number) =>
      `Stopped after ${limit} seconds: this is more than can be worked out here. Nothing is known about whether there is an answer. Lock some settings or leave out a part, and try again.`,
    broken: (_: number) => 'The computation did not start. Reload the page and try again.'
  }
} as const;
