import type { Build, PartSet, PinHeader, Teardown } from '../model';

/** A step of putting together: the step of taking apart that it undoes, in words turned round. */
export interface Assembly {
  step: Teardown;
  text: string;
}

const verbs: Record<Teardown['kind'], string> = {
  screw: 'Screw in',
  cable: 'Plug in',
  card: 'Seat',
  drive: 'Mount',
  supply: 'Mount',
  board: 'Put in',
  cover: 'Put on',
  other: 'Put back'
};

/** Steps of taking apart in the order in which they were done. */
export const takenApart = (build: Build): Teardown[] =>
  Object.values(build.teardown ?? {}).sort((a, b) =>
    a.at < b.at ? -1 : a.at > b.at ? 1 : a.id < b.id ? -1 : 1
  );

/** The order of putting together: what came off last goes on first. What is back already is left in. */
export const assembly = (build: Build): Assembly[] =>
  takenApart(build)
    .reverse()
    .map((step) => ({
      step,
      text: `${verbs[step.kind]} ${step.what}${step.where ? `: ${step.where}` : ''}`
    }));

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
export interface LastLook {
  id: string;
  text: string;
  /** Known to be open: something is still off. */
  open: boolean;
}

/** The last check before the cover goes on: what follows from the log, the board and the supply. */
export function lastChecks(build: Build, parts: PartSet): LastLook[] {
  const off = takenApart(build).filter((s) => !s.back);
  const board = parts.get(build.board.part)?.board;
  const headers = board?.headers ?? [];
  const supply = build.items.some((i) => parts.get(i.part)?.kind === 'supply');
  const isAt = supply && board?.powerPlug !== 'atx';
  return [
    ...(off.length
      ? [{ id: 'off', text: `Still off: ${off.map((s) => s.what).join(', ')}`, open: true }]
      : []),
    { id: 'loose', text: 'No screw, jumper or tool lies on the board or under it.', open: false },
    ...(isAt
      ? [{ id: 'black', text: 'The black wires of the two power plugs meet in the middle.', open: false }]
      : []),
    ...headers
      .filter((h) => h.polar)
      .map((h) => ({
        id: `polar-${h.id}`,
        text: `${h.label} (${h.kind.replaceAll('-', ' ')}): ${h.pins[0]} is pin 1.`,
        open: false
      })),
    { id: 'ribbons', text: 'The red edge of every ribbon cable is at pin 1, at both ends.', open: false },
    { id: 'cards', text: 'Every card is all the way down, its bracket screwed.', open: false },
    { id: 'fan', text: 'No lead touches a fan.', open: false }
  ];
}

/** What has to be connected again when a card is exchanged, from the pins that its leads went to. */
export const pinsText = (header: PinHeader): string => header.pins.map((p, i) => `${i + 1} ${p}`).join(' · ');
