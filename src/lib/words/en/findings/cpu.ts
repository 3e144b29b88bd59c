import type { FactsOf } from '../../../core/rules';
import { and, capital, counted, mhz, or, times, voltRange, volts } from '../language';
import { aFamily, familyName, socketName, the } from '../things';
import { ifUsual, type WordsOf } from './told';

/** A socket with its article: `the 168-pin PGA socket`, `Socket 7`. */
const socket = (id: string): string => {
  if (id === 'qfp') return 'soldering to the board';
  const name = socketName[id] ?? id;
  return /^(socket|slot)\d/.test(id) ? capital(name) : `the ${name} socket`;
};

const rating = (f: FactsOf['cpu.bus']): string =>
  `${mhz(f.bus)} × ${times(f.factor)} = ${mhz(f.core)}, and it is rated ${mhz(f.ratedBus)} × ${times(f.ratedCore / f.ratedBus)} = ${mhz(f.ratedCore)}`;

function isaAdvice(cure: FactsOf['isa.clock']['cure']): string {
  switch (cure.kind) {
    case 'divide':
      return `divide by ${cure.by}: ${mhz(cure.gives)}.`;
    case 'setup':
      return `look for an ISA divisor in the BIOS setup; ÷ ${cure.by} gives ${mhz(cure.gives)}.`;
    case 'turbo':
      return 'use the slow speed (turbo off) for such a card.';
    case 'slower':
      return 'choose a larger divisor in the BIOS setup, if it has one.';
  }
}

const clockWhy = 'The core clock is the bus clock times the multiplier; the jumpers set the bus clock.';
const voltageWhy = 'Too high a voltage destroys a CPU at once; too low a voltage and it does not start.';

export const cpu: WordsOf<
  | 'cpu.socket'
  | 'cpu.voltage'
  | 'cpu.voltage-low'
  | 'cpu.voltage-unknown'
  | 'cpu.carrier'
  | 'cpu.writes'
  | 'cpu.split'
  | 'cpu.clock'
  | 'cpu.bus'
  | 'cpu.slow'
  | 'cpu.multiplier'
  | 'fpu.kind'
  | 'fpu.switch'
  | 'cpu.oscillator'
  | 'vlb.load'
  | 'vlb.speed'
  | 'isa.clock'
