import { counted } from './count';

export const log = {
  title: 'Log',
  lead: 'Every change was kept. Look at any state, name the ones that worked, bring one back: that is a change too, and can be undone.',
  name: 'Name of the machine',
  notes: 'Notes',
  notesHint: 'What you saw at the bench, what worked, what to try next',
  states: 'States, newest first',
  now: 'now',
  first: 'The first state.',
  nothing: 'Nothing differs.',
  more: counted('more change', 'more changes'),
  named: 'Named states only',
  noneNamed: 'No state has a name yet. Name one that worked: it is found again in years.',
  older: 'Show older',
  compare: 'Against now',
  compareTitle: 'From this state to now',
  to: 'to',
  today: 'today',
  dayFormat: 'd MMM',
  dayYearFormat: 'd MMM yyyy',
  restore: 'Bring this state back',
  markLabel: 'Name of this state',
  markHint: 'worked, 12 May',
  mark: 'Name it',
  rename: 'Rename',
  unmark: 'Take the name away',
  restored: 'That state is back. Undo takes it away again.',
  /** What a change was, kept with it. */
  did: {
    cap: 'cap moved',
    asFound: 'as found, written down',
    lock: 'locked or unlocked',
    resolved: 'resolved',
    merged: 'merged with what was saved elsewhere',
    slot: 'moved to another slot',
    added: (name: string) => `added ${name}`,
    out: 'taken out',
    fitted: 'fitted',
    caution: 'caution read',
    words: 'name or notes'
  }
} as const;
