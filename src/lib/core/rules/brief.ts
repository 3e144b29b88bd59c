import {
  entryOf,
  thingOf,
  whatOf,
  type Owner,
  type Part,
  type PartFunction,
  type VideoFacts,
  type Wish
} from '../model';
import { isIn, isOn, ownerOf } from '../resources';
import type { MissingKind } from './facts';
import type { Case } from './finding';
import { waitingFor, type Rule, type Situation } from './rule';

const everything = (s: Situation) => [
  { id: 'board', part: s.kit.board, title: s.m.board.title },
  ...s.kit.build.items.map((item) => {
    const part = entryOf(s.parts, item.part);
    return { id: item.id, part, title: item.label ?? part.name };
  })
];

const dateOf = (s: Situation): string => s.kit.build.brief.date ?? String(s.kit.year);
const strictness = (s: Situation) => s.kit.build.brief.strictness ?? 'spirit';

/** The brief gives the machine a date: parts that were sold later do not belong to it. */
const early: Rule = (s) => {
  const { year } = s.kit;
  if (year === null) return [];
  return everything(s).flatMap((thing): Case[] => {
    const { sold } = thing.part;
    if (!sold || sold.from <= year) return [];
    return [
      {
        rule: 'period.early',
        severity: strictness(s) === 'convenient' ? 'note' : 'caution',
        about: [thing.id],
        facts: { part: thingOf(thing), from: sold.from, date: dateOf(s) }
      }
    ];
  });
};

/** Years after its last sale in which a part was still in ordinary use. */
export const STILL_IN_USE = 4;

/** A part that was long out of use by then belongs to another time. */
const late: Rule = (s) => {
  const { year } = s.kit;
  if (year === null || strictness(s) === 'convenient') return [];
  return everything(s).flatMap((thing): Case[] => {
    const to = thing.part.sold?.to;
    if (thing.part.kind === 'bios' || to === undefined || to + STILL_IN_USE >= year) return [];
    return [{ rule: 'period.late', about: [thing.id], facts: { part: thingOf(thing), to, date: dateOf(s) } }];
  });
};

const partsIn = ({ kit }: Pick<Situation, 'kit'>): Part[] => [
  kit.board,
  ...kit.build.items.map((i) => entryOf(kit.parts, i.part))
];

const freeSlotCount = ({ kit, m }: Pick<Situation, 'kit' | 'm' | 'at'>): number => {
  const slots = kit.facts.slots.filter((x) => x.bus !== 'memory-board').length;
  return Math.max(0, slots - new Set(m.fitted.map((f) => f.slot?.id).filter(Boolean)).size);
};

/** Whether a wish of the brief is not met. */
export function wishUnmet(wish: Wish, s: Pick<Situation, 'kit' | 'm' | 'at'>): boolean {
  const parts = partsIn(s);
  switch (wish.kind) {
    case 'keep':
      return !parts.some((p) => p.id === wish.part);
    case 'never':
      return parts.some((p) => p.id === wish.part);
    case 'emulator-outside':
      return parts.some((p) => p.drive?.medium === 'emulator' && p.drive.bay !== 'outside');
    case 'original-look':
      return parts.some(showsNew);
    case 'real-disk':
      return !parts.some((p) => p.drive?.medium === 'hard');
    case 'colour':
      return !(
        s.kit.monitors.some((p) => p.part.monitor.colour) && s.kit.displays.some((d) => showsColour(d.facts))
      );
    case 'quiet':
      return parts.some((p) => p.drive?.medium === 'hard');
    case 'spare-slots':
      return freeSlotCount(s) < wish.count;
    case 'have':
      return !has(wish.what, s);
  }
}

/** Whether a display has colours to send. */
export const showsColour = ({ standard }: VideoFacts): boolean => standard !== 'mono';

/** A drive in the front of the case that no machine of the time had. */
export const showsNew = (part: Part): boolean =>
  (part.drive?.medium === 'emulator' && part.drive.bay !== 'outside') ||
  (part.drive?.medium === 'flash' && part.drive.bay !== 'none');

/** What drives of 5.25 and of 3.5 inch write at most, in KiB. */
export const floppySizes: Record<'floppy-5' | 'floppy-3', readonly number[]> = {
  'floppy-5': [360, 1200],
  'floppy-3': [720, 1440, 2880]
};

type Had = Extract<Wish, { kind: 'have' }>['what'];

