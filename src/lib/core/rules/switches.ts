import { byId } from '../model';
import type { Item } from '../model';
import { factRules, meaningsOf, required, standingMHz, type Required } from '../settings';
import type { Case } from './finding';
import { setFix, type Rule, type Situation } from './rule';

/** Facts that a rule of their own speaks about, with more to say than the switch. */
const toldElsewhere = new Set<Required['fact']>([
  'bus-mhz',
  'factor',
  'volts',
  'fpu',
  'display',
  'monitor',
  'on-board',
  'bus-divisor'
]);

/** Settings that were recorded or chosen and do not say what is in the machine. */
function wrongOnes({ kit, at }: Situation, bus: number | null): Required[] {
  const recorded = (item: Item, setting: string) => item.chosen[setting] ?? item.asFound[setting];
  return required(
    kit,
    (item, { fact, setting }) => !toldElsewhere.has(fact) && recorded(item, setting.id) !== undefined,
    bus
  ).filter((r) => {
    const now = at(r.item, r.setting.id);
    return now === undefined || !r.positions.includes(now);
  });
}

/** A switch says what is in the machine; set wrong, the board believes the switch. */
const wrongSwitch: Rule = (s) => {
  const bus = standingMHz(s.kit);
  return wrongOnes(s, bus).flatMap((r): Case[] => {
    const meant = meaningsOf(r.part).find((m) => m.setting.id === r.setting.id && m.fact === r.fact);
    const position = s.at(r.item, r.setting.id);
    const value = position === undefined ? undefined : meant?.values.get(position);
    if (!meant || position === undefined || value === undefined) return [];
    const { severity, consequence, more } = factRules[r.fact].wrong(
      s.kit,
      value,
      { ...meant, item: r.item },
      bus
    );
    return [
      {
        rule: 'switch',
        key: r.fact,
        severity,
        about: [{ item: r.item, setting: r.setting.id }],
        facts: {
          fact: r.fact,
          ...(more === undefined ? {} : { more }),
          setting: r.setting.label,
          position: byId(r.setting.positions, position).label,
          consequence,
          required: r.value,
          because: r.because,
          canSay: r.position !== null
        },
        fixes: r.position === null ? [] : [setFix(s, r.item, r.setting.id, r.position)]
      }
    ];
  });
};

export const switchRules: readonly Rule[] = [wrongSwitch];
