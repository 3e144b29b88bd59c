/** Local storage in a map; its keys are seen as those of the object. */
export const storageOf = (kept: Map<string, string>) =>
  new Proxy(
    {
      getItem: (k: string) => kept.get(k) ?? null,
      setItem: (k: string, v: string) => void kept.set(k, v),
      removeItem: (k: string) => void kept.delete(k)
    },
    {
      ownKeys: () => [...kept.keys()],
      getOwnPropertyDescriptor: () => ({ enumerable: true, configurable: true })
    }
  );
