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
    low === high ? `About ${low} minutes in all.` : `${low} to ${high} minutes in all.`,
  couldLift: (question: string) => `Answer this before any power, it could lift the level: ${question}.`,
  checksTitle: 'Do these, in this order',
  checks: {
    look: 'Look: mains lead and inlet whole, battery, plugs, voltage selector, loose metal, screws under the board.',
    cpu: 'CPU voltage and clock jumpers are known and right.',
    ohms: 'Ohms to ground on every rail of the board plug and of every drive plug, unplugged.',
    'cell-off':
      'Battery off. If it looks clean and reads 2.5 V or more, first photograph the setup pages at a start.',
    unplug: 'All cards and drives unplugged.',
    'supply-alone': 'The supply alone on a dummy load: measure its volts.',
    'bare-board': 'Then the bare board.',
    'one-by-one': 'Then one card for each start.',
    'disks-last': 'Disks with data last.',
    clean: 'Residue cleaned off.',
    tantalums:
      'Each tantalum on ±12 V marked 16 V or less renewed: an ohm reading finds only those already short.',
    glasses: 'Eye protection. Stand back.',
    limit: 'A current limit or a lamp in series; its wiring is for a qualified person.',
    qualified: 'The supply inspected by a qualified person.',
    'data-disk': 'The disk with data stays without power until the rails were measured under load.'
  } as Record<string, string>,
  stopsTitle: 'Do not power on while one of these holds, whatever the score',
  stops: {
    selector: 'voltage selector or label not read',
    voltage: 'CPU voltage unknown',
    plugs: 'order of the power plugs not checked',
    short: 'a rail reads short: +5 V under 2 Ω, ±12 V or −5 V under 5 Ω, +3.3 V under 1 Ω',
    leak: 'a leak lies across fine tracks',
    minus5: 'memory with three supplies, and no −5 V',
    'look-alike': 'a 20-pin supply plug that was not read pin by pin',
    mains: 'mains lead damaged; supply wet, rattling or smelling'
  } as Record<string, string>,
  changed: 'answers before first power'
} as const;
