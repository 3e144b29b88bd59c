import { there } from '../model';
import { commandSince, configSince } from '../boot';
import { loadedOf, type Situation } from './situation';
import { batchPlace, configPlace } from './check-place';
import { BATCH, CONFIG, type Seen } from './finding';
import { variableOf, type BatchLine, type ConfigLine } from './read';
import { blockNamed, choicesOf, gotoLabel, hasMenu } from './walk';

/** Longest line that DOS reads, and longest value of PATH that can be typed. */
const MOST_LINE = 127;
const MOST_PATH = 122;
const MOST_ITEMS = 9;

/** How many letters differ between two words, at most `most`. */
function distance(a: string, b: string): number {
  let row = Array.from({ length: b.length + 1 }, (_, i) => i);
  for (let i = 1; i <= a.length; i++) {
    const next = [i];
    for (let j = 1; j <= b.length; j++)
      next.push(
        Math.min(
          there(row[j]) + 1,
          there(next[j - 1]) + 1,
          there(row[j - 1]) + (a[i - 1] === b[j - 1] ? 0 : 1)
        )
      );
    row = next;
  }
  return there(row[b.length]);
}
const nearest = (word: string, known: readonly string[]): string | null => {
  const [best] = known.map((k) => ({ k, d: distance(word, k) })).sort((x, y) => x.d - y.d);
  return best && best.d <= 2 && best.d < word.length / 2 ? best.k : null;
};

const whole = (text: string, from: number, to: number): boolean =>
  /^\d+$/.test(text.trim()) && Number(text) >= from && Number(text) <= to;

/** What each word with numbers takes, and how that is said. */
const numbers: Readonly<Record<string, { range: string; isRight: (value: string) => boolean }>> = {
  FILES: { range: '8–255', isRight: (v) => whole(v, 8, 255) },
  BUFFERS: { range: '1–99', isRight: (v) => whole(there(v.replace(/\s*\/X$/i, '').split(',')[0]), 1, 99) },
  FCBS: { range: '1–255', isRight: (v) => whole(there(v.split(',')[0]), 1, 255) },
  LASTDRIVE: { range: 'A–Z', isRight: (v) => /^[A-Z]:?$/i.test(v.trim()) },
  STACKS: {
    range: '0,0 or 8–64,32–512',
    isRight: (v) => {
      const [n, s, more] = v.split(',').map((x) => x.trim());
      return (
        more === undefined && ((n === '0' && s === '0') || (whole(n ?? '', 8, 64) && whole(s ?? '', 32, 512)))
      );
    }
  }
};

/** The form of CONFIG.SYS: words, versions, numbers, lengths. Holds in every choice alike. */
export function configForm(lines: readonly ConfigLine[], dos: number | null): Seen[] {
  return lines.flatMap((l): Seen[] => {
    const at = { file: CONFIG, line: l.n };
    const out: Seen[] = [];
    if (l.text.length > MOST_LINE)
      out.push({ rule: 'line.long', facts: { length: l.text.length }, severity: 'clash', ...at });
    if (l.kind === 'odd')
      out.push({ rule: 'line.odd', facts: { text: l.text.trim() }, severity: 'caution', ...at });
    if (l.kind === 'comment' && dos !== null) {
      const since = l.word === ';' ? 6 : 4;
      if (dos < since)
        out.push({ rule: 'comment.version', facts: { word: l.word, since, dos }, severity: 'note', ...at });
    }
    if (l.kind === 'header' && dos !== null && dos < 6)
      out.push({
        rule: 'word.version',
        facts: { word: `[${l.word}]`, since: 6, dos },
        severity: 'clash',
        ...at
      });
    out.push(...configPlace(l));
    if (l.kind !== 'directive' || out.some((f) => f.rule === 'word.place')) return out;
    const since = configSince[l.word];
    if (since === undefined) {
      const near = nearest(l.word, Object.keys(configSince));
      return [...out, { rule: 'word.unknown', facts: { word: l.word, near }, severity: 'caution', ...at }];
    }
    if (dos !== null && dos < since)
      out.push({ rule: 'word.version', facts: { word: l.word, since, dos }, severity: 'clash', ...at });
    const number = numbers[l.word.replace(/HIGH$/, '')];
    if (number && !l.word.startsWith('DEVICE') && !number.isRight(l.value))
      out.push({
        rule: 'number.bad',
        facts: { word: l.word, value: l.value, range: number.range },
        severity: 'clash',
        ...at
      });
    return out;
  });
}

