import {
  stateProblem,
  type Block,
  type Part,
  type PartFunction,
  type Setting,
  type State,
  there
} from '../model';
import { assemble, settingFor, type ReadSetting } from './assemble';
import { claimsOf, mainOf } from './functions';
import { idOf } from './layout';
import { readLines } from './lines';
import { meant, subjectOf } from './meanings';
import type { ReadPosition } from './positions';

/** Words for "no jumper fitted", or for a function that is off. */
const OPEN = /^(?:off|none|open|no|-|–|disabled|removed)$/i;
const MOST_VALUES = 40;

/** The places of a block in their order: the pairs of pins down its columns, the steps of a switch that turns or slides. */
function statesOf(block: Block): State[] {
  switch (block.kind) {
    case 'header': {
      const { rows, columns } = block;
      const pairs = (count: number, pair: (i: number) => [number, number]): State[] =>
        Array.from({ length: count }, (_, i) => ({ caps: [pair(i)] }));
      // In one row each jumper joins two neighbours; in more it joins the first two pins of a column.
      return rows === 1
        ? pairs(columns - 1, (i) => [i + 1, i + 2])
        : pairs(columns, (i) => [i * rows + 1, i * rows + 2]);
    }
    case 'rotary':
    case 'slide':
      return Array.from({ length: block.steps }, (_, step) => ({ step }));
    default:
      return [];
  }
}

/** The block with room for so many places, as far as such blocks are made. */
function grown(block: Block, places: number): Block {
  if (block.kind === 'dip')
    return places > block.switches ? { ...block, switches: Math.min(16, places) } : block;
  const now = statesOf(block).length;
  if (now >= places) return block;
  const larger: Block =
    block.kind === 'header'
      ? { ...block, columns: Math.min(40, places + (block.rows === 1 ? 1 : 0)) }
      : block.kind === 'rotary'
        ? { ...block, steps: Math.min(32, places) }
        : block.kind === 'slide'
          ? { ...block, steps: Math.min(6, places) }
          : block;
  return statesOf(larger).length > now ? larger : block;
}

/** How many places of a block a row asks for. Of a header the first "off" is no jumper at all. */
function placesIn(block: Block, row: string): number {
  if (block.kind === 'dip') {
    const seats = switchSeats(row);
    return 'why' in seats ? 0 : highest(seats);
  }
  const values = valuesOf(row);
  return values.length - (block.kind === 'header' && values.some((v) => OPEN.test(v.label)) ? 1 : 0);
}

/** Whether the positions of a block can be typed as a row. */
export const takesRow = (block: Block): boolean => block.kind === 'dip' || statesOf(block).length > 1;

/** How a row does not fit its block. */
export type RowProblem =
  | { why: 'empty' }
  | { why: 'too-many'; places: number; typed: number }
  | { why: 'defaults' }
  /** A row of switches that is none: `3-4: off off = 640, on off = 512*`. */
  | { why: 'switches' };

/** A position of a row: what is typed beside it, and what is physically there. */
interface Seat {
  label: string;
  isDefault: boolean;
  state: State;
}

/** `220 240* 260 off`, or with commas where a value has blanks; a star marks the default. */
function valuesOf(row: string): { label: string; isDefault: boolean }[] {
  const cells = /[,;\t|]/.test(row) ? row.split(/[,;\t|]/) : row.split(/\s+/);
  return cells
    .map((c) => c.trim())
    .filter(Boolean)
    .slice(0, MOST_VALUES)
    .map((c) => ({ label: c.replace(/\s*\*+$/, '').slice(0, 60) || c, isDefault: /\*$/.test(c) }));
}

/** Under this name the row of a block of switches is read as a table of one line. */
const STAND_IN = 'SW1';

/** Positions of a block of switches, written as in any table: which switches, how they stand, what that means. */
function switchSeats(row: string): Seat[] | RowProblem {
  const { settings, questions } = assemble(readLines(`${STAND_IN} ${row.trim()}`));
  const [only, ...more] = settings;
  const typed = row.split('=').length - 1;
  const isRead =
    only &&
    !more.length &&
    only.positions.length === typed &&
    only.positions.every((p) => 'switches' in p.state && !p.assumed && p.label !== '?') &&
    questions.every((q) => q.about !== 'contradiction');
  return isRead ? only.positions : { why: 'switches' };
}

const highest = (seats: readonly Seat[]): number =>
  Math.max(
    ...seats.flatMap(({ state }) => ('switches' in state ? Object.keys(state.switches).map(Number) : []))
  );

/** Positions of any other block: one value a place, in their order. */
function placedSeats(block: Block, row: string): Seat[] | RowProblem {
  const values = valuesOf(row);
  const states = statesOf(block);
  const open = block.kind === 'header' ? values.findIndex((v) => OPEN.test(v.label)) : -1;
  // `3 5 7 off` on three columns: off is no jumper at all. `on off` on two of them has a place of its own.
  const isOpen = open >= 0 && (values.length > states.length || (block.kind === 'header' && block.rows > 1));
  const seats = values.length - (isOpen ? 1 : 0);
  if (seats > states.length) return { why: 'too-many', places: states.length, typed: seats };
  let seat = 0;
  return values.map((v, i) => ({ ...v, state: isOpen && i === open ? { caps: [] } : there(states[seat++]) }));
}

