import { there } from '../model';
import type { Brief, Build, Item, Part, PartOf, PartSet } from '../model';
import { chain } from '../video';
import { kitOf, boardInCase } from '../kit';
import { powerOf } from '../power';
import { excludeEachOther, type Seated } from '../resources';
import { weighSides, type Pool } from './pool';
import { hasPlug } from './enclosure';
import { fitsSlot } from './services';
import type { Base, Option } from './options';

export interface Choice {
  base: Base;
  memory: Option;
  display: Option;
  audio: Option;
  storage: Option<PartOf<'drive'>>;
  services: Option;
}

export const partsOf = (c: Choice): { part: Part; count: number; place?: string }[] => [
  ...c.base.parts,
  ...c.memory.parts,
  ...c.display.parts,
  ...c.audio.parts,
  ...c.storage.parts,
  ...c.services.parts
];

/**
 * Puts the chosen parts together as a build: cards in slots, memory in banks, the board set for its CPU and
 * first display, functions that are there twice switched off in the later card.
 * @returns null when the cards do not find slots
 */
export function assemble(pool: Pool, brief: Brief, choice: Choice, trim: readonly Part[]): Build | null {
  const { board } = choice.base;
  const all = [...partsOf(choice), ...trim.map((part) => ({ part, count: 1, place: undefined }))].filter(
    (p) => p.part !== board
  );
  const slots = seatCards(
    board,
    all.filter((p) => p.part.card).map((p) => p.part)
  );
  if (!slots) return null;
  const names = new Map<string, number>();
  const nameFor = (part: Part) => {
    const base = part.functions[0]?.kind === 'system' ? part.kind : (part.functions[0]?.kind ?? part.kind);
    const word = ['board', 'system', 'pnp'].includes(base) ? 'part' : base;
    const n = (names.get(word) ?? 0) + 1;
    names.set(word, n);
    return n === 1 ? word : `${word}-${n}`;
  };
  const taken = new Map<string, number>();
  const provided = new Set(board.functions.map((f) => f.kind));
  const items = all.map(({ part, count, place }): Item => {
    const used = taken.get(part.id) ?? 0;
    taken.set(part.id, used + count);
    const unit = pool.units(part.id)[used];
    const slot = slots.get(part);
    const off = part.card ? twiceOff(part, provided) : {};
    part.functions.forEach((f) => provided.add(f.kind));
    return {
      id: nameFor(part),
      part: part.id,
      ...(slot === undefined ? {} : { slot }),
      ...(place === undefined ? {} : { place }),
      ...(count > 1 ? { count } : {}),
      ...(unit ? { specimen: unit.specimen } : {}),
      asFound: unit?.asFound ?? {},
      chosen: off,
      locked: []
    };
  });
  const unit = pool.units(board.id)[0];
  return {
    id: 'plan',
    name: 'Plan',
    brief,
    board: {
      id: 'board',
      part: board.id,
      ...(unit ? { specimen: unit.specimen } : {}),
      asFound: unit?.asFound ?? {},
      chosen: { ...choice.base.settings, ...displaySetting(choice) },
      locked: []
    },
    items: cabledMonitors(items, choice),
    shelf: [],
    neverTogether: [],
    resident: [],
    acknowledged: []
  };
}

/** The second of two like disk or floppy controllers, or game ports, is switched off where it can be. */
function twiceOff(part: Part, provided: ReadonlySet<string>): Record<string, string> {
  const out: Record<string, string> = {};
  for (const fn of part.functions) {
    if (!['floppy', 'hard-disk', 'game'].includes(fn.kind) || !provided.has(fn.kind)) continue;
    const match = fn.off[0];
    if (match) for (const [setting, positions] of Object.entries(match)) out[setting] = there(positions[0]);
  }
  return out;
}

/** What the board is to be told of the first display, and the card of its monitor. */
function displaySetting(choice: Choice): Record<string, string> {
  const told = choice.base.board.board.displaySwitch;
  const card = choice.display.parts.find((p) => p.part.video && p.part.video.standard !== '3d-only')?.part;
  if (!told) return {};
  const standard = card?.video?.standard ?? 'vga';
  const wanted =
    standard === 'mono' ? ['mono'] : standard === 'cga' ? ['colour'] : ['own-bios', 'any', 'colour'];
  for (const word of wanted) {
    const found = Object.entries(told.values).find(([, v]) => v === word);
    if (found) return { [told.setting]: found[0] };
  }
  return {};
}

/** The monitor on its card, and the card's monitor switch so that something is shown. */
function cabledMonitors(items: Item[], choice: Choice): Item[] {
  const card = choice.display.parts.find((p) => p.part.video && p.part.video.standard !== '3d-only')?.part;
  const monitor = choice.display.parts.find((p) => p.part.monitor)?.part;
  if (!card || !monitor) return items;
  const told = card.video?.monitorSwitch;
  if (!told || !card.video || !monitor.monitor) return items;
  const shows = chain(card.video, monitor.monitor)
    .filter((c) => c.verdict === 'shown')
    .map((c) => c.mode.id);
  const wanted = shows.includes('ega-350')
    ? ['enhanced-350']
    : shows.includes('mono-text') && !shows.includes('cga-text')
      ? ['mono']
      : ['colour', 'enhanced-200'];
  const position = Object.entries(told.values).find(([, v]) => wanted.includes(v))?.[0];
  return position === undefined
    ? items
    : items.map((i) =>
        i.part === card.id ? { ...i, chosen: { ...i.chosen, [told.setting]: position } } : i
      );
}

