import { readFileSync, readdirSync } from 'node:fs';
import { questions } from './ask';

/** One statement about hardware: what is asked, what is true, how sure that is, and where it comes from. */
export interface Statement {
  file: string;
  line: number;
  kind: string;
  question: string;
  answer: string;
  sure: 'certain' | 'likely';
  source: string;
}

const folder = new URL('../../truth/', import.meta.url);

/**
 * Reads every file of `truth/`: five columns separated by `|`, lines that begin with # left out.
 * @throws Error naming file and line of a row that is not one
 */
export function statements(): Statement[] {
  return readdirSync(folder)
    .filter((f) => f.endsWith('.csv'))
    .sort()
    .flatMap((file) =>
      readFileSync(new URL(file, folder), 'utf8')
        .split('\n')
        .flatMap((text, i): Statement[] => {
          if (!text.trim() || text.startsWith('#')) return [];
          const cells = text.split('|').map((c) => c.trim());
          const [kind, question, answer, sure, source] = cells;
          const where = `truth/${file}:${i + 1}`;
          if (cells.length !== 5 || cells.some((c) => !c))
            throw new Error(`${where}: five columns are needed`);
          if (!(kind in questions)) throw new Error(`${where}: there is no kind of question "${kind}"`);
          if (sure !== 'certain' && sure !== 'likely') throw new Error(`${where}: say certain or likely`);
          return [{ file: `truth/${file}`, line: i + 1, kind, question, answer, sure, source }];
        })
    );
}

/** What the program answers; a question that is not understood is an answer too, and a wrong one. */
export function answerTo({ kind, question }: Statement): string {
  try {
    return questions[kind](question);
  } catch (error) {
    return error instanceof Error ? error.message : String(error);
  }
}
