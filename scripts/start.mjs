import { buildApplication, installPackages, serve, serverOptions } from './common.mjs';

const { share } = serverOptions();
await installPackages();
await buildApplication();
await serve({ share });
