import type { Build, BuildFile, FunctionRef, Item, PartSet } from './build';
import { checkPart, repeated } from './check-part';
import { partSet } from './keys';
import type { Flaw, FlawAt } from './flaw';
import type { ShelfItem } from './shelf';
import type { Part } from './part';
import { BOARD_ITEM } from './names';

/** Lines that a machine has at most, with room to spare: the largest of the demo has about a hundred. */
const MOST_CLAIMS = 400;

/** Checks the references of a build against the parts that it uses. Paths are relative to the build. */
export function checkBuild(build: Build, parts: PartSet): FlawAt[] {
  const problems: FlawAt[] = [];
  const say = (path: string, flaw: Flaw) => problems.push({ path, flaw });
  const boardPart = parts.get(build.board.part);
  if (build.board.id !== BOARD_ITEM) say('board.id', { is: 'board-id', id: BOARD_ITEM });
  if (boardPart && !boardPart.board) say('board.part', { is: 'no-board', id: boardPart.id });
  repeated(
    [...build.items, ...build.shelf].map((item) => item.id).concat(BOARD_ITEM, 'system', 'pnp')
  ).forEach((id) => say('items', { is: 'taken', id }));

  const slots = new Set(boardPart?.board?.slots.map((slot) => slot.id));
  const each = (list: readonly Item[], at: (i: number) => string) =>
    list.forEach((item, i) => itemProblems(item, parts, slots).forEach((p) => say(at(i) + p.path, p.flaw)));
  each([build.board], () => 'board');
  each(build.items, (i) => `items[${i}]`);
  each(build.shelf, (i) => `shelf[${i}]`);

  const claims = [build.board, ...build.items].reduce(
    (n, item) => n + (parts.get(item.part)?.functions.reduce((sum, fn) => sum + fn.claims.length, 0) ?? 0),
    0
  );
  if (claims > MOST_CLAIMS)
    say('items', { is: 'too-many', what: 'machine lines', n: claims, most: MOST_CLAIMS });

  const fitted = new Map([build.board, ...build.items].map((item) => [item.id, parts.get(item.part)]));
  const ref = (reference: FunctionRef, at: string) => {
    const part = fitted.get(reference.item);
    if (!fitted.has(reference.item)) say(`${at}.item`, { is: 'no-item', id: reference.item });
    else if (part && !part.functions.some((fn) => fn.id === reference.function))
      say(`${at}.function`, { is: 'item-without-function', ...reference });
  };
  build.brief.mustBeOn.forEach((r, i) => ref(r, `brief.mustBeOn[${i}]`));
  build.brief.mayBeOff.forEach((r, i) => ref(r, `brief.mayBeOff[${i}]`));
  build.resident.forEach((r, i) => ref(r, `resident[${i}]`));
  build.neverTogether.forEach((pair, i) => pair.forEach((r, j) => ref(r, `neverTogether[${i}][${j}]`)));
  return problems;
}

function itemProblems(item: Item, parts: PartSet, slots: ReadonlySet<string>): FlawAt[] {
  const part = parts.get(item.part);
  if (!part) return [{ path: '.part', flaw: { is: 'no-part', id: item.part } }];
  const problems: FlawAt[] = [];
  for (const key of ['slot', 'slotAsFound'] as const) {
    const slot = item[key];
    if (slot !== undefined && !slots.has(slot))
      problems.push({ path: `.${key}`, flaw: { is: 'no-slot', id: slot } });
  }
  for (const key of ['asFound', 'chosen'] as const)
    problems.push(...positionProblems(part, item[key]).map((p) => ({ ...p, path: `.${key}.${p.path}` })));
  item.locked.forEach((id, i) => {
    if (!part.settings.some((s) => s.id === id))
      problems.push({
        path: `.locked[${i}]`,
        flaw: { is: 'part-without-setting', part: part.id, setting: id }
      });
  });
  return problems;
}

/** What positions name that their part does not have; the path is the setting. */
function positionProblems(part: Part, positions: Readonly<Record<string, string>>): FlawAt[] {
  return Object.entries(positions).flatMap(([id, position]): FlawAt[] => {
    const setting = part.settings.find((s) => s.id === id);
    if (!setting) return [{ path: id, flaw: { is: 'part-without-setting', part: part.id, setting: id } }];
    return setting.positions.some((p) => p.id === position)
      ? []
      : [{ path: id, flaw: { is: 'no-such-position', setting: id, position } }];
  });
}

/** References of an item of the shelf: its part and the positions on it. */
export function checkShelfItem(item: ShelfItem, parts: PartSet): FlawAt[] {
  const part = parts.get(item.part);
  if (!part) return [{ path: 'part', flaw: { is: 'no-part', id: item.part } }];
  return positionProblems(part, item.asFound).map((p) => ({ ...p, path: `asFound.${p.path}` }));
}

/** Checks a whole file: each part, part ids, and the build against the parts. */
export function checkFile(file: BuildFile): FlawAt[] {
  return [
    ...repeated(file.parts.map((part) => part.id)).map((id): FlawAt => ({
      path: 'parts',
      flaw: { is: 'twice', id }
    })),
    ...file.parts.flatMap((part, i) => checkPart(part).map((p) => ({ ...p, path: `parts[${i}].${p.path}` }))),
    ...checkBuild(file.build, partSet(file.parts)).map((p) => ({ ...p, path: `build.${p.path}` }))
  ];
}
