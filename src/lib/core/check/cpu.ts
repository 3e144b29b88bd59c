import {
  clocksOf,
  factorOn,
  families,
  hasMultiplierPins,
  isaClockOf,
  offers,
  sameClock,
  socketTakes
} from '../boards';
import type { Offered } from '../model';
import { rule, setFix, type Rule, type Situation } from './rule';

const cpuItem = (s: Situation) => s.kit.build.items.find((i) => s.parts.get(i.part)?.kind === 'cpu');
const about = (s: Situation, setting?: string | null) => [
  ...(cpuItem(s) ? [cpuItem(s)!.id] : []),
  setting ? { item: 'board', setting } : 'board'
];
/** Whether somebody looked at a setting of the board, or chose its position. */
const seen = (s: Situation) => (setting: string) =>
  setting in s.kit.build.board.asFound || setting in s.kit.build.board.chosen;
const clocks = (s: Situation) => clocksOf(s.kit.board, s.kit.cpu, s.at, seen(s));
const positionFor = (offered: Offered | undefined, fits: (v: number) => boolean) =>
  offers(offered).find((o) => o.position !== null && fits(o.value));
const mhz = (n: number) => `${Math.round(n * 10) / 10} MHz`;
const volts = (n: number) => `${n} V`;

/** ISA clock: what the divisor makes of the external clock, else what the board says of itself. */
const isaMHz = (s: Situation): number | undefined =>
  isaClockOf(s.kit.board, clocks(s).bus.value, s.at, seen(s)) ?? undefined;

const socket = rule('cpu.socket', 'A CPU needs its socket and a board that knows its family.', (s) => {
  const { cpu, board, facts } = s.kit;
  const item = cpuItem(s);
  if (!cpu || !item || !facts.cpuSocket || socketTakes(board, cpu)) return [];
  const { accepts, families: known, soldered } = facts.cpuSocket;
  const sentence = soldered
    ? `${board.name} has its CPU soldered in and no socket for another.`
    : !accepts.includes(cpu.cpu!.socket)
      ? `${cpu.name} is made for ${cpu.cpu!.socket}, and ${board.name} takes ${accepts.join(', ')}.`
      : `${board.name} knows ${known.join(', ')}, not ${cpu.cpu!.family}.`;
  return [{ severity: 'clash', about: about(s), title: `${cpu.name} has no socket here`, sentence }];
});

const voltage = rule('cpu.voltage', 'Too high a voltage destroys a CPU before the first picture.', (s) => {
  const { cpu, facts } = s.kit;
  const reading = clocks(s).volts;
  if (!cpu?.cpu || reading.value === null) return [];
  const { low, high } = cpu.cpu.volts;
  const good = positionFor(facts.coreVolts, (v) => v <= high + 0.001 && v >= low - 0.15);
  const fixes = reading.setting && good ? [setFix(s, 'board', reading.setting, good.position!)] : [];
  const told = `${cpu.name} is made for ${low === high ? volts(low) : `${low} to ${volts(high)}`}, and the board gives ${volts(reading.value)}`;
  if (reading.value > high + 0.001)
    return [
      {
        severity: 'stop',
        about: about(s, reading.setting),
        title: `${volts(reading.value)} on ${cpu.name}`,
        sentence: `Do not power on: ${told}. ${fixes.length ? 'Set the voltage first.' : 'This board cannot give less.'}`,
        fixes
      }
    ];
  if (reading.value < low - 0.15)
    return [
      {
        severity: 'clash',
        about: about(s, reading.setting),
        title: `Too little voltage for ${cpu.name}`,
        sentence: `It will not start, or freezes: ${told}.`,
        fixes
      }
    ];
  return [];
});

const voltageUnknown = rule(
  'cpu.voltage-unknown',
  'Unknown voltage is a stop: too high destroys the CPU at once.',
  (s) => {
    const { cpu, facts } = s.kit;
    if (!cpu?.cpu || families[cpu.cpu.family].rank < 3) return [];
    const reading = clocks(s).volts;
    if (reading.value !== null && !reading.unseen) return [];
    if (reading.value !== null && offers(facts.coreVolts).length === 1) return [];
    const named = s.kit.board.settings.find((x) => x.id === reading.setting)?.label;
    return [
      {
        severity: 'stop',
        about: about(s, reading.setting),
        title: 'CPU voltage not known',
        sentence: named
          ? `Do not power on before you have looked at "${named}" and recorded it: ${cpu.name} takes at most ${volts(cpu.cpu.volts.high)}.`
          : `Do not power on: nobody knows what voltage this board gives, and ${cpu.name} takes at most ${volts(cpu.cpu.volts.high)}. Measure it at the empty socket.`
      }
    ];
  }
);

