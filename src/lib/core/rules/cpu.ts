import { isLookedAt, unlookedAmong } from '../resources';
import {
  ISA,
  LOCAL_BUS,
  VOLTS,
  carrierFits,
  clocksOf,
  factorOn,
  families,
  fpuSuits,
  hasMultiplierPins,
  isClockedByOscillator,
  isaClockOf,
  offers,
  pinsFit,
  ratedFactor,
  readOffered,
  sameClock,
  socketTakes,
  tooFast,
  tooSlow,
  type Reading
} from '../boards';
import {
  type CpuFacts,
  type OfferedFix,
  thingOf,
  whatOf,
  type Offered,
  type Part,
  type Thing
} from '../model';
import type { FactsOf } from './facts';
import type { Case } from './finding';
import { setFix, type Rule, type Situation } from './rule';

/** Sets a setting of the board to the position that offers a value; none where either is missing. */
const setPosition = (
  s: Situation,
  setting: string | null,
  offer: { position: string | null } | null | undefined
): OfferedFix[] =>
  setting && offer && offer.position !== null ? [setFix(s, 'board', setting, offer.position)] : [];

const cpuItem = (s: Situation) => s.kit.build.items.find((i) => s.parts.get(i.part)?.kind === 'cpu');
const about = (s: Situation, setting?: string | null) => {
  const cpu = cpuItem(s);
  return [...(cpu ? [cpu.id] : []), setting ? { item: 'board', setting } : 'board'];
};
const thing = (part: Part): Thing => ({ name: part.name, what: whatOf(part) });
/** Whether somebody looked at a setting of the board, or chose its position. */
const seen = (s: Situation) => (setting: string) => isLookedAt(s.kit.build.board, setting);
const clocks = (s: Situation) => clocksOf(s.kit.board, s.kit.seatedCpu, s.at, seen(s));
/** Settings of the board behind some readings that nobody looked at, by their labels. */
const unlookedOf = (s: Situation, ...readings: Pick<Reading, 'setting'>[]): string[] =>
  unlookedAmong(
    s.m,
    readings.flatMap(({ setting }) => (setting === null ? [] : [{ item: 'board', setting }]))
  ).map(({ setting }) => setting);
/** The same behind the core clock of a CPU. */
const unlookedClock = (s: Situation, cpu: CpuFacts): string[] => {
  const { bus, code } = clocks(s);
  return unlookedOf(s, bus, ...(hasMultiplierPins(cpu) ? [code] : []));
};
const positionFor = (offered: Offered | undefined, fits: (v: number) => boolean) =>
  offers(offered).find((o) => o.position !== null && fits(o.value));

/** The CPU, where it is in the board: of one whose pins do not go in nothing is said of clocks and volts. */
const seated = ({ kit: { seatedCpu } }: Situation) => seatedCpu && { part: seatedCpu, facts: seatedCpu.cpu };

/** A CPU needs its socket and a board that knows its family. */
const socket: Rule = (s) => {
  const { cpu, board, facts } = s.kit;
  if (!cpu?.cpu || !cpuItem(s) || !facts.cpuSocket || socketTakes(board, cpu)) return [];
  const { accepts, families: known, soldered } = facts.cpuSocket;
  const both = { cpu: thing(cpu), board: thing(board) };
  const told: FactsOf['cpu.socket'] = soldered
    ? { ...both, why: 'soldered' }
    : !pinsFit(accepts, cpu.cpu.socket)
      ? { ...both, why: 'socket', needs: cpu.cpu.socket, takes: [...accepts] }
      : { ...both, why: 'family', family: cpu.cpu.family, knows: [...known] };
  return [{ rule: 'cpu.socket', about: about(s), facts: told }];
};

/** A carrier sits between the CPU and the socket of the board: it must go into the one and take the other. */
const carrier: Rule = (s) => {
  const found = s.kit.carrier;
  const facts = found?.part.adapter?.cpu;
  // The board itself, without what the carrier changes.
  const board = s.m.board.part;
  if (!found || !facts || !board.board?.cpuSocket) return [];
  const { cpu } = s.kit;
  const told = { carrier: thingOf(found), board: thing(board), cpu: cpu ? thing(cpu) : null };
  const say = (why: 'board' | 'cpu'): Case[] => [
    { rule: 'cpu.carrier', about: [found.item.id, 'board'], facts: { ...told, why } }
  ];
  if (!carrierFits(board, facts)) return say('board');
  return cpu?.cpu && !pinsFit(facts.takes, cpu.cpu.socket) ? say('cpu') : [];
};

