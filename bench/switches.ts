import { join } from 'node:path';
import { readFileSync } from 'node:fs';
import { fillingsFor, fillingsShowing } from '../src/lib/core/boards';
import { kitOf } from '../src/lib/core/kit';
import { Build, hasFacts, Notebook, partSet } from '../src/lib/core/model';
import { middlePrice } from '../src/lib/core/planner';
import { elementsOf, guessesFor, nextTries, remaining, templatesOf } from '../src/lib/core/puzzle';
import { differences, required } from '../src/lib/core/settings';
import { readCatalogue } from '../src/lib/server/catalogue';

const root = join(import.meta.dirname, '..');
const json = (name: string) => JSON.parse(readFileSync(join(root, 'demo', name), 'utf8')) as unknown[];

/** Median of some runs in ms, after a few to warm up. */
function median(work: () => void, runs = 40): string {
  for (let i = 0; i < 5; i++) work();
  const times = Array.from({ length: runs }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
  }).sort((a, b) => a - b);
  return times[runs >> 1].toFixed(2);
}

/** What the Switches stage, the notebook and the memory planner compute while somebody looks. */
export function benchSwitches(): Promise<void> {
  const parts = partSet(readCatalogue(join(root, 'catalogue')));
  const builds = json('builds.json').map((b) => Build.parse(b));
  for (const build of builds.slice(0, 5)) {
    const kit = kitOf(build, parts);
    console.log(
      `${build.id.padEnd(12)} required ${median(() => required(kit))} ms, differences ${median(() => differences(build, parts))} ms`
    );
  }
  const book = Notebook.parse(json('notebooks.json')[0]);
  const templates = templatesOf(parts.values());
  const guesses = guessesFor(book, templates);
  console.log(
    `notebook: ${guesses.length} guesses from ${templates.length} tables; templates ${median(() => templatesOf(parts.values()))} ms, next try ${median(() => nextTries(book, remaining(guesses, elementsOf(book), book.tries)))} ms`
  );
  const modules = [...parts.values()].filter((p) => hasFacts(p, 'module'));
  const asked = {
    targetKiB: 640,
    stock: new Map<string, number>(),
    from: 'any' as const,
    price: middlePrice
  };
  for (const board of [...parts.values()]
    .filter((p) => (p.board?.memory?.banks.length ?? 0) > 3)
    .slice(0, 4)) {
    const facts = board.board!.memory!;
    console.log(
      `${board.name.padEnd(16)} ${facts.banks.length} banks: all fillings ${median(() => fillingsFor(facts, modules, asked), 10)} ms, backwards ${median(() => fillingsShowing(facts, { least: 4096, most: 4096 }), 10)} ms`
    );
  }
  return Promise.resolve();
}
