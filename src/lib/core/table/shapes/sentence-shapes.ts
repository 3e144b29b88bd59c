import { JUMPER_NAME, SWITCH_NAME } from '../lex';

/** Sentences that tell a meaning and the state that makes it, rewritten as statements that the grammar reads. */

const REF = String.raw`(?:${JUMPER_NAME}|${SWITCH_NAME}(?:-\d{1,2})?|switch\s\d{1,2})`;
const SIDE = String.raw`not (?:installed|fitted|jumpered)|on|off|open|closed?|in|out|installed|fitted|removed|short(?:ed)?|jumpered|none`;
const PAIR = String.raw`\d{1,2}-\d{1,2}`;
/** `the jumper in position 1-2`, `JP2 is closed`, `pins 1-2`, `open`. */
const STATE = new RegExp(
  String.raw`^(?:the\s+)?(?:(?:jumper|switch|link|strap|shunt|cap)s?\s+)?(?:(${REF}|it)\s*)?(?:(?:is|are|being)\s+)?(?:set\s+|placed\s+|put\s+)?(?:(?:to|in|at|on|across)\s+)??(?:the\s+)?(?:(?:positions?|pins?)\s+)?(${PAIR}(?=\s+(?:${SIDE}|connected|bridged)$|$|\s+position$)|${SIDE})(?:\s+(?:position|${SIDE}|connected|bridged))?$`,
  'i'
);
/** `pins 1-2 of J4`. */
const PINS_OF = new RegExp(String.raw`^(?:pins?\s+)?(${PAIR})\s+(?:of|on|at)\s+(${REF})$`, 'i');
/** `jumper on W1`, `no jumper on W1`. */
const CAP_ON = new RegExp(String.raw`^(no\s+)?(?:jumper|cap|shunt)\s+(?:on|at|across|in)\s+(${REF})$`, 'i');
const BOTH = new RegExp(String.raw`^both\s+(?:(?:are|jumpers?|switches)\s+)*(${SIDE})$`, 'i');
/** `to the card`, `it uses`: who is set, which no meaning says. */
const WHO =
  /^(?:then\s+)?(?:(?:the\s+)?(?:card|board|adapter|controller|it)\s+)?(?:(?:uses?|selects?|will\s+(?:be|use)|works?\s+(?:on|at|with)|answers?\s+(?:on|at)|runs?\s+(?:on|at))\s+)?(?:at\s+)?/i;
const SUBJECT = new RegExp(
  String.raw`^(?:jumper\s+|switch\s+)?(${REF})(?:\s+(?:selects?|sets?|chooses?|determines?|controls?)\s+(?:the\s+)?|\s+-\s+)([^=:]+)$`,
  'i'
);
const WISH = new RegExp(
  String.raw`^(?:if\s+(?:you\s+(?:have|use)|using)|for|with|to\s+(?:use|select|get|have))\s+(?:an?\s+|the\s+)?(.+?),?\s+(set|put|place|turn|switch|move|open|close|remove|install|fit|connect|short|bridge|strap)\s+(?:the\s+)?(?:(?:jumper|cap|shunt)\s+(?:on|from|at)\s+)?(.+)$`,
  'i'
);
/** `remove all jumpers on JP5 to disable the port`. */
const ORDER =
  /^(set|put|place|turn|switch|move|open|close|remove|install|fit|connect|short|bridge|strap)\s+(?:(?:all|any|an?|the)\s+)*(?:(?:jumper|cap|shunt)s?\s+)?(?:(?:on|from|at|across|of)\s+)?(.+)$/i;
const SIDE_OF_VERB: Readonly<Record<string, string>> = {
  open: 'open',
  remove: 'open',
  close: 'closed',
  install: 'closed',
  fit: 'closed',
  place: 'closed',
  short: 'closed',
  put: 'closed'
};

const VERB_AND_NAME = new RegExp(
  String.raw`^(?:(${Object.keys(SIDE_OF_VERB).join('|')})\s+)?(?:jumpers?\s+)?(${REF})$`,
  'i'
);

/** A state in words, as the grammar has it. */
interface Told {
  state: string;
  /** Jumpers and switches that it names, or that were named last. */
  refs: readonly string[];
}

