import { defineConfig } from 'vite';

/** What runs beside the built application: the worker of the server, and the command line. */
export default defineConfig({
  publicDir: false,
  build: {
    ssr: true,
    outDir: 'build/heavy',
    emptyOutDir: true,
    rollupOptions: {
      input: { worker: 'src/lib/server/heavy/worker.ts', yj: 'bin/yj.ts' },
      output: { entryFileNames: '[name].js', chunkFileNames: '[name]-[hash].js' }
    }
  }
});
