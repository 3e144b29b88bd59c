import { spawnSync } from 'node:child_process';

/** Where the system keeps partition and file-system tools, also for users who are not root. */
export const toolsEnv = { ...process.env, PATH: `${process.env.PATH}:/sbin:/usr/sbin` };

/** @throws Error naming what is missing: a comparison that was not made must not look like one that held */
export function needs(...tools: readonly string[]): void {
  const missing = tools.filter(
    (tool) => spawnSync('sh', ['-c', `command -v ${tool}`], { env: toolsEnv }).status !== 0
  );
  if (missing.length)
    throw new Error(`${missing.join(', ')} missing: install fdisk, dosfstools and mtools, and run again`);
}
