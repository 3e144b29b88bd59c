import { there } from '../model';
import { SIZE, groupsOf, hasDefault, isValue, sidesAsValues, wordsOf, type Group } from './groups';
import type { Legend } from './cells';
import { isBits, textOf, type Token } from './lex';
import { meant, subjectOf } from './meanings';
import { spotsOf, type Context, type Spot } from './spots';

/** A statement of one line: these jumpers or switches so mean this. */
export interface Statement {
  spots: Spot[];
  value: string;
  isDefault: boolean;
  /** It names the default and says nothing of a meaning. */
  declares?: boolean;
}

export type Sentence =
  | {
      kind: 'statements';
      heading: string | null;
      statements: Statement[];
      context: Context;
      /** Rows of bits stand for sides. */
      hasBits: boolean;
    }
  | { kind: 'heading'; heading: string; context: Context }
  | { kind: 'mismatch' };

const MISMATCH: Sentence = { kind: 'mismatch' };

/** A name alone, without a side; numbers of switches without a side name them, too. */
function isBare(group: Group): boolean {
  const rest = group.tokens.filter((t) => t.sort !== 'default');
  const first = rest[0];
  const named = first?.sort === 'ref' && first.of === 'switch' && rest.length > 1;
  return (
    rest.length > 0 &&
    rest.every((t) => t.sort === 'ref' || (named && (t.sort === 'pins' || t.sort === 'text')))
  );
}

/** `all ON`, `the others OFF`: which switches those are cannot be said. */
const isOfAll = (tokens: readonly Token[]): boolean =>
  tokens.some((t, i) => {
    const before = tokens[i - 1];
    return t.sort === 'side' && before?.sort === 'text' && /^(?:all|others?|rest)$/i.test(textOf([before]));
  });

/** Whether groups are a meaning and a state, a meaning and a state, and so on. */
const isValueFirst = (groups: readonly Group[]): boolean =>
  groups.length >= 2 && groups.length % 2 === 0 && groups.every((g, i) => g.s === (i % 2 === 1));

/** Whether each meaning is a number, and ends with what leads to its state: `IRQ 5: 1-2; IRQ 7: 3-4`. */
const isPaired = (groups: readonly Group[], heading: string): boolean =>
  groups.length > 2 && groups.every((g) => g.s || isValue(wordsOf(g.tokens), heading));

/** Whether a state stands in brackets. */
const isInBrackets = (tokens: readonly Token[]): boolean =>
  tokens.some(
    (t, i) =>
      (t.sort === 'pins' && t.text.startsWith('(')) ||
      (t.sort === 'sep' && t.text === '(' && /^(?:side|ref)$/.test(tokens[i + 1]?.sort ?? ''))
  );

/** What a line is about, with a state or the end of a sentence in it. */
const HALF_HEAD = /(?:^|\s)\d{1,2}-\d{1,2}(?=[\s.,]|$)|[.;]\s+\S/;

const isReserved = (words: string): boolean => meant(words, '').told.some((t) => t.kind === 'reserved');

/** Whether words name several numbers of one kind. */
function hasTwins(words: string, heading: string): boolean {
  const kinds = meant(words, heading).told.map((t) => t.kind);
  return new Set(kinds).size < kinds.length;
}

const NUMBERS = /(?<![\w.])\d[0-9A-F]*h?(?![\w.])/gi;
/** Whether words are a list of numbers, of which a bare name can mean but one. */
const isList = (words: string, heading: string): boolean =>
  (words.match(NUMBERS) ?? []).length > 2 || (/[,;]/.test(words) && hasTwins(words, heading));

/** `A = 1.2M, B = 1.44M`: meanings of something else than jumpers and switches. */
const hasOtherPairs = (tokens: readonly Token[]): boolean =>
  tokens.filter(
    (t, i) =>
      t.sort === 'sep' && t.text === '=' && tokens[i - 1]?.sort === 'text' && tokens[i + 1]?.sort === 'text'
  ).length > 1;

/** A meaning that runs on into the next sentence, or into a condition of its own: the line was not understood. */
const HALF_READ =
  /\S\s+(?:when|if)(?![A-Za-z])|[.;]\s+\S|^(?:\d{1,2}\s+)?(?:up|down)\s|^\d{1,2}\s+for\s|^(?:(?:on|off|open|closed)\s+){2}|(?:^|[\s,])both$|\bset\s+(?:it|them)(?![A-Za-z])|\s(?:open|close|remove|install)$/i;

