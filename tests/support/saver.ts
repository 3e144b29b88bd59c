import { BuildStore } from '../../src/lib/server/builds';
import { openDatabase } from '../../src/lib/server/database';
import { demo, parts } from './demo';

/**
 * A program of its own for the tests of durability.
 * `save FOLDER COUNT` saves so many states and prints the number of each when it is acknowledged;
 * `as-nobody FOLDER` opens the folder as a user without rights and prints what it is told.
 */
const [command, folder, count] = process.argv.slice(2);

if (command === 'save') {
  const store = new BuildStore(await openDatabase(folder), [...parts.values()]);
  const there = (await store.list()).some((b) => b.id === 'plover');
  let { build, head } = there ? await store.get('plover') : await store.create(demo('plover'), '');
  for (let i = 0; i < Number(count); i++) {
    ({ build, head } = await store.save('plover', { ...build, notes: `state after ${head}` }, head, ''));
    // Written before the next save begins, so that what is read was acknowledged.
    process.stdout.write(`${head} ${build.notes}\n`);
  }
} else {
  process.setgroups!([]);
  process.setgid!(65534);
  process.setuid!(65534);
  try {
    await openDatabase(folder);
    process.stdout.write('opened');
  } catch (error) {
    process.stdout.write((error as Error).message);
  }
}
