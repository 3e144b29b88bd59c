import type { Build, PartSet, PinHeader, Teardown } from '../model';

/** Steps of taking apart in the order in which they were done. */
export const takenApart = (build: Build): Teardown[] =>
  Object.values(build.teardown ?? {}).sort((a, b) =>
    a.at < b.at ? -1 : a.at > b.at ? 1 : a.id < b.id ? -1 : 1
  );

/** The order of putting together: what came off last goes on first. What is back already is left in. */
export const assembly = (build: Build): Teardown[] => takenApart(build).reverse();

/** Adds a step; its id is the next number. */
export function addStep(
  build: Build,
  step: Pick<Teardown, 'kind' | 'what' | 'where' | 'header'>,
  at: string
): Build {
  const taken = Object.keys(build.teardown ?? {});
  let n = taken.length + 1;
  while (taken.includes(`t${n}`)) n++;
  const plain = Object.fromEntries(Object.entries(step).filter(([, v]) => v !== undefined && v !== ''));
  return { ...build, teardown: { ...build.teardown, [`t${n}`]: { id: `t${n}`, at, ...plain } as Teardown } };
}

/** Marks a step as put back at a time, or as off again. */
export function setBack(build: Build, id: string, back: string | null): Build {
  const step = build.teardown?.[id];
  if (!step) return build;
  const { back: _, ...off } = step;
  return { ...build, teardown: { ...build.teardown, [id]: back ? { ...off, back } : off } };
}

export function removeStep(build: Build, id: string): Build {
  const { [id]: _, ...rest } = build.teardown ?? {};
  const { teardown: __, ...plain } = build;
  return Object.keys(rest).length ? { ...plain, teardown: rest } : plain;
}

/** Something to look at before power, with what is known of it. */
export type LastLook =
  /** Known to be open: these are still off. */
  | { id: 'off'; open: true; what: string[] }
  | { id: 'loose' | 'black' | 'ribbons' | 'cards' | 'fan'; open: false }
  /** A header on which the way round matters. */
  | { id: `polar-${string}`; open: false; header: PinHeader };

/** The last check before the cover goes on: what follows from the log, the board and the supply. */
export function lastChecks(build: Build, parts: PartSet): LastLook[] {
  const off = takenApart(build).filter((s) => !s.back);
  const board = parts.get(build.board.part)?.board;
  const supply = build.items.some((i) => parts.get(i.part)?.kind === 'supply');
  const isAt = supply && board?.powerPlug !== 'atx';
  const look = (id: 'loose' | 'black' | 'ribbons' | 'cards' | 'fan'): LastLook => ({ id, open: false });
  return [
    ...(off.length ? [{ id: 'off', open: true, what: off.map((s) => s.what) } as const] : []),
    look('loose'),
    ...(isAt ? [look('black')] : []),
    ...(board?.headers ?? [])
      .filter((h) => h.polar)
      .map((header): LastLook => ({ id: `polar-${header.id}`, open: false, header })),
    look('ribbons'),
    look('cards'),
    look('fan')
  ];
}

/** What has to be connected again when a card is exchanged, from the pins that its leads went to. */
export const pinsText = (header: PinHeader): string => header.pins.map((p, i) => `${i + 1} ${p}`).join(' · ');
