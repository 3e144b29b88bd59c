import type { Unlooked } from '../../../core/resources';
import type { FactsOf, RuleId } from '../../../core/rules';
import { and } from '../language';

/** A finding in words. */
export interface Told {
  /** A few words: what is wrong. */
  title: string;
  /** What happens at the machine, and what to do. */
  sentence: string;
  /** The fact behind it. */
  why: string;
}

/** Settings that nobody looked at, each once. */
export const unlookedNames = (assumed: readonly Unlooked[]): string[] => [
  ...new Set(assumed.map(({ setting, of }) => `${setting} of ${of}`))
];

/** What hangs on settings that nobody looked at says so, behind its sentence. */
export function ifUsual(assumed: readonly string[]): string {
  const settings = [...new Set(assumed)];
  if (!settings.length) return '';
  return ` Nobody looked at ${and(settings)}: this is with the usual ${settings.length > 1 ? 'positions' : 'position'}. Look first.`;
}

/** Words for some rules: one function each. A rule without words does not compile. */
export type WordsOf<R extends RuleId> = { [K in R]: (facts: FactsOf[K]) => Told };
