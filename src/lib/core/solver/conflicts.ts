import { there } from '../model';
import type { Build, PartSet } from '../model';
import { machine } from '../resources';
import { compile } from './compile';
import { coreFunctions } from './core';
import type { Compiled } from './problem';
import { feasible, ofQuestion, type Limits } from './solve';

/** A function that is part of a conflict. */
export interface CoreFunction {
  item: string;
  id: string;
}

interface Conflict {
  core: readonly CoreFunction[];
  /** How each item of it stood. */
  state: ReadonlyMap<string, string>;
}

/**
 * Conflicts that were found in one machine and in its changed copies. Whatever is done to the other items, a conflict
 * stays as long as its own stand as they stood, so most copies need not be asked again.
 */
export class Conflicts {
  private readonly found: Conflict[] = [];
  private last: { build: Build; compiled: Compiled } | null = null;

  constructor(
    private readonly parts: PartSet,
    private readonly options: { allowOff: boolean; limits: Limits }
  ) {}

  /** Remembers a conflict of a machine. */
  keep(build: Build, core: readonly CoreFunction[]): void {
    const items = [...new Set(core.map((f) => f.item))];
    // What the board and plug and play take hangs on the other items as well.
    if (core.length && items.every((id) => build.items.some((item) => item.id === id)))
      this.found.push({ core, state: new Map(items.map((id) => [id, stateOf(build, id)])) });
  }

  /** A conflict that this machine is known to have. */
  known(build: Build): readonly CoreFunction[] | undefined {
    return this.found.find(({ state }) => [...state].every(([id, was]) => stateOf(build, id) === was))?.core;
  }

  /** A conflict of a machine that has no answer; empty when none is found. */
  of(build: Build): readonly CoreFunction[] {
    const known = this.known(build);
    if (known) return known;
    const compiled = this.compiled(build);
    const core = coreFunctions(compiled, this.options.limits).map((i) => there(compiled.functions[i]));
    this.keep(build, core);
    return core;
  }

  /** Conflicts of a machine of which no two have an item in common, the known one first. @returns how many, up to `most` */
  apart(build: Build, first: readonly CoreFunction[], most: number): number {
    const compiled = this.compiled(build);
    const taken = new Set<string>();
    let core = first;
    let count = 0;
    for (; core.length && count < most; count++) {
      this.keep(build, core);
      for (const { item } of core) taken.add(item);
      core = coreFunctions(compiled, this.options.limits, taken).map((i) => there(compiled.functions[i]));
    }
    return count;
  }

  /** Whether there is an answer at all, which is far cheaper to know than which is best. Null: undecided. */
  answer(build: Build): boolean | null {
    return feasible(this.compiled(build), ofQuestion(this.options.limits));
  }

  /** A machine is mostly asked what is in its way just after it was asked whether it has an answer. */
  private compiled(build: Build): Compiled {
    if (this.last?.build !== build)
      this.last = {
        build,
        compiled: compile(machine(build, this.parts), { allowOff: this.options.allowOff })
      };
    return this.last.compiled;
  }
}

/** All that a machine says of one item. */
function stateOf(build: Build, id: string): string {
  const { mustBeOn, mayBeOff } = build.brief;
  const named = [mustBeOn, mayBeOff].map((list) => list.filter((ref) => ref.item === id));
  return JSON.stringify([build.items.find((item) => item.id === id), named]);
}
