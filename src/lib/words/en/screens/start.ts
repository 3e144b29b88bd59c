export const start = {
  title: 'Start',
  lead: 'What a start will look like, what it did, and which part that points to. Not looked at is different from not there.',
  views: {
    intake: 'As found',
    power: 'May I switch on?',
    rehearsal: 'Before power',
    happened: 'What happened',
    rails: 'Rails',
    trials: 'Swap trials',
    rescue: 'Rescue',
    practice: 'Practise'
  },
  viewsLabel: 'Views of the start',
  rails: {
    lead: 'What the meter shows, pin by pin, against ground. Colours of wires are habit, not standard: go by the pin.',
    plug: 'Plug',
    what: 'Measured',
    ohms: 'ohms, switched off',
    volts: 'volts, switched on',
    side: 'At which side of the pulled plug',
    sides: { unsaid: 'not said', board: 'board', supply: 'supply' },
    off: 'unplugged from the wall, 30 seconds after switching off',
    cards: 'cards are in',
    loaded: 'a load hangs on the supply',
    live: 'The machine is live. One hand, one probe, ground first; keep off the inside of the supply and of a tube monitor. In a slot read +5 V at B29 against B31 only.',
    turned:
      'On this plug +5 V is pin 1 and +12 V pin 4: the reverse of the big one. It can be pushed on askew.',
    blacks: 'Two plugs, the black wires together in the middle. The first PC supplies have no pin 2.',
    reference: 'the black lead',
    ohmsHint: '120 · 4k7 · open · 30 climbing',
    voltsHint: '4.98',
    odd: (text: string) => `“${text}” was not understood.`,
    nothing: 'Nothing has been read at this plug.',
    when: (at: string) => `Last reading ${at}.`,
    noted: (plug: string) => `readings at the ${plug}`,
    hunt: 'Where is the short?',
    isShort: 'Still short',
    isGone: 'The short is gone',
    outWas: (names: readonly string[]) => `Without ${names.join(', ')}`,
    gone: 'something that is no longer in the machine',
    dropStep: (n: number) => `Delete reading ${n}`,
    huntAgain: 'Begin again',
    huntNoted: 'a reading on the way to a short',
    mishap: 'Were the two plugs exchanged?',
    mishapAsk:
      'If it was switched on with the red wires in the middle, say so before anything else is tried.',
    mishapYes: 'They were exchanged, under power',
    mishapNot: 'No, they were not',
    mishapNoted: 'exchanged plugs',
    cased: 'Was the board in a metal case?',
    casedAnswers: {
      unknown: 'not known',
      yes: 'yes: the case joined both grounds',
      no: 'no, on the bench'
    }
  },
  trials: {
    lead: 'Swap parts one by one and write each arrangement down with its result. One thing changed per trial says most. A part that failed the ohm test, smelled or got hot goes into no other machine.',
    label: 'A trial',
    hint: 'H1 K1 T2 D1 [cold]: fails   ·   adapter old, cable grey: 3 of 11',
    add: 'Note it',
    noted: 'a trial was noted',
    dropped: 'a trial was deleted',
    drop: 'Delete',
    dropOf: (n: number) => `Delete trial ${n}`,
    table: 'Trials',
    n: 'No.',
    things: 'Things',
    conditions: 'Conditions',
    result: 'Result',
    outcome: (good: number, bad: number) =>
      bad === 0
        ? good === 1
          ? 'works'
          : `works, ${good} times`
        : good === 0
          ? bad === 1
            ? 'fails'
            : `fails, ${bad} times`
          : `works ${good} of ${good + bad}`,
    noFailure: 'Nothing failed in these trials.',
    minimal: (sets: string) => `Always bad, and enough to explain every failure: ${sets}.`,
    noSingle: 'No single thing that is always bad explains these failures.',
    likely: 'What explains them',
    pairs: (names: string) => `Never seen working together, and in every failure: ${names}.`,
    both: 'The same arrangement worked and failed: something is intermittent, or something changed that is not written down.',
    exonerated: (names: string) => `Worked at least once, in the slots, clocks and loads tried: ${names}.`,
    factors: 'Conditions',
    cell: (value: string, good: number, n: number) => `${value} ${good} of ${n} good`,
    next: 'Try next',
    times: (n: number) => `${n} times`,
    minutes: (n: number) => `about ${n} min`,
    nothingNext: 'No arrangement of these things tells more: bring in another one of a kind.',
    again: 'Before you call a thing bad, put the old one back in: if it works then too, it was the seating.',
    estimate: 'Chances are estimates, good to a factor of two or three.'
  },
  // What happened
  power: 'Fan and lights',
  powers: { still: 'nothing', twitch: 'twitch, then off', ticks: 'ticking', runs: 'running' },
  beeps: 'Beeps',
  beepsHint: '3 · 1 long 2 short · 1-3-3 · none',
  badBeeps: (text: string) =>
    `“${text}” is not a pattern of beeps. Write none, 3, 1 long 2 short, 1-3-3 or repeated.`,
  tap: 'Tap the rhythm: hold for a long one',
  tapped: (text: string) => `Tapped: ${text}`,
  clearTap: 'Tap again',
  filmed: 'counted from a film with sound',
  screen: 'Screen',
  screens: { dark: 'dark', text: 'text' },
  darkSure: 'dark for 60 seconds, monitor known good, looked at twice',
  reached: 'Last thing seen',
  stays: 'it goes no further',
  messages: 'Messages on the screen',
  noMessages: 'read, and there was none',
  notLooked: 'not looked at',
  note: 'Anything else',
  clock: {
    start: 'I switch on now: start the clock',
    stop: 'Stop the clock',
    seconds: (n: number) => `${n} s`,
    prompts: [
      [0, 'Film the screen and the board. Fan? Lights?'],
      [8, 'Did a drive seek? Did the keyboard lights flash?'],
      [25, 'Keep the camera on: a slow disk, or a cold tube, comes late.'],
      [60, 'Second look at the screen. Still dark? Photograph it, then note it.']
    ] as readonly (readonly [number, string])[]
  },
  since: 'Since the start before',
  sinceUnsaid: 'something was changed, or not known',
  sinceNothing: 'nothing: only switched on again',
  screenText: 'What it says, as you read it',
  screenTextHint: 'keyboard error · 163 · missing operating system',
  readAs: (message: string) => `Read as: ${message}`,
  readAsOr: (messages: string) => `Which of these: ${messages}?`,
  notRead: 'No text with these words is known. Choose below what it is about, or leave it.',
  rests: (n: number) => `This rests on the last ${n} notes: nothing else was changed between them.`,
  save: 'Note this start',
  saved: (at: string) => `Start of ${at}`,
  noted: 'a start was noted',
  removed: 'a noted start was deleted',
  readNoted: 'a reading was noted',
  starts: 'Starts noted',
  remove: (at: string) => `Delete the start of ${at}`,
  nothingSeen: 'Choose what you saw or heard first.',
  // Suspects
  working: 'Weighing what may be wrong',
  broken: 'It could not be worked out. Try again.',
  tooLong: 'It took too long and was ended.',
  ask: 'Note what happened at the last start: fan, beeps, screen. Then this says what it points to, and what to try next.',
  stood: 'Where it stopped',
  prompt: 'it came to the prompt',
  best: 'What may be wrong',
  byChecks: 'found by the checks; something else may be wrong beside it',
  nothing: 'nothing: it may have been a one-off',
  noFault: 'what was seen speaks for no fault: a one-off, or it did not show yet',
  unexplained: (messages: readonly string[]) =>
    `Nothing in this parts list says ${messages.map((m) => `“${m}”`).join(' or ')}: no fault known here explains it. Read the text again, or enter the part that is missing from the list.`,
  unheard: (beeps: string, family: string | null) =>
    `${family ? `A BIOS that ${family} makes no` : 'No BIOS known here makes a'} sound like “${beeps}”, so it says nothing here. Film a start with sound, or look whether the BIOS is of another kind.`,
  two: 'One fault does not explain this: look for two. The earlier one hides the later.',
  cut: (percent: number) => `Sets of more than three faults are left out: ${percent} % of what is possible.`,
  parts: 'Part by part',
  untested: 'Not reached, so nothing is known of it',
  isBad: 'It is bad',
  isBadOf: (what: string) => `Write down that it is bad: ${what}`,
  notBad: 'It is good after all',
  badAway: 'It is written down in this build; the shelf could not be reached.',
  tests: 'What to try next',
  minutes: (n: number) => (n === 1 ? '1 minute' : `${n} minutes`),
  refused: 'Not worth it now',
  guards: { 'ohms-first': 'measure its rails first' },
  didIt: 'Done: note the next start',
  mishap:
    'The plugs were exchanged under power: memory chips and the logic of the board weigh more. Serial chips go too, and no start shows it: test the ports.',
  family: (known: string | null, likely: string) =>
    known
      ? `By the catalogue this BIOS ${known}.`
      : `Nobody knows how this BIOS beeps; most likely it ${likely}. All readings are weighed.`,
  families: {
    P: 'beeps like the originals',
    A: 'counts its beeps',
    B: 'beeps long and short',
    C: 'beeps in groups'
  },
  estimate:
    'All chances are estimates, good to a factor of two or three. Nothing is called dead before it was reached.',
  figure: (p: number) => `${(100 * p).toFixed(p < 0.1 ? 1 : 0)} %`,
  // Rehearsal
  rehearsalLead: 'The start of this build, with what the checks call wrong. No hardware fault is assumed.',
  which: 'Settings',
  whiches: { found: 'as found', chosen: 'as planned' },
  forbidden: 'Must not be switched on like this',
  misfits: 'It cannot be put together like this',
  later: 'Shows only later, in DOS or in a program',
  notEntered: (what: string) => `Not entered in this build, so assumed present and in order: ${what}.`,
  unseen: (n: number) =>
    n === 1
      ? '1 setting was never looked at; this takes it at its usual position.'
      : `${n} settings were never looked at; this takes them at their usual positions.`,
  lacks: 'It goes on, and its text does not appear',
  goesOn: 'It goes on',
  dark: 'It goes on, and the screen stays dark',
  at: (low: number, high: number) => (high < 1 ? 'at once' : `${Math.round(low)}–${Math.round(high)} s`),
  stops: 'It will stop here',
  mayStop: 'It may stop here',
  says: 'It goes on with a message',
  clear:
    'Nothing that was checked will show on the way to the prompt. What nobody looked at, and hardware faults, are not part of this.',
  unknownOrder: 'The order of this BIOS is not known; the usual one is shown.',
  stopFirst: 'Do not power on: the checks have a stop. See the findings, and mend it first.',
  caution: 'Mains and monitors can kill. A supply or a monitor is opened by a qualified person only.'
} as const;
