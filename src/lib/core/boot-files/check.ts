import { there } from '../model';
import type { Expectation } from '../boot';
import { batchForm, configForm, lettersForm, menuForm } from './check-form';
import { checkBlaster, checkCd, checkCountry, checkDrivers, checkPacket } from './check-hardware';
import { asListed, checkListing, checkRefusers } from './check-listing';
import { checkBuffers, checkEnvironment, checkHigh, checkManager, checkXms } from './check-high';
import { checkEnds, checkWaits } from './check-order';
import { explainBatch, explainConfig, type ExplainWith, type ExplainedLine } from './explain';
import { BATCH, CONFIG, type BootFinding, type Edit, type Seen } from './finding';
import { joinLines, rawLines, readBatch, readConfig } from './read';
import { dosLine, type Situation } from './situation';
import { batchOf, chains, choicesOf, configOf } from './walk';

const perStart: readonly ((s: Situation) => Seen[])[] = [
  checkXms,
  checkHigh,
  checkManager,
  checkBuffers,
  checkEnvironment,
  checkDrivers,
  checkCd,
  checkCountry,
  checkBlaster,
  checkPacket,
  lettersForm,
  checkWaits,
  checkListing
];

const rank = { stop: 0, clash: 1, caution: 2, note: 3 } as const;

/** Most of one file that is read: DOS itself takes 64 KiB. */
export const MOST_BYTES = 65_536;

/** Every way to start that a pair of files has. */
export function situationsOf(config: string, batch: string, machine: Expectation): Situation[] {
  const lines = readConfig(config);
  const commands = asListed(readBatch(batch), machine.listing);
  return choicesOf(lines).map((choice) => ({
    machine,
    choice,
    config: configOf(lines, choice),
    batch: batchOf(commands, choice)
  }));
}

/**
 * Checks a pair of files, line by line, against a build and against each other.
 * @returns findings in the order of the files; worst first on one line
 */
export function checkFiles(config: string, batch: string, machine: Expectation): BootFinding[] {
  const lines = readConfig(config);
  const commands = asListed(readBatch(batch), machine.listing);
  const found = new Map<string, BootFinding>();
  const put = (seen: Seen, choice: string | null) => {
    const key = JSON.stringify([seen.rule, seen.file, seen.line, seen.facts]);
    const before = found.get(key);
    const choices = choice === null ? [] : [...(before?.choices ?? []), choice];
    found.set(key, { ...seen, choices, edit: seen.edit ?? null });
  };
  for (const seen of [
    ...configForm(lines, machine.dos),
    ...batchForm(commands, machine.dos),
    ...menuForm(lines, commands),
    ...commands.flatMap((l): Seen[] =>
      l.command?.called || chains(l)
        ? [
            {
              rule: 'call.open',
              facts: { file: l.command?.file?.path ?? '' },
              severity: 'note',
              file: BATCH,
              line: l.n
            }
          ]
        : []
    )
  ])
    put(seen, null);
  const starts = situationsOf(config, batch, machine);
  for (const s of starts) for (const seen of checkEnds(s, commands)) put(seen, s.choice);
  for (const s of starts) for (const check of perStart) for (const seen of check(s)) put(seen, s.choice);
  for (const seen of checkRefusers(starts)) put(seen, null);
  return [...found.values()]
    .map((f) => ({ ...f, choices: f.choices.length === starts.length ? [] : f.choices }))
    .sort(
      (a, b) =>
        (a.file === b.file ? 0 : a.file === CONFIG ? -1 : 1) ||
        a.line - b.line ||
        rank[a.severity] - rank[b.severity]
    );
}

/** Both files line by line: what each line does, and what it takes of conventional memory. */
export function explainFiles(
  config: string,
  batch: string,
  dos: number | null,
  measured: ExplainWith['measured'] = {}
): { config: ExplainedLine[]; batch: ExplainedLine[] } {
  const lines = readConfig(config);
  const { high } = dosLine(lines);
  const w = { dos, measured, isHigh: high !== null };
  return { config: explainConfig(lines, w), batch: explainBatch(readBatch(batch), w) };
}

/** Carries one change out. Every other byte of the file stays. */
export function applyEdit(text: string, edit: Edit): string {
  const lines = rawLines(text);
  const end = lines.find((l) => l.end)?.end ?? '\r\n';
  const i = lines.findIndex((l) => l.n === edit.line);
  if (i < 0)
    return edit.text === null ? text : `${text}${text && !/[\r\n]$/.test(text) ? end : ''}${edit.text}${end}`;
  const line = lines[i];
  if (edit.isNew) lines.splice(i, 0, { n: 0, text: edit.text ?? '', end });
  else if (edit.text === null) lines.splice(i, 1);
  else lines[i] = { ...there(line), text: edit.text };
  return joinLines(lines);
}