/** The form of AUTOEXEC.BAT. */
export function batchForm(lines: readonly BatchLine[], dos: number | null): Seen[] {
  const labels = new Map<string, BatchLine>();
  return lines.flatMap((l): Seen[] => {
    const at = { file: BATCH, line: l.n };
    const out: Seen[] = [];
    if (l.text.length > MOST_LINE)
      out.push({ rule: 'line.long', facts: { length: l.text.length }, severity: 'clash', ...at });
    if (l.kind === 'label') {
      const short = l.label.slice(0, 8);
      const first = labels.get(short);
      if (first)
        out.push({
          rule: 'label.twice',
          facts: { label: l.label, first: first.n },
          severity: 'clash',
          ...at
        });
      else labels.set(short, l);
    }
    const { command } = l;
    if (!command) return out;
    out.push(...batchPlace(l));
    if (command.quiet && dos !== null && dos < 3.3)
      out.push({
        rule: 'at.version',
        facts: { dos },
        severity: 'caution',
        edit: { ...at, text: l.text.replace(/^(\s*)@\s*/, '$1') },
        ...at
      });
    const words = [command.called ? 'CALL' : '', command.high ? 'LOADHIGH' : '', command.word];
    for (const word of words) {
      const since = commandSince[word];
      if (since !== undefined && dos !== null && dos < since)
        out.push({ rule: 'word.version', facts: { word, since, dos }, severity: 'clash', ...at });
    }
    const variable = variableOf(l);
    if (variable?.name.toUpperCase() === 'PATH' && variable.value.trim().length > MOST_PATH)
      out.push({
        rule: 'path.long',
        facts: { length: variable.value.trim().length },
        severity: 'clash',
        ...at
      });
    return out;
  });
}

/** The menu of CONFIG.SYS and the labels that its choices lead to. */
export function menuForm(config: readonly ConfigLine[], batch: readonly BatchLine[]): Seen[] {
  const out: Seen[] = [];
  const headers = config.filter((l) => l.kind === 'header');
  const names = new Set(headers.map((h) => h.word));
  const words = (word: string) => config.filter((l) => l.kind === 'directive' && l.word === word);
  const at = (l: ConfigLine) => ({ file: CONFIG, line: l.n });
  if (hasMenu(config)) {
    for (const menu of headers.filter(
      (h) => h.word === 'MENU' || words('SUBMENU').some((s) => blockNamed(s) === h.word)
    )) {
      const items = config.filter(
        (l) =>
          l.kind === 'directive' && l.block === menu.word && (l.word === 'MENUITEM' || l.word === 'SUBMENU')
      );
      if (!items.length) out.push({ rule: 'menu.empty', facts: {}, severity: 'clash', ...at(menu) });
      if (items.length > MOST_ITEMS)
        out.push({
          rule: 'menu.many',
          facts: { items: items.length },
          severity: 'clash',
          ...at(there(items[MOST_ITEMS]))
        });
    }
    for (const item of [...words('MENUITEM'), ...words('SUBMENU'), ...words('INCLUDE')])
      if (!names.has(blockNamed(item)))
        out.push({ rule: 'menu.block', facts: { block: blockNamed(item) }, severity: 'clash', ...at(item) });
    const reached = new Set([
      'MENU',
      'COMMON',
      ...[...words('MENUITEM'), ...words('SUBMENU'), ...words('INCLUDE')].map(blockNamed)
    ]);
    for (const h of headers)
      if (!reached.has(h.word))
        out.push({ rule: 'menu.unreached', facts: { block: h.word }, severity: 'caution', ...at(h) });
    const offered = new Set([...words('MENUITEM'), ...words('SUBMENU')].map(blockNamed));
    for (const d of words('MENUDEFAULT'))
      if (!offered.has(blockNamed(d)))
        out.push({ rule: 'menu.default', facts: { block: blockNamed(d) }, severity: 'caution', ...at(d) });
  }
  const labels = new Set(batch.filter((l) => l.kind === 'label').map((l) => l.label.slice(0, 8)));
  for (const line of batch) {
    if (line.command?.word !== 'GOTO') continue;
    const usesChoice = /%CONFIG%/i.test(line.text);
    for (const choice of usesChoice ? choicesOf(config) : [null]) {
      const label = gotoLabel(line, choice);
      if (label === null || (usesChoice && choice === null) || label.includes('%')) continue;
      if (!labels.has(label.slice(0, 8)))
        out.push({ rule: 'label.missing', facts: { label }, severity: 'clash', file: BATCH, line: line.n });
    }
  }
  return [...out, ...fallsThrough(config, batch)];
}

