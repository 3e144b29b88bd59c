import { there } from '../model';
import type { Block, FunctionKind, Position, Setting, State } from '../model';
import { capsOf, headerOf, idOf, byName, joinedName, type Header } from './layout';
import type { Lines } from './lines';
import {
  byKind,
  bySpots,
  declare,
  undeclared,
  keyOfField,
  oneOfMany,
  realNumbers,
  understood,
  unique,
  type Choice,
  type Row
} from './choices';
import { subjectOf } from './meanings';
import { Positions, doubtsOf, free, missing, other, type Question, type ReadPosition } from './positions';
import { fieldOf, type Field, type Spot } from './spots';

export interface ReadSetting {
  id: string;
  label: string;
  /** Names of the printed jumpers or of the block. */
  on: string[];
  block: string;
  heading: string;
  positions: ReadPosition[];
  /** Null: the table does not say which is the default. */
  default: string | null;
  functions: FunctionKind[];
}

export interface Assembled {
  blocks: Block[];
  settings: ReadSetting[];
  questions: Question[];
  /** Lines, from 0, whose rows no setting holds. */
  lost: number[];
}

/** Blocks that one choice joins lie on one header. */
function headersOf(choices: readonly Choice[], named: Lines['named']): Map<string, Header> {
  const pairs = new Map<string, [number, number][]>();
  const group = new Map<string, Set<string>>();
  for (const { rows } of choices) {
    const jumpers = unique(rows.flatMap((r) => r.spots.filter((s) => s.of === 'jumper').map((s) => s.block)));
    const joined = new Set(jumpers.flatMap((j) => [j, ...(group.get(j) ?? [])]));
    for (const j of joined) group.set(j, joined);
    for (const s of rows.flatMap((r) => r.spots))
      if (s.of === 'jumper') {
        const list = pairs.get(s.block) ?? [];
        const { pins } = s;
        if (pins && !list.some((p) => p.join() === pins.join())) list.push([...pins]);
        pairs.set(s.block, list);
      }
  }
  for (const n of named)
    if (n.of === 'jumper' && !group.has(n.block)) {
      group.set(n.block, new Set([n.block]));
      pairs.set(n.block, []);
    }
  const sizes = new Map(named.flatMap((n) => (n.size === null ? [] : [[n.block, n.size] as const])));
  const out = new Map<string, Header>();
  for (const members of new Set(group.values())) {
    const header = headerOf(
      [...members].map((name) => ({ name, pairs: pairs.get(name) ?? [] })),
      sizes
    );
    for (const name of members) out.set(name, header);
  }
  return out;
}

/** Where a printed switch lies: on a block with numbers, or, for switches that stand alone, on one made of them. */
interface Dip {
  block: Extract<Block, { kind: 'dip' }>;
  number: (field: Field) => number;
}

function dipsOf(choices: readonly Choice[], named: Lines['named']): Map<string, Dip> {
  const most = new Map<string, number>();
  const alone = new Map<string, Set<string>>();
  for (const { rows } of choices) {
    const spots = rows.flatMap((r) => r.spots.filter((s) => s.of === 'switch'));
    const whole = unique(spots.filter((s) => s.n === undefined).map((s) => s.block));
    const joined = new Set(whole.flatMap((w) => [w, ...(alone.get(w) ?? [])]));
    for (const w of joined) alone.set(w, joined);
    for (const s of spots) if (s.n !== undefined) most.set(s.block, Math.max(most.get(s.block) ?? 0, s.n));
  }
  // A name above the columns is no block of its own where each of them is one switch.
  for (const n of named)
    if (n.of === 'switch' && !(alone.has(n.block) && !most.has(n.block) && (n.size ?? 1) === 1))
      most.set(n.block, Math.max(most.get(n.block) ?? 1, Math.min(n.size ?? 1, 16)));
  const base = { kind: 'dip' as const, printed: 'ON' as const, flipped: false };
  const out = new Map<string, Dip>();
  for (const [name, switches] of most)
    out.set(name, {
      block: { ...base, id: idOf(name), label: name, switches },
      number: (f) => f.n ?? 1
    });
  for (const members of new Set(alone.values())) {
    const names = [...members].sort(byName);
    if (names.some((n) => out.has(n))) continue;
    const block = {
      ...base,
      id: idOf(names.length > 1 ? `${there(names[0])}-${names.at(-1)}` : there(names[0])),
      label: joinedName(names),
      switches: Math.min(names.length, 16)
    };
    for (const name of names) out.set(name, { block, number: (f) => names.indexOf(f.block) + 1 });
  }
  return out;
}

const MOST_POSITIONS = 256;

/** States that the rows of a choice know of each jumper. */
function knownStates(rows: readonly Row[]): (key: string) => Spot[][] {
  const known = new Map<string, Spot[][]>();
  return (key) => {
    let own = known.get(key);
    if (!own) {
      own = distinct(
        rows
          .map((r) => r.spots.filter((s) => keyOfField(s) === key && s.side !== 'any'))
          .filter((list) => list.length > 0)
      );
      known.set(key, own);
    }
    return own;
  };
}

