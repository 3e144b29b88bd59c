import type { Build } from '../model';
import type { Solution } from './resolve';

/** The build with the positions of a solution chosen. */
export function choose(build: Build, solution: Pick<Solution, 'positions'>): Build {
  const taken = (item: Build['board']) => ({
    ...item,
    chosen: { ...item.chosen, ...solution.positions[item.id] }
  });
  return { ...build, board: taken(build.board), items: build.items.map(taken) };
}
