import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';

const files = join(
  dirname(createRequire(import.meta.url).resolve('@sveltejs/adapter-node/package.json')),
  'files'
);

/**
 * The server as the framework wrote it, behind the entry of the adapter for Node.js. That adapter itself also puts the
 * server together into fewer files, which takes a fifth of a build and gains nothing here: it comes with its libraries
 * in a few files already (`ssr` in vite.config.ts).
 * @param {{ out: string; precompress: boolean }} options folder, from the root of the project; whether what browsers
 *   load lies there compressed, too
 * @returns {import('@sveltejs/kit').Adapter}
 */
export const plainAdapter = ({ out, precompress }) => ({
  name: 'plain',
  async adapt(builder) {
    builder.rimraf(out);
    builder.writeClient(`${out}/client`);
    if (precompress) await builder.compress(`${out}/client`);
    builder.writeServer(`${out}/server`);
    const replace = {
      SERVER: './server/index.js',
      MANIFEST: './server/manifest.js',
      BASE: "''",
      ENV_PREFIX: "''",
      PRECOMPRESS: String(precompress),
      PRERENDERED: 'new Set()'
    };
    builder.copy(files, out, { replace });
  }
});