/** A slot for each card, those with the fewest choices first; null when there is none. */
export function seatCards(board: PartOf<'board'>, cards: readonly Part[]): Map<Part, string> | null {
  const slots = board.board.slots;
  const order = ['isa8', 'agp', 'isa16', 'pci', 'vlb', 'memory-board', 'pc-card'];
  const wanted = cards
    .map((card) => ({
      card,
      slots: slots
        .filter((slot) => fitsSlot(card, slot))
        .sort((a, b) => order.indexOf(a.bus) - order.indexOf(b.bus))
    }))
    .sort((a, b) => a.slots.length - b.slots.length);
  const out = new Map<Part, string>();
  const seated: Seated[] = [];
  const place = (i: number): boolean => {
    if (i === wanted.length) return true;
    for (const slot of there(wanted[i]).slots) {
      const seat = { part: there(wanted[i]).card, slot };
      if (seated.some((s) => excludeEachOther(s, seat))) continue;
      seated.push(seat);
      out.set(there(wanted[i]).card, slot.id);
      if (place(i + 1)) return true;
      seated.pop();
    }
    return false;
  };
  return place(0) ? out : null;
}

/** A machine with its case, supply and keyboard: they take no lines, so nothing else changes. */
export function withTrim(pool: Pool, build: Build, trim: readonly Part[]): Build {
  const items = trim.map((part): Item => {
    const unit = pool.units(part.id)[0];
    return {
      id: part.kind,
      part: part.id,
      ...(unit ? { specimen: unit.specimen } : {}),
      asFound: {},
      chosen: {},
      locked: []
    };
  });
  return { ...build, items: [...build.items, ...items] };
}

export interface Trim {
  trim: Part[];
  weight: number;
}
const MOST_TRIMS = 24;

/** Case, supply and keyboard in the order of what they add, each set fitting the board and what it must carry. */
export function trims(pool: Pool, choice: Choice, build: Build, parts: PartSet): Trim[] {
  const facts = choice.base.board.board;
  const { rails: needs } = powerOf(kitOf(build, parts));
  const cases = sortOf(pool, 'case', (p) => !boardInCase(facts, p.chassis));
  const supplies = sortOf(pool, 'supply', (p) => {
    const { rails } = p.supply;
    return (
      hasPlug(facts, p) && needs.every((r) => r.amps <= rails[r.rail] || (r.rail === 'v3' && rails.v3 === 0))
    );
  });
  const keyboards = sortOf(
    pool,
    'keyboard',
    (p) => facts.keyboard?.protocols.some((x) => p.keyboard.protocols.includes(x)) ?? true
  );
  if (!cases || !supplies || !keyboards) return [];
  const fits = (chassis: (typeof cases)[number], supply: (typeof supplies)[number]) =>
    !chassis || !supply || chassis.chassis.supply.includes(supply.supply.form);
  const weightOf = (part: Part | null) => (part ? pool.weigh(part) : 0);
  const otherPlug = weighSides({ cautions: 1 }, pool.weights);
  // Nothing that is not among the lightest pairs, or the lightest keyboards, is among the lightest sets.
  const pairs = lightest(
    cases.flatMap((chassis) =>
      supplies
        .filter((supply) => fits(chassis, supply))
        .map((supply) => ({ trim: [chassis, supply], weight: weightOf(chassis) + weightOf(supply) }))
    )
  );
  const typing = lightest(
    keyboards.map((keyboard) => {
      const isOther = keyboard && facts.keyboard && keyboard.keyboard.plug !== facts.keyboard.plug;
      return { trim: [keyboard], weight: weightOf(keyboard) + (isOther ? otherPlug : 0) };
    })
  );
  return lightest(
    pairs.flatMap((pair) =>
      typing.map((keyboard) => ({
        trim: [...pair.trim, ...keyboard.trim].filter((p) => p !== null),
        weight: pair.weight + keyboard.weight
      }))
    )
  );
}

const lightest = <T extends { weight: number }>(list: T[]): T[] =>
  list.sort((a, b) => a.weight - b.weight).slice(0, MOST_TRIMS);

/** Parts of a sort that fit, the lightest first; `[null]` when the pool has none of the sort, null when none fits. */
function sortOf<K extends Part['kind']>(
  pool: Pool,
  kind: K,
  fits: (part: PartOf<K>) => boolean
): (PartOf<K> | null)[] | null {
  const all = pool.of(kind);
  if (!all.length) return [null];
  const fixed = all.filter((p) => pool.fixed.has(p.id));
  const good = (fixed.length ? fixed : [...all]).filter(fits);
  return good.length ? good.sort((a, b) => pool.weigh(a) - pool.weigh(b) || (a.id < b.id ? -1 : 1)) : null;
}
