import { thingOf, type Part, type Subject, there } from '../model';
import { obstacle, unknownSettings, type Fitted } from '../resources';
import type { FactsOf } from './facts';
import type { Case } from './finding';
import { freeSlotFixes } from './fit';
import type { Rule } from './rule';

/** How cards lie in their slots, and what hangs on the board from outside. */

/** A card must end before the cooler, the modules and the drive cage, and its lower edge must clear the slot. */
const room: Rule = (s) => {
  const { chassis } = s.kit;
  const cage = chassis?.part.chassis.cardMm;
  return s.m.fitted.flatMap((f): Case[] => {
    if (!f.slot) return [];
    const slot = f.slot.label ?? f.slot.id;
    const found = obstacle(f.part, f.slot);
    const common = {
      about: [{ item: f.item.id, slot: f.slot.id }],
      fixes: freeSlotFixes(s, f.part, f.item.id)
    };
    if (found?.why === 'length')
      return [
        {
          rule: 'slot.length',
          ...common,
          facts: { card: thingOf(f), slot, cardMm: found.cardMm, roomMm: found.roomMm, by: 'board' }
        }
      ];
    const skirt: Case[] =
      found?.why === 'skirt' ? [{ rule: 'slot.skirt', ...common, facts: { card: thingOf(f), slot } }] : [];
    const cardMm = f.part.card?.lengthMm;
    if (chassis && cage !== undefined && cardMm !== undefined && cardMm > cage)
      skirt.push({
        rule: 'slot.length',
        about: [f.item.id, chassis.item.id],
        facts: { card: thingOf(f), slot, cardMm, roomMm: cage, by: 'cage' }
      });
    return skirt;
  });
};

/** The same plug carries two protocols that do not understand each other. */
const keyboard: Rule = (s) => {
  const board = s.kit.facts.keyboard;
  const { keyboard } = s.kit;
  if (!board || !keyboard) return [];
  const { item } = keyboard;
  const own = keyboard.part.keyboard;
  const it = thingOf(keyboard);
  const both = board.protocols.filter((p) => own.protocols.includes(p));
  if (!both.length)
    return [
      {
        rule: 'keyboard.protocol',
        about: [item.id, 'board'],
        facts: { keyboard: it, has: [...own.protocols], board: [...board.protocols] }
      }
    ];
  const out: Case[] = [];
  if (own.change === 'switch' && board.protocols.length === 1)
    out.push({
      rule: 'keyboard.switch',
      about: [item.id],
      facts: { keyboard: it, protocol: there(both[0]) }
    });
  const changes = (end: string) =>
    s.kit.adapters.some((a) => [a.part.adapter.to, a.part.adapter.from].includes(end));
  if (board.plug !== own.plug && !changes(board.plug))
    out.push({
      rule: 'keyboard.plug',
      about: [item.id, 'board'],
      facts: { keyboard: it, board: board.plug }
    });
  return out;
};

/** Whether a board has a battery that will leak. */
const leaks = (board: Pick<NonNullable<Part['board']>, 'battery'>): boolean => board.battery === 'barrel';

/**
 * Cautions that a check gives for a part wherever it is: a board for its battery, a board, card or drive for the settings
 * that nobody knows. At least so many are in every machine with it.
 */
export const inherentCautions = (part: Part): number =>
  (part.board && leaks(part.board) ? 1 : 0) +
  (part.board || part.card || part.functions.length ? unknownSettings(part).length : 0);

/** Barrel batteries leak on the board and eat its traces. */
const battery: Rule = (s) =>
  leaks(s.kit.facts)
    ? [
        {
          rule: 'battery.leak',
          about: ['board'],
          facts: { board: thingOf(s.m.board) },
          fixes: [
            { label: { kind: 'battery-off' }, fix: { action: 'acknowledge', finding: BATTERY_FINDING } }
          ]
        }
      ]
    : [];

/** The finding that is acknowledged when the battery was taken off. */
export const BATTERY_FINDING = 'battery.leak board/';

/** BIOSes from before this year keep two digits of the year. */
const FOUR_DIGITS = 1995;

/** The clock of an AT-class board from before 1995 does not carry the century. */
const century: Rule = ({ kit, m }) => {
  const year = kit.firmware?.firmware?.year;
  return m.class === 'at' && year !== undefined && year < FOUR_DIGITS
    ? [{ rule: 'clock.century', about: ['board'], facts: { board: thingOf(m.board), year } }]
    : [];
};

interface Sourced {
  what: FactsOf['evidence.conflict']['what'];
  subject: Subject;
  sources: readonly { source: string; says?: string; held?: boolean }[];
}

/** Every fact of a part that carries sources: settings, their positions, claims. */
const sourcedFacts = ({ item, part }: Fitted): Sourced[] => [
  ...part.settings.flatMap((s): Sourced[] => [
    {
      what: { setting: s.label },
      subject: { item: item.id, setting: s.id },
      sources: s.evidence ?? []
    },
    ...s.positions.map((p) => ({
      what: { setting: s.label, position: p.label },
      subject: { item: item.id, setting: s.id },
      sources: p.evidence ?? []
    }))
  ]),
  ...part.functions.flatMap((f) =>
    f.claims.map((c) => ({
      what: { resource: c.resource, function: f.label },
      subject: { item: item.id, function: f.id },
      sources: c.evidence ?? []
    }))
  )
];

/** Two sources that disagree are both kept until one has held in a try. */
const conflict: Rule = (s) =>
  s.m.fitted.flatMap(sourcedFacts).flatMap(({ what, subject, sources }): Case[] => {
    const said = sources.flatMap(({ source, says }) => (says ? [{ source, says }] : []));
    const differ = new Set(said.map((e) => e.says)).size > 1;
    if (!differ || sources.some((e) => e.says && e.held)) return [];
    return [{ rule: 'evidence.conflict', about: [subject], facts: { what, sources: said } }];
  });

export const seatRules: readonly Rule[] = [room, keyboard, battery, century, conflict];
