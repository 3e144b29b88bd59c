import type { Line } from './lines';

/** How two lines get on with each other. */
export interface Relation {
  verdict: 'clash' | 'share';
  /** Which kind of sharing, or why not. */
  kind: 'own' | 'with' | 'one-only' | 'level' | 'idle' | 'unused' | 'never' | 'apart';
  /** 1 for a share that is tolerated only with a warning, else 0. */
  cost: 0 | 1;
}

/** What the user said about a machine that decides sharing. */
export interface SharingContext {
  /** Functions of one part that may not meet. */
  apart(a: Line, b: Line): boolean;
  neverTogether(a: Line, b: Line): boolean;
}

/** Display-enable registers that are written once at start-up and trouble nobody. */
const startupWrites: readonly number[] = [0x46e8, 0x102];

/**
 * Whether two lines meet, and if so whether they can share. Null: they do not meet.
 * ISA lines are driven and edge-triggered, so the default is a clash; each exception is one rule.
 */
export function relate(a: Line, b: Line, context: SharingContext): Relation | null {
  if (a.resource !== b.resource || !meet(a, b)) return null;
  const never: Relation = { verdict: 'clash', kind: 'never', cost: 0 };
  const share = (kind: Relation['kind'], cost: 0 | 1 = 0): Relation => ({ verdict: 'share', kind, cost });
  const [levelA, levelB] = [a.sharing === 'level', b.sharing === 'level'];
  if (a.item === b.item) {
    if (context.apart(a, b)) return { verdict: 'clash', kind: 'apart', cost: 0 };
    // A board's own PCI devices and its ISA ones are one part, but not one device.
    return levelA === levelB ? share('own') : never;
  }
  if (names(a, b) || names(b, a)) return share('with');
  if (levelA && levelB) return share('level');
  if (levelA || levelB) return never;
  if (a.oneOnly && b.oneOnly) return share('one-only');
  if (
    a.sharing === 'idle' &&
    b.sharing === 'idle' &&
    !a.resident &&
    !b.resident &&
    context.neverTogether(a, b)
  )
    return share('idle', 1);
  const unused = (line: Line) => line.resource === 'irq' && line.sharing === 'unused' && !line.resident;
  if (unused(a) || unused(b)) return share('unused', 1);
  return never;
}

const names = (a: Line, b: Line) => a.sharesWith.includes(b.function) || a.sharesWith.includes(b.kind);

/** Whether two lines of one resource touch the same number or address. */
export function meet(a: Line, b: Line): boolean {
  if (a.assigned && b.assigned) return false;
  switch (a.resource) {
    case 'irq':
    case 'dma':
      return a.value === b.value;
    case 'memory':
      return a.value < b.value + b.length && b.value < a.value + a.length;
    case 'io':
      return accessMeets(a, b) && !onlyAtStart(a, b) && portsMeet(a, b);
  }
}

const accessMeets = (a: Line, b: Line) => a.access === 'both' || b.access === 'both' || a.access === b.access;

const isStartupWrite = (line: Line) =>
  line.access === 'write' && line.length === 1 && startupWrites.includes(line.value);

const onlyAtStart = (a: Line, b: Line) => a.value !== b.value && (isStartupWrite(a) || isStartupWrite(b));

/**
 * Whether two port ranges answer at a common address. A device answers wherever the lines it
 * compares agree, so two of them meet when they agree on the lines that both compare. A cycle that
 * PCI claims does not reach the ISA bus: there the real addresses are compared.
 */
export function portsMeet(
  a: Pick<Line, 'value' | 'length' | 'mask' | 'decode'>,
  b: Pick<Line, 'value' | 'length' | 'mask' | 'decode'>
): boolean {
  if (a.decode === 'pci' || b.decode === 'pci')
    return a.value < b.value + b.length && b.value < a.value + a.length;
  const mask = a.mask & b.mask & 0xffff;
  if ((mask & (mask + 1)) === 0) {
    const distance = (b.value - a.value) & mask;
    return distance < a.length || (-distance & mask) < b.length;
  }
  for (let i = 0; i < a.length; i++)
    for (let j = 0; j < b.length; j++) if ((((a.value + i) ^ (b.value + j)) & mask) === 0) return true;
  return false;
}

/** Two addresses at which both answer: the first port of `a` that `b` answers at, or null. */
export function firstCommonPort(a: Line, b: Line): number | null {
  for (let i = 0; i < a.length; i++)
    if (portsMeet({ ...a, value: a.value + i, length: 1 }, b)) return a.value + i;
  return null;
}
