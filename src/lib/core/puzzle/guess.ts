import { blockOf, there } from '../model';
import type { Block, BoardTry, FactValue, Notebook, Part, Setting, State } from '../model';
import { meaningsOf } from '../settings';

/** A switch, or a small header, of which the meaning is sought. `values` are its states by number. */
export interface Element {
  block: string;
  /** Switch of a DIP block; 0 for a header or a rotary switch as a whole. */
  n: number;
  /** What its block is called. */
  name: string;
  states: State[];
}

/** A table that some part of the catalogue has: what each combination of its elements means. */
export interface Template {
  subject: string;
  from: string;
  /** States of each element. */
  sizes: number[];
  rows: { at: number[]; value: string }[];
}

/** One table laid on elements of this board. An empty list of elements: the board does not decide it here. */
export interface Guess {
  subject: string;
  from: string;
  elements: number[];
  /** Value by the states of its elements, joined by commas. */
  table: ReadonlyMap<string, string>;
  /** What a source says, which may have gaps: a state that it does not tell refutes nothing. */
  isPartial?: boolean;
}

/** Facts of which a wrong try can destroy something: they are never tried blindly. */
export const hazardous = new Set(['volts', 'bus-mhz', 'factor']);

/** The things to set on the blocks of a notebook. */
export function elementsOf(notebook: Notebook): Element[] {
  return notebook.blocks.flatMap((block): Element[] => {
    const name = block.label ?? block.id;
    if (block.kind === 'dip')
      return Array.from({ length: block.switches }, (_, i) => ({
        block: block.id,
        n: i + 1,
        name,
        states: (['off', 'on'] as const).map((side) => ({ switches: { [i + 1]: side } }))
      }));
    if (block.kind === 'rotary' || block.kind === 'slide')
      return [
        {
          block: block.id,
          n: 0,
          name,
          states: Array.from({ length: block.steps }, (_, step) => ({ step }))
        }
      ];
    if (block.kind !== 'header') return [];
    const pairs: [number, number][] =
      block.rows === 1
        ? Array.from({ length: block.columns - 1 }, (_, i) => [i + 1, i + 2])
        : Array.from({ length: block.columns }, (_, i) => [i * block.rows + 1, i * block.rows + 2]);
    return [
      {
        block: block.id,
        n: 0,
        name,
        states: [{ caps: [] }, ...pairs.map((pair) => ({ caps: [pair] }))]
      }
    ];
  });
}

/** Number of the state in which an element stands; -1 when it is not known or none of its states. */
export function stateOf(element: Element, states: Readonly<Record<string, State>>): number {
  const state = states[element.block];
  if (!state) return -1;
  if ('switches' in state) {
    const side = state.switches[element.n];
    return side === undefined ? -1 : side === 'on' ? 1 : 0;
  }
  const key = JSON.stringify(state);
  return element.states.findIndex((s) => JSON.stringify(s) === key);
}

type Shape = Pick<Template, 'sizes' | 'rows'>;

/** What the positions of a setting on DIP switches say of a fact, by the switches that they use. */
function dipTable({ positions }: Setting, values: ReadonlyMap<string, FactValue>): Shape {
  const switchesOf = (p: Setting['positions'][number]) =>
    p.state && 'switches' in p.state ? p.state.switches : null;
  const used = [...new Set(positions.flatMap((p) => Object.keys(switchesOf(p) ?? {})))].sort(
    (a, b) => Number(a) - Number(b)
  );
  return {
    sizes: used.map(() => 2),
    rows: positions.flatMap((p) => {
      const switches = switchesOf(p);
      return switches && values.has(p.id)
        ? [{ at: used.map((n) => (switches[n] === 'on' ? 1 : 0)), value: String(values.get(p.id)) }]
        : [];
    })
  };
}

/** The same of a setting on a header, which is one element. */
function headerTable(block: Block, { positions }: Setting, values: ReadonlyMap<string, FactValue>): Shape {
  const elements = elementsOf({ blocks: [block] } as unknown as Notebook);
  return {
    sizes: elements.map((e) => e.states.length),
    rows: positions.flatMap((p) => {
      if (!p.state || !values.has(p.id)) return [];
      const at = stateOf(there(elements[0]), { [block.id]: p.state });
      return at >= 0 ? [{ at: [at], value: String(values.get(p.id)) }] : [];
    })
  };
}

/** Tables of the catalogue by fact, each once. */
export function templatesOf(parts: Iterable<Part>): Template[] {
  const seen = new Map<string, Template>();
  for (const part of parts)
    for (const { fact, setting, values } of meaningsOf(part)) {
      const block = blockOf(part, setting);
      if (!block || fact === 'on-board' || (block.kind !== 'dip' && block.kind !== 'header')) continue;
      const { sizes, rows } =
        block.kind === 'dip' ? dipTable(setting, values) : headerTable(block, setting, values);
      if (rows.length < 2 || new Set(rows.map((r) => r.value)).size < 2) continue;
      const key = JSON.stringify([fact, sizes, rows]);
      if (!seen.has(key)) seen.set(key, { subject: fact, from: part.name, sizes, rows });
    }
  return [...seen.values()];
}

