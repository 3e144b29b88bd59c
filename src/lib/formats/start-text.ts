import { MESSAGES, STAGES, Start, schemaFlaws, type Power, type StageId, lastOf } from '../core/model';
import { cardOutIn, readBeeps, readScreen, testById } from '../core/diagnosis';
import { InvalidDocument, documentNames, fileFlaws, problemsOf, startFlaws as flaws } from '../words';

const KEYS = [
  'power',
  'beeps',
  'screen',
  'reached',
  'messages',
  'text',
  'filmed',
  'stays',
  'after',
  'read',
  'note'
] as const;
type Key = (typeof KEYS)[number];

/** What one line adds to a start, or why it is not understood. */
type Reading = { told: Record<string, unknown> } | { wrong: string };

const yesNo = (value: string): boolean | null =>
  /^(?:yes|true)$/i.test(value) ? true : /^(?:no|false)$/i.test(value) ? false : null;

function readFlag(key: Key, value: string): Reading {
  const flag = yesNo(value);
  return flag === null ? { wrong: flaws.flag(value) } : { told: { [key]: flag } };
}

function readMessages(value: string): Reading {
  const list = value.split(/[,\s]+/).filter(Boolean);
  const unknown = list.find((x) => !(MESSAGES as readonly string[]).includes(x) && x !== 'none');
  return unknown === undefined
    ? { told: { messages: list.filter((x) => x !== 'none') } }
    : { wrong: flaws.message(unknown, MESSAGES) };
}

function readText(value: string): Reading {
  const found = readScreen(value);
  return found.length === 1
    ? { told: { messages: found, note: value } }
    : {
        wrong: found.length ? flaws.severalTexts(value, found) : flaws.text(value, MESSAGES)
      };
}

/** @param items parts of the machine, of which one card may have been left out */
function readAfter(value: string, items: readonly string[]): Reading {
  const card = cardOutIn(value);
  if (card !== null && !items.includes(card)) return { wrong: flaws.item(card, items) };
  return value === 'nothing' || card !== null || testById.has(value)
    ? { told: { after: value } }
    : { wrong: flaws.test(value, [...testById.keys()]) };
}

function readReading(value: string): Reading {
  const [test = '', said = ''] = value.split(/\s+/);
  const found = yesNo(said);
  return !testById.get(test)?.reads
    ? {
        wrong: flaws.reading(
          test,
          [...testById.values()].flatMap((t) => (t.reads ? [t.id] : []))
        )
      }
    : found === null
      ? { wrong: flaws.noAnswer(test) }
      : { told: { read: { test, found } } };
}

/** What people call it, beside the word of the file; the first that matches counts. */
const POWER: readonly [RegExp, Power][] = [
  [/^(?:twitch\w*|kicks?|starts and stops|(?:fan )?(?:jumps|moves) and stops)$/i, 'twitch'],
  [/^(?:tick\w*|click\w*)$/i, 'ticks'],
  [/^(?:still|dead|nothing|none|off|no (?:fan|power|lights?|life)\b.*)$/i, 'still'],
  [/^(?:runs?|running|on|yes|ok|(?:the )?fans? (?:runs?|on|turns?|spins?|running))$/i, 'runs']
];
const SCREEN: readonly [RegExp, 'dark' | 'text'][] = [
  [/^(?:dark|black|blank|nothing|none|no (?:picture|image|signal|display|screen))$/i, 'dark'],
  [/^(?:text|picture|image|something|yes|cursor|shows? .*|a picture)$/i, 'text']
];
const REACHED: readonly [RegExp, StageId][] = [
  [/^(?:memory (?:count|test)|counting|count(?:s|ed)? memory|ram (?:count|test))$/i, 'count'],
  [/^(?:first text|video bios|picture|sign-?on)$/i, 'display'],
  [/^(?:keyboard (?:lights?|leds?)|leds?)$/i, 'keyboard'],
  [/^(?:floppy (?:seek|test|drive|light)|fdd|drive a:?|a: seeks?)$/i, 'floppy'],
  [/^(?:hard disk|hdd|hard drive|disk ready|drive c:?)$/i, 'disk'],
  [/^(?:option roms?|card roms?|card bios(?:es)?|scsi bios|adapter bios)$/i, 'roms'],
  [/^(?:press f1|f1|system configuration|summary screen)$/i, 'summary'],
  [/^(?:single beep|the beep|boots?|booting|boot sector)$/i, 'boot'],
  [/^(?:starting (?:ms-?)?dos.*|dos(?: starts)?|windows(?: starts)?)$/i, 'system'],
  [/^(?:config\.sys|drivers|autoexec\.bat)$/i, 'config'],
  [/^(?:[a-z]:\\?>?|command prompt|dos prompt)$/i, 'prompt'],
  [/^(?:power|fan)$/i, 'rails']
];

