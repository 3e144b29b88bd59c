import { counted } from '../count';
import { powerCheckWords, powerStopWords } from '../../index';

/** Before the first power: questions, answers, checks and stops. */
export const firstPower = {
  lead: 'Seven questions. What is not answered counts as its second-worst answer: asking is cheaper than checking.',
  notKnown: 'not known',
  questions: {
    made: {
      ask: 'Made in',
      answers: {
        'from-1995': '1995 or later',
        '1990-94': '1990 to 1994',
        '1985-89': '1985 to 1989',
        '1981-84': '1981 to 1984'
      }
    },
    idle: {
      ask: 'Years since it last ran well',
      answers: { 'under-1': 'less than one', '1-5': '1 to 5', '6-15': '6 to 15', 'over-15': 'more than 15' }
    },
    stored: {
      ask: 'Stored',
      answers: {
        dry: 'in a dry room',
        sealed: 'in a room, in a sealed box',
        loft: 'in a loft or shed',
        damp: 'damp, or it shows corrosion'
      }
    },
    tantalum: {
      ask: 'Tantalum capacitors',
      answers: {
        none: 'none, or renewed',
        'on-5': 'on +5 V only',
        'on-12-25v': 'on 12 V, marked 25 V or more',
        'on-12-16v': 'on 12 V, marked 16 V or not read'
      }
    },
    cell: {
      ask: 'Battery on the board',
      answers: {
        none: 'none, a coin cell, or taken off',
        pack: 'a pack on a lead',
        barrel: 'a barrel that looks clean',
        leak: 'any trace of a leak, old ones too'
      }
    },
    supply: {
      ask: 'Power supply',
      answers: {
        measured: 'measured under load within a year',
        modern: 'modern, not measured',
        old: 'old, not measured',
        'old-filter': 'old, with a paper mains filter'
      }
    },
    hands: {
      ask: 'Since it last ran',
      answers: {
        untouched: 'nobody touched it',
        rebuilt: 'a rebuild that is known',
        unknown: 'loose or unknown parts'
      }
    }
  },
  stake: {
    ask: 'At stake',
    usual: 'a machine like others',
    unique: 'unique data, or a machine that cannot be replaced'
  },
  score: (score: number, least: number, most: number) =>
    least === most
      ? `Score ${score} of 22.`
      : `Score ${score} of 22; it could be ${least} to ${most} once all is answered.`,
  level: ['Level 0: look', 'Level 1: measure', 'Level 2: step by step', 'Level 3: prepare first'],
  minutes: (low: number, high: number) =>
    low === high ? `About ${counted('minute', 'minutes')(low)} in all.` : `${low} to ${high} minutes in all.`,
  couldLift: (question: string) => `Answer this before any power, it could lift the level: ${question}.`,
  checksTitle: 'Do these, in this order',
  checks: powerCheckWords,
  stopsTitle: 'Stops: rule each out before power, whatever the score',
  stops: powerStopWords,
  states: {
    open: 'open',
    done: 'done',
    skipped: 'skipped, stays open',
    'ran-since': 'it ran to the prompt since'
  },
  isOff: 'It is not so',
  ruledOut: 'ruled out',
  done: 'Done',
  skip: 'Skip',
  undo: 'Undo',
  by: 'Skipped by',
  notYet: (n: number) =>
    n === 1
      ? 'Not yet: one of the stops below was not ruled out.'
      : `Not yet: ${n} of the stops below were not ruled out.`,
  checksLeft: (n: number) => (n === 1 ? 'One check is open.' : `${n} checks are open.`),
  allDone: 'Stops ruled out and checks done, as noted here.',
  changed: 'answers before first power',
  noted: 'a check before power'
} as const;