const split = rule('cpu.split', 'A CPU with two voltages needs a board that gives two.', (s) => {
  const { cpu, facts } = s.kit;
  if (!cpu?.cpu?.split) return [];
  const least = Math.min(...offers(facts.coreVolts).map((o) => o.value));
  return least <= cpu.cpu.volts.high + 0.001
    ? []
    : [
        {
          severity: 'clash',
          about: about(s),
          title: `${cpu.name} wants two voltages`,
          sentence: `${s.kit.board.name} gives one voltage only; this part needs ${volts(cpu.cpu.volts.high)} inside and 3.3 V outside.`
        }
      ];
});

const clock = rule('cpu.clock', 'Core clock = bus clock × multiplier; jumpers set the bus clock.', (s) => {
  const { cpu, facts } = s.kit;
  if (!cpu?.cpu) return [];
  const { bus, factor, core, code } = clocks(s);
  if (bus.value === null || core === null || factor === null) return [];
  const rated = cpu.cpu;
  const right = positionFor(facts.busClock, (v) => sameClock(v, rated.busMHz));
  const fixes = [
    ...(bus.setting && right && !sameClock(bus.value, rated.busMHz)
      ? [setFix(s, 'board', bus.setting, right.position!)]
      : []),
    ...(code.setting && hasMultiplierPins(rated) && !sameClock(factor, rated.coreMHz / rated.busMHz)
      ? offers(facts.multiplier)
          .filter((o) => sameClock(factorOn(rated, o.value), rated.coreMHz / rated.busMHz))
          .slice(0, 1)
          .map((o) => setFix(s, 'board', code.setting!, o.position!))
      : [])
  ];
  const told = `${mhz(bus.value)} × ${Math.round(factor * 100) / 100} = ${mhz(core)}, and it is rated ${mhz(rated.busMHz)} × ${Math.round((rated.coreMHz / rated.busMHz) * 100) / 100} = ${mhz(rated.coreMHz)}`;
  if (core > rated.coreMHz * 1.035 || bus.value > rated.busMHz * 1.035) {
    const mistaken = sameClock(bus.value, rated.coreMHz) && !sameClock(rated.coreMHz, rated.busMHz);
    return [
      {
        severity: 'clash',
        about: about(s, bus.setting),
        title: mistaken ? `Bus set to the number on ${cpu.name}` : `${cpu.name} runs too fast`,
        sentence: mistaken
          ? `${mhz(rated.coreMHz)} is what runs inside; the jumpers want the bus, ${mhz(rated.busMHz)}. As set it gives ${mhz(core)} and freezes.`
          : `It freezes or runs hot: ${told}.`,
        fixes
      }
    ];
  }
  if (core < rated.coreMHz * 0.965)
    return [
      {
        severity: 'note',
        about: about(s, bus.setting),
        title: `${cpu.name} runs below its clock`,
        sentence: `Harmless and slower: ${told}.`,
        fixes
      }
    ];
  return [];
});

const fpuKind = rule('fpu.kind', 'An FPU belongs to one family of CPU, and to its clock.', (s) => {
  const { fpu, facts, cpu, board } = s.kit;
  if (!fpu?.part.fpu) return [];
  const { kind, mhz: rated } = fpu.part.fpu;
  const say = (title: string, sentence: string) => [
    { severity: 'clash' as const, about: [fpu.item.id, 'board'], title, sentence }
  ];
  if (!(facts.fpuSockets ?? []).includes(kind))
    return say(
      `${fpu.part.name} has no socket here`,
      `${board.name} ${facts.fpuSockets?.length ? `takes ${facts.fpuSockets.join(', ')}` : 'has no FPU socket'}.`
    );
  if (cpu?.cpu?.fpu)
    return say(
      `${cpu.name} has its own FPU`,
      `Take ${fpu.part.name} out: there is one inside the CPU, and two answer.`
    );
  const core = clocks(s).core ?? cpu?.cpu?.coreMHz;
  if (core === undefined || core === null) return [];
  const needed = kind === '287' ? (core * 2) / 3 : core;
  return rated >= needed * 0.965
    ? []
    : say(
        `${fpu.part.name} is too slow`,
        `It would be driven at ${mhz(needed)} and is rated ${mhz(rated)}: wrong results or a freeze.`
      );
});

