import { entryOf, forbidden, thingOf, type OfferedFix, type Part } from '../model';
import { knownIsaClock } from '../kit';
import { excludeEachOther, freeSlots, isIn, isOn, triedHere, untried, type Fitted } from '../resources';
import { notLookedAt } from '../settings';
import type { Case } from './finding';
import { slotFix, waitingCards, type Rule, type Situation } from './rule';

const MOST_SLOTS = 2;

/** Moves to free slots that take a card. */
export const freeSlotFixes = ({ m, parts }: Situation, part: Part, item: string): OfferedFix[] =>
  freeSlots(m.build, parts, part, item)
    .filter((slot) => slot.id !== m.find(item)?.slot?.id)
    .slice(0, MOST_SLOTS)
    .map((slot) => slotFix(item, slot));

/** A card that sits in a slot. */
type Seated = Fitted & { slot: NonNullable<Fitted['slot']> };
const isSeated = (f: Fitted): f is Seated => f.slot !== undefined;
const slotName = ({ slot }: Seated): string => slot.label ?? slot.id;
const seatOfCard = (f: Seated) => [{ item: f.item.id, slot: f.slot.id }];
/** A card that has everything switched off asks nothing of its slot. */
const inUse = ({ at }: Situation, f: Fitted): boolean =>
  f.part.functions.length === 0 || f.part.functions.some((fn) => isOn(f, fn, at));

/** A card works only in a slot that carries its bus. */
const slotKind: Rule = (s) =>
  s.m.fitted.filter(isSeated).flatMap((f): Case[] => {
    const { misfit } = f;
    if (!misfit || !inUse(s, f)) return [];
    const common = {
      about: seatOfCard(f),
      fixes: freeSlotFixes(s, f.part, f.item.id)
    };
    // Told by its width.
    if (misfit.why === 'eight-bit') return [];
    return [
      {
        rule: 'slot.kind',
        severity: misfit.why === 'memory-board' ? 'stop' : 'clash',
        ...common,
        facts: { card: thingOf(f), slot: slotName(f), why: misfit, isOut: !isIn(f) }
      }
    ];
  });

const CLAIMED = { yes: 'works', no: 'cannot', untried: 'untried' } as const;
const WIDTH_SEVERITY = { works: 'note', untried: 'caution', cannot: 'clash' } as const;

/** Whether a 16-bit card works in an 8-bit slot has to be tried: tries in this slot at this clock decide, else the catalogue. */
const slotNarrow: Rule = (s) =>
  s.m.fitted.filter(isSeated).flatMap((f): Case[] => {
    if (f.slot.bus !== 'isa8' || f.part.card?.bus !== 'isa16') return [];
    const claim = f.part.card.fallback8;
    const { same, other } = triedHere(f.item, s.m.build.board.part, f.slot, knownIsaClock(s.kit));
    // Tries that contradict one another leave it open, as a success at another clock does where the catalogue says no.
    const told =
      same.works && same.not
        ? 'untried'
        : same.works
          ? 'works'
          : same.not
            ? 'cannot'
            : f.misfit?.why !== 'eight-bit' && claim === 'no'
              ? 'untried'
              : CLAIMED[claim];
    if (told === 'cannot' && !inUse(s, f)) return [];
    return [
      {
        rule: 'slot.width',
        severity: WIDTH_SEVERITY[told],
        about: seatOfCard(f),
        facts: { card: thingOf(f), slot: slotName(f), state: told, claim, same, other },
        ...(told === 'cannot' ? { fixes: freeSlotFixes(s, f.part, f.item.id) } : {})
      }
    ];
  });

/** The short slot of the first XT hears a card only by a line that many cards leave alone; a bus master has to be let. */
const slotUntried: Rule = (s) =>
  s.m.fitted.filter(isSeated).flatMap((f): Case[] => {
    const why = !f.misfit ? untried(f.part, f.slot) : null;
    if (!why) return [];
    return [
      {
        rule: 'slot.untried',
        key: why,
        about: seatOfCard(f),
        facts: { card: thingOf(f), slot: slotName(f), why },
        fixes: freeSlotFixes(s, f.part, f.item.id)
      }
    ];
  });

