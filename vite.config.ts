import { readFileSync } from 'node:fs';
import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig, type Plugin } from 'vite';
import { otherWords } from './scripts/pseudo-words.ts';

/**
 * Modules that only define things: what a page does not use of them is left out of what it loads. Without it the
 * themes of all components of the library come with the first button, and the whole solver with the first fix.
 */
const onlyDefine =
  /node_modules\/(flowbite-svelte|tailwind-variants|zod|date-fns)\/|src\/lib\/(core|formats|words)\//;

/** The fields of the library: most stages have some, but not the first page that is looked at. */
const fields = /flowbite-svelte\/dist\/forms\/|ui\/kit\//;

/** The schema library can describe itself as JSON Schema; in the browser nobody asks it to, so what does it is left out. */
const undescribed: Plugin = {
  name: 'schemas-without-description',
  applyToEnvironment: ({ name }) => name === 'client',
  load(id) {
    if (!/zod\/v4\/core\/(to-json-schema|json-schema-processors)\.js$/.test(id)) return null;
    const names = readFileSync(id, 'utf8').matchAll(/^export (?:const|function) (\w+)/gm);
    return [...names].map(([, name]) => `export const ${name} = () => undefined;`).join('\n');
  }
};

export default defineConfig({
  plugins: [...otherWords(), undescribed, tailwindcss(), sveltekit()],
  // The library merges classes that contradict each other; ours never do, and the merger is as large as a framework.
  resolve: { alias: [{ find: /^tailwind-variants$/, replacement: 'tailwind-variants/lite' }] },
  worker: { format: 'es' },
  build: {
    assetsInlineLimit: 0,
    reportCompressedSize: false,
    rolldownOptions: {
      // Of the component library only what is used is compiled: 13 components of 186.
      experimental: { lazyBarrel: true },
      treeshake: { moduleSideEffects: (id: string) => !onlyDefine.test(id) },
      // What most pages use comes in one file, and not in thirty small ones, each with its own way through the
      // service worker. With a smaller number the first page loads what it does not use.
      output: {
        codeSplitting: {
          groups: [{ name: 'common', minShareCount: 14, test: (id: string) => !fields.test(id) }]
        }
      }
    }
  }
});
