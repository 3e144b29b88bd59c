import { thingOf } from '../model';
import { powerOf, railName } from '../power';
import { afterMishap, railStops } from '../rails';
import type { Case } from './finding';
import type { Rule } from './rule';

/** Three-supply memory is destroyed when −5 V is missing while +12 V is on. */
const threeSupply: Rule = ({ kit, m }) =>
  kit.supply?.part.supply?.rails.m5 === 0 && kit.facts.memory?.threeSupply
    ? [
        {
          rule: 'power.minus5-dram',
          about: [kit.supply.item.id, 'board'],
          facts: { supply: thingOf(kit.supply), board: thingOf(m.board) }
        }
      ]
    : [];

/** What the parts take together must be below what a rail gives. */
const rail: Rule = ({ kit }) => {
  const { supply } = kit;
  if (!supply) return [];
  return powerOf(kit).rails.flatMap((r): Case[] =>
    r.limit !== null && r.amps > r.limit && (r.limit > 0 || r.rail !== 'v3')
      ? [
          {
            rule: 'power.rail',
            about: [supply.item.id],
            facts: { supply: thingOf(supply), rail: railName(r.rail), amps: r.amps, limit: r.limit }
          }
        ]
      : []
  );
};

/** Drives take most while they spin up. */
const start: Rule = ({ kit }) => {
  const limit = kit.supply?.part.supply?.rails.v12;
  const use = powerOf(kit);
  const steady = use.rails.find((r) => r.rail === 'v12')!.amps;
  return limit !== undefined && use.start12 > limit && steady <= limit
    ? [{ rule: 'power.start', about: [kit.supply!.item.id], facts: { amps: use.start12, limit } }]
    : [];
};

/** Below this many parts a machine is not entered far enough to judge its load. */
const PARTS_TO_JUDGE = 3;

/** Old supplies do not start without a load. */
const least: Rule = ({ kit }) => {
  const supply = kit.supply?.part.supply;
  const gets = powerOf(kit).rails.find((r) => r.rail === 'v5')!.amps;
  return supply && kit.build.items.length > PARTS_TO_JUDGE && gets < supply.leastV5
    ? [
        {
          rule: 'power.least',
          about: [kit.supply!.item.id],
          facts: { supply: thingOf(kit.supply!), needs: supply.leastV5, gets }
        }
      ]
    : [];
};

/** Some audio and memory boards need −5 V. */
const minus5: Rule = ({ kit }) => {
  const needy = powerOf(kit).minus5;
  return kit.supply?.part.supply?.rails.m5 === 0 && needy.length && !kit.facts.memory?.threeSupply
    ? [
        {
          rule: 'power.minus5',
          about: [kit.supply.item.id],
          facts: { supply: thingOf(kit.supply), needy: [...needy] }
        }
      ]
    : [];
};

/** Each drive needs its lead; a large one serves a small plug through an adapter. */
const plugs: Rule = ({ kit }) => {
  const has = kit.supply?.part.supply?.plugs;
  if (!has) return [];
  const { large, small } = powerOf(kit).plugs;
  const spare = Math.max(0, has.large - large);
  const missing = Math.max(0, large - has.large) + Math.max(0, small - has.small - spare);
  return missing
    ? [
        {
          rule: 'power.plugs',
          about: [kit.supply!.item.id],
          facts: {
            supply: thingOf(kit.supply!),
            missing,
            has: { large: has.large, small: has.small },
            needs: { large, small }
          }
        }
      ]
    : [];
};

/** Supply, board and case belong together. */
const form: Rule = ({ kit, m }) => {
  const supply = kit.supply?.part.supply;
  const chassis = kit.chassis?.part.chassis;
  const out: Case[] = [];
  const plug = kit.facts.powerPlug;
  if (supply && plug && plug !== 'either' && (supply.form === 'atx') !== (plug === 'atx'))
    out.push({
      rule: 'power.form',
      severity: supply.form === 'atx' ? 'caution' : 'clash',
      about: [kit.supply!.item.id, 'board'],
      facts: { supply: thingOf(kit.supply!), has: supply.form === 'atx' ? 'atx' : 'at' }
    });
  if (supply && chassis && !chassis.supply.includes(supply.form))
    out.push({
      rule: 'bay.supply',
      about: [kit.supply!.item.id, kit.chassis!.item.id],
      facts: {
        supply: thingOf(kit.supply!),
        chassis: thingOf(kit.chassis!),
        takes: [...chassis.supply]
      }
    });
  if (chassis && kit.facts.form && !chassis.forms.includes(kit.facts.form))
    out.push({
      rule: 'bay.board',
      about: [kit.chassis!.item.id, 'board'],
      facts: {
        board: thingOf(m.board),
        chassis: thingOf(kit.chassis!),
        form: kit.facts.form,
        takes: [...chassis.forms]
      }
    });
  return out;
};

/** What a meter showed at the plugs, and what happened to them. */
const measured: Rule = ({ m }) => [
  ...railStops(m.build).map((stop): Case => ({
    rule: 'power.rails',
    key: stop.plug,
    about: ['board'],
    facts: { why: 'read', ...stop }
  })),
  ...(afterMishap(m.build) === 'ohms'
    ? [
        {
          rule: 'power.rails' as const,
          key: 'exchanged',
          about: ['board'],
          facts: { why: 'exchanged' as const, cased: m.build.mishap?.cased ?? null }
        }
      ]
    : [])
];

export const powerRules: readonly Rule[] = [measured, threeSupply, rail, start, least, minus5, plugs, form];