/**
 * A cache that writes back keeps what it wrote to itself; a board that does not ask for it lets cards and the floppy
 * read what stood in memory before.
 */
const writes: Rule = (s) => {
  const { cpu, facts } = s.kit;
  const way = cpu?.cpu?.writes;
  if (!cpu || !way) return [];
  const told = facts.cacheWrites;
  const choice = typeof told === 'object' ? told : null;
  const board = typeof told === 'object' ? told.values[s.at('board', told.setting) ?? ''] : told;
  const assumed = choice ? unlookedOf(s, choice) : [];
  const say = (
    why: FactsOf['cpu.writes']['why'],
    severity: 'clash' | 'caution' | 'note',
    to?: 'through' | 'back'
  ): Case[] => {
    const position = choice && to && Object.keys(choice.values).find((p) => choice.values[p] === to);
    return [
      {
        rule: 'cpu.writes',
        severity,
        about: about(s, choice?.setting),
        facts: { cpu: thing(cpu), board: thing(s.kit.board), why, assumed },
        fixes: choice && position ? [setFix(s, 'board', choice.setting, position)] : []
      }
    ];
  };
  if (way === 'through') return board === 'back' ? say('told', 'caution', 'through') : [];
  // Where nobody looked, the usual position is no comfort: the other one damages what is written.
  if (board === 'back') return way === 'back' && assumed.length ? say('unlooked', 'caution', 'back') : [];
  if (way === 'either') return board === 'through' ? say('slower', 'note', 'back') : [];
  return board === 'through' ? say('stale', 'clash', 'back') : say('unknown', 'caution');
};

/** Whether what a CPU gets hangs on a setting that nobody looked at, of a board that can give several voltages. */
const isVoltageOpen = (s: Situation): boolean => {
  const cpu = seated(s);
  if (!cpu || families[cpu.facts.family].rank < 3) return false;
  const { value, unseen } = clocks(s).volts;
  return value === null || (unseen && offers(s.kit.facts.coreVolts).length > 1);
};

/** Too high a voltage destroys a CPU at once; too low a one does not start it. */
const voltage: Rule = (s) => {
  const { facts } = s.kit;
  const cpu = seated(s);
  const reading = clocks(s).volts;
  if (!cpu || reading.value === null || isVoltageOpen(s)) return [];
  const { low, high } = cpu.facts.volts;
  const good = positionFor(facts.coreVolts, (v) => v <= high + VOLTS.same && v >= low - VOLTS.below);
  const fixes = setPosition(s, reading.setting, good);
  const told = {
    cpu: thing(cpu.part),
    low,
    high,
    volts: reading.value,
    canSet: fixes.length > 0,
    // Carriers with a regulator were made for the first socket of the 486.
    carried: !s.kit.carrier && (facts.cpuSocket?.accepts ?? []).includes('pga168')
  };
  const common = { about: about(s, reading.setting), facts: told, fixes };
  if (reading.value > high + VOLTS.same) return [{ rule: 'cpu.voltage', ...common }];
  return reading.value < low - VOLTS.below ? [{ rule: 'cpu.voltage-low', ...common }] : [];
};

/** Unknown voltage is a stop: too high destroys the CPU at once. */
const voltageUnknown: Rule = (s) => {
  const cpu = seated(s);
  if (!cpu || !isVoltageOpen(s)) return [];
  const reading = clocks(s).volts;
  const setting = s.kit.board.settings.find((x) => x.id === reading.setting)?.label ?? null;
  return [
    {
      rule: 'cpu.voltage-unknown',
      about: about(s, reading.setting),
      facts: { cpu: thing(cpu.part), high: cpu.facts.volts.high, setting }
    }
  ];
};

/** A CPU with two voltages needs a board that gives two. */
const split: Rule = (s) => {
  const { facts, board } = s.kit;
  const cpu = seated(s);
  if (!cpu?.facts.split) return [];
  const least = Math.min(...offers(facts.coreVolts).map((o) => o.value));
  if (least <= cpu.facts.volts.high + VOLTS.same) return [];
  const { low, high } = cpu.facts.volts;
  return [
    {
      rule: 'cpu.split',
      about: about(s),
      facts: { cpu: thing(cpu.part), board: thing(board), inside: { low, high } }
    }
  ];
};

