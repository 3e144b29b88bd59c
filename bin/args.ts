import { parseArgs } from 'node:util';
import { commandRefusals as refusals } from '../src/lib/words/command-line';
import { Usage } from './io';

/** An option that is there or not, as `--text`. */
export const FLAG = { type: 'boolean' } as const;
/** An option with a value, as `--os dos6.22` or `--os=dos6.22`. */
export const TEXT = { type: 'string' } as const;

export type Options = Readonly<Record<string, typeof FLAG | typeof TEXT>>;
/** What was told of each option; one that was not named is not there. */
export type Told<T extends Options> = {
  readonly [K in keyof T]?: T[K] extends typeof FLAG ? boolean : string;
};

const trouble: Readonly<Record<string, (option: string, takesValue: boolean) => string>> = {
  ERR_PARSE_ARGS_UNKNOWN_OPTION: refusals.noOption,
  ERR_PARSE_ARGS_INVALID_OPTION_VALUE: (option, takesValue) =>
    takesValue ? refusals.noValue(option) : refusals.value(option)
};

/**
 * Reads what stands after the name of a command: its options in any order, and the words between them.
 * @param most words that it takes
 * @param usage what is shown below when something is not understood
 * @throws Usage naming the option or word that is not understood: none is passed over
 */
export function readArgs<const T extends Options>(
  args: readonly string[],
  options: T,
  most: number,
  usage: string
): { words: readonly string[]; told: Told<T> } {
  const wrong = (why: string): never => {
    throw new Usage(`${why}\n\n${usage}`);
  };
  try {
    const { values, positionals, tokens } = parseArgs({
      args: [...args],
      options,
      allowPositionals: true,
      tokens: true
    });
    // Of two values the parser keeps the last.
    const named = tokens.flatMap((t) => (t.kind === 'option' && t.value !== undefined ? [t.rawName] : []));
    const again = named.find((name, i) => named.indexOf(name) < i);
    if (again) wrong(refusals.twice(again));
    if (positionals.length > most) wrong(refusals.word(positionals[most]));
    return { words: positionals, told: values as Told<T> };
  } catch (error) {
    const { code, message } = error as NodeJS.ErrnoException;
    const option = /--?[\w-]+/.exec(message)?.[0] ?? '';
    const words = trouble[code ?? ''];
    if (!words) throw error;
    return wrong(words(option, (options as Options)[option.slice(2)] === TEXT));
  }
}

/** A whole number that an option was told. @throws Usage */
export function numberOf(option: string, text: string | undefined, most: number): number | undefined {
  if (text === undefined) return undefined;
  const value = Number(text);
  if (!/^\d+$/.test(text) || value > most) throw new Usage(`${refusals.number(option, most, text)}\n`);
  return value;
}
