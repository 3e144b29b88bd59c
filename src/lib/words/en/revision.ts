import {
  BOARD_ITEM,
  type Block,
  type BlockPicture,
  type Build,
  type Item,
  type Part,
  type PartSet,
  type Position,
  type Setting,
  type State
} from '../../core/model';
import { difference, type Fact, type MergeLine } from '../../core/revision';

/** What is needed to name things: the parts, and the states of the build in which items may be found. */
export interface Facts {
  parts: PartSet;
  builds: readonly Build[];
}

export interface Description {
  /** The card, the board, or the build itself. */
  subject: string;
  /** What of it: a block with its setting, the slot, the name. */
  what: string;
  from: string;
  to: string;
}

/** One fact that differs, in words. */
export interface Change extends Description {
  key: string;
  isQuiet: boolean;
}

/** How a build differs from an earlier state of it, in words. */
export const changesOf = (before: Build, after: Build, parts: PartSet): Change[] =>
  difference(before, after).map(({ key, from, to, isQuiet }: Fact) => ({
    key,
    ...describe(key, from, to, { parts, builds: [after, before] }),
    isQuiet
  }));

/** What both sides of a merge say of a fact. */
export interface MergeWords extends Pick<Description, 'subject' | 'what'> {
  /** How it was when both started, how it reads here, how it reads there. */
  base: string;
  mine: string;
  theirs: string;
}

export function mergeWords({ keys: [head], base, mine, theirs }: MergeLine, facts: Facts): MergeWords {
  const { subject, what, from, to } = describe(head, base, theirs, facts);
  return { subject, what, base: from, mine: describe(head, base, mine, facts).to, theirs: to };
}

const NOTHING = 'nothing';

/** A fact in words, before and after; a value that is undefined was or is not there. */
function describe(key: string, from: unknown, to: unknown, facts: Facts): Description {
  const [kind, id, sort, ...rest] = key.split('/');
  const name = rest.join('/');
  if (kind === 'item') {
    const { item, part } = find(id, facts);
    const subject = titleOf(id, item, part);
    if (sort === undefined) return { subject, what: '', from: placeText(from), to: placeText(to) };
    if (sort === 'asFound' || sort === 'chosen') {
      const setting = part?.settings.find((s) => s.id === name);
      const read = (value: unknown) => positionText(part, setting, value, sort);
      return {
        subject,
        what: `${settingText(part, setting, name)}${sort === 'asFound' ? ', as found' : ''}`,
        from: read(from),
        to: read(to)
      };
    }
    if (sort === 'locked') {
      const setting = part?.settings.find((s) => s.id === name);
      return {
        subject,
        what: settingText(part, setting, name),
        from: from ? 'locked' : 'free',
        to: to ? 'locked' : 'free'
      };
    }
    if (sort === 'field')
      return {
        subject,
        what: itemFields[name] ?? name,
        from: fieldText(name, from, facts),
        to: fieldText(name, to, facts)
      };
    if (sort === 'seen') {
      const block = part?.blocks.find((b) => b.id === name);
      const read = (state: unknown): string =>
        block && state ? stateText(block, { state: state as State }) : 'not looked at';
      return { subject, what: `${block?.label ?? name}, as seen`, from: read(from), to: read(to) };
    }
    if (sort === 'pictures') {
      const block = part?.blocks.find((b) => b.id === name);
      const read = (picture: unknown): string =>
        picture ? `read on ${(picture as BlockPicture).at}` : NOTHING;
      return { subject, what: `photograph of ${block?.label ?? name}`, from: read(from), to: read(to) };
    }
    const fn = part?.functions.find((f) => f.id === name);
    return {
      subject,
      what: fn?.label ?? name,
      ...(listWords[sort] ?? (() => ({ from: value(from), to: value(to) })))(
        from !== undefined,
        to !== undefined
      )
    };
  }
  if (kind === 'pair')
    return { subject: pairText(key, facts), what: '', from: together(from), to: together(to) };
  if (kind === 'profile')
    return {
      subject: 'Brief',
      what: `program ${((to ?? from) as { name?: string } | undefined)?.name ?? id}`,
      from: from === undefined ? NOTHING : to === undefined ? 'wanted' : 'other needs',
      to: to === undefined ? NOTHING : from === undefined ? 'wanted' : 'changed needs'
    };
  if (kind === 'acknowledged')
    return {
      subject: 'Finding',
      what: [id, sort, ...rest].filter(Boolean).join('/'),
      from: from ? 'acknowledged' : 'open',
      to: to ? 'acknowledged' : 'open'
    };
  const field = [id, sort, ...rest].filter((x) => x !== undefined).join('/');
  if (Object.hasOwn(records, kind)) return records[kind](field, from, to);
  return {
    subject: kind === 'brief' ? 'Brief' : 'Build',
    what: buildFields[field] ?? field,
    ...values(from, to)
  };
}

