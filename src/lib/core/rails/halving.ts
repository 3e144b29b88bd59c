import { thingOf, type Build, type PartSet, type ShortStep, type Thing } from '../model';

/** What hangs on the rails of a machine and can be taken off, the quickest first. */
export interface Hung {
  id: string;
  thing: Thing;
  kind: 'drive' | 'keyboard' | 'card';
}

/** Stands for the board itself, with all that is soldered on or stays in it. */
export const ON_BOARD = 'board';

/** Where the short may be after what was read, and what to take out next. */
export interface ShortHunt {
  /** Things, and the board, that one short explains everything with. */
  suspects: string[];
  state: 'next' | 'found' | 'board' | 'contradiction';
  /** To be out at the next reading, everything else in. Of `found`: the one thing. */
  out: Hung[];
  /** Of `found`: the short went with this one alone out. */
  isConfirmed: boolean;
}

const ORDER: Readonly<Record<Hung['kind'], number>> = { drive: 0, keyboard: 0, card: 1 };

export function hungOn(build: Build, parts: PartSet): Hung[] {
  return build.items
    .flatMap((item): Hung[] => {
      const part = parts.get(item.part);
      if (!part) return [];
      const thing = thingOf(item.label === undefined ? { part } : { part, title: item.label });
      if (part.kind === 'drive' || part.kind === 'keyboard') return [{ id: item.id, thing, kind: part.kind }];
      return part.card && item.slot !== undefined ? [{ id: item.id, thing, kind: 'card' }] : [];
    })
    .sort((a, b) => ORDER[a.kind] - ORDER[b.kind]);
}

/**
 * Finds one short by halves: what can be unplugged first, then half of the cards that are left, then the next half.
 * @param steps what was out at each reading, and whether the rail was short all the same; things that are no more in the
 * machine are passed over
 */
export function huntShort(hung: readonly Hung[], steps: readonly ShortStep[]): ShortHunt {
  let suspects = [...hung.map((h) => h.id), ON_BOARD];
  for (const { out, isShort } of steps) suspects = suspects.filter((id) => out.includes(id) !== isShort);
  const of = (ids: readonly string[]) => hung.filter((h) => ids.includes(h.id));
  const told = { suspects, out: [] as Hung[], isConfirmed: false };
  const [only, ...more] = suspects;
  if (only === undefined) return { ...told, state: 'contradiction' };
  if (!more.length && only === ON_BOARD) return { ...told, state: 'board' };
  if (!more.length)
    return {
      ...told,
      state: 'found',
      out: of([only]),
      isConfirmed: steps.some((s) => !s.isShort && s.out.length === 1 && s.out[0] === only)
    };
  const open = of(suspects);
  const quick = open.filter((h) => ORDER[h.kind] === 0);
  const cards = open.filter((h) => ORDER[h.kind] > 0);
  // Plugs come off in a minute; what is left is halved.
  const half = (list: readonly Hung[]) => list.slice(0, Math.ceil(list.length / 2));
  const next = quick.length
    ? cards.length || suspects.includes(ON_BOARD)
      ? quick
      : half(quick)
    : half(cards);
  return { ...told, state: 'next', out: next };
}