/** Core clock = bus clock × multiplier; jumpers set the bus clock. */
const clock: Rule = (s) => {
  const { facts } = s.kit;
  const cpu = seated(s);
  const { bus, factor, core, code } = clocks(s);
  if (!cpu || bus.value === null || core === null || factor === null) return [];
  const rated = cpu.facts;
  const whole = ratedFactor(rated);
  const right = positionFor(facts.busClock, (v) => sameClock(v, rated.busMHz));
  const fixes = [
    ...(sameClock(bus.value, rated.busMHz) ? [] : setPosition(s, bus.setting, right)),
    ...(code.setting && hasMultiplierPins(rated) && !sameClock(factor, whole)
      ? offers(facts.multiplier)
          .filter((o) => sameClock(factorOn(rated, o.value), whole))
          .slice(0, 1)
          .flatMap((o) => setPosition(s, code.setting, o))
      : [])
  ];
  const assumed = unlookedClock(s, rated);
  const told = {
    cpu: thing(cpu.part),
    bus: bus.value,
    factor,
    core,
    ratedBus: rated.busMHz,
    ratedCore: rated.coreMHz,
    assumed
  };
  const common = { about: about(s, bus.setting), fixes };
  if (tooFast(core, rated.coreMHz)) {
    const mistaken = sameClock(bus.value, rated.coreMHz) && !sameClock(rated.coreMHz, rated.busMHz);
    return [{ rule: 'cpu.clock', ...common, facts: { ...told, mistaken } }];
  }
  if (tooFast(bus.value, rated.busMHz)) return [{ rule: 'cpu.bus', ...common, facts: told }];
  // A board without multiplier pins leaves the CPU at the factor of its open pin.
  if (tooSlow(core, rated.coreMHz))
    return !facts.multiplier && hasMultiplierPins(rated) && tooSlow(factor, whole)
      ? [
          {
            rule: 'cpu.multiplier',
            ...common,
            facts: { cpu: thing(cpu.part), ratedFactor: whole, factor, core, assumed }
          }
        ]
      : [{ rule: 'cpu.slow', ...common, facts: told }];
  return [];
};

/** An FPU belongs to one family of CPU, and to its clock. */
const fpuKind: Rule = (s) => {
  const { fpu, facts, cpu, board } = s.kit;
  if (!fpu?.part.fpu) return [];
  const { kind, mhz: rated } = fpu.part.fpu;
  const found = (told: Extract<Case, { rule: 'fpu.kind' }>['facts']): Case[] => [
    { rule: 'fpu.kind', about: [fpu.item.id, 'board'], facts: told }
  ];
  const it = thingOf(fpu);
  if (!(facts.fpuSockets ?? []).includes(kind))
    return found({ why: 'socket', fpu: it, board: thing(board), sockets: [...(facts.fpuSockets ?? [])] });
  if (cpu?.cpu?.fpu) return found({ why: 'inside', fpu: it, cpu: thing(cpu) });
  if (cpu?.cpu && !fpuSuits(kind, cpu.cpu.family))
    return found({ why: 'pair', fpu: it, cpu: thing(cpu), family: cpu.cpu.family, kind });
  const { core: clock } = clocks(s);
  const core = clock ?? cpu?.cpu?.coreMHz;
  if (core === undefined) return [];
  const needed = kind === '287' ? (core * 2) / 3 : core;
  if (!tooFast(needed, rated)) return [];
  const by = clock === null ? 'rating' : 'clock';
  const assumed = clock === null || !cpu?.cpu ? [] : unlookedClock(s, cpu.cpu);
  return found({ why: 'slow', fpu: it, needed, rated, by, assumed });
};

/** XT-class boards are told of the FPU by a switch. */
const fpuSwitch: Rule = (s) => {
  const set = s.kit.facts.fpuSwitch;
  if (!set || (!s.kit.fpu && !cpuItem(s))) return [];
  const right = s.kit.fpu ? set.fitted : set.none;
  if (s.at('board', set.setting) === right) return [];
  const assumed = !seen(s)(set.setting);
  return [
    {
      rule: 'fpu.switch',
      severity: assumed ? 'caution' : 'clash',
      about: [{ item: 'board', setting: set.setting }, ...(s.kit.fpu ? [s.kit.fpu.item.id] : [])],
      facts: { fpu: s.kit.fpu ? thingOf(s.kit.fpu) : null, assumed },
      fixes: [setFix(s, 'board', set.setting, right)]
    }
  ];
};

