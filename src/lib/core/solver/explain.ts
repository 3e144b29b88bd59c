import { keyOf, thingOf, type Build, type Owner, type PartSet, type Thing, byId, there } from '../model';
import {
  isOn,
  lacksInterrupt,
  claimSettings,
  claimValue,
  lineOf,
  lineText,
  linesAt,
  machine,
  ownerOf,
  relate,
  sharingContext,
  standing,
  unknownsOf,
  unreachable,
  type Fitted,
  type Machine,
  type Positions,
  type Unreachable
} from '../resources';
import { forbidden } from '../model';
import { compile } from './compile';
import { findCore } from './core';
import { resolve, type Move, type ResolveOptions } from './resolve';
import { feasible } from './solve';

/** Why a setting stands where it is, as data. */
export type ExplainReason =
  | { kind: 'here' | 'locked' | 'nothing' | 'nothing-known' }
  | { kind: 'holds'; owner: Owner; line: string }
  | { kind: 'no-interrupt'; card: Thing; function: string }
  | { kind: 'unreachable'; why: Unreachable }
  /** What the part's own entry says of a combination. */
  | { kind: 'constraint'; why: string };

export interface Explanation {
  item: string;
  setting: string;
  position: string;
  /**
   * `here`: it is there now · `free`: it can go there as things stand · `taken`: something holds
   * the line, and it works after other moves · `impossible`: no arrangement of the others lets it.
   */
  verdict: 'here' | 'free' | 'taken' | 'impossible';
  /** The most direct first. */
  reasons: ExplainReason[];
  /** What stands in the way now. */
  blockers: { item: string; function: string; line: string }[];
  /** `taken`: the moves that make room, this one included. */
  moves?: Move[];
  /** `impossible`: a minimal set that cannot live together with it. */
  core?: { item: string; function: string }[];
}

/**
 * Says why a setting cannot go to a position in this machine, or what it takes.
 * @throws RangeError when there is no such item, setting or position.
 */
export function explain(
  build: Build,
  parts: PartSet,
  item: string,
  setting: string,
  position: string,
  options: Pick<ResolveOptions, 'allowOff' | 'maxNodes' | 'shouldStop'> = {}
): Explanation {
  const m = machine(build, parts);
  const fitted = m.find(item);
  const known = fitted?.part.settings.find((s) => s.id === setting);
  if (!fitted || !known?.positions.some((p) => p.id === position))
    throw new RangeError(`no position: ${item}/${setting}/${position}`);
  const now = standing(m);
  const base = { item, setting, position, blockers: [], reasons: [] as ExplainReason[] };
  if (now(item, setting) === position) return { ...base, verdict: 'here', reasons: [{ kind: 'here' }] };

  const at: Positions = (i, s) => (i === item && s === setting ? position : now(i, s));
  const direct = directReasons(m, fitted, setting, at);
  const blockers = blockersOf(m, item, setting, at);
  const reasons: ExplainReason[] = [
    ...direct,
    ...blockers.map((b) => ({
      kind: 'holds' as const,
      owner: ownerOf(m, b.item, b.function),
      line: b.line
    }))
  ];
  if (fitted.item.locked.includes(setting)) reasons.push({ kind: 'locked' });
  if (!reasons.length)
    return {
      ...base,
      verdict: 'free',
      reasons: [{ kind: unknownsOf(m).length ? 'nothing-known' : 'nothing' }]
    };

  const unlocked = unlock(build, item, setting);
  const forced = new Map([[keyOf(item, setting), position]]);
  const limits = { maxNodes: options.maxNodes ?? 200_000, shouldStop: options.shouldStop };
  const um = machine(unlocked, parts);
  const compiled = compile(um, { allowOff: options.allowOff ?? false, forced });
  if (feasible(compiled, limits) === false) {
    const core = findCore(compiled, limits).functions.map((i) => there(compiled.functions[i]));
    return {
      ...base,
      verdict: 'impossible',
      reasons,
      blockers,
      core: core.map((f) => ({ item: f.item, function: f.id }))
    };
  }
  const plan = resolve(lockAt(unlocked, item, setting, position), parts, { ...options, alternatives: 0 });
  return {
    ...base,
    verdict: 'taken',
    reasons,
    blockers,
    ...(plan.status === 'solved' ? { moves: plan.moves } : {})
  };
}

function change(build: Build, id: string, to: (item: Build['board']) => Build['board']): Build {
  return {
    ...build,
    board: build.board.id === id ? to(build.board) : build.board,
    items: build.items.map((i) => (i.id === id ? to(i) : i))
  };
}

const unlock = (build: Build, item: string, setting: string): Build =>
  change(build, item, (i) => ({ ...i, locked: i.locked.filter((s) => s !== setting) }));

const lockAt = (build: Build, item: string, setting: string, position: string): Build =>
  change(build, item, (i) => ({
    ...i,
    chosen: { ...i.chosen, [setting]: position },
    locked: [...new Set([...i.locked, setting])]
  }));

/** Reasons that lie in the card and its seat, whatever the others do. */
function directReasons(m: Machine, fitted: Fitted, setting: string, at: Positions): ExplainReason[] {
  const reasons: ExplainReason[] = [];
  for (const owner of m.fitted)
    for (const fn of owner.part.functions) {
      if (!isOn(owner, fn, at)) continue;
      if (lacksInterrupt(m, owner, fn, at) && !lacksInterrupt(m, owner, fn, standing(m)))
        reasons.push({ kind: 'no-interrupt', card: thingOf(owner), function: fn.label });
      fn.claims.forEach((claim, index) => {
        const rests = claimSettings(m, owner, claim).some(
          (s) => s.item === fitted.item.id && s.setting === setting
        );
        const value = rests ? claimValue(m, owner, claim, at) : null;
        const why = value === null ? null : unreachable(m, owner, lineOf(m, owner, fn, index, value));
        if (why) reasons.push({ kind: 'unreachable', why });
      });
    }
  const chosen = Object.fromEntries(
    fitted.part.settings.flatMap((s) => {
      const p = at(fitted.item.id, s.id);
      return p === undefined ? [] : [[s.id, p]];
    })
  );
  for (const constraint of fitted.part.constraints)
    if (forbidden({ ...fitted.part, constraints: [constraint] }, chosen))
      reasons.push({ kind: 'constraint', why: constraint.why });
  const seen = new Set<string>();
  return reasons.filter((r) => !seen.has(JSON.stringify(r)) && seen.add(JSON.stringify(r)));
}

function blockersOf(m: Machine, item: string, setting: string, at: Positions): Explanation['blockers'] {
  const lines = linesAt(m, at);
  const context = sharingContext(m);
  const rests = lines.filter((line) => {
    const owner = m.get(line.item);
    const claim = there(byId(owner.part.functions, line.function).claims[line.index]);
    return claimSettings(m, owner, claim).some((s) => s.item === item && s.setting === setting);
  });
  const blockers: Explanation['blockers'] = [];
  for (const line of rests)
    for (const other of lines) {
      if (other === line || relate(line, other, context)?.verdict !== 'clash') continue;
      if (!blockers.some((b) => b.item === other.item && b.function === other.function))
        blockers.push({ item: other.item, function: other.function, line: lineText(other) });
    }
  return blockers;
}
