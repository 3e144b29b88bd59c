import { there } from '../model';
import type { FunctionKind } from '../model';
import type { RawRow } from './lines';
import { kindsOf, meant, subjectOf, type Assumption, type Told } from './meanings';
import type { Field, Spot } from './spots';

export interface Row extends RawRow {
  label: string;
  told: Told[];
  functions: FunctionKind[];
  assumptions: Assumption[];
}

export const keyOfField = (f: Field): string => (f.n === undefined ? f.block : `${f.block}#${f.n}`);
export const unique = <T>(list: readonly T[]): T[] => [...new Set(list)];
export const realNumbers = (told: readonly Told[]) => kindsOf(told);

/** `3F8` and `4` under columns of their own become `3F8, IRQ 4`: alone the second number would say nothing. */
function withUnit({ text, heading }: RawRow['values'][number], isOneOfSeveral: boolean): string {
  const { subject } = subjectOf(heading);
  return isOneOfSeveral && (subject === 'irq' || subject === 'dma') && /^\d+$/.test(text)
    ? `${subject.toUpperCase()} ${text}`
    : text;
}

export function understood(row: RawRow): Row {
  const read = row.values.map((v) => meant(v.text, v.heading || row.heading));
  const told = read.flatMap((r) => r.told);
  return {
    ...row,
    label: row.values
      .map((v) => withUnit(v, row.values.length > 1))
      .join(', ')
      .slice(0, 110),
    told: told.filter((t, i) => told.findIndex((x) => JSON.stringify(x) === JSON.stringify(t)) === i),
    functions: unique(read.flatMap((r) => r.functions)),
    assumptions: read.flatMap((r) => r.assumptions)
  };
}

/** Rows that choose together. */
export interface Choice {
  rows: Row[];
  heading: string;
  /** One jumper or switch of several is closed. */
  oneOfMany: boolean;
}

const isLoneClosed = (row: Row): boolean => {
  const [only, ...more] = row.spots;
  return only !== undefined && !more.length && only.side === 'on' && !only.pins && row.label !== '';
};
const numberKey = (told: readonly Told[]): string => realNumbers(told).sort().join(' ');

/**
 * `IRQ: JP5=3 JP6=5 JP7=7`: jumpers that stand one beside the other, each closed for another number of one kind, are
 * one choice. Where a row says what a jumper means when it is open, it is a choice of its own.
 */
export function oneOfMany(rows: readonly Row[]): { choices: Choice[]; left: Row[] } {
  const hasOpen = new Set(
    rows
      .filter((r) => r.spots.some((s) => s.side === 'off') && r.label && r.spots.length === 1)
      .flatMap((r) => r.spots.map(keyOfField))
  );
  const choices: Choice[] = [];
  const left: Row[] = [];
  let run: Row[] = [];
  const flush = () => {
    const keys = unique(run.flatMap((r) => r.spots.map(keyOfField)));
    if (keys.length > 1 && keys.length === run.length)
      choices.push({ rows: run, heading: there(run[0]).heading, oneOfMany: true });
    else left.push(...run);
    run = [];
  };
  for (const row of rows) {
    const fits = isLoneClosed(row) && !hasOpen.has(keyOfField(there(row.spots[0])));
    const last = run.at(-1);
    const goesOn =
      last &&
      last.heading === row.heading &&
      numberKey(last.told) === numberKey(row.told) &&
      // Requests and acknowledges of a channel are two choices that go together.
      /DACK/i.test(last.label) === /DACK/i.test(row.label) &&
      there(last.spots[0]).of === there(row.spots[0]).of &&
      (numberKey(row.told) !== '' || (there(last.spots[0]).implicit && there(row.spots[0]).implicit));
    if (!fits || !goesOn) flush();
    if (fits) run.push(row);
    else left.push(row);
  }
  flush();
  return { choices, left };
}

/** Rows of one set of jumpers or switches, in one choice; where their sets overlap they are one as well. */
export function bySpots(rows: readonly Row[]): Choice[] {
  const groups: { keys: Set<string>; rows: Row[]; heading: string }[] = [];
  for (const row of rows) {
    const keys = unique(row.spots.map(keyOfField));
    const exact = groups.find(
      (g) => g.keys.size === keys.length && keys.every((k) => g.keys.has(k)) && sameSubject(g, row)
    );
    if (exact) exact.rows.push(row);
    else {
      const over = groups.find(
        (g) => keys.some((k) => g.keys.has(k)) && sameSubject(g, row) && keys.length + g.keys.size > 2
      );
      if (over) {
        keys.forEach((k) => over.keys.add(k));
        over.rows.push(row);
      } else groups.push({ keys: new Set(keys), rows: [row], heading: row.heading });
    }
  }
  return groups.map((g) => ({ rows: g.rows, heading: g.heading, oneOfMany: false }));
}

const sameSubject = (group: { rows: Row[]; heading: string }, row: Row): boolean => {
  if (group.heading === row.heading) return true;
  const [a, b] = [numberKey(group.rows.flatMap((r) => r.told)), numberKey(row.told)];
  return a === b || a === '' || b === '';
};

/** `JP1 1-2 IRQ 3, 3-4 IRQ 5, 5-6 DMA 1`: rows of one header that choose different things on pins of their own. */
export function byKind(choice: Choice): Choice[] {
  const blocks = unique(choice.rows.flatMap((r) => r.spots.map((s) => s.block)));
  if (choice.oneOfMany || blocks.length !== 1 || !choice.rows.every((r) => r.spots.every((s) => s.pins)))
    return [choice];
  const parts: { kind: string; rows: Row[] }[] = [];
  for (const row of choice.rows) {
    const kind = numberKey(row.told);
    const own = parts.find((p) => p.kind === kind) ?? (kind === '' ? parts.at(-1) : undefined);
    if (own) own.rows.push(row);
    else parts.push({ kind, rows: [row] });
  }
  const pinsOf = (rows: readonly Row[]) => rows.flatMap((r) => r.spots.map((s) => s.pins!.join('-')));
  const apart = parts.every((p, i) =>
    parts.every((q, j) => i === j || !pinsOf(p.rows).some((x) => pinsOf(q.rows).includes(x)))
  );
  return parts.length > 1 && apart && parts.every((p) => p.rows.length > 1)
    ? parts.map((p) => ({ ...choice, rows: p.rows }))
    : [choice];
}

/** `Default: JP1 2-3`: marks the row of that state, which the line that says so belongs to from then on. */
export function declare(rows: readonly Row[], declared: readonly Row[]): Row[] {
  return rows.map((row) => {
    const by = declared.filter((d) =>
      d.spots.length >= row.spots.length
        ? row.spots.every((s) => d.spots.some((x) => sameSpot(x, s)))
        : d.spots.every((s) => row.spots.some((x) => sameSpot(x, s))) && row.spots.length === 1
    );
    return by.length
      ? { ...row, isDefault: true, lines: unique([...row.lines, ...by.flatMap((d) => d.lines)]) }
      : row;
  });
}

/** Lines that name a default of which no row tells. */
export const undeclared = (rows: readonly Row[], declared: readonly Row[]): number[] =>
  declared
    .filter((d) => d.spots.some((x) => !rows.some((r) => r.spots.some((s) => sameSpot(s, x)))))
    .flatMap((d) => d.lines);

const sameSpot = (a: Spot, b: Spot): boolean =>
  a.block === b.block && a.n === b.n && a.side === b.side && a.pins?.join() === b.pins?.join();