/** @param last what was named before: `it`, `the jumper` and `both` are those */
function stateIn(text: string, last: readonly string[]): Told | null {
  const [, pins, owner] = PINS_OF.exec(text) ?? [];
  if (pins && owner) return { state: `${owner} ${pins}`, refs: [owner] };
  const [, no, capped] = CAP_ON.exec(text) ?? [];
  if (capped) return { state: `${capped} ${no ? 'open' : 'closed'}`, refs: [capped] };
  const both = BOTH.exec(text)?.[1];
  if (both)
    return last.length === 2 ? { state: last.map((r) => `${r} ${both}`).join(', '), refs: last } : null;
  const refs: string[] = [];
  const out: string[] = [];
  for (const part of text.split(/\s*,\s*(?:and\s+)?|\s+and\s+/)) {
    const [, named, side] = STATE.exec(part) ?? [];
    const own = named && !/^it$/i.test(named) ? named : last.length === 1 ? last[0] : undefined;
    if (!own || !side) return null;
    refs.push(own);
    out.push(`${own} ${side}`);
  }
  return { state: out.join(', '), refs };
}

interface Clause extends Told {
  value: string;
}

const valueOf = (words: string): string =>
  words
    .replace(/^[\s,]+|[\s,.]+$/g, '')
    .replace(/\s+(?:is|are)\s+(?:used|selected|chosen|fitted|installed|present)(?=\s*[([]|$)/i, '')
    .replace(WHO, '');

/** `when JP2 is closed the card uses IRQ 5`: the state is the longest beginning that is one. */
function stateFirst(text: string, last: readonly string[]): Clause | null {
  const words = /^(?:and\s+)?(?:when|if|with|while)\s+(.+)$/i.exec(text)?.[1]?.split(/\s+/) ?? [];
  for (let k = words.length - 1; k > 0; k--) {
    const told = stateIn(words.slice(0, k).join(' ').replace(/,$/, ''), last);
    const value = valueOf(words.slice(k).join(' '));
    if (told && value) return { ...told, value };
  }
  return null;
}

/** `at 2F8h when J1 is open and J2 is closed`. */
function valueFirst(text: string, last: readonly string[]): Clause | null {
  const [, words = '', state = ''] = /^(.+?)\s+(?:when|if|with)\s+(.+)$/i.exec(text) ?? [];
  const told = state ? stateIn(state, last) : null;
  const value = valueOf(words);
  return told && value ? { ...told, value } : null;
}

const IN_PINS = new RegExp(String.raw`${PAIR}$`);
/** `ROM enable: jumper on W1`, `12V: pins 1-2`. */
function colonFirst(text: string, last: readonly string[]): Clause | null {
  const [, value = '', state = ''] = /^([^:=]+):\s*(.+)$/.exec(text) ?? [];
  const told = CAP_ON.test(state) || IN_PINS.test(state) ? stateIn(state, last) : null;
  return told && value ? { ...told, value } : null;
}

/** `close W1 and open W2`: what each verb does, and the first of them where one has none of its own. */
function eachOf(first: string, words: string): Told | null {
  let side = first;
  const refs: string[] = [];
  const out: string[] = [];
  for (const part of words.split(/\s*,\s*(?:and\s+)?|\s+and\s+/)) {
    const [, verb, ref] = VERB_AND_NAME.exec(part) ?? [];
    side = (verb && SIDE_OF_VERB[verb.toLowerCase()]) || side;
    if (!ref) return null;
    refs.push(ref);
    out.push(`${ref} ${side}`);
  }
  return refs.length > 1 ? { state: out.join(', '), refs } : null;
}

/** A state that a verb asks for: `JP5`, `SW2-1 on`, `JP5 pins 2-3`. */
const asked = (verb: string, words: string, last: readonly string[]): Told | null => {
  const side = SIDE_OF_VERB[verb.toLowerCase()];
  return stateIn(words, last) ?? (side ? (eachOf(side, words) ?? stateIn(`${words} ${side}`, last)) : null);
};

/** `place a jumper on JP5 pins 2-3 for the second address`. */
function ordered(text: string, last: readonly string[]): Clause | null {
  const [, verb = '', rest = ''] = ORDER.exec(text) ?? [];
  for (const cue of rest.matchAll(/\s+(?:to|for|when|if)\s+/gi)) {
    const told = asked(verb, rest.slice(0, cue.index), last);
    const value = valueOf(rest.slice(cue.index + cue[0].length));
    if (told && value) return { ...told, value };
  }
  return null;
}

/** `for monochrome set it off`, `to use DMA 3, close JP4`. */
function wished(text: string, last: readonly string[]): Clause | null {
  const [, value = '', verb = '', rest = ''] = WISH.exec(text) ?? [];
  const told = rest ? asked(verb, rest, last) : null;
  return told && value ? { ...told, value } : null;
}

/** `both open: disabled`, `pins 1-2 jumpered for EGA`. */
function plainly(text: string, last: readonly string[]): Clause | null {
  const [, state = '', value = ''] =
    /^([^:=]+?)\s*(?:[:=]|\s(?:for|selects?|gives?)\s)\s*(.+)$/i.exec(text) ?? [];
  const told = state ? stateIn(state, last) : null;
  return told && value ? { ...told, value: valueOf(value) } : null;
}

/** `… 5-6 = 4V. WARNING: a wrong voltage destroys the CPU.`: a last sentence that says nothing of how anything stands. */
export function withoutRemark(line: string): string {
  const at = line.search(/(?<=\S)[.!]\s+(?:[A-Z][A-Za-z]*:?)(?:\s[^.!;=\d]*)?[.!]?\s*$/);
  if (at < 0 || SAYS.test(line.slice(at + 1)) || /default|factory/i.test(line.slice(at))) return line;
  return SAYS.test(line.slice(0, at)) ? line.slice(0, at) : line;
}

/** The clauses of a line: its sentences, and what begins with a cue of its own in one of them. */
const partsOf = (line: string): string[] =>
  line
    .trim()
    .split(/\s*[.;]\s+|\s*[.;]$|,\s+(?=(?:and\s+)?(?:when|if|with|for)\s)/i)
    .flatMap((part) =>
      (part.match(/(?<![A-Za-z])(?:when|if)\s/gi) ?? []).length > 1
        ? part.split(/(?:,|\s+and)\s+(?=(?:(?!\s(?:when|if|and)\s)[^,])*\s(?:when|if)\s)/i)
        : [part]
    )
    .flatMap((part) => part.split(/\s*,?\s+or\s+(?=(?:to\s+)?(?:positions?\s+|pins?\s+)?\d{1,2}-\d)/i))
    .filter(Boolean);

const SAYS = new RegExp(
  String.raw`(?<![0-9A-Za-z])(?:${REF}|${PAIR}|${SIDE}|both)(?![0-9A-Za-z]|-[A-Za-z])`,
  'i'
);
const CUES = /(?<![A-Za-z])(?:when|if|with|for|to|(?:jumper|cap|shunt) on)\s/i;
/** `Default 5V`, `normally closed`: which of them it is. */
const USUALLY =
  /^(?:normally|usually|(?:factory\s+)?default(?:\s+is)?|factory setting(?:\s+is)?)\s*:?\s+(\S.*)$/i;
const NAME_IN_FRONT = new RegExp(String.raw`^(${REF})\s*:\s*(.+)$`, 'i');
/** A line of print is no longer than this. */
const MOST_IN_LINE = 400;

/**
 * `COM A is at 3F8h when J1 is closed and J2 is open; at 2F8h when J1 is open.` Left alone unless every clause that
 * names a jumper or a side is understood.
 */
export function clauses(line: string): string {
  if (line.length > MOST_IN_LINE || !(CUES.test(line) || /\.\s+[A-Z0-9]/.test(line))) return line;
  const parts = partsOf(line.replace(/(pins?\s+\d{1,2})\s+(?:and|&|to)\s+(?=\d)/gi, '$1-'));
  const out: string[] = [];
  let last: readonly string[] = [];
  let about = '';
  let value = '';
  let normal = '';
  for (const [i, sentence] of parts.entries()) {
    // `J3: pins 1-2 jumpered for EGA; …`: the name stands in front of all of them.
    const [, name = '', rest = ''] = (i === 0 && NAME_IN_FRONT.exec(sentence)) || [];
    if (name) last = [name];
    const part = rest || sentence;
    const [, ref, subject] = SUBJECT.exec(part) ?? [];
    if (ref && subject && !SAYS.test(subject)) {
      // A second subject in one line would take the first one's states.
      if (out.length) return line;
      last = [ref];
      about = `${subject}: `;
      continue;
    }
    const [, usual] = USUALLY.exec(part) ?? [];
    if (usual) {
      normal = usual;
      continue;
    }
    const clause =
      stateFirst(part, last) ??
      wished(part, last) ??
      ordered(part, last) ??
      colonFirst(part, last) ??
      valueFirst(part, last) ??
      plainly(part, last);
    if (clause && !SAYS.test(clause.value.replace(/\d/g, ' '))) {
      last = clause.refs;
      // `parity is checked; if open, it is not`.
      value = /^(?:is\s+)?not$/i.test(clause.value) ? `no ${value}` : clause.value;
      out.push(`${clause.state} = ${value}`);
    } else if (SAYS.test(part)) return line;
  }
  if (out.length <= (about || parts.length > 1 ? 0 : 1)) return line;
  // `normally closed`: which of the statements that is, or none of them, and then the line is not understood.
  const usual = out.flatMap((o, i) => (normal && o.split(' = ')[0]?.endsWith(` ${normal}`) ? [i] : []));
  if (new RegExp(`^(?:${SIDE})$`, 'i').test(normal))
    return usual.length === 1 ? about + out.map((o, i) => (i === usual[0] ? `${o} *` : o)).join('; ') : line;
  const said = about + out.join('; ');
  return normal ? `${said} (default ${normal})` : said;
}