type Step = { text?: string; what?: string } | undefined;
const records: Record<string, (key: string, from: unknown, to: unknown) => Description> = {
  done: (key, from, to) => ({
    subject: 'Bench sheet',
    what: ((to ?? from) as Step)?.text ?? key,
    from: from ? 'ticked' : 'open',
    to: to ? 'ticked' : 'open'
  }),
  teardown: (key, from, to) => ({
    subject: 'Taken apart',
    what: ((to ?? from) as Step)?.what ?? key,
    from: from === undefined ? NOTHING : backText(from),
    to: to === undefined ? NOTHING : backText(to)
  }),
  starts: (_, from, to) => ({
    subject: 'Start',
    what: `start of ${((to ?? from) as { at?: string } | undefined)?.at?.slice(0, 16).replace('T', ' ') ?? ''}`,
    from: from === undefined ? NOTHING : 'noted',
    to: to === undefined ? NOTHING : from === undefined ? 'noted' : 'noted again'
  }),
  pins: (key, from, to) => ({ subject: 'Pins', what: key, ...values(from, to) })
};
const backText = (step: unknown) => ((step as { back?: string }).back ? 'put back' : 'taken off');

const itemFields: Record<string, string> = {
  part: 'part',
  label: 'name',
  slot: 'slot',
  slotAsFound: 'slot as found',
  notes: 'notes',
  place: 'place',
  count: 'how many',
  cable: 'cable',
  ribbons: 'cables on it',
  terminated: 'terminators',
  imageKiB: 'images of the floppy emulator, KiB',
  specimen: 'thing of the shelf',
  disk: 'setup, tries and plan of the medium',
  tried: 'tries in slots',
  foundBad: 'found bad',
  borrowed: 'on loan'
};
const buildFields: Record<string, string> = {
  shortHunt: 'readings on the way to a short',
  mishap: 'exchanged plugs',
  name: 'name',
  notes: 'notes',
  date: 'target date',
  role: 'role',
  os: 'operating system',
  strictness: 'how strict',
  source: 'parts from',
  budget: 'budget limit',
  wishes: 'wishes',
  firstPower: 'answers before first power',
  boot: 'start files and sizes'
};
const listWords: Record<string, (before: boolean, after: boolean) => { from: string; to: string }> = {
  mustBeOn: (a, b) => ({ from: a ? 'must be on' : 'may stay off', to: b ? 'must be on' : 'need not be on' }),
  mayBeOff: (a, b) => ({ from: a ? 'can be spared' : 'wanted', to: b ? 'can be spared' : 'wanted' }),
  resident: (a, b) => ({
    from: a ? 'in use all the time' : 'in use at times',
    to: b ? 'in use all the time' : 'in use at times'
  })
};

function find(id: string, { parts, builds }: Facts): { item?: Item; part?: Part } {
  for (const build of builds) {
    const item = [build.board, ...build.items, ...build.shelf].find((i) => i.id === id);
    if (item) return { item, part: parts.get(item.part) };
  }
  return {};
}

const titleOf = (id: string, item?: Item, part?: Part) =>
  `${id === BOARD_ITEM ? 'Board ' : ''}${item?.label ?? part?.name ?? id}`;

const places: Record<string, string> = { board: 'the board', fitted: 'in the machine', ready: 'lying ready' };
const placeText = (place: unknown) => places[String(place)] ?? 'not there';

/** `J5, IRQ` */
function settingText(part: Part | undefined, setting: Setting | undefined, id: string): string {
  const block = part?.blocks.find((b) => b.id === setting?.block);
  const name = block && (block.label ?? block.id);
  const label = setting?.label ?? id;
  return name && name.toLowerCase() !== label.toLowerCase() ? `${name}, ${label}` : label;
}

