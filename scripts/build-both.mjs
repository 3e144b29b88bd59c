import { build } from 'vite';

/**
 * Builds the application and, beside it, once more in the made-up language of the tests. In one program the second takes
 * half of what it takes alone: only the words differ, so the components are compiled already (`compiledOnce`).
 */
globalThis.compiledComponents = new Map();
for (const words of ['', 'pseudo']) {
  process.env.YJ_WORDS = words;
  await build({ logLevel: 'error' });
  await build({ configFile: 'vite.heavy.config.ts', logLevel: 'error' });
}
