import { entryOf, there } from '../model';
import { kitOf, type Kit } from '../kit';
import type { Brief, Build, Part, PartSet } from '../model';
import { check, isBad, registry, type Finding } from '../rules';
import { planned } from '../settings';
import { choose, resolve } from '../solver';
import { sundriesOf } from '../sundries';
import { assemble, partsOf, trims, withTrim, type Choice } from './assemble';
import type { Option } from './options';
import { scoreOf, tally, weighSides, type Pool } from './pool';
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
  /** A part that no machine for the brief can have, when that was it. */
  hopeless?: string;
}

/** A choice in its seats, with its settings and lines: what no case, supply or keyboard changes. */
interface Settled {
  build: Build;
  moves: number;
}
/** The same with a case, a supply and a keyboard. `against`: what ends the plan. */
type Judged = { plan: Plan } | { plan: null; against: Finding[]; hopeless?: string };

/**
 * Works machines out to the end, each once: whoever looks for machines of one brief from several sides comes upon most of
 * them again, and only what the sides weigh differs.
 */
export class Bench {
  private readonly settled = new Map<string, Settled | Worked>();
  private readonly judged = new Map<string, Judged>();

  constructor(
    private readonly brief: Brief,
    private readonly parts: PartSet
  ) {}

  /** Seats, settings, lines, rules, and the case, supply and keyboard that are the lightest in a pool. */
  workOut(pool: Pool, choice: Choice): Worked {
    const name = nameOf(choice);
    const set = remembered(this.settled, name, () => settle(pool, this.brief, choice, this.parts));
    if ('plan' in set) return set;
    let best: { plan: Plan; weight: number } | null = null;
    let reason: Reason | null = null;
    for (const { trim, weight } of trims(pool, choice, set.build, this.parts)) {
      // What is heavier by more than all cautions together cannot be better.
      if (best && weight >= best.weight + weighSides({ cautions: best.plan.criteria.cautions }, pool.weights))
        break;
      const judged = remembered(this.judged, `${name} ${trim.map((p) => p.id).join(' ')}`, () =>
        this.judge(pool, choice, set, trim)
      );
      if (judged.plan) {
        const score = scoreOf(judged.plan.criteria, this.brief, pool.weights);
        if (!best || score < best.plan.score) best = { plan: { ...judged.plan, score }, weight };
        continue;
      }
      reason ??= { kind: 'finding', finding: there(judged.against[0]) };
      if (judged.hopeless !== undefined) return { plan: null, reason, hopeless: judged.hopeless };
      // Another case or supply only helps where those are in the way.
      if (!judged.against.every((f) => registry[f.rule].enclosure)) break;
    }
    return { plan: best?.plan ?? null, reason: reason ?? { kind: 'enclosure' } };
  }

  private judge(pool: Pool, choice: Choice, { build: set, moves }: Settled, trim: readonly Part[]): Judged {
    const build = withTrim(pool, set, trim);
    const findings = check(build, this.parts);
    const against = findings.filter(endsPlan);
    const alone = against.find((f) => registry[f.rule].ofPart && f.subjects.length === 1)?.subjects[0];
    const hopeless = alone && build.items.find((item) => item.id === alone.item)?.part;
    if (against.length) return { plan: null, against, ...(hopeless === undefined ? {} : { hopeless }) };
    return { plan: planOf(pool, this.brief, kitOf(build, this.parts), choice, trim, findings, moves) };
  }
}

/** The parts of a choice in their roles, and how its board is set. */
const nameOf = (choice: Choice): string =>
  JSON.stringify([
    choice.base.settings,
    ...ROLES.map((role) => choice[role].parts.map((p) => [p.part.id, p.count, p.place]))
  ]);

const ROLES = ['base', 'memory', 'display', 'audio', 'storage', 'services'] as const;

function settle(pool: Pool, brief: Brief, choice: Choice, parts: PartSet): Settled | Worked {
  const assembled = assemble(pool, brief, choice, []);
  const bare = assembled && planned(assembled, parts);
  if (!bare) return { plan: null, reason: { kind: 'no-slots' } };
  const result = resolve(bare, parts, { alternatives: 0, relaxations: 0, maxNodes: LINE_NODES });
  if (result.status === 'solved') return { build: choose(bare, result), moves: result.moves.length };
  const item = (id: string) => bare.items.find((i) => i.id === id)?.part;
  const nogood =
    result.status === 'impossible' && result.minimal
      ? [...new Set(result.core.flatMap((c) => item(c.item) ?? []))]
      : undefined;
  return { plan: null, reason: { kind: 'lines' }, nogood };
}

function remembered<T>(known: Map<string, T>, name: string, make: () => T): T {
  const before = known.get(name);
  if (before !== undefined) return before;
  const made = make();
  known.set(name, made);
  return made;
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
    ...ROLES.map((role): [Role, Option['parts']] => [role, choice[role].parts]),
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
  return {
    build,
    chosen,
    criteria,
    score: scoreOf(criteria, brief, pool.weights),
    met: brief.profiles.map((p) => p.id).filter((id) => !missed.some((m) => m.profile === id)),
    missed,
    rough,
    moves,
    sundries: sundriesOf(kit, findings)
  };
}
