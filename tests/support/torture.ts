/** Whether `npm run torture` runs the tests, which then take as long as it takes to be sure. */
export const isTorture = process.env.YJ_TORTURE === '1';

/** A number for the long version of a test, and for the one that everybody runs. */
export const torture = (long: number, usual: number): number => (isTorture ? long : usual);
