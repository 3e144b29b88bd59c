import { buildApplication, installPackages, serve } from './common.mjs';

await installPackages();
await buildApplication();
await serve({});
