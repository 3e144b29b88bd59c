import { unknownsOf } from '../resources';
import { rule, type Rule, type Said, type Situation } from './rule';

const noClaims: Rule = rule(
  'unknown.lines',
  'A card drives lines whether or not anybody has written them down.',
  ({ m }) =>
    unknownsOf(m).flatMap((u): Said[] => {
      if (u.kind !== 'claims') return [];
      const { title, part } = m.find(u.item)!;
      const fn = part.functions.find((f) => f.id === u.function);
      const name = fn ? `${fn.label} of ${title}` : title;
      return [
        {
          severity: 'caution',
          about: [u],
          title: `Nothing is known of the lines of ${name}`,
          sentence: `It may use any interrupt, DMA channel, port or memory window, so a clash with it would not be seen here. Describe what it uses, or start without it first.`
        }
      ];
    })
);

const noRouting: Rule = rule(
  'unknown.routing',
  'The board decides which line an interrupt pin of a PCI slot is wired to.',
  ({ m }) =>
    unknownsOf(m).flatMap((u): Said[] => {
      if (u.kind !== 'routing') return [];
      const { title, part } = m.find(u.item)!;
      const fn = part.functions.find((f) => f.id === u.function)!;
      return [
        {
          severity: 'caution',
          about: [{ item: u.item, function: u.function }],
          title: `The interrupt of ${title} is unknown`,
          sentence: `Nobody has written down how slot ${u.slot} is wired, so ${fn.label} of ${title} may get any interrupt, one that an ISA card uses too. Read it off the screen at start.`
        }
      ];
    })
);

const unknownSetting: Rule = rule(
  'setting.unknown',
  'Nobody knows what the setting does, so it is never moved and what hangs on it cannot be promised.',
  ({ m }) =>
    unknownsOf(m).flatMap((u): Said[] => {
      if (u.kind !== 'setting') return [];
      const { title, part } = m.find(u.item)!;
      const { label } = part.settings.find((s) => s.id === u.setting)!;
      const rests = part.functions.filter((fn) =>
        fn.claims.some(
          ({ from }) =>
            from && ('setting' in from ? from.setting === u.setting : from.settings.includes(u.setting))
        )
      );
      return [
        {
          severity: 'caution',
          about: [{ item: u.item, setting: u.setting }],
          title: `${label} of ${title} is unknown`,
          sentence: rests.length
            ? `Where ${rests.map((fn) => fn.label).join(', ')} ends up depends on it. Record how it stands and try it before you trust the lines shown.`
            : `It may switch something on or move it. Record how it stands, and leave it there.`
        }
      ];
    })
);

/** What a board may leave open, and what is not checked then. */
const openFacts: readonly [fact: string, unchecked: string, isOpen: (s: Situation) => boolean][] = [
  ['CPU socket', 'whether the CPU fits, and its voltage', ({ kit }) => !kit.facts.cpuSocket],
  ['clock', 'how fast the CPU runs', ({ kit }) => !kit.facts.busClock],
  ['memory', 'banks, kinds and the count at start', ({ kit }) => !kit.memory],
  ['keyboard plug', 'whether the keyboard fits', ({ kit }) => !kit.facts.keyboard],
  ['power plug', 'whether the supply fits', ({ kit }) => !kit.facts.powerPlug],
  ['size', 'whether it goes into the case', ({ kit }) => !kit.facts.form]
];

const board: Rule = rule(
  'unknown.board',
  'What is not known of a board is left out of the check.',
  (s): Said[] => {
    const open = openFacts.filter(([, , isOpen]) => isOpen(s));
    return open.length
      ? [
          {
            severity: 'caution',
            about: ['board'],
            title: `${s.m.board.title}: ${open.map(([fact]) => fact).join(', ')} unknown`,
            sentence: `Not checked for that reason: ${open.map(([, unchecked]) => unchecked).join('; ')}.`
          }
        ]
      : [];
  }
);

const bios: Rule = rule(
  'unknown.bios',
  'The BIOS decides which drives are seen, how much of them, and where the machine starts from.',
  ({ kit }): Said[] =>
    kit.firmware
      ? []
      : [
          {
            severity: 'caution',
            about: ['board'],
            title: 'Nothing is known of the BIOS',
            sentence:
              'How large a disk it sees, which floppy drives it knows and whether it looks for ROMs on cards is not checked.'
          }
        ]
);

/** What nobody knows: no answer covers it, so each is said, with what may hide there. */
export const unknownRules: readonly Rule[] = [noClaims, noRouting, unknownSetting, board, bios];
