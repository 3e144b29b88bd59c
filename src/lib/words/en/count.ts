/** `1 clash`, `3 clashes`: a number with its word. */
export const counted =
  (one: string, many: string) =>
  (n: number): string =>
    `${n} ${n === 1 ? one : many}`;
