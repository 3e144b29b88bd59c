import { vitePreprocess } from '@sveltejs/vite-plugin-svelte';
import { plainAdapter } from './scripts/plain-adapter.mjs';

const words = process.env.YJ_WORDS;

/** @type {import('@sveltejs/kit').Config} */
export default {
  preprocess: vitePreprocess(),
  kit: {
    // Beside the application the tests build it in a made-up language.
    ...(words ? { outDir: `.svelte-kit/${words}` } : {}),
    adapter: plainAdapter(
      words ? { out: `build/${words}`, precompress: false } : { out: 'build', precompress: true }
    ),
    typescript: {
      // The command line, the scripts and the figures are checked with the rest.
      config: (config) => ({
        ...config,
        include: [...config.include, '../bin/**/*.ts', '../scripts/**/*.ts', '../bench/**/*.ts']
      })
    },
    // hooks.server.ts checks the origin of every write, whatever its content type.
    csrf: { trustedOrigins: ['*'] },
    csp: {
      mode: 'nonce',
      directives: {
        'default-src': ['none'],
        'script-src': ['self'],
        'style-src': ['self'],
        // The page announcer of the framework hides itself with this one style attribute.
        'style-src-attr': ['unsafe-hashes', 'sha256-S8qMpvofolR8Mpjy4kQvEm7m1q8clzU4dfDH0AmvZjo='],
        'img-src': ['self', 'data:'],
        'font-src': ['self'],
        'connect-src': ['self'],
        'worker-src': ['self'],
        'manifest-src': ['self'],
        'base-uri': ['none'],
        'form-action': ['self'],
        'frame-ancestors': ['none']
      }
    }
  }
};