/** Whether a function is what is wanted; a serial port takes a mouse. */
const serves = (fn: PartFunction, what: Had): boolean =>
  fn.kind === what || (what === 'mouse' && fn.kind === 'serial');
const brings = (part: Part, what: Had): boolean => part.functions.some((fn) => serves(fn, what));

/** A function that would do and is switched off. */
function offFor(wish: Wish, { m, at }: Situation): Owner | null {
  if (wish.kind !== 'have') return null;
  for (const f of m.fitted.filter(isIn))
    for (const fn of f.part.functions)
      if (serves(fn, wish.what) && !isOn(f, fn, at)) return ownerOf(m, f.item.id, fn.id);
  return null;
}

function has(what: Had, { kit, m, at }: Pick<Situation, 'kit' | 'm' | 'at'>): boolean {
  switch (what) {
    case 'cdrom':
      return kit.drives.some((d) => d.part.drive.medium === 'optical');
    case 'floppy-5':
    case 'floppy-3':
      return kit.drives.some((d) => floppySizes[what].includes(d.part.drive.floppyKiB ?? 0));
    case 'fpu':
      return kit.fpu !== null || (kit.seatedCpu?.cpu.fpu ?? false);
    default:
      return m.fitted.some(
        (f) => isIn(f) && f.part.functions.some((fn) => serves(fn, what) && isOn(f, fn, at))
      );
  }
}

/** Whether a card would meet a wish, if it sat in a slot. */
const meets = (part: Part, wish: Wish, { kit }: Situation): boolean =>
  wish.kind === 'have'
    ? brings(part, wish.what)
    : wish.kind === 'colour' &&
      part.video !== undefined &&
      showsColour(part.video) &&
      kit.monitors.some((m) => m.part.monitor.colour);

/** What tells wishes of one kind apart. */
const wishKey = (wish: Wish): string =>
  [wish.kind, ...('part' in wish ? [wish.part] : 'what' in wish ? [wish.what] : [])].join('.');

/** What the owner wants is a constraint, not something to correct. */
const wishes: Rule = (s) =>
  (s.kit.build.brief.wishes ?? []).flatMap((wish): Case[] => {
    // Before there is anything in the machine nothing is missing from it.
    if (s.kit.build.items.length === 0 || !wishUnmet(wish, s)) return [];
    return [
      {
        rule: 'brief.wish',
        key: wishKey(wish),
        about: ['board'],
        facts: {
          wish,
          part: 'part' in wish ? (s.kit.parts.get(wish.part)?.name ?? wish.part) : '',
          free: freeSlotCount(s),
          waiting: waitingFor(s, (card) => meets(card, wish, s)),
          off: offFor(wish, s)
        }
      }
    ];
  });

const pending: Record<MissingKind, (s: Situation) => boolean> = {
  cpu: ({ kit }) => kit.cpu === null,
  // Modules in a bank that does not count them are told of there.
  memory: ({ kit, offer }) => kit.memory !== null && offer.memory === null && kit.banks.size === 0,
  monitor: ({ kit }) => kit.monitors.length === 0 && !kit.facts.closed,
  display: (s) => s.kit.displays.length === 0 && !waitingFor(s, (card) => card.video !== undefined),
  drives: ({ kit }) => kit.drives.length === 0,
  // A machine that is sold as one has its own.
  supply: ({ kit }) => kit.supply === null && !kit.facts.closed,
  keyboard: ({ kit }) => kit.keyboard === null && !kit.facts.closed
};

/** What is not entered is left out of the check. */
const missing: Rule = (s) => {
  // A board of which only the slots are known says nothing of the rest.
  if (!s.kit.facts.cpuSocket) return [];
  const kinds = (Object.keys(pending) as MissingKind[]).filter((kind) => pending[kind](s));
  return kinds.length ? [{ rule: 'kit.missing', about: ['board'], facts: { missing: kinds } }] : [];
};

/** Until something configures them, plug-and-play cards do not answer. */
const pnpNoBios: Rule = (s) => {
  const bios = s.kit.firmware;
  if (!bios || bios.firmware?.pnp) return [];
  return s.m.fitted
    .filter((f) => f.part.blocks.some((b) => b.kind === 'pnp'))
    .map((f): Case => ({
      rule: 'pnp.nobios',
      about: [f.item.id],
      facts: { card: { name: f.title, what: whatOf(f.part) }, bios: bios.name }
    }));
};

export const briefRules: readonly Rule[] = [early, late, wishes, missing, pnpNoBios];
