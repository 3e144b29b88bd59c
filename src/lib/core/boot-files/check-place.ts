import { commandSince, configSince, drivers } from '../boot';
import { BATCH, CONFIG, type Seen } from './finding';
import type { BatchLine, ConfigLine } from './read';
import { loadsNothing } from './situation';

/** Words of both files. */
const both: readonly string[] = ['SET', 'REM', 'BREAK'];

const nameOf = (path: string): string => (path.split(/[\\/:]/).at(-1) ?? '').toUpperCase();
const namesOf = (where: string): Set<string> =>
  new Set(drivers.filter((d) => d.where === where).map((d) => nameOf(d.file)));

/** Commands of DOS, and resident programs that come with it. */
const isCommand = (word: string): boolean =>
  loadsNothing.includes(word) || word in commandSince || namesOf('autoexec').has(`${word}.COM`);

/** A command in CONFIG.SYS, and a program or a temporary interpreter where a driver or the shell belongs. */
export function configPlace(l: ConfigLine): Seen[] {
  const at = { file: CONFIG, line: l.n };
  if (l.kind !== 'directive') return [];
  if (!(l.word in configSince) && isCommand(l.word))
    return [{ rule: 'word.place', facts: { word: l.word, belongs: BATCH }, severity: 'clash', ...at }];
  if (l.word === 'SHELL' && l.file?.base === 'COMMAND' && !/\/P(?![A-Z])/i.test(l.file.args))
    return [
      {
        rule: 'shell.temporary',
        facts: {},
        severity: 'clash',
        edit: { ...at, text: `${l.text.trimEnd()} /P` },
        ...at
      }
    ];
  if ((l.word === 'DEVICE' || l.word === 'DEVICEHIGH') && l.file) return deviceOf(l, l.file.path);
  return [];
}

/** DEVICE= takes drivers. A program that is known to be none, or a file of a kind that hardly ever is one. */
function deviceOf(l: ConfigLine, path: string): Seen[] {
  const file = nameOf(path);
  const isProgram = namesOf('autoexec').has(file);
  if (namesOf('config').has(file) || (!isProgram && !/\.(?:COM|BAT)$/.test(file))) return [];
  const isSure = isProgram || file.endsWith('.BAT');
  return [
    {
      rule: 'device.program',
      facts: { file, isSure },
      severity: isSure ? 'clash' : 'caution',
      file: CONFIG,
      line: l.n
    }
  ];
}

/** A word of CONFIG.SYS in a batch file; `INSTALL` and such without `=` may be programs. */
export function batchPlace(l: BatchLine): Seen[] {
  const [, word = '', equals = ''] = /^\s*@?\s*([A-Za-z]+)(?:\s*(=)|\s)/.exec(l.text) ?? [];
  const isWord = word.toUpperCase() in configSince && !both.includes(word.toUpperCase());
  if (l.kind !== 'command' || !isWord || !(equals || /^device(?:high)?$/i.test(word))) return [];
  return [
    {
      rule: 'word.place',
      facts: { word: word.toUpperCase(), belongs: CONFIG },
      severity: 'clash',
      file: BATCH,
      line: l.n
    }
  ];
}
