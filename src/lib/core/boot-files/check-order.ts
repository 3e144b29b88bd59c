import { lastOf } from '../model';
import { commandSince } from '../boot';
import { BATCH, type Seen } from './finding';
import type { BatchLine } from './read';
import type { Situation } from './situation';
import { batchOf, chains, type Run } from './walk';

/** Commands after which nothing is missed. */
const ofNoWeight: readonly string[] = ['ECHO', 'CLS', 'PAUSE', 'GOTO', 'VER', 'EXIT', 'REM'];

const weighs = ({ line }: Run): boolean =>
  line.kind === 'command' && !ofNoWeight.includes(line.command?.word ?? '');

const asCalled = (line: BatchLine): BatchLine =>
  chains(line) && line.command ? { ...line, command: { ...line.command, called: true } } : line;

/** A text with words put in front of a path, where it stands last: before that it may be in a condition. */
function withBefore(text: string, path: string, words: string): string {
  const at = text.lastIndexOf(path);
  return at < 0 ? text : text.slice(0, at) + words + text.slice(at);
}

/**
 * A batch file that runs another one without CALL ends there: DOS does not come back to it.
 * @param commands every line of the file, also those that the start does not come to
 */
export function checkEnds(
  { batch: ran, choice, machine: { dos } }: Situation,
  commands: readonly BatchLine[]
): Seen[] {
  const reached = new Set(ran.filter((r) => !r.maybe).map((r) => r.line.n));
  const wanted = batchOf(commands.map(asCalled), choice).filter((r) => weighs(r) && !reached.has(r.line.n));
  return ran.flatMap(({ line, maybe }): Seen[] => {
    const lost = chains(line) ? wanted.filter((r) => r.line.n > line.n) : [];
    if (!lost.length) return [];
    const isSure = !maybe && lost.some((r) => !r.maybe);
    // Before there was CALL another interpreter does its work.
    const by = dos !== null && dos < (commandSince.CALL ?? 0) ? 'COMMAND /C' : 'CALL';
    const at = { file: BATCH, line: line.n };
    const path = line.command?.file?.path ?? '';
    return [
      {
        rule: 'batch.ends',
        facts: { file: path, from: lost[0]?.line.n ?? line.n, to: lastOf(lost).line.n, by, isSure },
        severity: isSure ? 'clash' : 'caution',
        edit: { ...at, text: withBefore(line.text, path, `${by} `) },
        ...at
      }
    ];
  });
}

/** What keeps the screen until somebody leaves it: Windows, the shell of DOS, a second command interpreter. */
const stays = ({ line: { command } }: Run): boolean =>
  command !== null &&
  (['WIN', 'DOSSHELL'].includes(command.word) ||
    (command.word === 'COMMAND' && !command.called && !/\/C\b/i.test(command.args)));

/** What stands behind such a program runs only once it has been left. */
export const checkWaits = ({ batch }: Situation): Seen[] =>
  batch.flatMap((run, i): Seen[] => {
    const [next] = stays(run) ? batch.slice(i + 1).filter(weighs) : [];
    return next
      ? [
          {
            rule: 'batch.waits',
            facts: { word: run.line.command?.word ?? '', from: next.line.n },
            severity: 'caution',
            file: BATCH,
            line: run.line.n
          }
        ]
      : [];
  });
