import type { Build, Item } from '../model';
import type { Plan } from './types';

/**
 * A build with the machine of a plan in it. What stays keeps its id, notes and positions as found; what the plan
 * has no use for is laid ready, so that nothing that was recorded is lost.
 */
export function adopt(build: Build, plan: Plan): Build {
  const left = [...build.items];
  const names = new Set([...build.items, ...build.shelf].map((i) => i.id));
  const renamed = new Map<string, string>();
  const items = plan.build.items.map((item): Item => {
    const at = left.findIndex((i) => i.part === item.part);
    const old = at < 0 ? undefined : left.splice(at, 1)[0];
    const id = old?.id ?? freeName(item.id, names);
    names.add(id);
    renamed.set(item.id, id);
    return old
      ? {
          ...old,
          ...item,
          id,
          asFound: { ...item.asFound, ...old.asFound },
          ...(old.notes ? { notes: old.notes } : {})
        }
      : { ...item, id };
  });
  const cabled = items.map((item) =>
    item.cable ? { ...item, cable: { ...item.cable, to: renamed.get(item.cable.to) ?? item.cable.to } } : item
  );
  const sameBoard = build.board.part === plan.build.board.part;
  const there = new Set(cabled.map((i) => i.id).concat('board'));
  const stays = (ref: { item: string }) => there.has(ref.item) && (sameBoard || ref.item !== 'board');
  return {
    ...build,
    board: sameBoard
      ? { ...build.board, chosen: { ...build.board.chosen, ...plan.build.board.chosen } }
      : plan.build.board,
    items: cabled,
    shelf: [
      ...build.shelf,
      ...left.map(({ slot: _s, slotAsFound: _f, place: _p, cable: _c, ...rest }) => rest)
    ],
    brief: {
      ...build.brief,
      mustBeOn: build.brief.mustBeOn.filter(stays),
      mayBeOff: build.brief.mayBeOff.filter(stays)
    },
    resident: build.resident.filter(stays),
    neverTogether: build.neverTogether.filter((pair) => pair.every(stays)),
    acknowledged: []
  };
}

function freeName(wanted: string, taken: ReadonlySet<string>): string {
  for (let n = 1; ; n++) {
    const id = n === 1 ? wanted : `${wanted}-${n}`;
    if (!taken.has(id)) return id;
  }
}