/** One line, read in the ways in which its groups can go together. */
class Reading {
  private ctx: Context;
  /** What the line itself says that it is about. */
  private own: string | null = null;
  private readonly statements: Statement[] = [];
  private readonly failed: Group[] = [];
  private hasBits = false;
  private readonly list: Group[];

  constructor(
    private readonly tokens: readonly Token[],
    groups: readonly Group[],
    context: Context,
    private readonly heading: string,
    private readonly legend: Legend
  ) {
    this.ctx = context;
    this.list = [...groups];
  }

  read(): Sentence {
    this.takeHeading();
    return this.wordsFirst() ?? this.nameThenMeanings() ?? this.nameAndSubject() ?? this.statesThenMeanings();
  }

  private state(group: Group): Spot[] {
    this.hasBits ||= group.tokens.some((t) => t.sort === 'mark' && isBits(t.text));
    const read = spotsOf(group.tokens, this.ctx, this.legend);
    if (read) this.ctx = read.context;
    else this.failed.push(group);
    return read?.spots ?? [];
  }

  private add(spots: Spot[], value: Group | undefined, s: Group): void {
    const words = value ? wordsOf(value.tokens) : '';
    // `from 1-2 to 2-3`: pins that something else says of are no meaning.
    if (/^\d{1,2}-\d{1,2}\.?$/.test(words) || HALF_READ.test(words)) this.failed.push(s);
    // `switch 4: reserved` says of neither side what it does.
    else if (spots.length && spots.every((x) => x.implicit && x.of === 'switch') && isReserved(words))
      this.failed.push(s);
    // `…, 1 does not matter` says nothing more.
    else if (spots.length && !words && spots.every((x) => x.side === 'any')) return;
    // `JP1 A-B = IRQ 3, B-C = IRQ 4`: a bare name that means several numbers of a kind; how it stands was not read.
    else if (spots.some((x) => x.implicit) && isList(words, this.own ?? this.heading)) this.failed.push(s);
    else if (spots.length)
      this.statements.push({
        spots,
        value: words,
        isDefault: hasDefault(value, s) || s.declares === true,
        ...(s.declares ? { declares: true } : {})
      });
  }

  private said(): Sentence {
    if (this.failed.length || (this.own !== null && HALF_HEAD.test(this.own))) return MISMATCH;
    return {
      kind: 'statements',
      heading: this.own,
      statements: this.statements,
      context: this.ctx,
      hasBits: this.hasBits
    };
  }

  private asHeading(heading: string): Sentence {
    return this.failed.length ? MISMATCH : { kind: 'heading', heading, context: this.ctx };
  }

  /** Words before all others, and a name behind them: `IRQ positions (JP9): IRQ 3 = 1-2, …`. */
  private takeHeading(): void {
    const { list } = this;
    if (list[0] && list[1] && !list[0].s && !list[1].s) this.own = wordsOf(list.shift()!.tokens);
    const [about, block, ...rest] = list;
    if (
      about &&
      block &&
      !about.s &&
      block.s &&
      isBare(block) &&
      isValueFirst(rest) &&
      !list.some((g) => g.declares) &&
      !isValue(wordsOf(about.tokens), this.own ?? this.heading)
    ) {
      this.own = [this.own, wordsOf(about.tokens)].filter(Boolean).join(' ');
      this.state(block);
      list.splice(0, 2);
    }
  }

  /** Words before the first state: the value of a lone state, or what the whole line is about. */
  private wordsFirst(): Sentence | null {
    const { list } = this;
    const first = there(list[0]);
    if (first.s) return null;
    const states = list.filter((g) => g.s && !g.declares).length;
    const values = list.filter((g) => !g.s).length;
    const words = wordsOf(first.tokens);
    // Behind a heading of its own a value is no heading again: `EPROM base: D0000 = W1, …`.
    if (values > states && !(this.own !== null && isValue(words, this.own))) {
      this.own = words;
      list.shift();
      return null;
    }
    const second = list[1];
    if (
      values === 1 &&
      states === 1 &&
      second &&
      isBare(second) &&
      !isValue(words, this.heading) &&
      !hasDefault(first)
    ) {
      // `I/O address jumper JP4`: a heading with the block behind it.
      this.state(second);
      return this.asHeading(words);
    }
    let value: Group | undefined;
    for (const group of list) {
      if (!group.s) value = group;
      else {
        const onlyDefault = value && wordsOf(value.tokens) === '' && hasDefault(value);
        this.add(this.state(group), value, onlyDefault ? { ...group, declares: true } : group);
        value = undefined;
      }
    }
    // A value behind the last state belongs to none: nobody can say how they go together.
    return value && wordsOf(value.tokens) !== '' ? MISMATCH : this.said();
  }