/** `IRQ 10 (jumper on 5-6)` */
function positionText(
  part: Part | undefined,
  setting: Setting | undefined,
  id: unknown,
  sort: 'asFound' | 'chosen'
): string {
  if (id === undefined) return sort === 'asFound' ? 'not looked at' : 'as found';
  const position = setting?.positions.find((p) => p.id === id);
  if (!position) return String(id);
  const block = part?.blocks.find((b) => b.id === setting?.block);
  const state = block && stateText(block, position);
  return state ? `${position.label} (${state})` : position.label;
}

/** What is physically there in a position: `jumper on 5-6`, `1 ON, 2 OFF`. Empty when it is not known. */
export function stateText(block: Block, { state }: Pick<Position, 'state'>): string {
  if (!state) return '';
  if ('caps' in state)
    return state.caps.length
      ? `${state.caps.length > 1 ? 'jumpers' : 'jumper'} on ${state.caps.map(([a, b]) => `${Math.min(a, b)}-${Math.max(a, b)}`).join(', ')}`
      : 'no jumper';
  if ('switches' in state)
    return Object.entries(state.switches)
      .map(([n, side]) => `${n} ${side.toUpperCase()}`)
      .join(', ');
  if ('step' in state) return `turned to ${state.step.toString(16).toUpperCase()}`;
  if ('bridges' in state) return state.bridges.length ? `bridged ${state.bridges.join(', ')}` : 'no bridge';
  return block.kind === 'software' ? `${block.program} ${state.value}` : state.value;
}

function fieldText(name: string, fact: unknown, { parts }: Facts): string {
  if (name === 'part' && typeof fact === 'string') return parts.get(fact)?.name ?? fact;
  if ((name === 'slot' || name === 'slotAsFound') && fact === undefined) return 'no slot';
  if (name === 'slot' || name === 'slotAsFound') return `slot ${String(fact)}`;
  if (name === 'tried') return String(Array.isArray(fact) ? fact.length : 0);
  return value(fact);
}

function pairText(key: string, facts: Facts): string {
  const [, ...ids] = key.split('/');
  return [ids.slice(0, 2), ids.slice(2)]
    .map(([id, fn]) => {
      const { item, part } = find(id, facts);
      return `${titleOf(id, item, part)} ${part?.functions.find((f) => f.id === fn)?.label ?? fn}`;
    })
    .join(' and ');
}
const together = (pair: unknown) => (pair === undefined ? 'at any time' : 'never at the same time');

/** Both sides of a fact; of long words only the place where they part. */
function values(from: unknown, to: unknown): { from: string; to: string } {
  const cut =
    typeof from === 'string' && typeof to === 'string' && Math.max(from.length, to.length) > LONG
      ? Math.max(0, from.lastIndexOf(' ', commonStart(from, to) - 20))
      : 0;
  const rest = (fact: unknown) => (cut && typeof fact === 'string' ? `… ${fact.slice(cut).trim()}` : fact);
  return { from: value(rest(from)), to: value(rest(to)) };
}

function commonStart(a: string, b: string): number {
  let n = 0;
  while (n < a.length && a[n] === b[n]) n++;
  return n;
}

const LONG = 120;

/** Any value as text: words as they are, the rest as JSON, cut when it is long. */
function value(fact: unknown): string {
  if (fact === undefined || fact === '') return NOTHING;
  if (Array.isArray(fact) && fact.every(isWish)) return fact.map(wishText).join('; ') || NOTHING;
  if (isCable(fact))
    return [fact.to, fact.function, fact.plug && `plug ${fact.plug}`, fact.unit, fact.select]
      .filter(Boolean)
      .join(' ');
  if (typeof fact === 'boolean') return fact ? 'in' : 'out';
  const text = typeof fact === 'string' ? `“${fact}”` : JSON.stringify(fact);
  return text.length > LONG ? `${text.slice(0, LONG - 3)}…` : text;
}

const isObject = (fact: unknown): fact is Record<string, unknown> =>
  typeof fact === 'object' && fact !== null;
const isCable = (fact: unknown): fact is NonNullable<Item['cable']> =>
  isObject(fact) && typeof fact.to === 'string';
const isWish = (fact: unknown): fact is Record<string, unknown> & { kind: string } =>
  isObject(fact) && typeof fact.kind === 'string';
/** `have network`, `spare slots 2`. */
const wishText = ({ kind, part, what, count }: Record<string, unknown> & { kind: string }): string =>
  [kind.replaceAll('-', ' '), part ?? what ?? count].filter((x) => x !== undefined).join(' ');
