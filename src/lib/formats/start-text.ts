import { InvalidDocument, MESSAGES, Start, zodProblems } from '../core/model';
import { readBeeps } from '../core/diagnosis';

const KEYS = ['power', 'beeps', 'screen', 'reached', 'messages', 'filmed', 'stays', 'note'] as const;

/**
 * Reads what was seen of a start from a few lines: `power: runs`, `beeps: 1 long 2 short`, `screen: dark sure`,
 * `reached: count`, `stays: yes`, `messages: settings, keyboard`. A line that is left out was not looked at.
 * @throws InvalidDocument naming the line
 */
export function readStart(text: string, at: string): Start {
  const told: Record<string, unknown> = { at };
  const problems: { path: string; message: string }[] = [];
  text.split(/\r?\n/).forEach((line, i) => {
    if (!line.trim() || line.trim().startsWith('#')) return;
    const say = (message: string) => problems.push({ path: `line ${i + 1}`, message });
    const m = /^\s*([a-z]+)\s*[:=]\s*(.*?)\s*$/i.exec(line);
    const key = m?.[1]?.toLowerCase() as (typeof KEYS)[number] | undefined;
    const value = m?.[2] ?? '';
    if (!key || !KEYS.includes(key))
      return void say(`is not understood; write one of ${KEYS.join(', ')}, a colon and what was seen`);
    if (key === 'beeps' && !readBeeps(value))
      return void say(`"${value}" is no pattern of beeps; write none, 3, 1 long 2 short, 1-3-3 or repeated`);
    if (key === 'screen') {
      const [screen, sure] = value.toLowerCase().split(/\s+/);
      told.screen = screen;
      if (sure === 'sure') told.darkSure = true;
    } else if (key === 'messages') {
      const list = value.split(/[,\s]+/).filter(Boolean);
      const unknown = list.filter((x) => !(MESSAGES as readonly string[]).includes(x) && x !== 'none');
      if (unknown.length)
        return void say(`"${unknown[0]}" is no message; write none or some of ${MESSAGES.join(', ')}`);
      told.messages = list.filter((x) => x !== 'none');
    } else if (key === 'filmed' || key === 'stays') {
      if (!/^(?:yes|no|true|false)$/i.test(value))
        return void say(`"${value}" is not understood; write yes or no`);
      told[key] = /^(?:yes|true)$/i.test(value);
    } else told[key] = value;
  });
  const parsed = Start.safeParse(told);
  if (!parsed.success) problems.push(...zodProblems(parsed.error));
  if (problems.length || !parsed.success) throw new InvalidDocument(problems, 'The start');
  return parsed.data;
}
