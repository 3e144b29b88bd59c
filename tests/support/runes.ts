/**
 * Stand-ins for the runes of the interface's state classes, so that these are tested without a browser: a state is then
 * a plain field, and what is derived (objects, maps, lists) is worked out anew whenever something of it is read.
 */
const state = Object.assign(<T>(value: T): T => value, {
  raw: <T>(value: T): T => value,
  snapshot: <T>(value: T): T => value
});
const derived = {
  by: <T extends object>(work: () => T): T =>
    new Proxy({} as T, {
      get: (_, name) => {
        const whole = work();
        const value: unknown = Reflect.get(whole, name);
        return typeof value === 'function' ? value.bind(whole) : value;
      }
    })
};
Object.assign(globalThis, { $state: state, $derived: derived });
