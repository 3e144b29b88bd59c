/** `1 clash`, `3 clashes`: a number with its word. */
export const counted =
  (one: string, many: string) =>
  (n: number): string =>
    `${n} ${n === 1 ? one : many}`;

/** `it`, `both`, `all 3`: all of so many. */
export const allOf = (n: number): string => (n === 1 ? 'it' : n === 2 ? 'both' : `all ${n}`);