/** What the one crystal of the first XTs makes: colour, and divided by twelve the timer. */
const XT_CRYSTAL = 14.318;

/** An oscillator makes the clock only where no jumper does; on a 4.77 MHz board it makes more than the clock. */
const oscillator: Rule = (s) => {
  const found = s.kit.oscillator;
  if (!found) return [];
  const { part } = s.m.board;
  const { mhz } = found.part.oscillator;
  const own = part.board?.busClock;
  const isFirst = Array.isArray(own) && own.some((v) => sameClock(v * 3, XT_CRYSTAL));
  const why =
    part.board && !isClockedByOscillator(part.board)
      ? 'jumpers'
      : isFirst && s.m.class === 'xt' && !sameClock(mhz, XT_CRYSTAL)
        ? 'timer'
        : null;
  if (!why) return [];
  const facts = { oscillator: thingOf(found), board: thing(part), mhz, why } as const;
  return [{ rule: 'cpu.oscillator', about: [found.item.id, 'board'], facts }];
};

/** Local-bus slots run at the external clock: three cards to 33 MHz, two to 40, one above. */
const vlbLoad: Rule = (s) => {
  const cards = s.m.fitted.filter((f) => f.part.card?.bus === 'vlb' && f.slot?.bus === 'vlb');
  const read = clocks(s).bus;
  const bus = read.value;
  const assumed = unlookedOf(s, read);
  if (!cards.length || bus === null) return [];
  const most = bus <= LOCAL_BUS.noWait ? 3 : bus <= LOCAL_BUS.twoCards ? 2 : 1;
  const names = cards.map((c) => c.item.id);
  if (cards.length > most)
    return [{ rule: 'vlb.load', about: names, facts: { cards: cards.length, bus, most, assumed } }];
  return bus > LOCAL_BUS.noWait ? [{ rule: 'vlb.speed', about: names, facts: { bus, assumed } }] : [];
};

/** What setups of AT-class boards offer to divide the external clock by. */
const USUAL_DIVISORS: readonly number[] = [2, 3, 4, 5, 6, 8];

/** ISA cards expect 8 to 8.33 MHz; 10 is marginal and above 12 most fail. */
const isaClock: Rule = (s) => {
  const isa = isaClockOf(s.kit.board, clocks(s).bus.value, s.at, seen(s)) ?? undefined;
  if (isa === undefined || isa <= ISA.safe) return [];
  const told = s.kit.facts.busDivisor;
  const read = clocks(s).bus;
  const cpuBus = read.value;
  const divisor = readOffered(told, s.at, seen(s));
  // No XT-class board has a divisor; on an AT-class board whose positions are not known the setup may have one.
  const jumpers = offers(told).map((o) => o.value);
  const ways = jumpers.length ? jumpers : s.m.class === 'at' ? USUAL_DIVISORS : [];
  const by =
    cpuBus === null ? undefined : [...ways].sort((a, b) => a - b).find((n) => cpuBus / n <= ISA.safe);
  const right = by === undefined ? undefined : positionFor(told, (v) => v === by);
  return [
    {
      rule: 'isa.clock',
      severity: isa > ISA.most ? 'clash' : 'caution',
      about: [s.m.board.item.id],
      facts: {
        isa,
        assumed: divisor.value === null || cpuBus === null ? [] : unlookedOf(s, read, divisor),
        cure:
          by !== undefined && cpuBus !== null
            ? { kind: jumpers.length ? 'divide' : 'setup', by, gives: cpuBus / by }
            : { kind: s.m.class === 'xt' ? 'turbo' : 'slower' }
      },
      fixes: told && !Array.isArray(told) ? setPosition(s, told.setting, right) : []
    }
  ];
};

export const cpuRules: readonly Rule[] = [
  voltageUnknown,
  voltage,
  split,
  carrier,
  writes,
  oscillator,
  socket,
  clock,
  fpuKind,
  fpuSwitch,
  vlbLoad,
  isaClock
];