/** States reversed: a block that was printed the other way round. */
const reversed = (template: Template): Template => ({
  ...template,
  rows: template.rows.map((r) => ({ ...r, at: r.at.map((s, i) => there(template.sizes[i]) - 1 - s) }))
});

/** Elements that a row of a source speaks about. */
export function spokenOf(elements: readonly Element[], block: string, state: State): number[] {
  return elements.flatMap((e, i) =>
    e.block === block && (e.n === 0 || ('switches' in state && state.switches[e.n] !== undefined)) ? [i] : []
  );
}

/** What one source says of a fact, as a table on the elements that it speaks about. */
function sourceGuess(
  fragment: Notebook['fragments'][number],
  subject: string,
  elements: readonly Element[]
): Guess | null {
  const rows = fragment.rows.filter((r) => r.subject === subject);
  const used = [...new Set(rows.flatMap((r) => spokenOf(elements, r.block, r.state)))].sort((a, b) => a - b);
  if (!used.length) return null;
  const table = new Map<string, string>();
  for (const { block, state, value } of rows) {
    // A row that leaves switches out holds for each of their sides.
    const open = used.map((e) => {
      const now = stateOf(there(elements[e]), { [block]: state });
      return now >= 0 ? [now] : there(elements[e]).states.map((_, n) => n);
    });
    const all = open.reduce<number[][]>(
      (list, states) => list.flatMap((l) => states.map((n) => [...l, n])),
      [[]]
    );
    for (const key of all) table.set(key.join(), value);
  }
  return { subject, from: fragment.title, elements: used, table, isPartial: true };
}

/** Every run of neighbours of one block on which a table of the catalogue can lie, as printed and reversed. */
function* laidOn(template: Template, elements: readonly Element[]): Generator<[Template, number[]]> {
  const both = template.sizes.every((s) => s === 2) ? [template, reversed(template)] : [template];
  for (const t of both)
    for (let first = 0; first + t.sizes.length <= elements.length; first++) {
      const chosen = t.sizes.map((_, i) => first + i);
      const { block } = there(elements[first]);
      const fits = chosen.every((e, i) => {
        const element = there(elements[e]);
        return element.states.length === t.sizes[i] && element.block === block;
      });
      if (fits) yield [t, chosen];
    }
}

/**
 * Every way in which a fact could be decided on these elements. Where sources speak about it: what each of them
 * says, and the tables of the catalogue laid on the same elements. Else those tables on neighbours in their
 * order, as printed and reversed, wherever no source says that it is something else; and that it is not decided
 * here at all.
 */
export function guessesFor(notebook: Notebook, templates: readonly Template[]): Guess[] {
  const elements = elementsOf(notebook);
  const spoken = new Map<string, Set<number>>();
  for (const { rows } of notebook.fragments)
    for (const { subject, block, state } of rows)
      spokenOf(elements, block, state).forEach((e) =>
        spoken.set(subject, (spoken.get(subject) ?? new Set()).add(e))
      );
  const out = new Map<string, Guess>();
  for (const subject of notebook.subjects) {
    const own = spoken.get(subject);
    const others = new Set([...spoken].flatMap(([s, set]) => (s === subject ? [] : [...set])));
    if (!own) out.set(subject, { subject, from: '', elements: [], table: new Map() });
    for (const fragment of notebook.fragments) {
      const said = sourceGuess(fragment, subject, elements);
      if (said) out.set(`${subject} ${fragment.id}`, said);
    }
    for (const template of templates.filter((t) => t.subject === subject))
      for (const [t, chosen] of laidOn(template, elements)) {
        if (!chosen.every((e) => (own ? own.has(e) : !others.has(e)))) continue;
        const table = new Map(t.rows.map((r) => [r.at.join(), r.value]));
        const key = `${subject} ${chosen.join()} ${JSON.stringify([...table].sort())}`;
        if (!out.has(key)) out.set(key, { subject, from: t.from, elements: chosen, table });
      }
  }
  return [...out.values()];
}

/** What a guess says that a state means; undefined: it has no row for it, or it is not decided here. */
export function predicted(
  guess: Guess,
  elements: readonly Element[],
  states: Readonly<Record<string, State>>
): string | undefined {
  if (!guess.elements.length) return undefined;
  return guess.table.get(guess.elements.map((e) => stateOf(there(elements[e]), states)).join());
}

/** Guesses that agree with every try so far. */
export function remaining(
  guesses: readonly Guess[],
  elements: readonly Element[],
  tries: readonly BoardTry[]
): Guess[] {
  return guesses.filter((guess) => {
    const seen = tries.flatMap((t) => {
      const value = t.saw[guess.subject];
      return value === undefined ? [] : [{ t, value }];
    });
    if (!guess.elements.length) return new Set(seen.map((s) => s.value)).size < 2;
    return seen.every(({ t, value }) => {
      const told = predicted(guess, elements, t.states);
      return told === undefined ? guess.isPartial === true : told.toLowerCase() === value.toLowerCase();
    });
  });
}
