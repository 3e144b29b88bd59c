import { powerOf, railName } from '../power';
import { rule, type Rule, type Said } from './rule';

const amps = (n: number) => `${Math.round(n * 10) / 10} A`;

const threeSupply = rule(
  'power.minus5-dram',
  'Three-supply memory is destroyed when −5 V is missing while +12 V is on.',
  (s) => {
    const supply = s.kit.supply?.part.supply;
    const has = s.kit.facts.memory?.threeSupply;
    return supply && has && supply.rails.m5 === 0
      ? [
          {
            severity: 'stop',
            about: [s.kit.supply!.item.id, 'board'],
            title: 'No −5 V for three-supply memory',
            sentence: `Do not power on: ${s.kit.supply!.title} gives no −5 V, and the memory of ${s.kit.board.name} burns without it.`
          }
        ]
      : [];
  }
);

const rail = rule('power.rail', 'What the parts take together must be below what a rail gives.', (s) => {
  if (!s.kit.supply) return [];
  const use = powerOf(s.kit);
  return use.rails.flatMap((r): Said[] =>
    r.limit !== null && r.amps > r.limit && (r.limit > 0 || r.rail !== 'v3')
      ? [
          {
            severity: 'clash',
            about: [s.kit.supply!.item.id],
            title: `${railName(r.rail)} is overloaded`,
            sentence: `The parts take ${amps(r.amps)} and ${s.kit.supply!.title} gives ${amps(r.limit)}: it shuts down, or does not start.`
          }
        ]
      : []
  );
});

const start = rule('power.start', 'Drives take most while they spin up.', (s) => {
  const limit = s.kit.supply?.part.supply?.rails.v12;
  const use = powerOf(s.kit);
  const steady = use.rails.find((r) => r.rail === 'v12')!.amps;
  return limit !== undefined && use.start12 > limit && steady <= limit
    ? [
        {
          severity: 'caution',
          about: [s.kit.supply!.item.id],
          title: 'Spinning up takes more than +12 V gives',
          sentence: `${amps(use.start12)} for some seconds, and the supply gives ${amps(limit)}: it may shut down as it starts. A spin-up delay or one drive less helps.`
        }
      ]
    : [];
});

const least = rule('power.least', 'Old supplies do not start without a load.', (s) => {
  const supply = s.kit.supply?.part.supply;
  const v5 = powerOf(s.kit).rails.find((r) => r.rail === 'v5')!.amps;
  return supply && s.kit.build.items.length > 3 && v5 < supply.leastV5
    ? [
        {
          severity: 'caution',
          about: [s.kit.supply!.item.id],
          title: 'Too little load',
          sentence: `${s.kit.supply!.title} wants ${amps(supply.leastV5)} on +5 V and gets ${amps(v5)}: it may click and stay off. That is no fault of the board.`
        }
      ]
    : [];
});

const minus5 = rule('power.minus5', 'Some audio and memory boards need −5 V.', (s) => {
  const supply = s.kit.supply?.part.supply;
  const needy = powerOf(s.kit).minus5;
  return supply && supply.rails.m5 === 0 && needy.length && !s.kit.facts.memory?.threeSupply
    ? [
        {
          severity: 'clash',
          about: [s.kit.supply!.item.id],
          title: 'No −5 V',
          sentence: `${needy.join(', ')} will not work: ${s.kit.supply!.title} gives no −5 V.`
        }
      ]
    : [];
});

const plugs = rule('power.plugs', 'Each drive needs its lead.', (s) => {
  const supply = s.kit.supply?.part.supply;
  if (!supply) return [];
  const { large, small } = powerOf(s.kit).plugs;
  // A large lead serves a small plug through an adapter.
  const spare = Math.max(0, supply.plugs.large - large);
  const missing = Math.max(0, large - supply.plugs.large) + Math.max(0, small - supply.plugs.small - spare);
  return missing
    ? [
        {
          severity: 'clash',
          about: [s.kit.supply!.item.id],
          title: `${missing} power ${missing === 1 ? 'lead is' : 'leads are'} missing`,
          sentence: `${s.kit.supply!.title} has ${supply.plugs.large} large and ${supply.plugs.small} small leads; the drives want ${large} and ${small}. A Y lead helps while the rail allows.`
        }
      ]
    : [];
});

const form = rule('power.form', 'Supply, board and case belong together.', (s) => {
  const supply = s.kit.supply?.part.supply;
  const chassis = s.kit.chassis?.part.chassis;
  const out: Said[] = [];
  const plug = s.kit.facts.powerPlug;
  if (supply && plug && plug !== 'either' && (supply.form === 'atx') !== (plug === 'atx'))
    out.push({
      severity: supply.form === 'atx' ? 'caution' : 'clash',
      about: [s.kit.supply!.item.id, 'board'],
      title: `${s.kit.supply!.title} has other plugs`,
      sentence:
        supply.form === 'atx'
          ? 'An adapter from ATX to the two AT plugs is needed, and a switch. Black to black.'
          : 'The board wants the 20-pin ATX plug, which an AT supply cannot give.'
    });
  if (supply && chassis && !chassis.supply.includes(supply.form))
    out.push({
      rule: 'bay.supply',
      severity: 'caution',
      about: [s.kit.supply!.item.id, s.kit.chassis!.item.id],
      title: `${s.kit.supply!.title} does not fit the case`,
      sentence: `${s.kit.chassis!.title} is made for ${chassis.supply.join(', ').toUpperCase()} supplies.`
    });
  if (chassis && s.kit.facts.form && !chassis.forms.includes(s.kit.facts.form))
    out.push({
      rule: 'bay.board',
      severity: 'clash',
      about: [s.kit.chassis!.item.id, 'board'],
      title: `The board does not fit the case`,
      sentence: `${s.kit.board.name} is ${s.kit.facts.form}, and ${s.kit.chassis!.title} takes ${chassis.forms.join(', ')}: holes and slots do not meet.`
    });
  return out;
});

export const powerRules: readonly Rule[] = [threeSupply, rail, start, least, minus5, plugs, form];
