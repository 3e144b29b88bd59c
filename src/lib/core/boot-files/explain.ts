import { there } from '../model';
import { buffersBytes, filesBytes, lastDriveBytes, stacksBytes, type Span } from '../boot';
import { drivers, type DriverClass } from '../boot';
import type { BatchLine, ConfigLine } from './read';
import { classOf, loadsNothing } from './situation';
import { variableOf } from './read';

/** What a line does, as data. */
export type LineMeaning =
  | { kind: 'blank' | 'comment' | 'odd' | 'dos' | 'country' | 'install' | 'other-word' }
  | { kind: 'menu' | 'block' | 'include'; name: string }
  | { kind: 'driver'; class: DriverClass | null; file: string; asksHigh: boolean; asks: boolean }
  | { kind: 'shell'; path: string; environment: number | null }
  | { kind: 'number'; word: string; value: string }
  | { kind: 'variable'; name: string }
  | { kind: 'label' | 'goto'; label: string }
  | { kind: 'echo' | 'command' | 'call'; text: string };

export interface ExplainedLine {
  n: number;
  text: string;
  meaning: LineMeaning;
  /** Conventional bytes that it takes, by what is known or typical; null: none, or nobody knows. */
  takes: Span | null;
}

const K = 1024;
/** Sizes of a kind: of the file itself where it is in the table, else over all of its class. */
export function typicalStay(
  file: string,
  of: DriverClass | null,
  measured: Readonly<Record<string, { stay: number }>>
): Span | null {
  const base = file.toUpperCase();
  const own = measured[base];
  if (own) return [own.stay, own.stay];
  if (of === null) return null;
  const named = drivers.filter((d) => d.class === of && d.file.replace(/\..*$/, '').toUpperCase() === base);
  const list = named.length ? named : drivers.filter((d) => d.class === of);
  if (!list.length) return null;
  return [
    Math.round(Math.min(...list.map((d) => d.stay[0])) * K),
    Math.round(Math.max(...list.map((d) => d.stay[1])) * K)
  ];
}

export interface ExplainWith {
  dos: number | null;
  measured: Readonly<Record<string, { stay: number }>>;
  /** DOS=HIGH works in this start, so buffers lie in the high area. */
  isHigh: boolean;
}

const menuWords: readonly string[] = ['MENUITEM', 'SUBMENU', 'MENUDEFAULT', 'MENUCOLOR', 'NUMLOCK'];
const plain = (bytes: number): Span => [bytes, bytes];

function configMeaning(l: ConfigLine): LineMeaning {
  if (l.kind === 'blank' || l.kind === 'comment' || l.kind === 'odd') return { kind: l.kind };
  if (l.kind === 'header') return { kind: l.word === 'MENU' ? 'menu' : 'block', name: l.word };
  if (menuWords.includes(l.word)) return { kind: 'menu', name: l.value };
  if (l.word === 'INCLUDE') return { kind: 'include', name: l.value };
  if (l.word === 'SHELL') {
    const size = /\/E:(\d+)/i.exec(l.value)?.[1];
    return { kind: 'shell', path: l.file?.path ?? '', environment: size ? Number(size) : null };
  }
  if (l.file && l.word.startsWith('DEVICE'))
    return {
      kind: 'driver',
      class: classOf(l.file, true),
      file: l.file.base,
      asksHigh: l.word === 'DEVICEHIGH',
      asks: l.asks
    };
  if (l.word.startsWith('INSTALL')) return { kind: 'install' };
  if (l.word === 'DOS') return { kind: 'dos' };
  if (l.word === 'COUNTRY') return { kind: 'country' };
  if (l.word === 'SET') return { kind: 'variable', name: there(l.value.split('=')[0]).trim() };
  if (/^(FILES|BUFFERS|FCBS|LASTDRIVE|STACKS)(HIGH)?$/.test(l.word))
    return { kind: 'number', word: l.word, value: l.value };
  return { kind: 'other-word' };
}

function configTakes(l: ConfigLine, m: LineMeaning, w: ExplainWith): Span | null {
  const dos = w.dos ?? 6;
  if (m.kind === 'driver') return m.asksHigh ? null : typicalStay(m.file, m.class, w.measured);
  if (m.kind !== 'number' || l.word.endsWith('HIGH')) return null;
  const n = parseInt(l.value, 10);
  if (l.word === 'FILES' && n > 0) return plain(filesBytes(dos, n));
  if (l.word === 'BUFFERS' && n > 0) return w.isHigh ? null : plain(buffersBytes(dos, n));
  if (l.word === 'LASTDRIVE' && /^[A-Z]/i.test(l.value)) return plain(lastDriveBytes(dos, there(l.value[0])));
  const [count, size] = l.value.split(',').map(Number);
  return l.word === 'STACKS' && count !== undefined && size !== undefined && !Number.isNaN(count + size)
    ? plain(stacksBytes(count, size))
    : null;
}

/** Every line of CONFIG.SYS with what it does and takes. */
export const explainConfig = (lines: readonly ConfigLine[], w: ExplainWith): ExplainedLine[] =>
  lines.map((l) => {
    const meaning = configMeaning(l);
    return { n: l.n, text: l.text, meaning, takes: configTakes(l, meaning, w) };
  });

function batchMeaning(l: BatchLine): LineMeaning {
  if (l.kind === 'label') return { kind: 'label', label: l.label };
  const c = l.command;
  if (!c) return { kind: l.kind === 'comment' ? 'comment' : 'blank' };
  if (c.word === 'GOTO') return { kind: 'goto', label: c.args };
  const variable = variableOf(l);
  if (variable) return { kind: 'variable', name: variable.name.trim() };
  if (c.called) return { kind: 'call', text: c.file?.path ?? '' };
  if (c.word === 'ECHO') return { kind: 'echo', text: '' };
  if (!c.file || loadsNothing.includes(c.word)) return { kind: 'command', text: c.word };
  return {
    kind: 'driver',
    class: classOf(c.file, false),
    file: c.file.base,
    asksHigh: c.high !== null,
    asks: c.conditions.length > 0
  };
}

/** Every line of AUTOEXEC.BAT with what it does and takes. A program that nobody knows may stay or not. */
export const explainBatch = (lines: readonly BatchLine[], w: ExplainWith): ExplainedLine[] =>
  lines.map((l) => {
    const meaning = batchMeaning(l);
    const takes =
      meaning.kind === 'driver' && !meaning.asksHigh
        ? typicalStay(meaning.file, meaning.class, w.measured)
        : null;
    return { n: l.n, text: l.text, meaning, takes };
  });
