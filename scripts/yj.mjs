import { existsSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { newest, root } from './common.mjs';

/** The command line: as it was built, which starts at once, or from its sources where those are newer. */
const built = join(root, 'build', 'heavy', 'yj.js');
const isFresh =
  existsSync(built) &&
  statSync(built).mtimeMs >= Math.max(...['bin', 'src/lib'].map((name) => newest(join(root, name))));
if (isFresh) await import(built);
else {
  const { register } = await import('tsx/esm/api');
  register();
  await import(join(root, 'bin', 'yj.ts'));
}
