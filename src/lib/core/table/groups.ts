import { lastOf, there } from '../model';
import { isBits, textOf, type Token } from './lex';
import { meant } from './meanings';
import type { Context } from './spots';

/** Tokens that belong together: how something stands (`s`), or what that means. */
export interface Group {
  s: boolean;
  tokens: Token[];
  declares?: boolean;
}

const FILLER =
  /^(?:and|to|set|sets|setting|settings|is|are|be|must|should|the|a|an|at|for|with|of|if|then|jumper|jumpers|switch|switches|position|positions|pin|pins|cap|across|=|-|:|,|\/|&|\+)$/i;
const HEADING =
  /\bselect(?:ion|ed|or)?s?\b|\bsettings?\b|\bconfiguration\b|\bjumpers?\b|\baddress(?:es)?$|\boptions?\b/i;
/** How large a block is, which is no value of it. */
export const SIZE = /^\d{1,2}[- ]?(?:pins?|switch(?:es)?|positions?|way)$/i;
const NOT_PINS_AFTER = /^(?:banks?|irqs?|dma|channels?|drives?|units?|slots?|ids?|lines?|bits?)$/i;

const isSwitch = (groups: readonly Group[], context: Context): boolean => {
  for (let i = groups.length - 1; i >= 0; i--)
    for (let k = there(groups[i]).tokens.length - 1; k >= 0; k--) {
      const t = there(there(groups[i]).tokens[k]);
      if (t.sort === 'ref') return t.of === 'switch';
    }
  return context.block?.of === 'switch';
};

/** `5`, `5,6`, `1=` before a side: the number of a switch. */
function isSwitchNumber(tokens: readonly Token[], at: number): boolean {
  const t = there(tokens[at]);
  if (t.sort !== 'text' || !/^\d{1,2}$/.test(t.text) || Number(t.text) > 16 || Number(t.text) < 1)
    return false;
  // `on on = 1, off on = 2`: behind an equals sign and sides it is a value.
  const [before, equals] = [tokens[at - 2], tokens[at - 1]];
  if (before?.sort === 'side' && equals?.sort === 'sep' && equals.text === '=') return false;
  for (let i = at + 1; i < tokens.length; i++) {
    const next = there(tokens[i]);
    if (next.sort === 'side') return true;
    if (next.sort === 'mark' && isBits(next.text)) return true;
    if (next.sort === 'sep' && /[,:=]/.test(next.text)) continue;
    if (next.sort === 'text' && /^(?:\d{1,2}|and|&|\/|\+|is|are)$/i.test(next.text)) continue;
    return false;
  }
  return false;
}

