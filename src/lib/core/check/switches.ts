import type { Item } from '../model';
import { factRules, meaningsOf, required, type Required } from '../settings';
import { finding, setFix, type Rule, type Situation } from './rule';

/** Facts that a rule of their own speaks about, with more to say than the switch. */
const elsewhere = new Set<Required['fact']>([
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
function wrongOnes({ kit, at }: Situation): Required[] {
  const stands = (item: Item, setting: string) => item.chosen[setting] ?? item.asFound[setting];
  return required(
    kit,
    (item, { fact, setting }) => !elsewhere.has(fact) && stands(item, setting.id) !== undefined
  ).filter((r) => !r.positions.includes(at(r.item, r.setting.id)!));
}

const told: Rule = {
  id: 'switch.required',
  why: 'A switch tells the board what is in the machine; told wrong, the board believes the switch.',
  find: (s) =>
    wrongOnes(s).flatMap((r) => {
      const meant = meaningsOf(r.part).find((m) => m.setting.id === r.setting.id && m.fact === r.fact)!;
      const position = s.at(r.item, r.setting.id)!;
      const value = meant.values.get(position);
      if (value === undefined) return [];
      const { severity, sentence } = factRules[r.fact].wrong(s.kit, value, { ...meant, item: r.item });
      const label = r.setting.positions.find((p) => p.id === position)!.label;
      return [
        finding({
          rule: `switch.${r.fact}`,
          why: `${told.why} ${r.because.join('; ')}.`,
          severity,
          subjects: [{ item: r.item, setting: r.setting.id }],
          title: `${r.setting.label} is set to ${label}`,
          sentence:
            r.position === null
              ? `${sentence} No position says ${r.said}.`
              : `${sentence} It should say ${r.said}: ${r.because[0]}.`,
          fixes: r.position === null ? [] : [setFix(s, r.item, r.setting.id, r.position)]
        })
      ];
    })
};

export const switchRules: readonly Rule[] = [told];
