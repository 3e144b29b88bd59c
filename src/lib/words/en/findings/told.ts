import type { FactsOf, RuleId } from '../../../core/rules';

/** A finding in words. */
export interface Told {
  /** A few words: what is wrong. */
  title: string;
  /** What happens at the machine, and what to do. */
  sentence: string;
  /** The fact behind it. */
  why: string;
}

/** Words for some rules: one function each. A rule without words does not compile. */
export type WordsOf<R extends RuleId> = { [K in R]: (facts: FactsOf[K]) => Told };
