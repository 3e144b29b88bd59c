import { compile } from '../../src/lib/core/solver';
import { machine } from '../../src/lib/core/resources';
import { LEVELS, type Level } from '../../src/lib/core/solver';
import type { Build, PartSet } from '../../src/lib/core/model';

interface Highs {
  solve(problem: string, options?: Record<string, unknown>): { Status: string; ObjectiveValue: number };
}

export interface MilpModel {
  /** The problem for one level in LP format, given the optima of the levels above it. */
  text(level: Level, fixed: Partial<Record<Level, number>>): string;
}

/** Writes a machine as a 0/1 program: one variable a value, one row a choice, one row a clash. */
export function milpOf(build: Build, parts: PartSet, allowOff: boolean): MilpModel {
  const compiled = compile(machine(build, parts), { allowOff });
  const names: string[] = [];
  const rows: string[] = [];
  const costs: Record<string, string[]> = Object.fromEntries(LEVELS.map((l) => [l, []]));
  const takers: string[][] = compiled.classes.map(() => []);
  const groups: Record<string, string>[] = compiled.classes.map(() => ({}));
  compiled.variables.forEach((variable, v) => {
    const own: string[] = [];
    variable.values.forEach((value, i) => {
      if (value.violations.length || value.internal.length) return;
      const name = `x${v}_${i}`;
      names.push(name);
      own.push(name);
      value.classes.forEach((c) => {
        takers[c].push(name);
        groups[c][name] = String(v);
      });
      for (const level of LEVELS)
        if (value.objective[level]) costs[level].push(`${value.objective[level]} ${name}`);
    });
    rows.push(own.length ? `${own.join(' + ')} = 1` : '0 x0 = 1');
  });
  // A class is taken when one of its values is: y_c >= x, and clashing classes exclude each other.
  const used = takers.map((t, c) => {
    if (!t.length) return null;
    names.push(`y${c}`);
    t.forEach((x) => rows.push(`y${c} - ${x} >= 0`));
    return `y${c}`;
  });
  compiled.forbids.forEach((list, a) =>
    list.forEach((b) => {
      if (a < b && used[a] && used[b]) rows.push(`y${a} + y${b} <= 1`);
    })
  );
  const pairs = new Set<string>();
  compiled.tolerates.forEach((list, a) =>
    list.forEach((b) => {
      if (a >= b || !used[a] || !used[b]) return;
      // Shares inside one value are in its own cost already.
      const inside = takers[a].some((x) => takers[b].includes(x));
      if (inside) return;
      const name = `s${a}_${b}`;
      if (pairs.has(name)) return;
      pairs.add(name);
      names.push(name);
      rows.push(`${name} - y${a} - y${b} >= -1`);
      costs.shares.push(`1 ${name}`);
    })
  );
  return {
    text(level, fixed) {
      const bounds = LEVELS.filter((l) => fixed[l] !== undefined && costs[l].length).map(
        (l) => `${costs[l].join(' + ')} <= ${fixed[l]! - compiled.base[l]}`
      );
      return [
        'Minimize',
        ` obj: ${costs[level].length ? costs[level].join(' + ') : `0 ${names[0]}`}`,
        'Subject To',
        ...[...rows, ...bounds].map((row, i) => ` r${i}: ${row}`),
        'Binary',
        ...names.map((n) => ` ${n}`),
        'End'
      ].join('\n');
    }
  };
}

/** Solves level by level with a general MILP solver; null when there is no answer. */
export async function solveMilp(build: Build, parts: PartSet, allowOff: boolean): Promise<number[] | null> {
  const { default: load } = (await import('highs')) as unknown as { default: () => Promise<Highs> };
  const highs = await load();
  const model = milpOf(build, parts, allowOff);
  const base = compile(machine(build, parts), { allowOff }).base;
  const fixed: Partial<Record<Level, number>> = {};
  for (const level of LEVELS) {
    const result = highs.solve(model.text(level, fixed), { output_flag: false });
    if (result.Status !== 'Optimal') return null;
    fixed[level] = Math.round(result.ObjectiveValue) + base[level];
  }
  return LEVELS.map((level) => fixed[level]!);
}
