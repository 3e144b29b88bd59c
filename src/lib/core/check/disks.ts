import { choicesFor, disksOf, standing, type KitDisk } from '../disks';
import { sizeWords } from '../storage';
import { rule, type Rule, type Said, type Situation } from './rule';

/** Hard disks that the BIOS of the board runs: no ROM of a card takes over. */
const biosDisks = (s: Situation): KitDisk[] =>
  disksOf(s.kit).filter((d) => d.controller !== null && d.facts?.isRom !== true);

const diskRom = rule(
  'disk.rom',
  'Without hard-disk code in the BIOS a controller needs a ROM of its own.',
  (s) => {
    const disk = s.kit.firmware?.firmware?.disk;
    if (!disk || (disk.translation !== 'rom' && disk.types > 0)) return [];
    return biosDisks(s).map(({ drive, controller }) => ({
      severity: 'clash' as const,
      about: [drive.item.id, controller!.item],
      title: `Nothing starts ${drive.title}`,
      sentence: `${s.kit.firmware!.name} knows no hard disks: the controller needs a ROM of its own.`
    }));
  }
);

/** Barriers that another rule tells, or that only change what is displayed. */
const saidElsewhere = new Set(['reports-16383', 'one-partition', 'tool-64g']);

const diskLimit = rule('disk.limit', 'Each layer sees only so much of a drive.', (s) =>
  disksOf(s.kit).flatMap((disk): Said[] => {
    const [nearest] = standing(disk).filter((b) => !saidElsewhere.has(b.id));
    if (!disk.controller || !nearest) return [];
    const { drive } = disk;
    const best = choicesFor(disk).find((c) => c.works && c.geometry);
    return [
      {
        rule: `disk.limit.${nearest.id}`,
        severity: nearest.id === 'heads-256' ? 'clash' : 'caution',
        about: [drive.item.id],
        title: `${drive.title} is larger than the ${nearest.who} sees`,
        sentence: `Expect ${nearest.symptom}. All is well up to ${sizeWords(nearest.sectors)}.${nearest.ways.length ? ` Ways past it: ${nearest.ways.join(', ')}.` : ''}`,
        why: `${nearest.cause.charAt(0).toUpperCase()}${nearest.cause.slice(1)}.`,
        fixes: best
          ? [
              {
                label:
                  best.type === 'user'
                    ? `Type ${best.geometry!.cylinders.toLocaleString('en')} cylinders`
                    : `Type ${best.type} of the table`,
                fix: {
                  action: 'declare',
                  item: drive.item.id,
                  setup: { ...best.geometry!, type: best.type }
                }
              }
            ]
          : []
      }
    ];
  })
);

const diskType = rule('disk.type', 'The oldest setups have a table of types and none to fill in.', (s) => {
  const disk = s.kit.firmware?.firmware?.disk;
  if (!disk || disk.user || disk.translation === 'rom' || disk.types === 0) return [];
  return biosDisks(s).flatMap((d): Said[] => {
    const best = d.drive.item.disk?.setup ? undefined : choicesFor(d).find((c) => c.id === 'type');
    return best
      ? [
          {
            severity: 'note',
            about: [d.drive.item.id],
            title: `${d.drive.title}: type ${best.type}`,
            sentence: `${s.kit.firmware!.name} has ${disk.types} types and none to fill in. Type ${best.type} (${best.geometry!.cylinders} × ${best.geometry!.heads} × ${best.geometry!.sectors}) uses most: ${sizeWords(best.usable!)}, ${sizeWords(best.lost)} stay unused.`
          }
        ]
      : [];
  });
});

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

export const diskRules: readonly Rule[] = [diskRom, diskLimit, diskType, setup];
