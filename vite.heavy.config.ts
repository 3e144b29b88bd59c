import { defineConfig } from 'vite';
import { otherWords } from './scripts/pseudo-words.ts';

/** What runs beside the built application: the worker of the server, the command line, and what reads the catalogue. */
export default defineConfig({
  publicDir: false,
  plugins: otherWords(),
  // Read as one file each: finding some hundred small ones takes longer than running them. Native ones stay outside.
  ssr: { noExternal: true, external: ['libsql', 'sharp'] },
  build: {
    ssr: true,
    outDir: ['build', process.env.YJ_WORDS, 'heavy'].filter(Boolean).join('/'),
    emptyOutDir: true,
    rollupOptions: {
      input: {
        worker: 'src/lib/server/heavy/worker.ts',
        // In a made-up language there is the server alone.
        ...(process.env.YJ_WORDS ? {} : { yj: 'bin/yj.ts', compile: 'scripts/compile.ts' })
      },
      output: { entryFileNames: '[name].js', chunkFileNames: '[name]-[hash].js' }
    }
  }
});
