import { entryOf, there } from '../model';
import { kitOf, type Kit } from '../kit';
import type { Brief, PartSet } from '../model';
import { check, isBad, registry, type Finding } from '../rules';
import { planned } from '../settings';
import { choose, resolve } from '../solver';
import { sundriesOf } from '../sundries';
import { assemble, partsOf, trims, withTrim, type Choice } from './assemble';
import { tally, weighSides, type Pool } from './pool';
import type { Chosen, Criteria, Plan, Reason, Role } from './types';

/** Search nodes that the lines of one machine may take. */
const LINE_NODES = 20_000;

/** A finding about a program, and which program it is about. */
const programOf = (f: Finding): string | null =>
  registry[f.rule].about === 'program' && 'profile' in f.facts ? f.facts.profile : null;

/** Stops and clashes about the machine end a plan, as do broken wishes; programs count against it. */
const endsPlan = (f: Finding): boolean => {
  const { about, notPlanned } = registry[f.rule];
  return about === 'wish' || notPlanned === true || (about !== 'program' && isBad(f));
};

export interface Worked {
  plan: Plan | null;
  /** What stood against it. */
  reason: Reason | null;
  /** Cards that cannot live together on this board, when that was it. */
  nogood?: string[];
}

/** Works one choice out to the end: seats, settings, lines, rules, and the lightest case, supply and keyboard. */
export function workOut(pool: Pool, brief: Brief, choice: Choice, parts: PartSet): Worked {
  const assembled = assemble(pool, brief, choice, []);
  const bare = assembled && planned(assembled, parts);
  if (!bare) return { plan: null, reason: { kind: 'no-slots' } };
  const result = resolve(bare, parts, { alternatives: 0, relaxations: 0, maxNodes: LINE_NODES });
  if (result.status !== 'solved') {
    const item = (id: string) => bare.items.find((i) => i.id === id)?.part;
    const nogood =
      result.status === 'impossible' && result.minimal
        ? [...new Set(result.core.flatMap((c) => item(c.item) ?? []))]
        : undefined;
    return { plan: null, reason: { kind: 'lines' }, nogood };
  }
  const set = choose(bare, result);
  let best: { plan: Plan; weight: number } | null = null;
  let reason: Reason | null = null;
  for (const { trim, weight } of trims(pool, choice, set, parts)) {
    // What is heavier by more than all cautions together cannot be better.
    if (best && weight >= best.weight + weighSides({ cautions: best.plan.criteria.cautions }, pool.weights))
      break;
    const build = withTrim(pool, set, trim);
    const findings = check(build, parts);
    const against = findings.filter(endsPlan);
    if (!against.length) {
      const plan = planOf(pool, brief, kitOf(build, parts), choice, trim, findings, result.moves.length);
      if (!best || plan.score < best.plan.score) best = { plan, weight };
      continue;
    }
    reason ??= { kind: 'finding', finding: there(against[0]) };
    // Another case or supply only helps where those are in the way.
    if (!against.every((f) => registry[f.rule].enclosure)) break;
  }
  return { plan: best?.plan ?? null, reason: reason ?? { kind: 'enclosure' } };
}

function planOf(
  pool: Pool,
  brief: Brief,
  kit: Kit,
  choice: Choice,
  trim: readonly { id: string }[],
  findings: readonly Finding[],
  moves: number
): Plan {
  const { build } = kit;
  const roles: [Role, { part: { id: string }; count: number }[]][] = [
    ['base', choice.base.parts],
    ['memory', choice.memory.parts],
    ['display', choice.display.parts],
    ['audio', choice.audio.parts],
    ['storage', choice.storage.parts],
    ['services', choice.services.parts],
    ['trim', trim.map((part) => ({ part, count: 1 }))]
  ];
  const chosen: Chosen[] = roles.flatMap(([role, list]) =>
    tally(list).map(({ part, count }) => pool.choose(entryOf(pool, part.id), count, role))
  );
  const about = (profile: string, severe: boolean) =>
    findings.find((f) => programOf(f) === profile && (f.severity === 'clash') === severe);
  const missed = brief.profiles.flatMap((p) => {
    const finding = about(p.id, true);
    return finding ? [{ profile: p.id, finding }] : [];
  });
  const rough = brief.profiles.flatMap((p) => {
    const finding = missed.some((m) => m.profile === p.id) ? undefined : about(p.id, false);
    return finding ? [{ profile: p.id, finding }] : [];
  });
  const used = [...tally(partsOf(choice)).map((p) => p.part), ...trim.map((t) => entryOf(pool, t.id))];
  const criteria: Criteria = {
    missed: missed.length,
    rough: rough.length,
    years: used.reduce((n, p) => n + pool.years(p), 0),
    bought: chosen.reduce((n, c) => n + c.count - c.onShelf, 0),
    cost: chosen.reduce((n, c) => n + c.cost, 0),
    slots: build.items.filter((i) => i.slot !== undefined).length,
    cautions: findings.filter(
      (f) => f.severity === 'caution' && !['program', 'period'].includes(registry[f.rule].about)
    ).length
  };
  const strict = brief.strictness === 'convenient' ? 0.2 : 1;
  return {
    build,
    chosen,
    criteria,
    score: weighSides({ ...criteria, years: criteria.years * strict }, pool.weights),
    met: brief.profiles.map((p) => p.id).filter((id) => !missed.some((m) => m.profile === id)),
    missed,
    rough,
    moves,
    sundries: sundriesOf(kit, findings)
  };
}
