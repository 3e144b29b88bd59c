import { expectationOf } from '../core/boot';
import { checkFiles, type Edit } from '../core/boot-files';
import { kitOf } from '../core/kit';
import type { Build, PartSet } from '../core/model';
import type { MoveList } from '../core/moves';
import { editWords, commandWords } from '../words';

/** What is to be typed, as it stands on a sheet. */
type Typed = { where: string; text: string }[];

const isThere = (file: string | undefined, line: string): boolean =>
  (file ?? '').split(/\r\n|\n|\r/).some((l) => l.trim().toUpperCase() === line.trim().toUpperCase());

/**
 * What is to be typed, in setups and files: of the machine's own files only the lines that are to change, and nothing
 * that stands in them already.
 */
export function withOwnFiles(list: MoveList['commands'], build: Build, parts: PartSet): Typed {
  const told = ({ where, what }: MoveList['commands'][number]) => ({ where, text: commandWords(what) });
  const { config = '', autoexec = '' } = build.boot ?? {};
  if (!config.trim() && !autoexec.trim()) return list.map(told);
  const edits = checkFiles(config, autoexec, expectationOf(kitOf(build, parts))).flatMap((f): Edit[] =>
    f.edit ? [f.edit] : []
  );
  const isMended = (where: string, text: string) =>
    edits.some((e) => e.file === where && e.text?.trim().toUpperCase() === text.trim().toUpperCase());
  const isOpen = ({ where, what }: MoveList['commands'][number]) =>
    where !== 'AUTOEXEC.BAT' ||
    what.is !== 'line' ||
    (!isThere(autoexec, what.text) && !isMended(where, what.text));
  return [...list.filter(isOpen).map(told), ...edits.map((e) => ({ where: e.file, text: editWords(e) }))];
}