/**
 * Writes out "does not matter" of jumpers: every state that the other rows know of that jumper.
 * @returns null when that makes more than any setting has
 */
function writtenOut(spots: readonly Spot[], statesOf: (key: string) => Spot[][]): Spot[][] | null {
  let out: Spot[][] = [[]];
  for (const key of unique(spots.map(keyOfField))) {
    const own = spots.filter((s) => keyOfField(s) === key);
    const isAny = own.some((s) => s.side === 'any' && s.of === 'jumper');
    const states: Spot[][] = isAny ? statesOf(key) : [own];
    out = out.flatMap((done) => states.map((s) => [...done, ...s]));
    if (out.length > MOST_POSITIONS) return null;
  }
  return out;
}
const distinct = <T>(list: readonly T[]): T[] =>
  list.filter((x, i) => list.findIndex((y) => JSON.stringify(y) === JSON.stringify(x)) === i);

/**
 * Makes blocks and settings of the rows that were read.
 * @param read the lines, from `readLines`
 */
export function assemble(read: Lines): Assembled {
  const questions: Question[] = [];
  const all = read.rows.map(understood);
  const declared = all.filter((r) => r.declares || (r.isDefault && !r.label));
  const told = all.filter((r) => !declared.includes(r) && r.spots.length > 0);
  const rows = declare(told, declared);
  const many = oneOfMany(rows);
  const choices = [...many.choices, ...bySpots(many.left).flatMap(byKind)].sort(
    (a, b) => there(there(a.rows[0]).lines[0]) - there(there(b.rows[0]).lines[0])
  );
  const headers = headersOf(choices, read.named);
  const dips = dipsOf(choices, read.named);
  const settings: ReadSetting[] = [];
  const taken = new Set<string>();
  const lost = undeclared(told, declared);
  for (const choice of choices) {
    const fields = distinct(choice.rows.flatMap((r) => r.spots.map(fieldOf)));
    const homes = unique(
      fields.map((f) => (f.of === 'switch' ? dips : headers).get(f.block)?.block.id ?? '')
    );
    if (homes.length === 1 && homes[0])
      settings.push(settingOf(choice, headers, dips, read, questions, taken));
    else {
      const lines = unique(choice.rows.flatMap((r) => r.lines));
      lost.push(...lines);
      questions.push({
        about: 'several-blocks',
        blocks: unique(fields.map((f) => f.block)),
        lines: lines.map((n) => n + 1)
      });
    }
  }
  const blocks = distinct([
    ...[...headers.values()].map((h): Block => h.block),
    ...[...dips.values()].map((d): Block => d.block)
  ]).sort((a, b) => byName(a.label ?? a.id, b.label ?? b.id));
  const used = new Set(settings.flatMap((s) => s.on));
  for (const n of read.named)
    if (!used.has(n.block) && !questions.some((q) => q.about === 'no-rows' && q.block === n.block))
      questions.push({ about: 'no-rows', block: n.block, lines: [n.line + 1] });
  if (read.pairs.length) questions.push({ about: 'pairs', lines: read.pairs.map((n) => n + 1) });
  if (read.letters.length) questions.push({ about: 'letters', lines: read.letters.map((n) => n + 1) });
  for (const marks of read.marks) questions.push({ about: 'marks', marks, lines: [] });
  return { blocks, settings, questions, lost };
}

