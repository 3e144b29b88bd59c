import { readFileSync } from 'node:fs';
import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig, type Plugin } from 'vite';
import { compiledOnce } from './scripts/compiled-once.ts';
import { otherWords } from './scripts/pseudo-words.ts';

/**
 * Modules that only define things: what a page does not use of them is left out of what it loads. Without it the
 * themes of all components of the library come with the first button, and the whole solver with the first fix.
 */
const onlyDefine =
  /node_modules\/(flowbite-svelte|tailwind-variants|zod|date-fns)\/|src\/lib\/(core|formats|words)\//;

/**
 * What most stages have, but not the first page looked at: fields, tables and dialogs, what they are bound with, and the
 * checks of what is read in.
 */
const notFirst =
  /flowbite-svelte\/dist\/(forms|table|utils\/(CloseButton|theme))|dom\/elements\/(bindings\/(input|select)|customizable)|ui\/kit\/|model\/check-(part|build)/;

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

const colours =
  'red|orange|amber|yellow|lime|green|emerald|teal|cyan|sky|blue|indigo|violet|purple|fuchsia|pink|rose|gray|secondary';
const ofAColour = new RegExp(`^ *(${colours}): (\\{[^{}]*\\}|"[^"]*"),?\\n`, 'gm');

/**
 * The looks of the library stand several in a module, each made by a call, and each in twenty colours: what nothing uses
 * is left out. Ours has the first colour only.
 */
const leanLooks: Plugin = {
  name: 'looks-that-are-used',
  transform: {
    filter: { id: /flowbite-svelte\/dist\/.*theme\.js$/ },
    handler: (code) => code.replaceAll('= tv(', '= /* @__PURE__ */ tv(').replace(ofAColour, '')
  }
};

export default defineConfig(({ command }) => ({
  plugins: [...otherWords(), ...compiledOnce(), undescribed, leanLooks, tailwindcss(), sveltekit()],
  // The library merges classes that contradict each other; ours never do, and the merger is as large as a framework.
  resolve: { alias: [{ find: /^tailwind-variants$/, replacement: 'tailwind-variants/lite' }] },
  worker: { format: 'es' },
  // The server as it is built comes with its libraries: finding some hundred small files takes longer than running them.
  // Native ones stay outside.
  ssr: command === 'build' ? { noExternal: true, external: ['libsql', 'sharp'] } : {},
  build: {
    assetsInlineLimit: 0,
    reportCompressedSize: false,
    rolldownOptions: {
      // Of the component library only what is used is compiled.
      experimental: { lazyBarrel: true },
      treeshake: { moduleSideEffects: (id: string) => !onlyDefine.test(id) },
      // What most pages use comes in one file, and not in thirty small ones, each with its own way through the
      // service worker; of the computation also what fewer use. With smaller numbers the first page loads what it does
      // not use.
      output: {
        codeSplitting: {
          groups: [
            { name: 'common', minShareCount: 14, priority: 2, test: (id: string) => !notFirst.test(id) },
            { name: 'computation', minShareCount: 10, priority: 1, test: /src\/lib\/core\// }
          ]
        }
      }
    }
  }
}));