  /** `J2: IRQ4 (1-2), IRQ3 (2-3)`, `J9: IRQ 5: 1-2; IRQ 7: 3-4`: the name, then each meaning before its state. */
  private nameThenMeanings(): Sentence | null {
    const [name, ...after] = this.list;
    if (
      !name?.s ||
      !isBare(name) ||
      !isValueFirst(after) ||
      (!isInBrackets(this.tokens) && !isPaired(after, this.heading)) ||
      after.some((g) => g.declares || (g.s && g.tokens.some((t) => t.sort === 'ref')))
    )
      return null;
    this.state(name);
    for (let i = 0; i < after.length; i += 2)
      this.add(this.state(there(after[i + 1])), after[i], there(after[i + 1]));
    return this.said();
  }

  /** `JP3 IRQ: 1-2 = 3, …` and `SW1 (I/O address): 1 on …`: the name and what it is for, then the states, or none. */
  private nameAndSubject(): Sentence | null {
    const { list } = this;
    const [name, about, then] = list;
    if (!name?.s || !isBare(name) || name.declares) return null;
    const words = about ? wordsOf(about.tokens) : '';
    if (about && !about.s && then?.s && !then.tokens.some((t) => t.sort === 'ref')) {
      // `J9 IRQ 5: 1-2, IRQ 7: 3-4`: number and state in turns, and which belongs to which is not clear.
      const isNumber = (g: Group) => !g.s && isValue(wordsOf(g.tokens), this.heading);
      if (isNumber(about) && list.slice(3).some(isNumber)) return MISMATCH;
      this.own = [this.own, SIZE.test(words) ? '' : words].filter(Boolean).join(' ');
      this.state(name);
      list.splice(0, 2);
      return null;
    }
    // `JP1-JP3: I/O address (factory setting JP2)`: behind the name and its use only the default is named.
    if (
      about &&
      !about.s &&
      words &&
      list.slice(2).every((g) => g.declares) &&
      !isValue(words, this.heading)
    ) {
      if (list.length > 2) {
        this.own = [this.own, words].filter(Boolean).join(' ');
        this.state(name);
        list.splice(0, 2);
      }
    }
    if (list.length > 2 || list[0] !== name) return null;
    const heading = this.own ?? this.heading;
    const at = this.tokens.findIndex((t) => t.sort === 'ref');
    const equals = this.tokens.slice(at).some((t) => t.sort === 'sep' && t.text === '=');
    // `J7  4-pin  External battery` is a connector: its size comes first, and no way that it stands.
    const isConnector = /^\d{1,2}[- ]?pins?\s/i.test(words);
    if (equals || (!isConnector && isValue(words, heading))) return null;
    this.state(name);
    const above = SIZE.test(words) ? '' : words || (this.own ?? '');
    return this.asHeading(subjectOf(above).subject || !this.own ? above : [heading, words].join(' ').trim());
  }

  private statesThenMeanings(): Sentence {
    this.list.forEach((group, i) => {
      if (!group.s) return;
      const next = this.list[i + 1];
      this.add(this.state(group), next && !next.s ? next : undefined, group);
    });
    return this.said();
  }
}

/**
 * Reads a line as one or several statements, or as the heading of those below it.
 * @param tokens the line
 * @param context the block and fields of the lines above
 * @param heading what the lines above announced
 * @param legend what marks stand for
 */
export function readSentence(
  tokens: readonly Token[],
  context: Context,
  heading: string,
  legend: Legend
): Sentence | null {
  const groups = sidesAsValues(groupsOf(tokens, context)).filter(
    (g) => g.s || wordsOf(g.tokens) !== '' || hasDefault(g)
  );
  if (!groups.some((g) => g.s)) return null;
  return isOfAll(tokens) || hasOtherPairs(tokens)
    ? MISMATCH
    : new Reading(tokens, groups, context, heading, legend).read();
}
