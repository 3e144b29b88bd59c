import { there } from '../model';
import type { BatchLine, ConfigLine } from './read';

/** A way to start that a menu offers; null where there is no menu. */
export type Choice = string | null;

const MENU = 'MENU';
const itemWords: readonly string[] = ['MENUITEM', 'SUBMENU'];

/** Name of the block that a line of a menu leads to. */
export const blockNamed = (line: ConfigLine): string => (line.value.split(',')[0] ?? '').trim().toUpperCase();

export const hasMenu = (lines: readonly ConfigLine[]): boolean =>
  lines.some((l) => l.kind === 'header' && l.word === MENU);

/** The choices of a menu with its submenus, in their order. */
export function choicesOf(lines: readonly ConfigLine[]): Choice[] {
  if (!hasMenu(lines)) return [null];
  const seen = new Set<string>();
  const within = (block: string): string[] => {
    if (seen.has(block)) return [];
    seen.add(block);
    return lines
      .filter((l) => l.kind === 'directive' && l.block === block && itemWords.includes(l.word))
      .flatMap((l) => (l.word === 'SUBMENU' ? within(blockNamed(l)) : [blockNamed(l)]));
  };
  const found = [...new Set(within(MENU))];
  return found.length ? found : [null];
}

/** The lines of CONFIG.SYS that a choice runs, in their order, blocks that are included among them. */
export function configOf(lines: readonly ConfigLine[], choice: Choice): ConfigLine[] {
  const inBlock = (block: string, trail: readonly string[]): ConfigLine[] =>
    trail.includes(block)
      ? []
      : lines
          .filter((l) => l.block === block && l.kind !== 'header')
          .flatMap((l) =>
            l.kind === 'directive' && l.word === 'INCLUDE'
              ? [l, ...inBlock(l.value.trim().toUpperCase(), [...trail, block])]
              : [l]
          );
  if (choice === null && !lines.some((l) => l.kind === 'header')) return [...lines];
  const runs = (block: string | null): boolean => block === null || block === 'COMMON' || block === choice;
  // Blocks run where they first stand.
  const done = new Set<string>();
  const out: ConfigLine[] = [];
  for (const l of lines) {
    if (!runs(l.block)) continue;
    if (l.block === null) {
      if (l.kind !== 'header') out.push(l);
    } else if (l.kind === 'header') {
      const key = `${l.block} ${l.block === 'COMMON' ? l.n : ''}`;
      if (done.has(key)) continue;
      done.add(key);
      if (l.block === 'COMMON') {
        const next = lines.find((x) => x.n > l.n && x.kind === 'header')?.n ?? Infinity;
        out.push(...lines.filter((x) => x.n > l.n && x.n < next));
      } else out.push(...inBlock(l.block, []));
    }
  }
  return out;
}

/** A line of a batch file that a start runs; `maybe`: only under a condition that cannot be known. */
export interface Run {
  line: BatchLine;
  maybe: boolean;
}

/** Most lines that a walk runs: a batch file that jumps back would never end. */
const MOST = 2000;

const eight = (label: string): string => label.slice(0, 8).toUpperCase();

/** The label that a GOTO names, with the choice put in; null: not a GOTO. */
export function gotoLabel(line: BatchLine, choice: Choice): string | null {
  if (line.command?.word !== 'GOTO') return null;
  const m = /\bGOTO\s+:?\s*(\S+)/i.exec(line.text);
  return m
    ? there(m[1])
        .replace(/%CONFIG%/gi, choice ?? '')
        .toUpperCase()
    : null;
}

/** Whether a condition holds; null: it cannot be known. */
function holds(condition: string, choice: Choice): boolean | null {
  const m = /^(NOT\s+)?("?)([^"=]*)\2\s*==\s*("?)([^"]*)\4$/i.exec(condition.trim());
  if (!m) return null;
  const put = (s: string) => s.trim().replace(/%CONFIG%/gi, choice ?? '');
  const [left, right] = [put(there(m[3])), put(there(m[5]))];
  if (left.includes('%') || right.includes('%')) return null;
  const same = left === right;
  return m[1] ? !same : same;
}

/** Whether a line hands over to another batch file, which does not come back: one that is run without CALL. */
export const chains = ({ command }: BatchLine): boolean =>
  command !== null &&
  !command.called &&
  (command.isBatch === true || /\.BAT$/i.test(command.file?.path ?? ''));

/** The lines that a start runs, in their order. A jump under an unknown condition is followed both ways. */
export function batchOf(lines: readonly BatchLine[], choice: Choice): Run[] {
  const labels = new Map<string, number>();
  lines.forEach((l, i) => {
    if (l.kind === 'label' && !labels.has(eight(l.label))) labels.set(eight(l.label), i);
  });
  const ran = new Map<number, Run>();
  const open: { at: number; maybe: boolean }[] = [{ at: 0, maybe: false }];
  for (let steps = 0, next = open.shift(); next && steps < MOST; next = open.shift()) {
    let { at, maybe } = next;
    for (; at < lines.length && steps < MOST; steps++) {
      const line = there(lines[at]);
      const before = ran.get(at);
      if (before && (!before.maybe || maybe)) break;
      const verdicts = (line.command?.conditions ?? []).map((c) => holds(c, choice));
      const isOff = verdicts.includes(false);
      const isOpen = verdicts.includes(null);
      if (!isOff) ran.set(at, { line, maybe: maybe || isOpen });
      if (!isOff && chains(line)) {
        if (!isOpen) break;
        maybe = true;
      }
      const label = isOff ? null : gotoLabel(line, choice);
      const target = label === null ? undefined : labels.get(eight(label));
      if (label !== null && !isOpen) {
        // A label that is not there ends the file.
        if (target === undefined) break;
        at = target;
        continue;
      }
      if (label !== null && target !== undefined) {
        open.push({ at: target, maybe: true });
        maybe = true;
      }
      at++;
    }
  }
  return [...ran.entries()].sort(([a], [b]) => a - b).map(([, run]) => run);
}