/** A branch for one choice that runs on into the branch of the next. */
function fallsThrough(config: readonly ConfigLine[], batch: readonly BatchLine[]): Seen[] {
  const choices = new Set(choicesOf(config).flatMap((c) => (c === null ? [] : [c.slice(0, 8)])));
  if (!choices.size) return [];
  return batch.flatMap((l, i): Seen[] => {
    if (l.kind !== 'label' || !choices.has(l.label.slice(0, 8))) return [];
    const before = batch.slice(0, i).filter((x) => x.kind === 'command' || x.kind === 'label');
    const last = before.at(-1);
    if (!last || (last.command?.word === 'GOTO' && !last.command.conditions.length)) return [];
    const branch = [...before].reverse().find((x) => x.kind === 'label');
    if (!branch || !choices.has(branch.label.slice(0, 8))) return [];
    // Two labels in a row are one branch for two choices.
    if (last === branch) return [];
    return [
      {
        rule: 'label.falls',
        facts: { label: branch.label, into: l.label },
        severity: 'clash',
        file: BATCH,
        line: l.n,
        edit: batch.some((x) => x.label === 'END')
          ? { file: BATCH, line: l.n, text: 'GOTO END', isNew: true }
          : null
      }
    ];
  });
}

/** Files that a line names on a drive which the machine has not, and a shell on a floppy. */
export function lettersForm(s: Situation): Seen[] {
  const { hardDisks, floppies } = s.machine;
  const loaded = loadedOf(s);
  const out: Seen[] = loaded.flatMap((l): Seen[] => {
    const { drive } = l.file;
    if (drive === null || drive > 'C') return [];
    const isThere = drive === 'C' ? hardDisks > 0 : floppies > 0;
    return isThere
      ? []
      : [{ rule: 'letter.none', facts: { letter: drive }, severity: 'clash', file: l.at, line: l.n }];
  });
  const onDisk = loaded.some((l) => l.file.drive !== null && l.file.drive >= 'C');
  const isFloppy = (path: string) => /^[AB]:/i.test(path);
  for (const l of s.config)
    if (l.kind === 'directive' && l.word === 'SHELL' && l.file && onDisk && isFloppy(l.file.path))
      out.push({
        rule: 'shell.floppy',
        facts: { path: l.file.path, what: 'SHELL' },
        severity: 'caution',
        file: CONFIG,
        line: l.n
      });
  for (const { line } of s.batch) {
    const v = variableOf(line);
    if (v?.name.trim().toUpperCase() === 'COMSPEC' && onDisk && isFloppy(v.value.trim()))
      out.push({
        rule: 'shell.floppy',
        facts: { path: v.value.trim(), what: 'COMSPEC' },
        severity: 'caution',
        file: BATCH,
        line: line.n
      });
  }
  return out;
}
