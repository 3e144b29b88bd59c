import { amps, and, capital, counted, or } from '../language';
import { railList, railStopWords } from '../rails';
import { the } from '../things';
import type { WordsOf } from './told';

const forms: Record<string, string> = {
  xt: 'XT',
  at: 'AT',
  atx: 'ATX',
  'full-at': 'full-size AT',
  'baby-at': 'Baby AT',
  lpx: 'LPX'
};
const form = (id: string): string => forms[id] ?? id;
const connectors = counted('power connector is', 'power connectors are');

export const power: WordsOf<
  | 'power.minus5-dram'
  | 'power.rail'
  | 'power.start'
  | 'power.least'
  | 'power.rails'
  | 'power.minus5'
  | 'power.plugs'
  | 'power.form'
  | 'bay.supply'
  | 'bay.board'
> = {
  'power.minus5-dram': ({ supply, board }) => ({
    title: 'No −5 V for three-supply memory',
    sentence: `Do not power on: ${the(supply)} has no −5 V, and the memory of ${the(board)} burns out without it.`,
    why: 'Three-supply memory is destroyed when −5 V is missing while +12 V is on.'
  }),
  'power.rail': ({ supply, rail, amps: takes, limit }) => ({
    title: `${rail} is overloaded`,
    sentence: `The parts draw ${amps(takes)} and ${the(supply)} supplies ${amps(limit)}: it shuts down, or does not start.`,
    why: 'What the parts draw together must stay below what the rail supplies.'
  }),
  'power.start': ({ amps: takes, limit }) => ({
    title: 'Spinning up draws more than +12 V supplies',
    sentence: `${amps(takes)} for some seconds, and the supply has ${amps(limit)}: it may shut down at power-on. A spin-up delay or one drive less helps.`,
    why: 'Hard disks draw most while they spin up.'
  }),
  'power.rails': (f) =>
    f.why === 'exchanged'
      ? {
          title: 'The power plugs were exchanged',
          sentence: `Do not switch on: unplug it, put the plugs right, black wires in the middle, and read the ohms of the board under Start, Rails. ${f.cased === true ? 'In a case both grounds are joined, so the supply cuts off at once: it may have survived.' : f.cased === false ? 'Without a case the logic got its 5 V the wrong way round: mostly it does not survive.' : 'Nobody can say beforehand whether it survived.'}`,
          why: 'Exchanged, ground gets +5 V, and +5 V gets ground and −12 V. Memory and serial chips go first.'
        }
      : {
          title: `${capital(railList(f.rails))} measured short or wrong`,
          sentence: railStopWords(f),
          why: 'A supply that is switched on into a short burns what made it, or what feeds it.'
        },
  'power.least': ({ supply, needs, gets }) => ({
    title: 'Too little load for the power supply',
    sentence: `${the(supply)} needs a load of ${amps(needs)} on +5 V and gets ${amps(gets)}: it may click and stay off. The board is not at fault then.`,
    why: 'Old power supplies do not start without a load.'
  }),
  'power.minus5': ({ supply, needy }) => ({
    title: 'No −5 V',
    sentence: `${capital(and(needy))} will not work: ${the(supply)} has no −5 V.`,
    why: 'Some sound and memory cards need −5 V.'
  }),
  'power.plugs': ({ supply, missing, has, needs }) => ({
    title: `${connectors(missing)} missing`,
    sentence: `${the(supply)} has ${has.large} large and ${has.small} small connectors; the drives need ${needs.large} and ${needs.small}. A Y cable helps as long as the rail allows it.`,
    why: 'Each drive needs its own power connector.'
  }),
  'power.form': ({ supply, has }) => ({
    title: `${supply.name} has other connectors`,
    sentence:
      has === 'atx'
        ? 'You need an adapter from ATX to the two AT connectors, and a switch. Black wires together in the middle.'
        : 'The board needs the 20-pin ATX connector, which an AT supply cannot provide.',
    why: 'Power supply, board and case belong together.'
  }),
  'bay.supply': ({ supply, chassis, takes }) => ({
    title: `${supply.name} does not fit the case`,
    sentence: `${the(chassis)} takes ${or(takes.map(form))} power supplies.`,
    why: 'Power supply, board and case belong together.'
  }),
  'bay.board': (facts) =>
    facts.why === 'size'
      ? {
          title: 'The board does not fit the case',
          sentence: `${the(facts.board)} is ${form(facts.form)}, and ${the(facts.chassis)} takes ${or(facts.takes.map(form))}: holes and slots do not line up.`,
          why: 'Power supply, board and case belong together.'
        }
      : {
          title: 'Slots and openings do not line up',
          sentence: `The slots of ${the(facts.board)} are ${facts.slots} apart, the openings of ${the(facts.chassis)} ${facts.openings}: most brackets meet no opening and cannot be screwed down. Use a case with openings ${facts.slots} apart.`,
          why: 'The oldest boards have five slots, an inch apart; later ones have eight in the same width.'
        }
};