/** One slot holds one card, and two slots may share one bracket. */
const slotTaken: Rule = ({ m }) => {
  const seated = m.fitted.filter(isSeated);
  return seated.flatMap((a, i) =>
    seated.slice(i + 1).flatMap((b): Case[] => {
      const about = [...seatOfCard(a), ...seatOfCard(b)];
      const both = { a: thingOf(a), b: thingOf(b) };
      if (a.slot.id === b.slot.id)
        return [{ rule: 'slot.taken', about, facts: { ...both, slot: slotName(a) } }];
      const shared = a.slot.bracket !== undefined && a.slot.bracket === b.slot.bracket;
      return excludeEachOther({ part: a.part, slot: a.slot }, { part: b.part, slot: b.slot })
        ? [
            {
              rule: 'slot.shared',
              about,
              facts: {
                ...both,
                slotA: slotName(a),
                slotB: slotName(b),
                why: shared ? 'bracket' : 'thick'
              }
            }
          ]
        : [];
    })
  );
};

/** A card that sits in no slot takes no lines, so nothing of it is checked. */
const unseated: Rule = (s) =>
  waitingCards(s).map(({ item, part, thing }): Case => ({
    rule: 'slot.none',
    about: [item.id],
    facts: { card: thing, free: freeSlots(s.m.build, s.parts, part, item.id).length },
    fixes: freeSlotFixes(s, part, item.id)
  }));

/** A machine has one system board; another among its parts is left out. */
const secondBoard: Rule = (s) =>
  s.m.build.items.flatMap((item): Case[] => {
    const part = entryOf(s.parts, item.part);
    if (!part.board) return [];
    const facts = { board: thingOf({ part, title: item.label ?? part.name }) };
    const out: OfferedFix = {
      label: { kind: 'out', part: part.name },
      fix: { action: 'take-out', item: item.id }
    };
    return [{ rule: 'board.second', about: [item.id], facts, fixes: [out] }];
  });

/** Some combinations of settings are not made to work. */
const combination: Rule = ({ m, at }) =>
  m.fitted.flatMap((f) => {
    const chosen: Record<string, string> = {};
    for (const setting of f.part.settings) {
      const position = at(f.item.id, setting.id);
      if (position !== undefined) chosen[setting.id] = position;
    }
    return f.part.constraints
      .filter((constraint) => forbidden({ ...f.part, constraints: [constraint] }, chosen))
      .map((constraint): Case => {
        const settings =
          'allow' in constraint
            ? constraint.allow.settings
            : 'forbid' in constraint
              ? Object.keys(constraint.forbid)
              : [];
        return {
          rule: hasDiskRom(f.part) ? 'disk.firmware-base' : 'part.constraint',
          about: settings.map((setting) => ({ item: f.item.id, setting })),
          facts: { card: thingOf(f), why: constraint.why }
        };
      });
  });

/** A card of drives with a ROM: what it does not allow is a base that the ROM was not built for. */
const hasDiskRom = ({ functions }: Part): boolean =>
  functions.some((f) => f.speaks) && functions.some((f) => f.claims.some((c) => c.resource === 'memory'));

/** A position that nobody looked at is taken to be the default, on the part and in programs alike. */
const notRecorded: Rule = ({ m }) =>
  m.fitted.flatMap((f) =>
    [...notLookedAt(m, f)].map(([where, settings]): Case => {
      const facts = { part: thingOf(f), settings: settings.map((s) => s.label) };
      const about = settings.map((s) => ({ item: f.item.id, setting: s.id }));
      return where === 'hand'
        ? { rule: 'setting.unseen', about, facts }
        : { rule: 'setting.unread', key: where, about, facts: { ...facts, where } };
    })
  );

/** A setting whose meaning is a guess may do something else. */
const guessed: Rule = ({ m, at }) =>
  m.fitted.flatMap((f) =>
    f.part.settings
      .filter((s) => s.known && s.evidence?.length && s.evidence.every((e) => e.source === 'guess'))
      .filter((s) => at(f.item.id, s.id) !== s.default)
      .map((s): Case => ({
        rule: 'evidence.guess',
        about: [{ item: f.item.id, setting: s.id }],
        facts: { part: thingOf(f), setting: s.label }
      }))
  );

export const fitRules: readonly Rule[] = [
  slotKind,
  slotUntried,
  slotTaken,
  slotNarrow,
  unseated,
  secondBoard,
  combination,
  guessed,
  notRecorded
];
