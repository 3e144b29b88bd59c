import type { Build, Fix, PartSet, Slot } from '../model';
import {
  isEntered,
  isOn,
  isTaken,
  machine,
  obstacle,
  seatOf,
  standing,
  type Fitted,
  type Machine
} from '../resources';
import { Conflicts, type CoreFunction } from './conflicts';
import { applyFix, fixCost } from './fix';
import type { Limits } from './solve';

/** Changes that together make an impossible machine possible. */
export interface Relaxation {
  fixes: Fix[];
}

/** The changes that could dissolve a core. */
function candidates(m: Machine, coreFunctions: readonly CoreFunction[], parts: PartSet): Fix[] {
  const { build } = m;
  const fixes: Fix[] = [];
  const items = [...new Set(coreFunctions.map((f) => f.item))];
  for (const { item, id } of coreFunctions) {
    const fitted = m.find(item);
    const fn = fitted?.part.functions.find((f) => f.id === id);
    if (fitted && fn && fn.off.length > 0 && canBeOff(fitted, fn))
      fixes.push({ action: 'switch-off', item, function: id });
  }
  for (const id of items) {
    const fitted = m.find(id);
    if (!fitted || !isEntered(fitted)) continue;
    fixes.push(...slotMoves(m, fitted));
    for (const setting of fitted.item.locked) fixes.push({ action: 'unlock', item: id, setting });
    if (!fitted.part.card) continue;
    for (const spare of build.shelf)
      if (replaces(fitted, parts.get(spare.part), m))
        fixes.push({ action: 'exchange', item: id, with: spare.id });
    fixes.push({ action: 'take-out', item: id });
  }
  return fixes;
}

/** Whether some position that is not locked away switches the function off. */
function canBeOff(fitted: Fitted, fn: Fitted['part']['functions'][number]): boolean {
  return fn.off.some((match) =>
    Object.entries(match).every(
      ([setting, positions]) =>
        !fitted.item.locked.includes(setting) ||
        positions.includes(fitted.item.chosen[setting] ?? fitted.item.asFound[setting] ?? '')
    )
  );
}

/** Seats in which a card would have more lines or other interrupts than where it sits. */
function slotMoves(m: Machine, fitted: Fitted): Fix[] {
  const slots = m.board.part.board.slots;
  const { slot: now } = fitted;
  if (!now) return [];
  const here = seatOf(fitted.part, now).seat;
  const { id } = fitted.item;
  const helps = (slot: Slot): boolean =>
    fitted.misfit !== null ||
    here === 'pci' ||
    (here === 'isa8' && seatOf(fitted.part, slot).seat === 'isa16' && fitted.part.card?.bus !== 'isa8');
  const better = slots.filter(
    (slot) => slot.id !== now.id && obstacle(fitted.part, slot) === null && helps(slot)
  );
  const seated = m.fitted.flatMap(({ part, slot, item }) => (slot ? [{ part, slot, item: item.id }] : []));
  const free = better.filter((slot) => !isTaken(seated, { part: fitted.part, slot }, id));
  const moves = (here === 'pci' ? free : free.slice(0, 1)).map((slot): Fix => ({
    action: 'move-slot',
    item: id,
    slot: slot.id
  }));
  const swaps = better.flatMap((slot): Fix[] => {
    const other = m.fitted.find((f) => f.slot?.id === slot.id);
    return other && obstacle(other.part, now) === null
      ? [{ action: 'move-slot', item: id, slot: slot.id, swapWith: other.item.id }]
      : [];
  });
  return [...moves, ...swaps];
}

/** A spare replaces a card when it offers every kind of function that the card has on. */
function replaces(fitted: Fitted, spare: Fitted['part'] | undefined, m: Machine): boolean {
  if (!spare?.card || !fitted.slot || obstacle(spare, fitted.slot)) return false;
  const at = standing(m);
  const wanted = new Set(fitted.part.functions.filter((fn) => isOn(fitted, fn, at)).map((fn) => fn.kind));
  return [...wanted].every((kind) => spare.functions.some((fn) => fn.kind === kind));
}

export interface RelaxOptions {
  allowOff: boolean;
  /** How many relaxations are wanted at the most. */
  most: number;
  limits: Limits;
}

/** How many sets that did not help are looked into for a further change, and how large sets grow. */
const WIDTH = 12;
const DEPTH = 3;

interface Attempt {
  fixes: Fix[];
  /** The build with all of the fixes. */
  build: Build;
}

/**
 * Sets of changes, cheapest first, each of which makes the machine possible; no set contains
 * another. Each set was proved by solving the changed machine again. Single changes come from the
 * core; only when none but taking a card out helps are sets grown, from the core that is left.
 */