> = {
  'cpu.socket': (f) => ({
    title: `${f.cpu.name} does not fit this board`,
    sentence:
      f.why === 'soldered'
        ? `${the(f.board)} has its CPU soldered in and no socket for another.`
        : f.why === 'socket'
          ? `${f.cpu.name} is made for ${socket(f.needs)}; ${the(f.board)} has ${or(f.takes.map(socket))}.`
          : `${the(f.board)} supports ${or(f.knows.map(familyName))}, not ${familyName(f.family)}.`,
    why: 'A CPU needs its socket, and a board that supports its family.'
  }),
  'cpu.voltage': ({ cpu: it, low, high, volts: set, canSet, carried }) => ({
    title: `${volts(set)} on ${it.name}`,
    sentence: `Do not power on: ${it.name} is made for ${voltRange(low, high)}, and the board supplies ${volts(set)}. ${canSet ? 'Set the voltage first.' : 'No setting known for this board gives less.'}${!canSet && carried ? ' A carrier with a regulator between CPU and socket would.' : ''}`,
    why: voltageWhy
  }),
  'cpu.voltage-low': ({ cpu: it, low, high, volts: set }) => ({
    title: `Voltage too low for ${it.name}`,
    sentence: `It will not start, or it freezes: ${it.name} is made for ${voltRange(low, high)}, and the board supplies ${volts(set)}.`,
    why: voltageWhy
  }),
  'cpu.voltage-unknown': ({ cpu: it, high, setting }) => ({
    title: 'CPU voltage not known',
    sentence: setting
      ? `Do not power on before you have looked at "${setting}" and recorded it: ${it.name} takes at most ${volts(high)}.`
      : `Do not power on: nobody knows what voltage this board supplies, and ${it.name} takes at most ${volts(high)}. Measure it at the empty socket.`,
    why: 'An unknown voltage is a stop: too high destroys the CPU at once.'
  }),
  'cpu.carrier': ({ carrier, board, cpu: it, why }) => ({
    title:
      why === 'board' ? `${carrier.name} does not fit this board` : `${carrier.name} does not take this CPU`,
    sentence:
      why === 'board'
        ? `${the(carrier)} does not go into the socket of ${the(board)}.`
        : `${it ? the(it) : 'The CPU'} does not go into ${the(carrier)}.`,
    why: 'A carrier sits between CPU and socket: it must go into the one and take the other.'
  }),
  'cpu.writes': ({ cpu: it, board, why, assumed }) => {
    const may = (yes: string, perhaps: string) => (assumed.length ? perhaps : yes);
    const told = (title: string, sentence: string) => ({
      title,
      sentence: `${sentence}${why === 'unlooked' ? '' : ifUsual(assumed)}`,
      why: 'A cache that writes back holds data that memory does not have yet. Unless the board asks the CPU first, a card or the floppy controller reads the old data.'
    });
    switch (why) {
      case 'unlooked':
        return told(
          'Nobody looked whether the board is set for a CPU that writes back',
          `${it.name} always writes back. Look at ${and(assumed)} of ${the(board)}: set for a CPU that writes through, floppies and bus-master cards get old data, and files on floppies are damaged.`
        );
      case 'stale':
        return told(
          `${it.name} writes back, and the board ${may('does', 'may')} not ask it`,
          `${the(board)} ${may('is', 'may be')} set up for a CPU that writes through: floppies, sound and bus-master cards read old data, and files written to a floppy are damaged. Use a CPU that writes through, or switch the cache in the CPU off.`
        );
      case 'unknown':
        return told(
          `Nobody knows whether the board can take a CPU that writes back`,
          `${it.name} always writes back. If ${the(board)} does not ask it, floppies and bus-master cards get old data: look for a jumper or setup line named L1 or write-back, and write a floppy for a test, with nothing on it that you need.`
        );
      case 'slower':
        return told(
          `${it.name} ${may('writes', 'may write')} through on this board`,
          `Its pin for write-back stays open or off, so it runs a little slower and is safe. Do not switch it to write-back with a utility: ${the(board)} would not ask it, and floppies would be damaged.`
        );
      case 'told':
        return told(
          `The board ${may('expects', 'may expect')} a CPU that writes back`,
          `${it.name} writes through: set for write-back the board waits for answers that do not come, and may hang. Set it for write-through.`
        );
    }
  },
  'cpu.split': ({ cpu: it, board, inside }) => ({
    title: `${it.name} needs two voltages`,
    sentence: `${the(board)} supplies one voltage only; this CPU needs ${voltRange(inside.low, inside.high)} for its core and 3.3 V for its pins.`,
    why: 'A CPU with two voltages needs a board that supplies both.'
  }),
  'cpu.clock': (f) => ({
    title: f.assumed.length
      ? `${f.cpu.name} may run too fast`
      : f.mistaken
        ? `Bus set to the number printed on ${f.cpu.name}`
        : `${f.cpu.name} runs too fast`,
    sentence: `${
      f.mistaken
        ? `${mhz(f.ratedCore)} is the core clock; the jumpers set the bus, which must be ${mhz(f.ratedBus)}. As set the core runs at ${mhz(f.core)} and freezes.`
        : `It freezes or overheats: ${rating(f)}.`
    }${ifUsual(f.assumed)}`,
    why: clockWhy
  }),
  'cpu.bus': (f) => ({
    title: `Bus clock ${f.assumed.length ? 'may be ' : ''}above the rating of ${f.cpu.name}`,
    sentence: `The core is within its rating, the bus is not: ${rating(f)}. Many parts run so; cache and memory must keep up. If it is unstable, lower the bus clock.${ifUsual(f.assumed)}`,
    why: clockWhy
  }),
  'cpu.slow': (f) => ({
    title: f.assumed.length
      ? `${f.cpu.name} may run below its rating`
      : `${f.cpu.name} runs below its rating`,
    sentence: `Harmless, and slower: ${rating(f)}.${ifUsual(f.assumed)}`,
    why: clockWhy
  }),
  'cpu.multiplier': ({ cpu: it, ratedFactor, factor, core, assumed }) => ({
    title: `${it.name} runs at ×${times(factor)} here`,
    sentence: `The board has no multiplier jumper, so the CPU runs at ×${times(factor)}, ${mhz(core)}. For ×${times(ratedFactor)} its multiplier pin has to be wired on the board or on an adapter socket.${ifUsual(assumed)}`,
    why: 'The multiplier is read from pins of the CPU; an open pin selects a factor of its own.'
  }),
  'fpu.kind': (f) => {
    const why = 'An FPU works with one family of CPU, and up to its own clock.';
    switch (f.why) {
      case 'socket':
        return {
          title: `${f.fpu.name} has no socket here`,
          sentence: `${the(f.board)} ${f.sockets.length ? `takes ${or(f.sockets.map(familyName))}` : 'has no FPU socket'}.`,
          why
        };
      case 'inside':
        return {
          title: `${f.cpu.name} has its own FPU`,
          sentence: `Take ${f.fpu.name} out: the CPU has an FPU inside, and two would answer.`,
          why
        };
      case 'pair':
        return {
          title: `${f.fpu.name} does not work with ${f.cpu.name}`,
          sentence: `${capital(aFamily(f.kind))} is not an FPU for ${aFamily(f.family)}: programs will not find it, or the machine hangs. Take it out.`,
          why
        };
      case 'slow':
        return {
          title: `${f.fpu.name} ${f.by === 'rating' || f.assumed.length ? 'may be' : 'is'} too slow`,
          sentence: `${f.by === 'rating' ? 'With the CPU at its rated clock it' : 'It'} would be clocked at ${mhz(f.needed)} and is rated ${mhz(f.rated)}: wrong results or a freeze.${ifUsual(f.assumed)}`,
          why
        };
    }
  },
  'fpu.switch': ({ fpu, assumed }) => ({
    title: assumed
      ? 'FPU switch not looked at'
      : fpu
        ? 'FPU switch set to "none"'
        : 'FPU switch set to "fitted"',
    sentence: assumed
      ? fpu
        ? `It should say "fitted": set to "none", programs will not find ${fpu.name}.`
        : 'It should say "none": set to "fitted", programs that look for an FPU hang.'
      : fpu
        ? `Programs will not find ${fpu.name} until the switch is set for it.`
        : 'Programs that look for an FPU will hang: the switch says there is one.',
    why: 'On an XT-class board a switch says whether an FPU is fitted.'
  }),
  'cpu.oscillator': ({ oscillator, board, mhz: printed, why }) =>
    why === 'jumpers'
      ? {
          title: `Nobody knows what ${oscillator.name} clocks`,
          sentence: `Jumpers of ${the(board)} choose the bus clock, so another oscillator may clock something else: the keyboard, the timer, a port. Read what is printed beside its socket; the clock is worked out from the jumpers.`,
          why: 'Boards with clock jumpers have a chip that makes every clock from one crystal of 14.318 MHz.'
        }
      : {
          title: `${oscillator.name} also runs the timer`,
          sentence: `The one crystal of a 4.77 MHz board makes the CPU clock, the timer and the colours of CGA. At ${printed} MHz the time of day, the pitch of the speaker and disk time-outs are wrong, and a colour monitor on composite shows no colours.`,
          why: '14.318 MHz ÷ 3 is 4.77 MHz, ÷ 4 the colour carrier, ÷ 12 the timer.'
        },
  'vlb.load': ({ cards, bus, most, assumed }) => ({
    title: `${counted('local-bus card', 'local-bus cards')(cards)} at ${mhz(bus)}`,
    sentence: `At ${mhz(bus)} the local bus carries ${most}; with more, the picture or disk data is garbled. Lower the bus clock or take one out.${ifUsual(assumed)}`,
    why: 'Local-bus slots run at the CPU bus clock: three cards up to 33 MHz, two up to 40, one above.'
  }),
  'vlb.speed': ({ bus, assumed }) => ({
    title: `Local bus at ${mhz(bus)}`,
    sentence: `Set the local-bus speed jumper for above 33 MHz and one write wait state. If the picture tears, lower the bus clock.${ifUsual(assumed)}`,
    why: 'Above 33 MHz writes over the local bus need a wait state.'
  }),
  'isa.clock': ({ isa, cure, assumed }) => {
    const advice = isaAdvice(cure);
    return {
      title: `The ISA bus ${assumed.length ? 'may run' : 'runs'} at ${mhz(isa)}`,
      sentence:
        isa > 12
          ? `Most cards fail at this clock. ${capital(advice)}${ifUsual(assumed)}`
          : `Some cards fail ${isa > 10 ? 'at this clock: expect trouble' : 'above 8.33 MHz'}. If a card is not found, ${advice}${ifUsual(assumed)}`,
      why: 'ISA cards are made for 8 to 8.33 MHz; 10 is marginal, and above 12 most fail.'
    };
  }
};
