import { boardInCase } from '../kit';
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
  const { supply } = kit;
  if (!supply) return [];
  const limit = supply.part.supply.rails.v12;
  const use = powerOf(kit);
  return use.start12 > limit && use.amps.v12 <= limit
    ? [{ rule: 'power.start', about: [supply.item.id], facts: { amps: use.start12, limit } }]
    : [];
};

/** Below this many parts a machine is not entered far enough to judge its load. */
const PARTS_TO_JUDGE = 3;

/** Old supplies do not start without a load. */
const least: Rule = ({ kit }) => {
  const { supply } = kit;
  if (!supply || kit.build.items.length <= PARTS_TO_JUDGE) return [];
  const needs = supply.part.supply.leastV5;
  const gets = powerOf(kit).amps.v5;
  return gets < needs
    ? [
        {
          rule: 'power.least',
          about: [supply.item.id],
          facts: { supply: thingOf(supply), needs, gets }
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
  const { supply } = kit;
  const has = supply?.part.supply.plugs;
  if (!supply || !has) return [];
  const { large, small } = powerOf(kit).plugs;
  const spare = Math.max(0, has.large - large);
  const missing = Math.max(0, large - has.large) + Math.max(0, small - has.small - spare);
  return missing
    ? [
        {
          rule: 'power.plugs',
          about: [supply.item.id],
          facts: {
            supply: thingOf(supply),
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
  const { supply, chassis } = kit;
  const out: Case[] = [];
  const plug = kit.facts.powerPlug;
  const isAtx = supply?.part.supply.form === 'atx';
  if (supply && plug && plug !== 'either' && isAtx !== (plug === 'atx'))
    out.push({
      rule: 'power.form',
      severity: isAtx ? 'caution' : 'clash',
      about: [supply.item.id, 'board'],
      facts: { supply: thingOf(supply), has: isAtx ? 'atx' : 'at' }
    });
  if (!chassis) return out;
  const takes = chassis.part.chassis;
  if (supply && !takes.supply.includes(supply.part.supply.form))
    out.push({
      rule: 'bay.supply',
      about: [supply.item.id, chassis.item.id],
      facts: { supply: thingOf(supply), chassis: thingOf(chassis), takes: [...takes.supply] }
    });
  const misfit = boardInCase(kit.facts, takes);
  if (misfit)
    out.push({
      rule: 'bay.board',
      about: [chassis.item.id, 'board'],
      facts: { board: thingOf(m.board), chassis: thingOf(chassis), ...misfit }
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
