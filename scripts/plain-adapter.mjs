import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';

const files = join(
  dirname(createRequire(import.meta.url).resolve('@sveltejs/adapter-node/package.json')),
  'files'
);

/**
 * The build of the tests: the server as the framework wrote it, beside what the adapter for Node.js puts before it. That
 * one also puts the server together into fewer files, which takes a quarter of a build, and which the tests of the
 * application itself run.
 * @param {string} out folder, from the root of the project
 * @returns {import('@sveltejs/kit').Adapter}
 */
export const plainAdapter = (out) => ({
  name: 'plain',
  adapt(builder) {
    builder.rimraf(out);
    builder.writeClient(`${out}/client`);
    builder.writeServer(`${out}/server`);
    const replace = {
      SERVER: './server/index.js',
      MANIFEST: './server/manifest.js',
      BASE: "''",
      ENV_PREFIX: "''",
      PRECOMPRESS: 'false',
      PRERENDERED: 'new Set()'
    };
    builder.copy(files, out, { replace });
  }
});
