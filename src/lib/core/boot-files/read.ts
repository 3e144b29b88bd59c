import { there } from '../model';
import { classByName, type DriverClass } from '../boot';

/** A line as it stands in a file, with the end that it had, so that a file is written back as it came. */
export interface RawLine {
  /** From 1 on. */
  n: number;
  text: string;
  end: string;
}

export const rawLines = (text: string): RawLine[] => {
  const out: RawLine[] = [];
  const pattern = /([^\r\n]*)(\r\n|\n|\r|$)/g;
  for (let m = pattern.exec(text); m; m = pattern.exec(text)) {
    if (m[0] === '' && m.index >= text.length) break;
    out.push({ n: out.length + 1, text: there(m[1]), end: there(m[2]) });
    if (m[2] === '') break;
  }
  return out;
};
export const joinLines = (lines: readonly RawLine[]): string => lines.map((l) => l.text + l.end).join('');

/** DOS ends a text at Ctrl-Z: what stands behind it is kept and never runs. @returns what runs of the next line */
function untilEnd(): (line: string) => string {
  let ended = false;
  return (line) => {
    if (ended) return '';
    const [before, ...behind] = line.split('\u001a');
    ended = behind.length > 0;
    return before ?? '';
  };
}

/** A file that a line names: `C:\DOS\HIMEM.SYS`. */
export interface Named {
  path: string;
  /** Letter of its drive; null: none is said. */
  drive: string | null;
  folder: string;
  /** Name without ending, in capitals. */
  base: string;
  args: string;
  class: DriverClass | null;
}

/** Reads `path arguments`. @returns null for nothing */
export function namedFile(text: string): Named | null {
  const m = /^\s*([^\s/;,=][^\s/;,=]*)(.*)$/.exec(text);
  if (!m) return null;
  const path = there(m[1]);
  const drive = /^([A-Za-z]):/.exec(path)?.[1]?.toUpperCase() ?? null;
  const cut = Math.max(path.lastIndexOf('\\'), path.lastIndexOf(':'));
  const name = path.slice(cut + 1).toUpperCase();
  return {
    path,
    drive,
    folder: path.slice(0, cut + 1),
    base: name.replace(/\.[^.]*$/, ''),
    args: there(m[2]).trim(),
    class: classByName(name)
  };
}

/** Where DEVICEHIGH or LOADHIGH is told to put a program. */
export interface HighWish {
  /** Regions that it may use, 0 is conventional memory. */
  regions: number[];
  shrinks: boolean;
  /** SIZE= of version 5, in bytes. */
  size: number | null;
}

/** Takes `/L:1,9104;2 /S SIZE=4F0` off the front of what follows DEVICEHIGH or LOADHIGH. */
export function highWish(text: string): { wish: HighWish; rest: string } {
  const wish: HighWish = { regions: [], shrinks: false, size: null };
  let rest = text.trim();
  for (;;) {
    const l = /^\/L:([\d;,]+)\s*/i.exec(rest);
    const s = /^\/S\b\s*/i.exec(rest);
    const size = /^SIZE=([\da-f]+)\s*/i.exec(rest);
    const equals = /^=\s*/.exec(rest);
    if (l) {
      wish.regions = there(l[1])
        .split(';')
        .map((r) => Number(r.split(',')[0]))
        .filter((r) => Number.isInteger(r));
      rest = rest.slice(l[0].length);
    } else if (s) {
      wish.shrinks = true;
      rest = rest.slice(s[0].length);
    } else if (size) {
      wish.size = parseInt(there(size[1]), 16);
      rest = rest.slice(size[0].length);
    } else if (equals) rest = rest.slice(equals[0].length);
    else return { wish, rest };
  }
}

export interface ConfigLine extends RawLine {
  kind: 'blank' | 'comment' | 'header' | 'directive' | 'odd';
  /** The word in capitals; of a header the name of its block. */
  word: string;
  value: string;
  /** The block that it stands in; null: before the first header. */
  block: string | null;
  /** It asks before it runs (`DEVICE?=`). */
  asks: boolean;
  /** Of lines that load a file. */
  file: Named | null;
  high: HighWish | null;
}

const loading: readonly string[] = ['DEVICE', 'DEVICEHIGH', 'INSTALL', 'INSTALLHIGH', 'SHELL'];

