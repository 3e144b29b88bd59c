import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';

/** The folder of the project, from wherever the command was started, and from whichever form of it. */
function projectRoot(): string {
  let at = import.meta.dirname;
  while (!existsSync(join(at, 'package.json'))) at = dirname(at);
  return at;
}

process.env.YJ_ROOT ??= projectRoot();
