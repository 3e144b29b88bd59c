import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { defineConfig } from 'vite';

const files = (readdirSync('tests', { recursive: true }) as string[]).filter((f) => f.endsWith('.test.ts'));

/**
 * The tests in plain JavaScript, for `npm test`: read from their sources they are translated file by file, and call
 * each other by way of getters, which takes a third of the time of the core. A module keeps its own place, from which
 * tests look for data.
 */
export default defineConfig({
  publicDir: false,
  resolve: { alias: { $lib: '/src/lib' } },
  plugins: [
    {
      name: 'own-place',
      transform: {
        filter: { code: 'import.meta.url' },
        handler: (code, id) => code.replaceAll('import.meta.url', JSON.stringify(pathToFileURL(id).href))
      }
    }
  ],
  build: {
    ssr: true,
    outDir: '.svelte-kit/tests',
    emptyOutDir: true,
    minify: false,
    rolldownOptions: {
      input: Object.fromEntries(files.map((file) => [file.replace('.ts', ''), join('tests', file)])),
      output: { entryFileNames: '[name].js', chunkFileNames: 'chunks/[name]-[hash].js' }
    }
  }
});