export function findRelaxations(
  build: Build,
  parts: PartSet,
  firstCore: readonly CoreFunction[],
  options: RelaxOptions
): Relaxation[] {
  const found: Relaxation[] = [];
  const seen = new Set<string>();
  /** Every set that is a known one with one more change against its core, cheapest first. */
  const grow = ({ fixes, build: base }: Attempt, core: readonly CoreFunction[]): Attempt[] =>
    candidates(machine(base, parts), core, parts).flatMap((fix) => {
      const next = [...fixes, fix];
      const name = next.map(nameOf).sort().join(' ');
      if (seen.has(name)) return [];
      seen.add(name);
      return [{ fixes: next, build: applyFix(base, fix, parts) }];
    });
  const byCost = (a: Attempt, b: Attempt) => fixCost(a.fixes) - fixCost(b.fixes);
  const conflicts = new Conflicts(parts, options);
  // A change touches two items at the most, as two cards that change places.
  const apart = conflicts.apart(build, firstCore, MOST_CONFLICTS);
  if (apart > 2 * DEPTH) return oneByOne(build, parts, conflicts);
  let attempts = grow({ fixes: [], build }, firstCore).sort(byCost);
  for (let depth = 1; attempts.length > 0; depth++) {
    const failed: Attempt[] = [];
    for (const attempt of attempts) {
      if (found.length >= options.most) break;
      if (found.some((r) => includesAll(attempt.fixes, r.fixes))) continue;
      if (conflicts.known(attempt.build)) {
        failed.push(attempt);
        continue;
      }
      const answer = conflicts.answer(attempt.build);
      if (answer) found.push({ fixes: attempt.fixes });
      else if (answer === false) failed.push(attempt);
    }
    if (depth === DEPTH || found.some(keepsAllCards)) break;
    attempts = failed
      .filter(keepsAllCards)
      .slice(0, WIDTH)
      .flatMap((attempt) => grow(attempt, conflicts.of(attempt.build)))
      .sort(byCost);
  }
  if (!found.length) found.push(...oneByOne(build, parts, conflicts));
  return found.sort((a, b) => fixCost(a.fixes) - fixCost(b.fixes));
}

/** Most conflicts that are dissolved one after the other, and changes that are tried in all. */
const MOST_CONFLICTS = 16;
const MOST_TRIES = 240;

/**
 * Several conflicts that have nothing to do with each other: the cheapest change that dissolves each, one after the
 * other, until the machine is possible; then every change that is not needed any more is left out again.
 */
function oneByOne(build: Build, parts: PartSet, conflicts: Conflicts): Relaxation[] {
  let tries = 0;
  const works = (b: Build): boolean => {
    tries++;
    return !conflicts.known(b) && conflicts.answer(b) === true;
  };
  /** The machine with nothing in it but what a conflict is between, and what came in its place. */
  const alone = (b: Build, before: Build, core: readonly CoreFunction[]): Build => {
    const named = new Set(core.map((f) => f.item));
    const isThere = new Set(before.items.map((i) => i.id));
    return { ...b, items: b.items.filter((i) => named.has(i.id) || !isThere.has(i.id)) };
  };
  let now = build;
  let core = conflicts.of(build);
  const fixes: Fix[] = [];
  for (let n = 0; n < MOST_CONFLICTS; n++) {
    const ready = new Set(build.shelf.map((i) => i.id));
    const fix = candidates(machine(now, parts), core, parts)
      // What was just taken out does not come back in place of another.
      .filter((way) => way.action !== 'exchange' || ready.has(way.with))
      .sort((a, b) => fixCost([a]) - fixCost([b]))
      .find(
        (way) =>
          // Without any one of its members a conflict is none.
          way.action === 'take-out' ||
          (tries < MOST_TRIES && works(alone(applyFix(now, way, parts), now, core)))
      );
    if (!fix) return [];
    fixes.push(fix);
    now = applyFix(now, fix, parts);
    if (works(now)) return [{ fixes: needed(build, parts, fixes, works) }];
    core = conflicts.of(now);
    if (!core.length) return [];
  }
  return [];
}

/** The changes without those that are not needed beside the others. */
function needed(build: Build, parts: PartSet, fixes: readonly Fix[], works: (b: Build) => boolean): Fix[] {
  const apply = (list: readonly Fix[]) => list.reduce((b, fix) => applyFix(b, fix, parts), build);
  let kept = [...fixes];
  // The dearest are tried first.
  for (const fix of [...fixes].sort((a, b) => fixCost([b]) - fixCost([a]))) {
    const without = kept.filter((f) => f !== fix);
    if (without.length && works(apply(without))) kept = without;
  }
  return kept;
}

const nameOf = (fix: Fix) => JSON.stringify(fix);
const includesAll = (big: readonly Fix[], small: readonly Fix[]) =>
  small.every((fix) => big.some((other) => nameOf(other) === nameOf(fix)));
const keepsAllCards = ({ fixes }: { fixes: readonly Fix[] }) =>
  fixes.every((fix) => fix.action !== 'take-out');