const fpuSwitch = rule('fpu.switch', 'XT-class boards are told of the FPU by a switch.', (s) => {
  const told = s.kit.facts.fpuSwitch;
  if (!told || (!s.kit.fpu && !cpuItem(s))) return [];
  const right = s.kit.fpu ? told.fitted : told.none;
  if (s.at('board', told.setting) === right) return [];
  return [
    {
      severity: 'clash',
      about: [{ item: 'board', setting: told.setting }, ...(s.kit.fpu ? [s.kit.fpu.item.id] : [])],
      title: s.kit.fpu ? 'The board is not told of the FPU' : 'The board expects an FPU',
      sentence: s.kit.fpu
        ? 'Programs will not find the FPU until the switch says that it is there.'
        : 'Programs that look for an FPU will hang: the switch says that there is one.',
      fixes: [setFix(s, 'board', told.setting, right)]
    }
  ];
});

const vlbLoad = rule(
  'vlb.load',
  'Local-bus slots run at the external clock: three cards to 33 MHz, two to 40, one above.',
  (s) => {
    const cards = s.m.fitted.filter((f) => f.part.card?.bus === 'vlb' && f.slot?.bus === 'vlb');
    const bus = clocks(s).bus.value;
    if (!cards.length || bus === null) return [];
    const most = bus <= 33.5 ? 3 : bus <= 40.5 ? 2 : 1;
    const names = cards.map((c) => c.item.id);
    if (cards.length > most)
      return [
        {
          severity: 'clash' as const,
          about: names,
          title: `${cards.length} local-bus cards at ${bus} MHz`,
          sentence: `At ${bus} MHz the local bus carries ${most}; more of them garble the picture or the disk. Lower the bus clock or take one out.`
        }
      ];
    return bus > 33.5
      ? [
          {
            severity: 'caution' as const,
            about: names,
            title: `Local bus at ${bus} MHz`,
            sentence:
              'Set the local-bus speed for above 33 MHz and one write wait state; if the picture tears, lower the bus clock.'
          }
        ]
      : [];
  }
);

const isaClock = rule(
  'isa.clock',
  'ISA cards expect 8 to 8.33 MHz; 10 is marginal and above 12 most fail.',
  (s) => {
    const cpuBus = clocks(s).bus.value;
    const set = isaMHz(s);
    if (set === undefined || set <= 8.34) return [];
    const told = s.kit.facts.busDivisor;
    const ways = told ? offers(told).map((o) => o.value) : [2, 3, 4, 5, 6, 8];
    const divisor = cpuBus === null ? null : [...ways].sort((a, b) => a - b).find((n) => cpuBus / n <= 8.34);
    const right = positionFor(told, (v) => v === divisor);
    const advice =
      divisor && cpuBus
        ? `Divide by ${divisor}: ${mhz(cpuBus / divisor)}.`
        : 'Choose a larger divisor in the setup.';
    const isClash = set > 12;
    return [
      {
        severity: isClash ? 'clash' : 'caution',
        about: [s.m.board.item.id],
        title: `The ISA bus runs at ${mhz(set)}`,
        sentence: isClash
          ? `Most cards fail at this clock. ${advice}`
          : `Some cards fail ${set > 10 ? 'at this clock: expect trouble' : 'above 8.33 MHz'}. If one is not found: ${advice}`,
        fixes:
          told && !Array.isArray(told) && right ? [setFix(s, 'board', told.setting, right.position!)] : []
      }
    ];
  }
);

export const cpuRules: readonly Rule[] = [
  voltageUnknown,
  voltage,
  split,
  socket,
  clock,
  fpuKind,
  fpuSwitch,
  vlbLoad,
  isaClock
];
