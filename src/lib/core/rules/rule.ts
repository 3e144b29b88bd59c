import type { Kit } from '../kit';
import { entryOf, thingOf, type Item, type OfferedFix, type Part, type PartSet, type Thing } from '../model';
import { isIn, type Line, type Machine, type Positions } from '../resources';
import type { Offer } from '../software';
import type { Case } from './finding';

/** What a rule looks at: the machine, its positions and the lines that follow from them. */
export interface Situation {
  m: Machine;
  parts: PartSet;
  at: Positions;
  lines: Line[];
  /** The build by kinds of part. */
  kit: Kit;
  /** What it has to give to programs. */
  offer: Offer;
}

/** A law of the hardware: the cases in which a machine breaks it. */
export type Rule = (situation: Situation) => Case[];

/** A card of the build that has no slot yet. */
interface Waiting {
  item: Item;
  part: Part;
  thing: Thing;
}

/** Cards that sit in no slot, or in one they do not go into: what somebody misses may be one of them. */
const outside = ({ m, parts }: Situation): Waiting[] =>
  m.build.items.flatMap((item) => {
    const part = entryOf(parts, item.part);
    const fitted = m.find(item.id);
    if (!part.card || (fitted && isIn(fitted))) return [];
    return [{ item, part, thing: thingOf({ part, title: item.label ?? part.name }) }];
  });

/** Cards that sit in no slot: nothing of them counts. */
export const waitingCards = (s: Situation): Waiting[] => outside(s).filter(({ item }) => !s.m.find(item.id));

/** The first card that is outside and would do. */
export const waitingFor = (s: Situation, wouldDo: (card: Part) => boolean): Thing | null =>
  outside(s).find(({ part }) => wouldDo(part))?.thing ?? null;

/** A fix that sets a position, with the words of that position. */
export function setFix({ m }: Situation, item: string, setting: string, position: string): OfferedFix {
  const known = m.find(item)?.part.settings.find((s) => s.id === setting);
  return {
    label: {
      kind: 'position',
      setting: known?.label ?? setting,
      position: known?.positions.find((p) => p.id === position)?.label ?? position
    },
    fix: { action: 'set', item, setting, position }
  };
}

/** A fix that moves a card to another slot. */
export const slotFix = (item: string, slot: { id: string; label?: string }): OfferedFix => ({
  label: { kind: 'slot', slot: slot.label ?? slot.id },
  fix: { action: 'move-slot', item, slot: slot.id }
});
