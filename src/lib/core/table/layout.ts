import { slugOf, type Block, type State, there } from '../model';
import type { Spot } from './spots';

/** One jumper of a header, with the pins that its rows speak of; empty: it is open or closed. */
interface Member {
  name: string;
  pairs: [number, number][];
}

/** A header that one or several printed jumpers make up, and where each of them lies on it. */
export interface Header {
  block: Extract<Block, { kind: 'header' }>;
  /** How many pins come before those of a jumper. */
  offset: Map<string, number>;
}

export const idOf = (text: string): string => slugOf(text, 'x');

const pinsOf = (m: Member): number => Math.max(2, ...m.pairs.flat());

/** Jumpers in the order of their numbers. */
export const byName = (a: string, b: string): number =>
  a.localeCompare(b, 'en', { numeric: true, sensitivity: 'base' });

/** `JP5–JP7` where the numbers follow one another, else `JP1, JP4`. */
export function joinedName(names: readonly string[]): string {
  const parts = names.map((n) => /^(.*?)(\d+)$/.exec(n));
  const first = parts[0];
  const run = first && parts.every((p, i) => p && p[1] === first[1] && Number(p[2]) === Number(first[2]) + i);
  const text = names.length > 2 && run ? `${names[0]}–${names.at(-1)}` : names.join(', ');
  return text.length <= 60 ? text : `${names[0]} … ${names.at(-1)}`;
}

/** Rows and columns of a lone header from the pairs that are joined on it. Pins count down each column. */
function shapeOf(pairs: readonly [number, number][], size: number): { rows: number; columns: number } {
  const low = pairs.map(([a, b]) => [Math.min(a, b), Math.max(a, b)] as const);
  const beside = low.every(([a, b]) => b === a + 1);
  if (size > 3 && beside && low.every(([a]) => a % 2 === 1) && size % 2 === 0)
    return { rows: 2, columns: size / 2 };
  if (size > 3 && beside && size % 3 === 0 && low.every(([a]) => a % 3 !== 0))
    return { rows: 3, columns: size / 3 };
  return { rows: 1, columns: size };
}

/**
 * Lays printed jumpers out as one header: each in a column of its own, or, where pins are joined in other ways, all in
 * a row.
 * @param sizes how many pins a heading says that a jumper has
 */
export function headerOf(members: readonly Member[], sizes: ReadonlyMap<string, number>): Header {
  const ordered = [...members].sort((a, b) => byName(a.name, b.name));
  const names = ordered.map((m) => m.name);
  const pins = ordered.map((m) => Math.max(pinsOf(m), sizes.get(m.name) ?? 0));
  const base = {
    id: idOf(names.length > 1 ? `${there(names[0])}-${names.at(-1)}` : there(names[0])),
    kind: 'header' as const,
    pin1: 'top-left' as const
  };
  const label = joinedName(names);
  if (ordered.length === 1) {
    const size = Math.min(there(pins[0]), 120);
    return {
      block: { ...base, label, ...shapeOf(there(ordered[0]).pairs, size) },
      offset: new Map([[there(names[0]), 0]])
    };
  }
  const rows = Math.max(...pins);
  const offset = new Map<string, number>();
  if (rows <= 4) {
    names.forEach((n, i) => offset.set(n, i * rows));
    return {
      block: { ...base, label, rows, columns: names.length, columnLabels: names.map((n) => n.slice(0, 12)) },
      offset
    };
  }
  let at = 0;
  names.forEach((n, i) => {
    offset.set(n, at);
    at += there(pins[i]);
  });
  return { block: { ...base, label, rows: 1, columns: Math.min(at, 40) }, offset };
}

/** The jumpers that one row puts on a header. `any` has been written out before. */
export function capsOf(header: Header, spots: readonly Spot[]): State {
  const caps = spots
    .filter((s) => s.side === 'on')
    .map((s): [number, number] => {
      const shift = header.offset.get(s.block) ?? 0;
      const [a, b] = s.pins ?? [1, 2];
      return [a + shift, b + shift];
    });
  return { caps };
}
