import type { z } from 'zod';
import type { Evidence, Subject } from '../model';
import type { Fitted } from '../resources';
import { rule, type Rule, type Said } from './rule';

/** How cards lie in their slots, and what hangs on the board from outside. */

const length = rule(
  'slot.length',
  'A card must end before the cooler, the modules and the drive cage.',
  (s) => {
    const cage = s.kit.chassis?.part.chassis?.cardMm;
    return s.m.fitted.flatMap((f): Said[] => {
      const mm = f.part.card?.lengthMm;
      if (mm === undefined || !f.slot) return [];
      const room = f.slot.lengthMm;
      const free = s.kit.facts.slots.filter(
        (x) =>
          x.bus === f.slot!.bus &&
          (x.lengthMm ?? Infinity) >= mm &&
          !s.m.fitted.some((other) => other.slot?.id === x.id)
      );
      if (room !== undefined && mm > room)
        return [
          {
            severity: 'clash',
            about: [{ item: f.item.id, slot: f.slot.id }],
            title: `${f.title} is too long for slot ${f.slot.label ?? f.slot.id}`,
            sentence: `It is ${mm} mm long, and something on the board stands in the way after ${room} mm.`,
            fixes: free.slice(0, 2).map((x) => ({
              label: `Move to slot ${x.label ?? x.id}`,
              fix: { action: 'move-slot', item: f.item.id, slot: x.id }
            }))
          }
        ];
      return cage !== undefined && mm > cage
        ? [
            {
              severity: 'clash',
              about: [f.item.id, s.kit.chassis!.item.id],
              title: `${f.title} does not fit the case`,
              sentence: `It is ${mm} mm long, and the drive cage leaves ${cage} mm.`
            }
          ]
        : [];
    });
  }
);

const skirt = rule('slot.skirt', 'Some 8-bit cards reach down where a 16-bit slot has its extension.', (s) =>
  s.m.fitted
    .filter((f) => f.part.card?.skirt && f.slot && ['isa16', 'vlb'].includes(f.slot.bus))
    .map((f) => ({
      severity: 'clash' as const,
      about: [{ item: f.item.id, slot: f.slot!.id }],
      title: `${f.title} meets the slot’s extension`,
      sentence:
        'Its lower edge stands on the 16-bit part of the slot: it cannot be pressed home. Use an 8-bit slot.',
      fixes: s.kit.facts.slots
        .filter((x) => x.bus === 'isa8' && !s.m.fitted.some((o) => o.slot?.id === x.id))
        .slice(0, 2)
        .map((x) => ({
          label: `Move to slot ${x.label ?? x.id}`,
          fix: { action: 'move-slot' as const, item: f.item.id, slot: x.id }
        }))
    }))
);

const keyboard = rule(
  'keyboard.protocol',
  'The same plug carries two protocols that do not understand each other.',
  (s) => {
    const board = s.kit.facts.keyboard;
    const own = s.kit.keyboard?.part.keyboard;
    if (!board || !own) return [];
    const { item, title } = s.kit.keyboard!;
    const both = board.protocols.filter((p) => own.protocols.includes(p));
    if (!both.length)
      return [
        {
          severity: 'clash',
          about: [item.id, 'board'],
          title: `${title} speaks ${own.protocols.join(' and ').toUpperCase()}`,
          sentence: `The board wants ${board.protocols.join(' or ').toUpperCase()}: no key works, or the start-up stops with a keyboard error.`
        }
      ];
    const out: Said[] = [];
    if (own.change === 'switch' && board.protocols.length === 1)
      out.push({
        severity: 'note',
        about: [item.id],
        title: `${title} has a switch below`,
        sentence: `Set it to ${both[0].toUpperCase()} before you plug it in.`
      });
    if (
      board.plug !== own.plug &&
      !s.kit.adapters.some((a) => a.part.adapter!.to === board.plug || a.part.adapter!.from === board.plug)
    )
      out.push({
        rule: 'keyboard.plug',
        severity: 'caution',
        about: [item.id, 'board'],
        title: `${title} has the other plug`,
        sentence: `The board has ${board.plug === 'din5' ? 'the large round socket' : 'the small round socket'}: a plug changer is needed.`
      });
    return out;
  }
);

const battery = rule('battery.leak', 'Barrel batteries leak on the board and eat its traces.', (s) =>
  s.kit.facts.battery === 'barrel'
    ? [
        {
          severity: 'caution',
          about: ['board'],
          title: 'A barrel battery sits on the board',
          sentence:
            'Take it off before anything else, clean with white vinegar, then water and alcohol; gloves and glasses. Use the external header.',
          fixes: [{ label: 'It is off', fix: { action: 'acknowledge', finding: 'battery.leak board/' } }]
        }
      ]
    : []
);

type Source = z.output<typeof Evidence>;
interface Told {
  what: string;
  subject: Subject;
  sources: readonly Source[];
}

/** Every fact of a part that carries sources: settings, their positions, claims. */
function toldOf({ item, part }: Fitted): Told[] {
  return [
    ...part.settings.flatMap((s): Told[] => [
      { what: s.label, subject: { item: item.id, setting: s.id }, sources: s.evidence ?? [] },
      ...s.positions.map((p) => ({
        what: `${s.label}, ${p.label}`,
        subject: { item: item.id, setting: s.id },
        sources: p.evidence ?? []
      }))
    ]),
    ...part.functions.flatMap((f) =>
      f.claims.map((c) => ({
        what: `the ${c.resource} of ${f.label}`,
        subject: { item: item.id, function: f.id },
        sources: c.evidence ?? []
      }))
    )
  ];
}

const conflict = rule(
  'evidence.conflict',
  'Two sources that disagree are both kept until one has held in a try.',
  (s) =>
    s.m.fitted.flatMap(toldOf).flatMap(({ what, subject, sources }): Said[] => {
      const told = sources.filter((e) => e.says);
      const differ = new Set(told.map((e) => e.says)).size > 1;
      if (!differ || told.some((e) => e.held)) return [];
      return [
        {
          severity: 'caution',
          about: [subject],
          title: `Sources disagree on ${what}`,
          sentence: `${told.map((e) => `${e.source}: ${e.says}`).join('; ')}. Try the safer first, and mark the one that held.`
        }
      ];
    })
);

export const seatRules: readonly Rule[] = [length, skirt, keyboard, battery, conflict];