function settingOf(
  choice: Choice,
  headers: ReadonlyMap<string, Header>,
  dips: ReadonlyMap<string, Dip>,
  read: Lines,
  questions: Question[],
  taken: Set<string>
): ReadSetting {
  const rows = likeTheOthers(choice.rows);
  const kinds = unique(rows.flatMap((r) => realNumbers(r.told)));
  const heading = choice.heading || (kinds.length ? '' : columnOf(rows));
  const fields = distinct(rows.flatMap((r) => r.spots.map(fieldOf)));
  const names = unique(fields.map((f) => f.block)).sort(byName);
  const isSwitch = there(fields[0]).of === 'switch';
  const header = headers.get(there(names[0]));
  const dip = isSwitch ? dips.get(there(names[0])) : undefined;
  const block = there((isSwitch ? dip : header)?.block);
  const stateOf = (spots: readonly Spot[]): State => {
    if (!dip) return header ? capsOf(header, spots) : { caps: [] };
    const switches: Record<string, 'on' | 'off'> = {};
    if (choice.oneOfMany) for (const f of fields) switches[dip.number(f)] = 'off';
    for (const s of spots) if (s.side !== 'any') switches[dip.number(s)] = s.side;
    return { switches };
  };
  const about = subjectOf(heading);
  const label = labelOf(
    heading,
    // A heading that stayed from lines above, about another kind of number, is none of these.
    (about.subject !== null &&
      !(about.subject in KIND_TERMS && kinds.length && !kinds.includes(about.subject))) ||
      about.functions.length > 0,
    kinds,
    joinedName(names)
  );
  const id = free(idOf(label), taken);
  const positions = new Positions(id, questions);
  const statesOf = knownStates(rows);
  const tooMany: number[] = [];
  for (const row of rows) {
    const ways = isSwitch ? [[...row.spots]] : writtenOut(row.spots, statesOf);
    if (!ways || positions.list.length + ways.length > MOST_POSITIONS) {
      tooMany.push(...row.lines.map((n) => n + 1));
      continue;
    }
    for (const spots of ways) positions.add(row, stateOf(spots));
    for (const assumption of row.assumptions)
      questions.push({ about: 'assumed', lines: row.lines.map((n) => n + 1), assumption });
  }
  if (tooMany.length) questions.push({ about: 'too-many', setting: id, lines: tooMany });
  const fieldKeys = new Set(fields.map(keyOfField));
  for (const rest of read.rest.filter((r) => r.fields.some((f) => fieldKeys.has(keyOfField(f))))) {
    const row = understood({
      lines: [rest.line],
      spots: [],
      values: [{ text: rest.value, heading: '' }],
      heading,
      isDefault: false
    });
    for (const state of missing(fields, positions.list, stateOf, isSwitch)) positions.add(row, state);
  }
  other(positions.list, fields, stateOf, heading);
  questions.push(...doubtsOf(id, positions.list));
  const defaults = positions.list.filter((p) => p.isDefault);
  return {
    id,
    label,
    on: names,
    block: block.id,
    heading,
    positions: positions.list,
    default: defaults.length === 1 ? there(defaults[0]).id : null,
    functions: unique([...about.functions, ...positions.list.flatMap((p) => p.functions)])
  };
}

/** The one heading above the column of their meanings, or nothing. */
function columnOf(rows: readonly Row[]): string {
  const [only = '', ...more] = unique(rows.flatMap((r) => r.values.flatMap((v) => v.heading || [])));
  return more.length ? '' : only;
}

/** `IRQ 3, 5, 7`, `monochrome … card with own BIOS`: the rows that say their kind say it for the others. */
function likeTheOthers(rows: readonly Row[]): Row[] {
  const kinds = unique(rows.flatMap((r) => realNumbers(r.told)));
  // `colour monitor` in one row and `monochrome` in the next are one choice.
  if (kinds.length === 2 && ['monitor', 'display'].every((k) => kinds.includes(k)))
    return rows.map((r) => ({ ...r, ...reread(r, 'Display') }));
  const term = kinds.length === 1 ? KIND_TERMS[there(kinds[0])] : undefined;
  if (!term) return [...rows];
  return rows.map((r) => (r.told.length || !r.values.length ? r : { ...r, ...reread(r, term) }));
}
const reread = (row: Row, heading: string) => {
  const { told, functions, assumptions } = understood({
    ...row,
    heading,
    values: row.values.map((v) => ({ ...v, heading: '' }))
  });
  return { told, functions: row.functions.length ? row.functions : functions, assumptions };
};

/** Field terms for the kinds of number, used where a table has no heading. */
const KIND_TERMS: Record<string, string> = {
  io: 'I/O address',
  irq: 'IRQ',
  dma: 'DMA',
  memory: 'ROM address',
  fpu: 'FPU',
  banks: 'Memory banks',
  'memory-kib': 'Memory',
  display: 'Display',
  floppies: 'Floppy drives',
  'bus-mhz': 'Clock',
  factor: 'Multiplier',
  volts: 'CPU voltage',
  'wait-states': 'Wait states',
  'cache-kib': 'Cache'
};

function labelOf(heading: string, isSubject: boolean, kinds: readonly string[], names: string): string {
  const plain = heading
    .replace(/\s*[([].*$/, '')
    .replace(/[:=\s]+$/, '')
    .trim();
  if (plain && (isSubject || kinds.length === 0)) return plain.slice(0, 60);
  const terms = kinds.flatMap((k) => KIND_TERMS[k] ?? []);
  return terms.length ? terms.join(', ').slice(0, 60) : names;
}

/** The setting as it stands in a part. A default that nobody gave is the first row, marked as a guess. */
export function settingFor(read: ReadSetting): Setting {
  const positions = read.positions.map((p): Position => ({
    id: p.id,
    label: p.label,
    state: p.state,
    ...(p.assumed ? { evidence: [{ source: 'guess' as const }] } : {})
  }));
  return {
    id: read.id,
    label: read.label,
    block: read.block,
    known: read.positions.some((p) => p.told.length > 0),
    positions,
    ...(positions[0] ? { default: read.default ?? positions[0].id } : {}),
    ...(read.default === null ? { evidence: [{ source: 'guess' as const, says: 'default' }] } : {})
  };
}
