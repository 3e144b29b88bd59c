import type { Plugin } from 'vite';

declare global {
  /** Components that were compiled in this program, by what they were compiled from. */
  var compiledComponents: Map<string, unknown> | undefined;
}

/** Where one program builds several times, a component that is the same in each is compiled once. */
export const compiledOnce = (): Plugin[] => {
  const { compiledComponents: known } = globalThis;
  if (!known) return [];
  return [
    {
      name: 'compiled-once',
      configResolved({ plugins }) {
        const transform = plugins.find(({ name }) => name === 'vite-plugin-svelte:compile')?.transform;
        if (typeof transform !== 'object') return;
        const { handler } = transform;
        transform.handler = function (code, id, ...more) {
          const key = `${this.environment.config.consumer} ${id} ${code}`;
          const made = known.get(key) ?? handler.call(this, code, id, ...more);
          known.set(key, made);
          return made as ReturnType<typeof handler>;
        };
      }
    }
  ];
};
