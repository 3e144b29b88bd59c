import { withJumper, withRibbon, withSetup } from '../cabling';
import { withImage } from '../kit';
import {
  seatItem,
  withItem,
  type Build,
  type Fix,
  type FunctionRef,
  type Item,
  type PartSet,
  there
} from '../model';

/** What each kind of change weighs against the others, cheapest first. */
const FIX_COST: Record<Fix['action'], number> = {
  set: 1,
  'never-together': 1,
  'switch-off': 1,
  'move-slot': 2,
  unlock: 3,
  exchange: 4,
  'take-out': 8,
  acknowledge: 1,
  jumper: 1,
  image: 1,
  ribbon: 1,
  declare: 1
};

export const fixCost = (fixes: readonly Fix[]): number =>
  fixes.reduce((sum, f) => sum + FIX_COST[f.action], 0);

/** Applies a fix to a build and returns the new build; the old one is not touched. */
export function applyFix(build: Build, fix: Fix, parts: PartSet): Build {
  switch (fix.action) {
    case 'set':
      return withItem(build, fix.item, (item) => ({
        ...item,
        chosen: { ...item.chosen, [fix.setting]: fix.position }
      }));
    case 'unlock':
      return withItem(build, fix.item, (item) => ({
        ...item,
        locked: item.locked.filter((s) => s !== fix.setting)
      }));
    case 'move-slot':
      return moveSlot(build, fix);
    case 'switch-off':
      return switchOff(build, fix, parts);
    case 'exchange':
      return exchange(build, fix, parts);
    case 'take-out': {
      const out = build.items.find((item) => item.id === fix.item);
      return withoutRefs(
        {
          ...build,
          items: build.items.filter((item) => item.id !== fix.item),
          shelf: out ? [...build.shelf, shelved(out)] : build.shelf
        },
        fix.item
      );
    }
    case 'acknowledge':
      return { ...build, acknowledged: [...new Set([...build.acknowledged, fix.finding])] };
    case 'jumper':
      return withJumper(build, parts, fix.item, fix);
    case 'image':
      return withImage(build, fix.item, fix.kib);
    case 'ribbon':
      return withRibbon(build, fix.item, fix.function, fix.ribbon);
    case 'declare':
      return withSetup(build, fix);
    case 'never-together':
      return { ...build, neverTogether: [...build.neverTogether, [fix.a, fix.b]] };
  }
}

function moveSlot(build: Build, fix: Extract<Fix, { action: 'move-slot' }>): Build {
  const from = build.items.find((item) => item.id === fix.item)?.slot;
  const moved = seatItem(build, fix.item, fix.slot);
  return fix.swapWith === undefined ? moved : seatItem(moved, fix.swapWith, from);
}

function switchOff(build: Build, fix: Extract<Fix, { action: 'switch-off' }>, parts: PartSet): Build {
  const ref = { item: fix.item, function: fix.function };
  const same = (r: { item: string; function: string }) => r.item === fix.item && r.function === fix.function;
  const item = [build.board, ...build.items].find((i) => i.id === fix.item);
  const known = item && parts.get(item.part)?.functions.some((fn) => fn.id === fix.function);
  if (!known) return build;
  return {
    ...build,
    brief: {
      ...build.brief,
      mustBeOn: build.brief.mustBeOn.filter((r) => !same(r)),
      mayBeOff: build.brief.mayBeOff.some(same) ? build.brief.mayBeOff : [...build.brief.mayBeOff, ref]
    }
  };
}

function shelved(item: Item): Item {
  const { slot, slotAsFound, ...rest } = item;
  void slot;
  void slotAsFound;
  return rest;
}

function exchange(build: Build, fix: Extract<Fix, { action: 'exchange' }>, parts: PartSet): Build {
  const out = build.items.find((item) => item.id === fix.item);
  const into = build.shelf.find((item) => item.id === fix.with);
  if (!out || !into) return build;
  // What was said of a function of the old card holds for the first like one of the new card.
  const heir = (ref: FunctionRef): FunctionRef[] => {
    if (ref.item !== out.id) return [ref];
    const kind = parts.get(out.part)?.functions.find((fn) => fn.id === ref.function)?.kind;
    const fn = parts.get(into.part)?.functions.find((f) => f.kind === kind);
    return fn ? [{ item: into.id, function: fn.id }] : [];
  };
  const seated = out.slot === undefined ? into : { ...into, slot: out.slot };
  return {
    ...build,
    items: build.items.map((item) => (item === out ? seated : item)),
    shelf: [...build.shelf.filter((item) => item !== into), shelved(out)],
    resident: build.resident.flatMap(heir),
    neverTogether: build.neverTogether.flatMap(([a, b]): [FunctionRef, FunctionRef][] => {
      const [x, y] = [heir(a), heir(b)];
      return x.length && y.length ? [[there(x[0]), there(y[0])]] : [];
    }),
    brief: {
      ...build.brief,
      mustBeOn: build.brief.mustBeOn.flatMap(heir),
      mayBeOff: build.brief.mayBeOff.flatMap(heir)
    }
  };
}

/** Drops what the build says of functions of an item that is no longer fitted. */
function withoutRefs(build: Build, item: string): Build {
  const other = (r: { item: string }) => r.item !== item;
  return {
    ...build,
    resident: build.resident.filter(other),
    neverTogether: build.neverTogether.filter((pair) => pair.every(other)),
    brief: {
      ...build.brief,
      mustBeOn: build.brief.mustBeOn.filter(other),
      mayBeOff: build.brief.mayBeOff.filter(other)
    }
  };
}