/** One of a few words, or what people say for it. */
const oneOf =
  <T extends string>(key: Key, all: readonly T[], said: readonly [RegExp, T][]) =>
  (value: string): Reading => {
    const own = all.find((x) => x === value.toLowerCase());
    const found = own ?? said.find(([words]) => words.test(value))?.[1];
    return found ? { told: { [key]: found } } : { wrong: flaws.oneOf(value, all) };
  };
const readDark = oneOf('screen', ['dark', 'text'], SCREEN);

const READERS: Partial<Record<Key, (value: string, items: readonly string[]) => Reading>> = {
  beeps: (value) => (readBeeps(value) ? { told: { beeps: value } } : { wrong: flaws.beeps(value) }),
  power: oneOf('power', ['still', 'twitch', 'ticks', 'runs'], POWER),
  screen: (value) => {
    const isSure = /\s+sure$/i.test(value);
    const read = readDark(value.replace(/\s+sure$/i, ''));
    return 'wrong' in read || !isSure ? read : { told: { ...read.told, darkSure: true } };
  },
  reached: oneOf('reached', STAGES, REACHED),
  messages: readMessages,
  text: readText,
  filmed: (value) => readFlag('filmed', value),
  stays: (value) => readFlag('stays', value),
  after: readAfter,
  read: readReading
};

/**
 * Reads starts from a few lines: `power: runs`, `beeps: 1 long 2 short`, `screen: dark sure`, `reached: memory count`,
 * `stays: yes`, `messages: settings, keyboard`, `text: Keyboard error`. A line that is left out was not looked at. A
 * line of dashes begins the next start; there `after: reseat-memory` says what was done before it (`after: without sound`: only that card was out), and `read:
 * ohms no` is a reading instead of a start.
 * @param items parts of the machine by their names in the build
 * @throws InvalidDocument naming the line
 */
export function readStarts(text: string, at: string, items: readonly string[] = []): Start[] {
  const problems: { path: string; message: string }[] = [];
  const starts: { line: number; told: Record<string, unknown> }[] = [{ line: 1, told: {} }];
  text.split(/\r?\n/).forEach((line, i) => {
    if (/^\s*-{3,}\s*$/.test(line)) return void starts.push({ line: i + 2, told: {} });
    if (!line.trim() || line.trim().startsWith('#')) return;
    const say = (message: string) => problems.push({ path: fileFlaws.line(i + 1), message });
    const m = /^\s*([a-z]+)\s*[:=]\s*(.*?)\s*$/i.exec(line);
    const key = m?.[1]?.toLowerCase() as Key | undefined;
    const value = m?.[2] ?? '';
    if (!key || !KEYS.includes(key)) return void say(flaws.line(KEYS));
    const reading = READERS[key]?.(value, items) ?? { told: { [key]: value } };
    if ('wrong' in reading) return void say(reading.wrong);
    const { told } = lastOf(starts);
    const messages = [...((told.messages as string[]) ?? []), ...((reading.told.messages as string[]) ?? [])];
    Object.assign(told, reading.told, 'messages' in reading.told ? { messages } : {});
  });
  const read = starts
    .filter((s) => Object.keys(s.told).length)
    .map(({ line, told }) => {
      const parsed = Start.safeParse({ at, ...told });
      if (!parsed.success)
        problems.push(
          ...problemsOf(schemaFlaws(parsed.error)).map((p) => ({
            ...p,
            path: `${fileFlaws.line(line)}: ${p.path}`
          }))
        );
      return parsed.data;
    });
  if (!read.length && !problems.length) problems.push({ path: '', message: flaws.nothing });
  if (problems.length) throw new InvalidDocument(problems, documentNames.start);
  return read as Start[];
}