/** Whether a side in this place says how something stands, and is not part of what a position means. */
function sideIsState(groups: readonly Group[], previous: Token | undefined, context: Context): boolean {
  const group = groups.at(-1);
  if (!previous || !group) return context.block !== null;
  if (previous.sort === 'sep' && /[,;|([]/.test(previous.text)) return true;
  // `1-2 IRQ 3, open off`: the jumper stands open, and that is what it means.
  const several = groups.flatMap((g) => g.tokens).filter((t) => t.sort === 'ref').length > 1;
  if (
    previous.sort === 'side' &&
    group.s &&
    group.tokens.length === 1 &&
    !several &&
    !isSwitch(groups, context)
  )
    return false;
  if (group.s) {
    const last = group.tokens.at(-1);
    // `SW1 3-4: off off` names switches, `JP5 1-2: on` says what the jumper there does.
    if (previous.sort === 'sep' && /[=:]/.test(previous.text))
      return last?.sort !== 'side' && (last?.sort !== 'pins' || isSwitch(groups, context));
    return true;
  }
  return previous.sort === 'sep' && /[=:]/.test(previous.text);
}

/**
 * `JP6 Game port ON enabled OFF disabled`, `J10 ON=colour OFF=mono`: a side that its meaning follows. Before an equals
 * sign it always is; among words only where both sides stand in the line and nothing said yet how the jumper stands.
 */
function opensMeaning(
  tokens: readonly Token[],
  at: number,
  groups: readonly Group[],
  context: Context
): boolean {
  const hasBlock = context.block !== null || groups.some((g) => g.s);
  const next = tokens[at + 1];
  // `1-2 378h 2-3 278h open 3BCh`: behind pairs of pins with their meanings a bare "open" is the last state.
  const own = tokens[at];
  const paired = groups.filter((g) => g.s && g.tokens.some((t) => t.sort === 'pins')).length;
  if (
    own?.sort === 'side' &&
    /^(?:open|none|removed|no jumper)$/i.test(own.text) &&
    paired > 1 &&
    next?.sort === 'text'
  )
    return true;
  if (!hasBlock || !next) return false;
  if (next.sort === 'sep' && /[=:]/.test(next.text)) return true;
  const states = groups.filter((g) => g.s);
  const isOpen = states.every((g) => g.tokens.every((t) => t.sort === 'ref'));
  const sides = tokens.flatMap((t, i) =>
    t.sort === 'side' && tokens[i + 1]?.sort === 'text' ? [t.side] : []
  );
  const before = tokens.slice(0, at).some((t) => t.sort === 'side');
  return next.sort === 'text' && new Set(sides).size > 1 && (isOpen || before);
}

/** `S1-1 ON, S1-2 OFF = 10`: behind sides a row of bits is a number. */
const isSaid = (group: Group | undefined): boolean => group?.tokens.some((t) => t.sort === 'side') ?? false;

/** `Drive 1-2 A  2-3 B`: two pairs with a pin in common are the pins of a header, and no numbers of anything. */
function isThreePins(tokens: readonly Token[]): boolean {
  const pairs = tokens.flatMap((t) => (t.sort === 'pins' && t.joint === 'dash' ? [t.pair] : []));
  return pairs.length === 2 && there(pairs[0])[1] === there(pairs[1])[0];
}

/** `0800: 1=off 2=on`: switches that are named one by one behind a number, which is no row of them. */
const namesSwitches = (tokens: readonly Token[], from: number): boolean =>
  tokens.some(
    (t, i) => i > from && t.sort === 'side' && isSwitchNumber(tokens, i - 2) && tokens[i - 1]?.sort === 'sep'
  );

export function groupsOf(tokens: readonly Token[], context: Context): Group[] {
  const groups: Group[] = [];
  const put = (s: boolean, token: Token, declares = false) => {
    const last = groups.at(-1);
    if (last && last.s === s && !declares && !endsHere) last.tokens.push(token);
    else groups.push({ s, tokens: [token], ...(declares ? { declares } : {}) });
    endsHere = false;
  };
  let endsHere = false;
  tokens.forEach((token, i) => {
    const previous = tokens[i - 1];
    switch (token.sort) {
      case 'ref':
        return put(true, token);
      case 'pins':
        return put(
          !(previous?.sort === 'text' && NOT_PINS_AFTER.test(previous.text)) || isThreePins(tokens),
          token
        );
      case 'side':
        return put(sideIsState(groups, previous, context) || opensMeaning(tokens, i, groups, context), token);
      case 'mark':
        if (
          isBits(token.text) &&
          !namesSwitches(tokens, i + 1) &&
          isSwitch(groups, context) &&
          (groups.at(-1)?.s ?? true) &&
          !isSaid(groups.at(-1))
        )
          return put(true, token);
        if (/^[.-]$/.test(token.text)) return;
        return put(false, { sort: 'text', text: token.text });
      case 'default': {
        const next = tokens
          .slice(i + 1)
          .find((t) => !(t.sort === 'sep' || (t.sort === 'text' && FILLER.test(t.text))));
        const opens = previous === undefined || (previous.sort === 'sep' && /[,;|.(]/.test(previous.text));
        if (opens && next && (next.sort === 'ref' || next.sort === 'pins') && !/[*(]/.test(token.text)) {
          groups.push({ s: true, tokens: [], declares: true });
          endsHere = false;
          return;
        }
        const last = groups.at(-1);
        if (last) last.tokens.push(token);
        else groups.push({ s: false, tokens: [token] });
        return;
      }
      case 'sep': {
        const last = groups.at(-1);
        if (token.text === ';' && last?.s) endsHere = true;
        // `EPROM base: D0000 = W1`: what stands before the colon is no part of the value.
        if (token.text === ':' && last && !last.s && groups.length === 1) endsHere = true;
        if (last && !last.s && /[,;()[\]]/.test(token.text)) last.tokens.push(token);
        return;
      }
      case 'text': {
        const s = isSwitch(groups, context) && isSwitchNumber(tokens, i) && (groups.at(-1)?.s ?? true);
        if (s || (isSwitch(groups, context) && isSwitchNumber(tokens, i) && previous?.sort === 'sep'))
          return put(true, token);
        const ahead = tokens.findIndex((t, k) => k > i && !(t.sort === 'text' && FILLER.test(t.text)));
        const next = tokens[ahead];
        if (
          FILLER.test(token.text) &&
          groups.at(-1)?.s &&
          next &&
          (next.sort === 'ref' ||
            next.sort === 'pins' ||
            next.sort === 'side' ||
            (isSwitch(groups, context) && isSwitchNumber(tokens, ahead)))
        )
          return;
        return put(false, token);
      }
    }
  });
  return groups.filter((g) => g.s || g.tokens.some((t) => t.sort !== 'sep'));
}

/** `JP5: 1-2 on, 2-3 off`: the words after the pins are what they mean, where nothing else is said. */
export function sidesAsValues(groups: Group[]): Group[] {
  // `JP9 floppy: 1-2 on, 2-3 off`: the name of the block may stand before, with what it is about behind it.
  const named = groups[0]?.s && groups[1] && !groups[1].s && groups[0].tokens.every((t) => t.sort === 'ref');
  const body = named ? groups.slice(2) : groups;
  const states = body.filter((g) => g.s);
  const values = body.filter((g, i) => !g.s && i > body.findIndex((x) => x.s));
  const only = states[0];
  if (states.length !== 1 || values.length || !only) return groups;
  const pairs = only.tokens.filter((t, i) => t.sort === 'pins' && only.tokens[i + 1]?.sort === 'side');
  const isSwitchBlock = only.tokens.some((t) => t.sort === 'ref' && t.of === 'switch');
  if (
    !pairs.length ||
    isSwitchBlock ||
    only.declares ||
    groups.some((g) => !g.s && hasDefault(g) && !wordsOf(g.tokens))
  )
    return groups;
  return groups.flatMap((g): Group[] =>
    g !== only
      ? [g]
      : g.tokens.reduce<Group[]>((out, token) => {
          const previous = out.at(-1)?.tokens.at(-1);
          // A side behind pins or behind a side is what it means; one behind a meaning is how the jumper stands.
          const s = token.sort !== 'side' || (previous?.sort === 'side' && lastOf(out).s === false);
          const last = out.at(-1);
          if (last && last.s === s) last.tokens.push(token);
          else out.push({ s, tokens: [token] });
          return out;
        }, [])
  );
}

const trimFiller = (text: string): string => {
  let out = text.trim();
  for (;;) {
    const next = out
      .replace(/^(?:if|for|to|set|use|then|means?|gives|selects?|is|are|=|-|:|,|;)(?:\s+|$)/i, '')
      // Alone, A is a drive, a bank or a mode.
      .replace(/^(?:a|an|the)\s+(?=\S)/i, '')
      .replace(
        /(?:^|\s+)(?:set|to|is|are|the|with|and|or|short|close|jumper|install|leave|use|=|-|:|,|;|\/|\[|\()$/i,
        ''
      )
      .replace(/[,;:]+$/, '')
      .trim();
    if (next === out) return out;
    out = next;
  }
};
/** Brackets around the whole, or one half of a pair, are no part of the words. */
const unbracketed = (text: string): string => {
  const inner = /^\(([^()]*)\)$/.exec(text) ?? /^\[([^[\]]*)\]$/.exec(text);
  if (inner) return there(inner[1]).trim();
  const opens = (text.match(/\(/g) ?? []).length;
  const closes = (text.match(/\)/g) ?? []).length;
  if (opens > closes) return text.replace(/\s*\(\s*$/, '').replace(/^\(\s*/, '');
  return closes > opens ? text.replace(/\s*\)\s*$/, '').replace(/^\)\s*/, '') : text;
};
export const wordsOf = (tokens: readonly Token[]): string =>
  unbracketed(trimFiller(unbracketed(trimFiller(textOf(tokens.filter((t) => t.sort !== 'default'))))));
export const hasDefault = (...groups: readonly (Group | undefined)[]): boolean =>
  groups.some((g) => g?.tokens.some((t) => t.sort === 'default'));

/** Whether words are a number of a known kind, and not the name of what is chosen. */
export const isValue = (words: string, heading: string): boolean =>
  !HEADING.test(words) &&
  !SIZE.test(words) &&
  meant(words, heading).told.some((t) => t.kind !== 'switched' && t.kind !== 'reserved');
