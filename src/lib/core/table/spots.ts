import { there } from '../model';
import type { Legend } from './cells';
import { isBits, isSwitchNumber, type BlockSort, type Side, type Token } from './lex';

/** One jumper, pair of pins or switch of a row, and how it stands. */
export interface Spot {
  block: string;
  of: BlockSort;
  /** The switch of the block; left out for a block that is one switch, and for jumpers. */
  n?: number;
  /** The pins that the jumper joins; left out for a jumper that is open or closed. */
  pins?: readonly [number, number];
  side: Side;
  /** Nothing was said: the bare name stands for "closed". */
  implicit?: boolean;
}

/** A field is a spot that has no side yet. */
export type Field = Omit<Spot, 'side' | 'implicit'>;

/** The block and the fields that the lines above spoke of. */
export interface Context {
  block: { block: string; of: BlockSort } | null;
  fields: readonly Field[];
}

export const sameField = (a: Field, b: Field): boolean =>
  a.block === b.block && a.n === b.n && a.pins?.[0] === b.pins?.[0] && a.pins?.[1] === b.pins?.[1];

const sideOfBit = (bit: string, legend: Legend): Side =>
  legend.get(bit) ?? (bit === '1' ? 'on' : bit === '0' ? 'off' : 'any');

/** A run of names and sides is read once its end is known: `JP1 JP2 on off`, `SW1 3-4: off off`. */
interface Run {
  fields: Field[];
  sides: Side[];
}

/**
 * Reads the names, pins and sides of one group.
 * @returns null where the number of sides fits no number of names
 */
export function spotsOf(
  tokens: readonly Token[],
  context: Context,
  legend: Legend
): { spots: Spot[]; context: Context } | null {
  const spots: Spot[] = [];
  let current = context.block;
  let run: Run = { fields: [], sides: [] };
  let failed = false;

  const flush = () => {
    const { fields, sides } = run;
    run = { fields: [], sides: [] };
    if (!fields.length && !sides.length) return;
    if (!sides.length) {
      for (const f of fields) spots.push({ ...f, side: 'on', ...(f.pins ? {} : { implicit: true }) });
      return;
    }
    const only = fields[0];
    if (fields.length === sides.length) fields.forEach((f, i) => spots.push({ ...f, side: there(sides[i]) }));
    else if (sides.length === 1) {
      const all = fields.length ? fields : ownFields(context, current, 1);
      if (!all.length) failed = true;
      // `JP3 1-2, JP5 open`: pins need no side, so it is that of the jumper behind them.
      const lone = all.at(-1)?.pins === undefined && all.some((f) => f.pins);
      for (const f of all) spots.push({ ...f, side: lone && f.pins ? 'on' : there(sides[0]) });
    } else if (fields.length === 1 && only && only.n === undefined && only.of === 'switch')
      sides.forEach((side, i) => spots.push({ ...only, n: i + 1, side }));
    else if (!fields.length) {
      const all = ownFields(context, current, sides.length);
      if (all.length !== sides.length) failed = true;
      all.forEach((f, i) => spots.push({ ...f, side: sides[i] ?? 'on' }));
    } else failed = true;
  };

  for (const token of tokens) {
    if (token.sort === 'ref') {
      if (run.sides.length) flush();
      const block = token.block || (current?.of === 'switch' ? current.block : 'SW');
      // A bare name before its pins or switches says only where they are.
      current = { block, of: token.of };
      run.fields.push({ ...current, ...(token.n === undefined ? {} : { n: token.n }) });
    } else if (token.sort === 'pins') {
      if (!current) return null;
      if (run.sides.length) flush();
      // `JP5, JP6 = 1-2`: the pins are those of each of them.
      const bare = run.fields.filter((f) => f.of === 'jumper' && !f.pins);
      const again = !bare.length && !run.fields.length && !spots.length ? sharedBlocks(context) : [];
      if (bare.length > 1 || again.length > 1) {
        const blocks = bare.length > 1 ? bare : again;
        run.fields = [
          ...run.fields.filter((f) => !bare.includes(f)),
          ...blocks.map((f) => ({ block: f.block, of: f.of, pins: token.pair }))
        ];
        continue;
      }
      dropBare(run, current.block);
      if (current.of === 'switch') {
        const [a, b] = token.pair;
        if (!isSwitchNumber(b) || (token.joint === 'dash' && a > b)) return null;
        const ns = token.joint === 'dash' ? range(a, b) : [a, b];
        for (const n of ns) run.fields.push({ ...current, n });
      } else run.fields.push({ ...current, pins: token.pair });
    } else if (token.sort === 'side') run.sides.push(token.side);
    else if (token.sort === 'mark' && isBits(token.text))
      run.sides.push(...[...token.text.toLowerCase()].map((bit) => sideOfBit(bit, legend)));
    else if (token.sort === 'text' && /^\d{1,2}$/.test(token.text)) {
      if (!current || current.of !== 'switch' || !isSwitchNumber(Number(token.text))) return null;
      if (run.sides.length) flush();
      dropBare(run, current.block);
      run.fields.push({ ...current, n: Number(token.text) });
    }
  }
  flush();
  // A pair of pins that is named twice in one state was meant for something else.
  const pairs = spots.flatMap((s) => (s.pins ? [`${s.block} ${s.pins.join()}`] : []));
  if (failed || new Set(pairs).size < pairs.length) return null;
  return { spots, context: { block: current, fields: spots.length ? spots.map(fieldOf) : context.fields } };
}

/** Jumpers that stood alike in the row above, and so stand alike in this one. */
function sharedBlocks(context: Context): Field[] {
  const [first, ...more] = context.fields;
  const pins = first?.pins?.join();
  const alike = pins !== undefined && more.length > 0 && more.every((f) => f.pins?.join() === pins);
  return alike && first?.of === 'jumper' ? [...context.fields] : [];
}

const range = (a: number, b: number) => Array.from({ length: b - a + 1 }, (_, i) => a + i);

function dropBare(run: Run, block: string): void {
  const last = run.fields.at(-1);
  if (last && last.block === block && last.n === undefined && !last.pins) run.fields.pop();
}

export const fieldOf = ({ block, of, n, pins }: Spot | Field): Field => ({
  block,
  of,
  ...(n === undefined ? {} : { n }),
  ...(pins ? { pins } : {})
});

/** Fields that sides without a name belong to: those of the row above, or the switches of the block. */
function ownFields(context: Context, current: Context['block'], count: number): Field[] {
  const same = context.fields.filter((f) => !f.pins);
  if (same.length === count) return [...same];
  if (!current) return [];
  if (current.of === 'switch' && count > 1) return range(1, count).map((n) => ({ ...current, n }));
  return count === 1 ? [{ ...current }] : [];
}
