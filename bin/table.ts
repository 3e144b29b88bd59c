import { TABLE_LIMITS, readTable } from '../src/lib/core/table';
import { readPart } from '../src/lib/formats';
import { questionWords, InvalidDocument } from '../src/lib/words';
import { commandRefusals as refusals, tableUsage } from '../src/lib/words/command-line';
import { readArgs } from './args';
import { Usage, textOf } from './io';

const text = (args: readonly string[]): string =>
  textOf(readArgs(args, {}, 1, tableUsage).words[0], `${refusals.nameFile}\n\n${tableUsage}`);

/** A table as it was read, with every line accounted for. */
export function tableReport(source: string): object {
  if (source.length > TABLE_LIMITS.characters)
    throw new Usage(`${refusals.text(source.length, TABLE_LIMITS.characters)}\n`);
  const read = readTable(source);
  return {
    title: read.title,
    blocks: read.blocks,
    settings: read.settings.map(({ positions, ...setting }) => ({
      ...setting,
      positions: positions.map(({ told, isDefault, ...p }) => ({ ...p, meaning: told, default: isDefault }))
    })),
    functions: read.functions,
    means: read.means,
    assumptions: read.assumptions,
    ambiguous: read.questions.map((q) => ({ ...q, question: questionWords(q, read) })),
    notUnderstood: read.lines
      .filter((l) => l.as === 'not-understood')
      .map(({ n, text }) => ({ line: n, text })),
    lines: read.lines.map(({ n, text, as }) => ({ line: n, text, as }))
  };
}

/** The problems of a part's description; none: it can be used. */
export function partReport(source: string): {
  id: string | null;
  problems: { path: string; message: string }[];
} {
  try {
    return { id: readPart(source, 'part').id, problems: [] };
  } catch (error) {
    if (error instanceof InvalidDocument) return { id: null, problems: [...error.problems] };
    throw error;
  }
}

export const tableCommands: Record<string, (args: readonly string[]) => object> = {
  table: (args) => tableReport(text(args)),
  part: (args) => partReport(text(args))
};