/** A setting with its positions from a row, or why not. */
function readRow(
  block: Block,
  name: string,
  row: string,
  taken: readonly string[]
): ReadSetting | RowProblem {
  if (!name.trim() || !row.trim()) return { why: 'empty' };
  const seats = block.kind === 'dip' ? switchSeats(row) : placedSeats(block, row);
  if ('why' in seats) return seats;
  if (seats.length < 2) return { why: 'empty' };
  if (seats.filter((v) => v.isDefault).length > 1) return { why: 'defaults' };
  if (block.kind === 'dip' && highest(seats) > block.switches)
    return { why: 'too-many', places: block.switches, typed: highest(seats) };
  const ids = new Set<string>();
  const idFor = (label: string) => {
    const wanted = idOf(label);
    let id = wanted;
    for (let n = 2; ids.has(id); n++) id = `${wanted}-${n}`;
    ids.add(id);
    return id;
  };
  const { functions } = subjectOf(name);
  const positions = seats.map(({ label, isDefault, state }): ReadPosition => {
    const read = meant(label, name);
    return {
      label,
      isDefault,
      id: idFor(label),
      state,
      told: read.told,
      functions: read.functions,
      assumed: false,
      lines: []
    };
  });
  let id = idOf(name);
  for (let n = 2; taken.includes(id); n++) id = `${idOf(name)}-${n}`;
  return {
    id,
    label: name.trim().slice(0, 60),
    on: [block.label ?? block.id],
    block: block.id,
    heading: name,
    positions,
    default: positions.find((p) => p.isDefault)?.id ?? null,
    functions: [...new Set([...functions, ...positions.flatMap((p) => p.functions)])]
  };
}

/** A setting of the part read again by its words, so that claims of several settings come together. */
const readAgain = (s: Setting): ReadSetting => ({
  id: s.id,
  label: s.label,
  on: [],
  block: s.block ?? '',
  heading: s.label,
  positions: s.positions.map((p) => {
    const read = meant(p.label, s.label);
    return {
      id: p.id,
      label: p.label,
      state: p.state ?? { caps: [] },
      told: read.told,
      functions: read.functions,
      isDefault: p.id === s.default,
      assumed: false,
      lines: []
    };
  }),
  default: s.default ?? null,
  functions: subjectOf(s.label).functions
});

const restsOn = (claim: PartFunction['claims'][number], setting: string): boolean =>
  claim.from !== undefined && 'setting' in claim.from && claim.from.setting === setting;

/** What is there stays as it is; of what was read only that comes in which rests on the new setting. */
function merged(
  old: readonly PartFunction[],
  fresh: readonly PartFunction[],
  setting: string
): PartFunction[] {
  const out = [...old];
  for (const fn of fresh) {
    const claims = fn.claims.filter((c) => restsOn(c, setting));
    const off = fn.off.filter((m) => setting in m);
    if (!claims.length && !off.length) continue;
    const at = out.findIndex((f) => f.kind === fn.kind && (f.id === fn.id || !f.claims.length));
    const there = out[at];
    if (there) out[at] = { ...there, claims: [...there.claims, ...claims], off: [...there.off, ...off] };
    else out.push({ ...fn, claims: claims.length ? claims : fn.claims, off });
  }
  return out;
}

/**
 * A part with a setting copied onto a block, under the next free id. What the setting chooses does not come along: two
 * settings do not choose one number.
 * @returns null where the positions do not go onto the block
 */
export function withCopy(part: Part, setting: Setting, block: Block): Part | null {
  if (!setting.positions.every((p) => p.state === undefined || !stateProblem(p.state, block).length))
    return null;
  const taken = part.settings.map((s) => s.id);
  let id = setting.id;
  for (let n = 2; taken.includes(id); n++) id = `${setting.id}-${n}`;
  return { ...part, settings: [...part.settings, { ...setting, id, block: block.id }] };
}

/**
 * A part with a setting whose positions were typed as one row, in the order of the places of its block. Numbers become
 * what the setting says they are, with the functions that take them. A block on which nothing lies yet grows with its
 * row.
 */
export function withRow(part: Part, block: Block, name: string, row: string): Part | RowProblem {
  const isBare = part.settings.every((s) => s.block !== block.id);
  const larger = grown(block, placesIn(block, row));
  if (isBare && larger !== block)
    return withRow(
      { ...part, blocks: part.blocks.map((b) => (b.id === block.id ? larger : b)) },
      larger,
      name,
      row
    );
  const read = readRow(
    block,
    name,
    row,
    part.settings.map((s) => s.id)
  );
  if ('why' in read) return read;
  const main = part.functions[0]?.kind ?? mainOf(part.name) ?? mainOf(part.summary ?? '');
  const { functions, means } = claimsOf([...part.settings.map(readAgain), read], main);
  const own = means.filter((m) => m.setting === read.id);
  return {
    ...part,
    settings: [...part.settings, { ...settingFor(read), known: true }],
    functions: merged(part.functions, functions, read.id),
    ...(own.length ? { means: [...(part.means ?? []), ...own] } : {})
  };
}
