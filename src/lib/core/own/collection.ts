import { sameJson, type Part, type PartSet } from '../model';

/** How a part that comes in stands against those that are known. */
export type Standing =
  /** Nothing has this id. */
  | 'new'
  /** It says the same as the one that is known. */
  | 'same'
  /** One of one's own under this id says something else. */
  | 'differs'
  /** A part of the catalogue under this id says something else. */
  | 'catalogue';

/** What becomes of a part that comes in. */
export const CHOICES = ['take', 'copy', 'replace', 'leave'] as const;
export type Choice = (typeof CHOICES)[number];

export interface Incoming {
  part: Part;
  standing: Standing;
  /** Places in which it differs from the known one: the fields at the top, and of lists their entries. */
  differences: string[];
  /** What may be chosen for it, the careful one first. */
  choices: readonly Choice[];
}

const CHOICES_OF: Readonly<Record<Standing, readonly Choice[]>> = {
  new: ['take', 'leave'],
  same: ['leave'],
  // Nothing is overwritten unless somebody says so.
  differs: ['leave', 'copy', 'replace'],
  catalogue: ['leave', 'copy']
};

/** More places than this are not listed. */
const MOST = 12;

/** @param own ids of parts of one's own */
export function incoming(parts: readonly Part[], known: PartSet, own: ReadonlySet<string>): Incoming[] {
  return parts.map((part) => {
    const there = known.get(part.id);
    const standing: Standing = !there
      ? 'new'
      : sameJson(there, part)
        ? 'same'
        : own.has(part.id)
          ? 'differs'
          : 'catalogue';
    return {
      part,
      standing,
      differences: there && standing !== 'same' ? differencesOf(there, part).slice(0, MOST) : [],
      choices: CHOICES_OF[standing]
    };
  });
}

type Named = { id?: unknown };
const entryName = (x: unknown, i: number): string => {
  const id = (x as Named | null)?.id;
  return typeof id === 'string' ? id : String(i + 1);
};

function differencesOf(a: Part, b: Part): string[] {
  const left: Readonly<Record<string, unknown>> = { ...a };
  const right: Readonly<Record<string, unknown>> = { ...b };
  return [...new Set([...Object.keys(left), ...Object.keys(right)])]
    .filter((key) => key !== 'id' && !sameJson(left[key], right[key]))
    .flatMap((key) => {
      const [x, y] = [left[key], right[key]];
      if (!Array.isArray(x) || !Array.isArray(y)) return [key];
      const byName = (list: readonly unknown[]) => new Map(list.map((e, i) => [entryName(e, i), e]));
      const [was, is] = [byName(x), byName(y)];
      return [...new Set([...was.keys(), ...is.keys()])]
        .filter((name) => !sameJson(was.get(name), is.get(name)))
        .map((name) => `${key} ${name}`);
    });
}

/** A part whose references to other parts follow new ids. */
export function withPartIds(part: Part, names: ReadonlyMap<string, string>): Part {
  const to = (id: string) => names.get(id) ?? id;
  if (!part.board) return part;
  const { firmware, cpuSocket } = part.board;
  return {
    ...part,
    board: {
      ...part.board,
      ...(firmware ? { firmware: to(firmware) } : {}),
      ...(cpuSocket?.soldered ? { cpuSocket: { ...cpuSocket, soldered: to(cpuSocket.soldered) } } : {})
    }
  };
}
