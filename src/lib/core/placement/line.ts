import { there } from '../model';
/** A driver or resident program as a line of a start-up file. Sizes in bytes. */
export interface Line {
  name: string;
  /** 0: CONFIG.SYS, 1: AUTOEXEC.BAT. All lines of the first come before those of the second. */
  stage: 0 | 1;
  /** Bytes in one piece while it starts: image, header blocks, its own copy of the environment. */
  load: number;
  /** Bytes that stay. */
  stay: number;
  /** Lines that must have been loaded before it. */
  after: readonly string[];
  /** It may be loaded into upper memory. */
  high: boolean;
  /** It starts low and moves itself: above it needs only what stays. */
  movesItself: boolean;
}

/** Bytes a line needs in one piece; what stays lies there in any case, whatever is said of its start. */
export const needOf = (line: Line): number => (line.movesItself ? line.stay : Math.max(line.load, line.stay));
/** How much larger a line is while it starts. The larger it is, the earlier it goes into a region. */
export const peakOf = (line: Line): number => needOf(line) - line.stay;

/**
 * All lines that must come before each, near and far, as bits; lines of CONFIG.SYS come before those of AUTOEXEC.BAT.
 * A name that is no line of the list asks nothing.
 * @param lines at most 30
 */
export function predecessors(lines: readonly Line[]): number[] {
  const place = new Map(lines.map((l, i) => [l.name, i]));
  const config = lines.reduce((bits, l, i) => (l.stage === 0 ? bits | (1 << i) : bits), 0);
  const pre = lines.map((l) =>
    l.after.reduce(
      (bits, name) => {
        const at = place.get(name);
        return at === undefined ? bits : bits | (1 << at);
      },
      l.stage === 1 ? config : 0
    )
  );
  for (const [k] of lines.entries())
    for (const [i] of lines.entries()) if (there(pre[i]) & (1 << k)) pre[i] = there(pre[i]) | there(pre[k]);
  return pre;
}

/** Why lines have no order: the first line that waits for itself, or a line of CONFIG.SYS for one of AUTOEXEC.BAT. */
export function blockedLine(lines: readonly Line[]): string | null {
  const names = new Set(lines.map((l) => l.name));
  const done = new Set<string>();
  const config = lines.filter((l) => l.stage === 0);
  for (let went = true; went;) {
    went = false;
    for (const l of lines) {
      const waits = l.after.some((name) => names.has(name) && !done.has(name));
      if (done.has(l.name) || waits || (l.stage === 1 && config.some((c) => !done.has(c.name)))) continue;
      done.add(l.name);
      went = true;
    }
  }
  return lines.find((l) => !done.has(l.name))?.name ?? null;
}
