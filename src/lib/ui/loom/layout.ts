import type { LoomGroup } from '../../core/solver';

export const LEFT = 196;
/** Distance between lines; an XT has few, so they stand wider. */
const PITCH = { xt: 55, at: 29 } as const;
export const ROW = 20;
const HEAD = 21;
const TOP = 44;

export interface Column {
  resource: 'irq' | 'dma';
  value: number;
  label: string;
  x: number;
}

const columnsOf = {
  xt: { irq: [2, 3, 4, 5, 6, 7], dma: [1, 2, 3] },
  at: { irq: [3, 4, 5, 6, 7, 9, 10, 11, 12, 14, 15], dma: [0, 1, 2, 3, 5, 6, 7] }
} as const;

/** The physical lines of a class, left to right, with room between interrupts and channels. */
export function columns(machineClass: 'xt' | 'at'): Column[] {
  const { irq, dma } = columnsOf[machineClass];
  const gap = 16;
  const pitch = PITCH[machineClass];
  return [
    ...irq.map((value, i) => ({
      resource: 'irq' as const,
      value,
      label: machineClass === 'at' && value === 9 ? '2→9' : String(value),
      x: LEFT + 14 + i * pitch
    })),
    ...dma.map((value, i) => ({
      resource: 'dma' as const,
      value,
      label: String(value),
      x: LEFT + 14 + gap + (irq.length + i) * pitch
    }))
  ];
}

export interface PlacedGroup extends LoomGroup {
  y: number;
  placed: { row: LoomGroup['rows'][number]; y: number }[];
}

/** Groups and rows with their place from the top; functions without a line are left to the scales. */
export function place(groups: readonly LoomGroup[]): { groups: PlacedGroup[]; bottom: number } {
  let y = TOP;
  const placed = groups.map((group) => {
    const top = y;
    y += HEAD;
    const rows = group.rows
      .filter((row) => row.marks.length > 0)
      .map((row) => {
        const at = y + ROW / 2;
        y += ROW;
        return { row, y: at };
      });
    y += 4;
    return { ...group, y: top, placed: rows };
  });
  return { groups: placed, bottom: y };
}

/** A mark's place on the loom. */
export interface Spot {
  key: string;
  x: number;
  y: number;
}

/** The mark that an arrow key goes to: the next in the row, or the nearest in the row above or below. */
export function beside(
  spots: readonly Spot[],
  from: string,
  way: 'left' | 'right' | 'up' | 'down'
): Spot | undefined {
  const here = spots.find((s) => s.key === from);
  if (!here) return undefined;
  const sign = way === 'left' || way === 'up' ? -1 : 1;
  const [along, across] = way === 'left' || way === 'right' ? (['x', 'y'] as const) : (['y', 'x'] as const);
  const ahead = spots.filter((s) => sign * (s[along] - here[along]) > 0 && (along === 'y' || s.y === here.y));
  const nearest = Math.min(...ahead.map((s) => Math.abs(s[along] - here[along])));
  return ahead
    .filter((s) => Math.abs(s[along] - here[along]) === nearest)
    .sort((a, b) => Math.abs(a[across] - here[across]) - Math.abs(b[across] - here[across]))[0];
}

/**
 * Rows for texts that hang on lines from above, counted from 0, so that no line goes through a text and no two texts
 * lie on one another: whatever a text reaches under hangs above it.
 * @param hung where each hangs and how wide its text is, which begins there; from left to right
 */
export function hangingRows(hung: readonly { x: number; width: number }[]): number[] {
  const rows: number[] = [];
  for (let i = hung.length - 1; i >= 0; i--) {
    const { x, width } = hung[i];
    const under = hung.flatMap((h, j) => (j > i && h.x < x + width ? [rows[j] + 1] : []));
    rows[i] = Math.max(0, ...under);
  }
  return rows;
}
