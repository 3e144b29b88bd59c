import { disksOf } from '../disks';
import { rule, type Rule, type Said } from './rule';

const setup = rule(
  'disk.setup',
  'Geometry belongs to a medium and a host: what is typed must be what it was made under.',
  (s) =>
    disksOf(s.kit).flatMap(({ drive, verdicts }): Said[] =>
      verdicts
        .filter((v) => v.grade === 'stop' || v.grade === 'caution')
        .map((v) => ({
          severity: v.grade === 'stop' ? ('clash' as const) : ('caution' as const),
          about: [drive.item.id],
          title: `The setup of ${drive.title} is not what it was made under`,
          sentence: v.text
        }))
    )
);

export const diskRules: readonly Rule[] = [setup];
