/** How often something fails, from few starts: intervals and how many good starts make "fixed". */

export interface Interval {
  low: number;
  high: number;
}

/** Below this many starts a rate is no more than a count. */
export const FEWEST_STARTS = 5;

const LANCZOS = [
  0.99999999999980993, 676.5203681218851, -1259.1392167224028, 771.32342877765313, -176.61502916214059,
  12.507343278686905, -0.13857109526572012, 9.9843695780195716e-6, 1.5056327351493116e-7
];
/** Logarithm of the gamma function, by the series of Lanczos. */
function logGamma(x: number): number {
  if (x < 0.5) return Math.log(Math.PI / Math.sin(Math.PI * x)) - logGamma(1 - x);
  const t = x - 1 + 7.5;
  const sum = LANCZOS.reduce((s, c, i) => s + (i === 0 ? c : c / (x + i - 1)), 0);
  return 0.5 * Math.log(2 * Math.PI) + (x - 0.5) * Math.log(t) - t + Math.log(sum);
}

/** Share of the beta distribution below x, by its continued fraction. */
function betaBelow(x: number, a: number, b: number): number {
  if (x <= 0) return 0;
  if (x >= 1) return 1;
  if (x > (a + 1) / (a + b + 2)) return 1 - betaBelow(1 - x, b, a);
  const front = Math.exp(logGamma(a + b) - logGamma(a) - logGamma(b) + a * Math.log(x) + b * Math.log(1 - x));
  const TINY = 1e-300;
  let c = 1;
  let d = 1 / (1 - ((a + b) * x) / (a + 1) || TINY);
  let f = d;
  for (let m = 1; m < 400; m++) {
    const step = (n: number) => {
      d = 1 / (1 + n * d || TINY);
      c = 1 + n / c || TINY;
      f *= c * d;
      return Math.abs(c * d - 1);
    };
    step((m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m)));
    if (step((-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1))) < 1e-14) break;
  }
  return (front * f) / a;
}

function betaQuantile(q: number, a: number, b: number): number {
  let [low, high] = [0, 1];
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (betaBelow(middle, a, b) < q) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** Interval of Jeffreys for k of n; its lower end is 0 at k = 0, its upper end 1 at k = n. */
export function jeffreys(k: number, n: number, confidence = 0.95): Interval {
  const tail = (1 - confidence) / 2;
  return {
    low: k === 0 ? 0 : betaQuantile(tail, k + 0.5, n - k + 0.5),
    high: k === n ? 1 : betaQuantile(1 - tail, k + 0.5, n - k + 0.5)
  };
}

/** Chance that the next start works, after k good ones of n. */
export const nextWorks = (k: number, n: number): number => (k + 0.5) / (n + 1);

/** Two-sided p of Fisher for a table [[a, b], [c, d]]: whether two conditions differ. */
export function fisher(a: number, b: number, c: number, d: number): number {
  const [n, row, column] = [a + b + c + d, a + b, a + c];
  const logChoose = (m: number, k: number) => logGamma(m + 1) - logGamma(k + 1) - logGamma(m - k + 1);
  const chance = (x: number) =>
    Math.exp(logChoose(column, x) + logChoose(n - column, row - x) - logChoose(n, row));
  const seen = chance(a);
  let p = 0;
  for (let x = Math.max(0, row + column - n); x <= Math.min(row, column); x++) {
    const here = chance(x);
    if (here <= seen * (1 + 1e-9)) p += here;
  }
  return Math.min(1, p);
}

/** Good starts in a row that make a fault of this failure rate as unlikely as alpha. */
export const goodStarts = (failureRate: number, alpha = 0.05): number =>
  Math.ceil(Math.log(alpha) / Math.log(1 - failureRate));

/** Upper bound of the failure rate after so many good starts in a row. */
export const failsAtMost = (good: number, alpha = 0.05): number => 1 - alpha ** (1 / good);

/** Chance that a repair held, after so many good starts under the condition that failed. */
export const fixedChance = (belief: number, failureRate: number, good: number): number =>
  belief / (belief + (1 - belief) * (1 - failureRate) ** good);
