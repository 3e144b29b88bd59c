export const start = {
  title: 'Start',
  lead: 'What a start will look like, what it did, and which part that speaks for. Not looked at is different from not there.',
  views: { power: 'May I switch on?', rehearsal: 'Before power', happened: 'What happened' },
  viewsLabel: 'Views of the start',
  // What happened
  power: 'Fan and lights',
  powers: { still: 'nothing', twitch: 'twitch, then off', ticks: 'ticking', runs: 'running' },
  beeps: 'Beeps',
  beepsHint: '3 · 1 long 2 short · 1-3-3 · none',
  badBeeps: (text: string) =>
    `“${text}” is no pattern of beeps. Write none, 3, 1 long 2 short, 1-3-3 or repeated.`,
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
  save: 'Note this start',
  saved: (at: string) => `Start of ${at}`,
  noted: 'a start was noted',
  removed: 'a noted start was deleted',
  starts: 'Starts noted',
  remove: (at: string) => `Delete the start of ${at}`,
  nothingSeen: 'Choose what you saw or heard first.',
  // Suspects
  working: 'Weighing what may be wrong',
  broken: 'It could not be worked out. Try again.',
  tooLong: 'It took too long and was ended.',
  ask: 'Note what happened at the last start: fan, beeps, screen. Then this says what it speaks for, and what to try next.',
  stood: 'Where it stood',
  prompt: 'it came to the prompt',
  best: 'What may be wrong',
  nothing: 'nothing: it may have been a miss',
  two: 'One fault does not explain this: look for two. The earlier one hides the later.',
  cut: (percent: number) => `Sets of more than three faults are left out: ${percent} % of what is possible.`,
  parts: 'Part by part',
  untested: 'Not reached, so nothing is known of it',
  tests: 'What to try next',
  minutes: (n: number) => (n === 1 ? '1 minute' : `${n} minutes`),
  refused: 'These would tell nothing now',
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
  rehearsalLead:
    'The start of this build as it stands, with what the checks call wrong. No hardware fault is taken for granted.',
  at: (low: number, high: number) => (high < 1 ? 'at once' : `${Math.round(low)}–${Math.round(high)} s`),
  stops: 'It will stand here',
  mayStop: 'It may stand here',
  says: 'It goes on with a message',
  clear:
    'Nothing that the checks found stops it on the way to the prompt. What nobody looked at is not in this.',
  unknownOrder: 'The order of this BIOS is not known; the usual one is shown.',
  stopFirst: 'Do not power on: the checks have a stop. See the findings, and mend it first.',
  caution: 'Mains and monitors can kill. A supply or a monitor is opened by a qualified person only.'
} as const;
