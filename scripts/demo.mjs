import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { buildApplication, installPackages, root, serve, serverOptions } from './common.mjs';

// The demo machines in a database of their own. --fresh starts them over.
const { fresh, share } = serverOptions({ fresh: { type: 'boolean' } });
const data = process.env.YJ_DATA ?? join(root, 'data', 'demo');
await installPackages();
if (!process.env.YJ_WORDS) await buildApplication();
if (fresh) rmSync(data, { recursive: true, force: true });
await serve({ data, demo: true, share });
