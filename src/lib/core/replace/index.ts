import { check, isBad, placeOf, type Finding } from '../rules';
import { cablesOf, kitOf, speaks } from '../kit';
import {
  type PartOf,
  newItemId,
  type Build,
  type Item,
  type Part,
  type PartSet,
  entryOf,
  isOfKind
} from '../model';
import { middlePrice } from '../planner';
import { firstSlot } from '../resources';
import { resolve } from '../solver';

/** One way to replace a drive: another drive, and the card that runs it where nothing does yet. */
export interface Route {
  drive: Part;
  card: Part | null;
  slot: string | null;
  onShelf: number;
  cost: number;
  /** Stops and clashes that come with it, beyond those that were there. */
  problems: Finding[];
  /** Its lines can be resolved. */
  linesFit: boolean;
}

const MOST_TRIED = 24;

/**
 * Ranked routes to replace a drive: with what is in the machine, or with one more card, each tried as a whole
 * machine: its seat, its lines, its power and its bay. What is on the shelf comes first.
 * @param stock how many of a part lie on the shelf
 * @returns the routes, the best first; `linesOpen`: the machine's lines cannot be resolved as it is, so that a
 * card more is not judged by them
 */
export function replacementRoutes(
  build: Build,
  known: PartSet,
  dead: string,
  offered: readonly Part[],
  stock: ReadonlyMap<string, number>
): { routes: Route[]; linesOpen: boolean } {
  const parts = new Map([...known, ...offered.map((p) => [p.id, p] as const)]);
  const without: Build = { ...build, items: build.items.filter((i) => i.id !== dead) };
  const before = new Set(
    check(without, parts)
      .filter(isBad)
      .map((f) => f.rule)
  );
  const kit = kitOf(without, parts);
  const free = kit.controllers.filter(
    (c) => c.isOn && cablesOf(kit).filter((x) => x.controller === c).length < (c.fn.units ?? 2)
  );
  const drives = offered
    .filter((p) => isOfKind(p, 'drive'))
    .filter((p) => p.drive.medium === 'hard' || p.drive.medium === 'flash');
  const cards = offered.filter(
    (p) => p.card && p.functions.some((f) => f.speaks?.length && f.kind !== 'floppy')
  );
  const ways: { drive: PartOf<'drive'>; card: Part | null }[] = [];
  for (const drive of drives) {
    if (free.some((c) => speaks(c, drive.drive.interface))) ways.push({ drive, card: null });
    else
      for (const card of cards.filter((c) =>
        c.functions.some((f) => f.speaks?.includes(drive.drive.interface))
      ))
        ways.push({ drive, card });
  }
  const score = ({ drive, card }: (typeof ways)[number]) =>
    (stock.get(drive.id) ? 0 : middlePrice(drive)) +
    (card ? (stock.get(card.id) ? 5 : 20 + middlePrice(card)) : 0);
  const seen = new Map<string, number>();
  const limits = { alternatives: 0, relaxations: 0, maxNodes: 5000 };
  const linesOpen = resolve(without, parts, limits).status !== 'solved';
  const routes = ways
    .sort((a, b) => score(a) - score(b) || (a.drive.id < b.drive.id ? -1 : 1))
    .filter(({ drive, card }) => {
      // Two drives for each interface and card tell the way; more of them are neighbours.
      const key = `${drive.drive.interface} ${card?.id ?? ''}`;
      seen.set(key, (seen.get(key) ?? 0) + 1);
      return entryOf(seen, key) <= 2;
    })
    .slice(0, MOST_TRIED)
    .flatMap(({ drive, card }): Route[] => {
      const slot = card ? firstSlot(without, parts, card) : undefined;
      if (card && !slot) return [];
      const blank = (part: Part): Item => ({ id: '', part: part.id, asFound: {}, chosen: {}, locked: [] });
      const add = (to: Build, part: Part, extra: Partial<Item> = {}): Build => ({
        ...to,
        items: [...to.items, { ...blank(part), id: newItemId(to, part), ...extra }]
      });
      const withCard = card ? add(without, card, { slot }) : without;
      const whole = add(withCard, drive);
      const answer = card && !linesOpen ? resolve(whole, parts, limits) : null;
      const problems = check(whole, parts).filter(
        (f) => isBad(f) && !before.has(f.rule) && placeOf(f).stage !== 'lines'
      );
      return [
        {
          drive,
          card,
          slot: slot ?? null,
          onShelf: [drive, card].filter((p) => p && (stock.get(p.id) ?? 0) > 0).length,
          cost: [drive, card].reduce((n, p) => n + (p && !stock.get(p.id) ? middlePrice(p) : 0), 0),
          problems,
          linesFit: answer === null || answer.status === 'solved'
        }
      ];
    })
    .sort(
      (a, b) =>
        Number(b.linesFit && !b.problems.length) - Number(a.linesFit && !a.problems.length) ||
        a.cost - b.cost ||
        Number(a.card !== null) - Number(b.card !== null)
    );
  return { routes, linesOpen };
}