/** Reads CONFIG.SYS. Every line is kept; what cannot be read is `odd`. */
export function readConfig(text: string): ConfigLine[] {
  let block: string | null = null;
  const runs = untilEnd();
  return rawLines(text).map((raw): ConfigLine => {
    const line = { ...raw, word: '', value: '', block, asks: false, file: null, high: null };
    const bare = runs(raw.text).trim();
    if (bare === '') return { ...line, kind: 'blank' };
    if (bare.startsWith(';')) return { ...line, kind: 'comment', word: ';' };
    const header = /^\[\s*([^\]]+?)\s*\]/.exec(bare);
    if (header) {
      block = there(header[1]).toUpperCase();
      return { ...line, kind: 'header', word: block, block };
    }
    const m = /^([A-Za-z]+)\s*(\?)?\s*(?:=\s*|\s+|(?=\/)|$)(.*)$/.exec(bare);
    if (!m) return { ...line, kind: 'odd' };
    const word = there(m[1]).toUpperCase();
    if (word === 'REM') return { ...line, kind: 'comment', word };
    const isHigh = word === 'DEVICEHIGH';
    const { wish, rest } = isHigh ? highWish(there(m[3])) : { wish: null, rest: there(m[3]) };
    return {
      ...line,
      kind: 'directive',
      word,
      value: there(m[3]).trim(),
      asks: m[2] === '?',
      file: loading.includes(word) ? namedFile(rest) : null,
      high: wish
    };
  });
}

/** A command of a batch file, with what stands before it taken off. */
export interface Command {
  /** The word in capitals, without folder or ending. */
  word: string;
  file: Named | null;
  args: string;
  /** It begins with @. */
  quiet: boolean;
  /** Loaded by LOADHIGH or LH. */
  high: HighWish | null;
  /** Run by CALL. */
  called: boolean;
  /** Named without its ending, and known to be a batch file. */
  isBatch?: true;
  /** `IF` conditions in front of it, as they are written. */
  conditions: string[];
}

export interface BatchLine extends RawLine {
  kind: 'blank' | 'comment' | 'label' | 'command';
  /** Of a label, in capitals: the first eight letters tell labels apart. */
  label: string;
  command: Command | null;
}

const CONDITION =
  /^IF\s+((?:NOT\s+)?(?:EXIST\s+\S+|ERRORLEVEL\s+\S+|(?:"[^"]*"|[^\s=]*)\s*==\s*(?:"[^"]*"|\S+)))\s+(.*)$/i;

function readCommand(text: string): Command {
  let rest = text.trim();
  const quiet = rest.startsWith('@');
  if (quiet) rest = rest.slice(1).trim();
  const conditions: string[] = [];
  for (let m = CONDITION.exec(rest); m; m = CONDITION.exec(rest)) {
    conditions.push(there(m[1]).trim());
    rest = there(m[2]).trim();
  }
  const called = /^CALL\s+/i.test(rest);
  if (called) rest = rest.replace(/^CALL\s+/i, '');
  const lh = /^(?:LH|LOADHIGH)\s+/i.exec(rest);
  let high: HighWish | null = null;
  if (lh) {
    const taken = highWish(rest.slice(lh[0].length));
    high = taken.wish;
    rest = taken.rest;
  }
  const file = namedFile(rest);
  // ECHO. and ECHO: print an empty line.
  const word = /^ECHO\b/i.test(rest) ? 'ECHO' : (file?.base ?? '');
  return { word, file, args: file?.args ?? '', quiet, high, called, conditions };
}

/** Reads AUTOEXEC.BAT or another batch file. */
export function readBatch(text: string): BatchLine[] {
  const runs = untilEnd();
  return rawLines(text).map((raw): BatchLine => {
    const line = { ...raw, label: '', command: null };
    const bare = runs(raw.text).trim();
    if (bare === '') return { ...line, kind: 'blank' };
    if (/^@?\s*REM(\s|$)/i.test(bare) || bare.startsWith('::')) return { ...line, kind: 'comment' };
    if (bare.startsWith(':'))
      return { ...line, kind: 'label', label: (bare.slice(1).trim().split(/\s/)[0] ?? '').toUpperCase() };
    return { ...line, kind: 'command', command: readCommand(bare) };
  });
}

/** Variable and value of a SET line, or of PATH and PROMPT; null: it sets none. Blanks beside `=` are kept. */
export function variableOf(
  line: Pick<BatchLine, 'text' | 'command'>
): { name: string; value: string } | null {
  const word = line.command?.word;
  if (word === 'SET') {
    const m = /\bSET\s+([^=]*)=(.*)$/i.exec(line.text);
    return m ? { name: there(m[1]), value: there(m[2]) } : null;
  }
  if (word !== 'PATH' && word !== 'PROMPT') return null;
  const m = /\b(?:PATH|PROMPT)\s*[=\s]\s*(.*)$/i.exec(line.text);
  return m && { name: word, value: there(m[1]) };
}
