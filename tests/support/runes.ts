/**
 * Stand-ins for the runes of the interface's state classes, so that these are tested without a browser: a state is then
 * a plain field. What is derived is not offered; such classes use getters.
 */
const state = Object.assign(<T>(value: T): T => value, {
  raw: <T>(value: T): T => value,
  snapshot: <T>(value: T): T => value
});
Object.assign(globalThis, { $state: state });
