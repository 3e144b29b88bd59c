import {
  foundPosition,
  claimSettings,
  claimValue,
  isEntered,
  isOn,
  lineOf,
  relate,
  linesAt,
  keptApart,
  sharingContext,
  standing,
  unreachable,
  type Fitted,
  type Line,
  type Machine,
  type Positions,
  type Unreachable,
  isLineSeen
} from '../resources';
import { forbidden, type PartFunction, byId, type SlotBus, there } from '../model';
import { isFixed } from './scopes';

/** Why a function cannot be on a line. */
export type StruckReason =
  | { kind: 'unreachable'; why: Unreachable }
  | { kind: 'fixed' }
  | { kind: 'constraint'; why: string };

const struckReason = (
  why: Unreachable | null,
  fixed: boolean,
  constraint: string | undefined
): StruckReason | null =>
  why
    ? { kind: 'unreachable', why }
    : fixed
      ? { kind: 'fixed' }
      : constraint === undefined
        ? null
        : { kind: 'constraint', why: constraint };

/** One place on a line where a function could be, is, or cannot be. */
export interface LoomMark {
  resource: 'irq' | 'dma';
  value: number;
  claim: number;
  /** cap: it is here · ring: it could be · struck: not from this seat, or locked. */
  state: 'cap' | 'ring' | 'struck';
  /** It is here and something else drives the line too. */
  clash: boolean;
  /** It was found here, and is chosen elsewhere now. */
  found: boolean;
  /** Nobody looked at a setting that decides it: it is taken to be where it usually is. */
  assumed: boolean;
  /** Setting and position that bring it here; none for fixed lines. */
  via?: { item: string; setting: string; position: string };
  /** Why it is struck. */
  struck?: StruckReason;
}

export interface LoomRow {
  item: string;
  function: string;
  label: string;
  on: boolean;
  marks: LoomMark[];
  /** Ports and windows it takes now. */
  ports: LoomLine[];
  windows: LoomLine[];
}

/** Ports or a window as they are drawn to scale. */
export type LoomLine = Line & {
  clash: boolean;
  /** Nobody looked at a setting that decides it. */
  assumed: boolean;
};

export interface LoomGroup {
  item: string;
  title: string;
  slot?: string;
  seat: SlotBus | null;
  rows: LoomRow[];
}

/** Everything that the loom draws, from the positions as they stand. */
export function loom(m: Machine): LoomGroup[] {
  const at = standing(m);
  const lines = linesAt(m, at);
  const context = sharingContext(m);
  const apart = keptApart(m);
  const clashing = new Set<Line>();
  lines.forEach((a, i) =>
    lines.slice(i + 1).forEach((b) => {
      if (relate(a, b, context)?.verdict === 'clash' && !apart(a, b)) {
        clashing.add(a);
        clashing.add(b);
      }
    })
  );
  return m.fitted.filter(isEntered).map((fitted) => ({
    item: fitted.item.id,
    title: fitted.title,
    ...(fitted.slot ? { slot: fitted.slot.label ?? fitted.slot.id } : {}),
    seat: fitted.slot?.bus ?? null,
    rows: fitted.part.functions.map((fn) => {
      const own = lines.filter((l) => l.item === fitted.item.id && l.function === fn.id);
      const drawn = (resource: Line['resource']) =>
        own
          .filter((l) => l.resource === resource)
          .map((l): LoomLine => ({ ...l, clash: clashing.has(l), assumed: !isLineSeen(m, l) }));
      return {
        item: fitted.item.id,
        function: fn.id,
        label: fn.label,
        on: isOn(fitted, fn, at),
        marks: fn.claims.flatMap((_, i) => marksOf(m, fitted, fn, i, at, own, clashing)),
        ports: drawn('io'),
        windows: drawn('memory')
      };
    })
  }));
}

function marksOf(
  m: Machine,
  fitted: Fitted,
  fn: PartFunction,
  index: number,
  at: Positions,
  own: readonly Line[],
  clashing: ReadonlySet<Line>
): LoomMark[] {
  const claim = there(fn.claims[index]);
  if (claim.resource !== 'irq' && claim.resource !== 'dma') return [];
  const resource = claim.resource;
  const here = own.find((l) => l.index === index);
  const marks = new Map<number, LoomMark>();
  const settings = claimSettings(m, fitted, claim);
  const foundAt: Positions = (item, setting) => {
    const holder = m.find(item);
    const known = holder?.part.settings.find((s) => s.id === setting);
    return holder && known ? foundPosition(holder.item, known) : undefined;
  };
  const foundValue = isOn(fitted, fn, foundAt) ? claimValue(m, fitted, claim, foundAt) : null;
  const foundLine = foundValue === null ? null : lineOf(m, fitted, fn, index, foundValue).value;
  for (const { item, setting } of settings) {
    const holder = m.get(item);
    const known = byId(holder.part.settings, setting);
    for (const position of known.positions) {
      const moved: Positions = (i, s) => (i === item && s === setting ? position.id : at(i, s));
      if (!isOn(fitted, fn, moved)) continue;
      const value = claimValue(m, fitted, claim, moved);
      if (value === null) continue;
      const line = lineOf(m, fitted, fn, index, value);
      if (marks.has(line.value) || line.value === here?.value) continue;
      const chosen = Object.fromEntries(
        holder.part.settings.flatMap((s) => {
          const p = moved(item, s.id);
          return p === undefined ? [] : [[s.id, p]];
        })
      );
      const bar = holder.part.constraints.find((c) =>
        forbidden({ ...holder.part, constraints: [c] }, chosen)
      );
      const reason = struckReason(unreachable(m, fitted, line), isFixed(holder, known), bar?.why);
      marks.set(line.value, {
        resource,
        value: line.value,
        claim: index,
        state: reason ? 'struck' : 'ring',
        clash: false,
        found: foundLine === line.value,
        assumed: false,
        via: { item, setting, position: position.id },
        ...(reason ? { struck: reason } : {})
      });
    }
  }
  if (here) {
    const reason = unreachable(m, fitted, here);
    const [first] = settings;
    marks.set(here.value, {
      resource,
      value: here.value,
      claim: index,
      state: 'cap',
      clash: clashing.has(here) || reason !== null,
      found: false,
      assumed: !isLineSeen(m, here),
      ...(first ? { via: { ...first, position: at(first.item, first.setting)! } } : {})
    });
  }
  return [...marks.values()].sort((a, b) => a.value - b.value);
}
