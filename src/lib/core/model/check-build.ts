import type { Build, BuildFile, FunctionRef, Item, PartSet } from './build';
import { checkPart, repeated } from './check-part';
import type { Problem } from './problem';
import { BOARD_ITEM } from './names';

/** Lines that a machine has at most, with room to spare: the largest of the demo has about a hundred. */
const MOST_CLAIMS = 400;

/** Checks the references of a build against the parts that it uses. Paths are relative to the build. */
export function checkBuild(build: Build, parts: PartSet): Problem[] {
  const problems: Problem[] = [];
  const say = (path: string, message: string) => problems.push({ path, message });
  const boardPart = parts.get(build.board.part);
  if (build.board.id !== BOARD_ITEM) say('board.id', `the board's item id is "${BOARD_ITEM}"`);
  if (boardPart && !boardPart.board) say('board.part', `"${boardPart.id}" is not a board`);
  repeated(
    [...build.items, ...build.shelf].map((item) => item.id).concat(BOARD_ITEM, 'system', 'pnp')
  ).forEach((id) => say('items', `the id "${id}" is used twice or reserved`));

  const slots = new Set(boardPart?.board?.slots.map((slot) => slot.id));
  const each = (list: readonly Item[], at: (i: number) => string) =>
    list.forEach((item, i) =>
      itemProblems(item, parts, slots).forEach((p) => say(at(i) + p.path, p.message))
    );
  each([build.board], () => 'board');
  each(build.items, (i) => `items[${i}]`);
  each(build.shelf, (i) => `shelf[${i}]`);

  const claims = [build.board, ...build.items].reduce(
    (n, item) => n + (parts.get(item.part)?.functions.reduce((sum, fn) => sum + fn.claims.length, 0) ?? 0),
    0
  );
  if (claims > MOST_CLAIMS)
    say('items', `the parts claim ${claims} lines; no machine has more than ${MOST_CLAIMS}`);

  const fitted = new Map([build.board, ...build.items].map((item) => [item.id, parts.get(item.part)]));
  const ref = (reference: FunctionRef, at: string) => {
    const part = fitted.get(reference.item);
    if (!fitted.has(reference.item)) say(`${at}.item`, `there is no item "${reference.item}" in the machine`);
    else if (part && !part.functions.some((fn) => fn.id === reference.function))
      say(`${at}.function`, `"${reference.item}" has no function "${reference.function}"`);
  };
  build.brief.mustBeOn.forEach((r, i) => ref(r, `brief.mustBeOn[${i}]`));
  build.brief.mayBeOff.forEach((r, i) => ref(r, `brief.mayBeOff[${i}]`));
  build.resident.forEach((r, i) => ref(r, `resident[${i}]`));
  build.neverTogether.forEach((pair, i) => pair.forEach((r, j) => ref(r, `neverTogether[${i}][${j}]`)));
  return problems;
}

function itemProblems(item: Item, parts: PartSet, slots: ReadonlySet<string>): Problem[] {
  const part = parts.get(item.part);
  if (!part) return [{ path: '.part', message: `there is no part "${item.part}"` }];
  const problems: Problem[] = [];
  for (const key of ['slot', 'slotAsFound'] as const) {
    const slot = item[key];
    if (slot !== undefined && !slots.has(slot))
      problems.push({ path: `.${key}`, message: `the board has no slot "${slot}"` });
  }
  const settings = new Map(part.settings.map((s) => [s.id, s]));
  for (const key of ['asFound', 'chosen'] as const)
    for (const [id, position] of Object.entries(item[key])) {
      const setting = settings.get(id);
      if (!setting) problems.push({ path: `.${key}.${id}`, message: `"${part.id}" has no setting "${id}"` });
      else if (!setting.positions.some((p) => p.id === position))
        problems.push({ path: `.${key}.${id}`, message: `setting "${id}" has no position "${position}"` });
    }
  item.locked.forEach((id, i) => {
    if (!settings.has(id))
      problems.push({ path: `.locked[${i}]`, message: `"${part.id}" has no setting "${id}"` });
  });
  return problems;
}

/** Checks a whole file: each part, part ids, and the build against the parts. */
export function checkFile(file: BuildFile): Problem[] {
  return [
    ...repeated(file.parts.map((part) => part.id)).map((id) => ({
      path: 'parts',
      message: `"${id}" is there twice`
    })),
    ...file.parts.flatMap((part, i) => checkPart(part).map((p) => ({ ...p, path: `parts[${i}].${p.path}` }))),
    ...checkBuild(file.build, partSet(file.parts)).map((p) => ({ ...p, path: `build.${p.path}` }))
  ];
}

export function partSet(parts: Iterable<BuildFile['parts'][number]>): PartSet {
  return new Map([...parts].map((part) => [part.id, part]));
}
