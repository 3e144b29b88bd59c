import { defineConfig } from 'vite';

/** The worker of the server, beside the built application. */
export default defineConfig({
  publicDir: false,
  build: {
    ssr: 'src/lib/server/heavy/worker.ts',
    outDir: 'build/heavy',
    emptyOutDir: true,
    rollupOptions: { output: { entryFileNames: 'worker.js' } }
  }
});
