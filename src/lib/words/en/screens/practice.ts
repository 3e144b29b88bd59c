import { counted } from '../count';

const minutesIn = (minutes: number): string => counted('minute', 'minutes')(Math.round(minutes));

export const practice = {
  lead: 'A machine like this one, simulated, with something wrong that you do not see. Each test costs its minutes. Nothing here is kept, and nothing of your machine is changed.',
  begin: 'Give me a machine',
  again: 'Another machine',
  kinds: { any: 'whatever comes', one: 'one fault', two: 'two faults' },
  kind: 'How many faults',
  notes: 'What was seen',
  spent: (minutes: number, tests: number) =>
    `${minutesIn(minutes)} so far, ${counted('test', 'tests')(tests)}.`,
  tests: 'Do a test',
  takes: (minutes: number) => `${minutes} min`,
  guess: 'Name the fault and repair it',
  repair: 'Repair it',
  choose: 'Choose a part',
  runs: 'It starts. That was it.',
  giveUp: 'Tell me',
  truth: (what: string) => `What was wrong: ${what}.`,
  nothing: 'nothing at all',
  judging: 'Playing it by the advice of this page',
  compare: (isDone: boolean, own: number, advised: number) =>
    `You ${isDone ? 'took' : 'stopped after'} ${minutesIn(own)}. By the advice of this page it takes about ${Math.round(advised)}.`,
  told: 'What it would say now from your notes',
  broken: 'It could not be worked out. Try again.'
} as const;
