import { buildApplication, installPackages, serve } from './common.mjs';

installPackages();
buildApplication();
await serve({});
