import { join } from 'node:path';
import { installPackages, root, run } from './common.mjs';

await installPackages();
run('npx', ['vite', 'dev', '--host', process.env.YJ_HOST ?? '127.0.0.1'], {
  env: {
    ...process.env,
    YJ_ROOT: root,
    YJ_DATA: process.env.YJ_DATA ?? join(root, 'data', 'dev'),
    YJ_DEMO: '1'
  }
});
