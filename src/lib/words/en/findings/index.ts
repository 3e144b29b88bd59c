import type { Fix, FixLabel } from '../../../core/model';
import type { Finding, RuleId } from '../../../core/rules';
import { board } from './board';
import { brief } from './brief';
import { cables } from './cables';
import { cpu } from './cpu';
import { disks } from './disks';
import { drives } from './drives';
import { lines } from './lines';
import { memory } from './memory';
import { picture } from './picture';
import { power } from './power';
import { seats } from './seats';
import { floppyName } from '../things';
import type { Told, WordsOf } from './told';
import { unknown } from './unknown';

/** Words for every rule of the registry. */
export const findings: WordsOf<RuleId> = {
  ...lines,
  ...seats,
  ...unknown,
  ...cpu,
  ...board,
  ...memory,
  ...picture,
  ...drives,
  ...cables,
  ...disks,
  ...power,
  ...brief
};

/** What a fix is called on a button. */
export function fixLabel(label: FixLabel): string {
  switch (label.kind) {
    case 'position':
      return `Set ${label.setting} to ${label.position}`;
    case 'line':
      return `Move ${label.function} to ${label.line}`;
    case 'slot':
      return `Move to slot ${label.slot}`;
    case 'jumper':
      return `Jumper ${label.drive} as ${label.unit}`;
    case 'terminators':
      return `${label.fitted ? 'Fit' : 'Remove'} terminators on ${label.device}`;
    case 'image':
      return `Set to images of ${floppyName(label.kib)}`;
    case 'cable':
      return label.twist === 'disk'
        ? 'Use a cable with the twist in lines 25–29'
        : 'Use a cable with the twist in lines 10–16';
    case 'geometry':
      return `Enter ${label.cylinders} cylinders`;
    case 'drive-type':
      return `Enter type ${label.type}`;
    case 'never-together':
      return 'I never use both at once';
    case 'out':
      return `Take ${label.part} out`;
    case 'battery-off':
      return 'It has been removed';
  }
}

/** A finding with its words and the labels of its fixes, for screens, files and the API. */
export type ToldFinding = Omit<Finding, 'facts' | 'fixes' | 'rule'> &
  Told & { rule: RuleId; facts: Finding['facts']; fixes: { label: string; fix: Fix }[] };

/** A finding in words. */
export function tell(finding: Finding): ToldFinding {
  const words = findings[finding.rule] as (facts: Finding['facts']) => Told;
  return {
    ...finding,
    ...words(finding.facts),
    fixes: finding.fixes.map(({ label, fix }) => ({ label: fixLabel(label), fix }))
  };
}
