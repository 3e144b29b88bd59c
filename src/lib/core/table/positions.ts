import type { FunctionKind, State } from '../model';
import type { Habit } from './cells';
import { unique, type Row } from './choices';
import { idOf } from './layout';
import { subjectOf, type Assumption, type Told } from './meanings';
import type { Field, Spot } from './spots';

/** A position of a table, as it will stand in the part. */
export interface ReadPosition {
  id: string;
  label: string;
  state: State;
  told: Told[];
  functions: FunctionKind[];
  isDefault: boolean;
  /** Nobody wrote it: it is the other state of a choice of two. */
  assumed: boolean;
  lines: number[];
}

export type Question =
  /** Two rows give one state two meanings. */
  | { about: 'contradiction'; setting: string; lines: number[]; texts: string[] }
  /** More than one row is marked as the default. */
  | { about: 'defaults'; setting: string; lines: number[] }
  /** Numbers stand without a word that says what they are. */
  | { about: 'what-numbers'; setting: string; lines: number[] }
  /** A position whose words mean nothing that is known; they are kept. */
  | { about: 'what-it-means'; setting: string; lines: number[] }
  /** A block is named and no row says how it stands. */
  | { about: 'no-rows'; block: string; lines: number[] }
  /** Rows beyond what any setting has; they are not in it. */
  | { about: 'too-many'; setting: string; lines: number[] }
  /** The default of a setting is not said. */
  | { about: 'default-unknown'; setting: string; lines: number[] }
  /** A number was read as one of a kind by its look alone. */
  | { about: 'assumed'; lines: number[]; assumption: Assumption }
  /** Places that are only counted are taken to be pairs of pins in their order. */
  | { about: 'pairs'; lines: number[] }
  /** Rows that set several blocks at once: no setting lies on two. They are not in it. */
  | { about: 'several-blocks'; blocks: string[]; lines: number[] }
  /** Pins have letters, and are counted from A on. */
  | { about: 'letters'; lines: number[] }
  /** Marks stand for sides and no legend says which. */
  | { about: 'marks'; marks: Habit; lines: number[] };

export function free(wanted: string, taken: Set<string>): string {
  let id = wanted;
  for (let n = 2; taken.has(id); n++) id = `${wanted}-${n}`;
  taken.add(id);
  return id;
}

/** The positions of a setting as its rows tell them; what two rows say of one state is one position. */
export class Positions {
  readonly list: ReadPosition[] = [];
  constructor(
    private readonly setting: string,
    private readonly questions: Question[]
  ) {}

  add(row: Row, state: State): void {
    const same = this.list.find((p) => JSON.stringify(p.state) === JSON.stringify(state));
    const lines = row.lines.map((n) => n + 1);
    if (same) {
      same.lines = unique([...same.lines, ...lines]);
      same.isDefault ||= row.isDefault;
      this.sayToo(same, row);
      return;
    }
    this.list.push({
      id: free(idOf(row.label || 'position'), new Set(this.list.map((p) => p.id))),
      label: row.label || '?',
      state,
      told: row.told,
      functions: row.functions,
      isDefault: row.isDefault,
      assumed: false,
      lines
    });
  }

  private sayToo(same: ReadPosition, { label, told, functions }: Row): void {
    if (same.label === label || !label) return;
    if (!same.label) {
      Object.assign(same, { label, told, functions });
      return;
    }
    const texts = [same.label, label];
    this.questions.push({ about: 'contradiction', setting: this.setting, lines: same.lines, texts });
    Object.assign(same, { label: `${same.label} or ${label}`.slice(0, 110), told: [] });
  }
}

/** What is left to ask about the positions of a setting: which is the default, and what some of them mean. */
export function doubtsOf(setting: string, positions: readonly ReadPosition[]): Question[] {
  const out: Question[] = [];
  const linesOf = (list: readonly ReadPosition[]) => unique(list.flatMap((p) => p.lines));
  const defaults = positions.filter((p) => p.isDefault);
  if (defaults.length > 1) out.push({ about: 'defaults', setting, lines: linesOf(defaults) });
  if (!defaults.length)
    out.push({ about: 'default-unknown', setting, lines: linesOf(positions).slice(0, 1) });
  const dumb = positions.filter((p) => !p.told.length && !p.assumed);
  if (dumb.length === positions.length)
    out.push({
      about: dumb.every((p) => /^[\d\s./,-]+h?$/i.test(p.label)) ? 'what-numbers' : 'what-it-means',
      setting,
      lines: linesOf(dumb)
    });
  else if (dumb.length) out.push({ about: 'what-it-means', setting, lines: linesOf(dumb) });
  return out;
}

/** States of a choice that no row names, for `all others: reserved`. */
export function missing(
  fields: readonly Field[],
  positions: readonly ReadPosition[],
  stateOf: (spots: Spot[]) => State,
  isSwitch: boolean
): State[] {
  if (!isSwitch && fields.some((f) => f.pins)) return [];
  if (fields.length > 8) return [];
  const known = new Set(positions.map((p) => JSON.stringify(p.state)));
  const out: State[] = [];
  for (let bits = 0; bits < 1 << fields.length; bits++) {
    const state = stateOf(fields.map((f, i) => ({ ...f, side: bits & (1 << i) ? 'off' : 'on' })));
    if (!known.has(JSON.stringify(state)) && !positions.some((p) => covers(p.state, state))) out.push(state);
  }
  return out;
}

const covers = (a: State, b: State): boolean =>
  'switches' in a &&
  'switches' in b &&
  Object.entries(a.switches).every(([n, side]) => b.switches[n] === side);

/** The other state of one jumper or switch: what one state switches on the other switches off. */
export function other(
  positions: ReadPosition[],
  fields: readonly Field[],
  stateOf: (spots: Spot[]) => State,
  heading: string
): void {
  const [only, ...more] = positions;
  const [field, ...fieldsLeft] = fields;
  if (!only || more.length || !field || fieldsLeft.length || field.pins) return;
  const stands =
    'switches' in only.state
      ? Object.values(only.state.switches)[0] === 'on'
      : 'caps' in only.state && only.state.caps.length > 0;
  const told = only.told.flatMap((t): Told[] =>
    t.kind === 'switched'
      ? [{ kind: 'switched', on: !t.on }]
      : t.kind === 'fact' && t.fact === 'fpu'
        ? [{ kind: 'fact', fact: 'fpu', value: t.value === 1 ? 0 : 1 }]
        : []
  );
  const opposite = told[0];
  positions.push({
    id: free(
      opposite?.kind === 'switched' ? (opposite.on ? 'enabled' : 'disabled') : 'other',
      new Set(positions.map((p) => p.id))
    ),
    label: opposite?.kind === 'switched' ? (opposite.on ? 'enabled' : 'disabled') : '?',
    state: stateOf([{ ...field, side: stands ? 'off' : 'on' }]),
    told,
    functions: subjectOf(heading).functions,
    isDefault: false,
    assumed: true,
    lines: []
  });
}
