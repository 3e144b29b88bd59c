import { thingOf, byId } from '../model';
import { unknownsOf } from '../resources';
import type { OpenFact } from './facts';
import type { Case } from './finding';
import type { Rule, Situation } from './rule';

/** What nobody knows: no answer covers it, so each is said, with what may hide there. */
const unknowns: Rule = ({ m }) =>
  unknownsOf(m).map((u): Case => {
    const fitted = m.get(u.item);
    const { part } = fitted;
    const labelOf = (fn: string | undefined) => part.functions.find((f) => f.id === fn)?.label;
    switch (u.kind) {
      case 'claims':
        return {
          rule: 'unknown.lines',
          about: [{ item: u.item, ...(u.function === undefined ? {} : { function: u.function }) }],
          facts: { part: thingOf(fitted), function: labelOf(u.function) ?? null }
        };
      case 'routing':
        return {
          rule: 'unknown.routing',
          about: [{ item: u.item, function: u.function }],
          facts: { card: thingOf(fitted), function: labelOf(u.function)!, slot: u.slot }
        };
      case 'setting': {
        const decides = part.functions.filter((fn) =>
          fn.claims.some(
            ({ from }) =>
              from && ('setting' in from ? from.setting === u.setting : from.settings.includes(u.setting))
          )
        );
        return {
          rule: 'setting.unknown',
          about: [{ item: u.item, setting: u.setting }],
          facts: {
            part: thingOf(fitted),
            setting: byId(part.settings, u.setting).label,
            decides: decides.map((fn) => fn.label)
          }
        };
      }
    }
  });

/** What a board may leave open: what is not known of it is left out of the check. */
const openFacts: Record<OpenFact, (s: Situation) => boolean> = {
  socket: ({ kit }) => !kit.facts.cpuSocket,
  clock: ({ kit }) => !kit.facts.busClock,
  memory: ({ kit }) => !kit.memory,
  // A machine that is sold as one brings the right ones; of its own display it has to be said what that shows.
  keyboard: ({ kit }) => !kit.facts.closed && !kit.facts.keyboard,
  power: ({ kit }) => !kit.facts.closed && !kit.facts.powerPlug,
  form: ({ kit }) => !kit.facts.closed && !kit.facts.form,
  supply: ({ kit }) => kit.facts.closed !== undefined && !kit.supply,
  panel: ({ kit, m }) => kit.facts.closed !== undefined && !m.board.part.monitor
};

const board: Rule = (s) => {
  const open = (Object.keys(openFacts) as OpenFact[]).filter((fact) => openFacts[fact](s));
  return open.length
    ? [{ rule: 'unknown.board', about: ['board'], facts: { board: thingOf(s.m.board), open } }]
    : [];
};

/** The BIOS decides which drives are seen, how much of them, and where the machine starts from. */
const bios: Rule = ({ kit }) => (kit.firmware ? [] : [{ rule: 'unknown.bios', about: ['board'], facts: {} }]);

export const unknownRules: readonly Rule[] = [unknowns, board, bios];
