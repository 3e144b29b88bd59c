import type { Block, Constraint, FunctionKind, Meaning, Part, PartFunction } from '../model';
import { OFFERED } from '../own';
import { assemble, settingFor, type ReadSetting } from './assemble';
import type { Habit } from './cells';
import { claimsOf, mainOf, type ClaimAssumption } from './functions';
import { readLines, TABLE_LIMITS, type LineAs, type ReadLine } from './lines';
import type { Assumption, Told } from './meanings';
import type { Question, ReadPosition } from './positions';

export { TABLE_LIMITS };
export { printTable, printedState } from './print';
export { takesRow, withCopy, withRow, type RowProblem } from './row';
export type {
  Assumption,
  ClaimAssumption,
  Habit,
  LineAs,
  Question,
  ReadLine,
  ReadPosition,
  ReadSetting,
  Told
};

/** What a pasted table was understood to say. */
export interface TableReading {
  title: string | null;
  lines: ReadLine[];
  blocks: Block[];
  settings: ReadSetting[];
  functions: PartFunction[];
  means: Meaning[];
  constraints: Constraint[];
  questions: Question[];
  assumptions: ClaimAssumption[];
}

/**
 * Reads a table as manuals, silkscreen and posts print it: jumpers and switches with what their positions mean.
 * @param text at most `TABLE_LIMITS.characters` characters; what is beyond is not read
 * @param main what the part is for, where the text does not say whose numbers they are
 */
export function readTable(text: string, main: FunctionKind | null = null): TableReading {
  const read = readLines(text.slice(0, TABLE_LIMITS.characters));
  const { blocks, settings, questions, lost } = assemble(read);
  const lines = read.lines.map((l) => (lost.includes(l.n - 1) ? { ...l, as: 'not-understood' as const } : l));
  const claims = claimsOf(settings, main ?? (read.title ? mainOf(read.title) : null));
  return { title: read.title, lines, blocks, settings, questions, ...claims };
}

/**
 * A part with what a table says of it. Blocks and settings of the same id are replaced; all others stay.
 * @param part the part that the table is about
 */
export function withTable(part: Part, read: TableReading): Part {
  const replaced = <T extends { id: string }>(old: readonly T[], fresh: readonly T[]): T[] => [
    ...old.filter((o) => !fresh.some((f) => f.id === o.id)),
    ...fresh
  ];
  const ids = new Set(read.settings.map((s) => s.id));
  const board = part.board ? { ...part.board } : undefined;
  const means: Meaning[] = [];
  for (const meaning of read.means) {
    const key = OFFERED[meaning.fact as keyof typeof OFFERED];
    if (board && key)
      board[key] = { setting: meaning.setting, values: meaning.values as Record<string, number> };
    else means.push(meaning);
  }
  const kept = (part.means ?? []).filter((m) => !ids.has(m.setting));
  return {
    ...part,
    blocks: replaced(part.blocks, read.blocks),
    settings: replaced(part.settings, read.settings.map(settingFor)),
    functions: replaced(part.functions, read.functions),
    constraints: [
      ...part.constraints.filter((c) => !('forbid' in c && Object.keys(c.forbid).some((id) => ids.has(id)))),
      ...read.constraints
    ],
    ...(board ? { board } : {}),
    ...(means.length + kept.length ? { means: [...kept, ...means] } : {})
  };
}
