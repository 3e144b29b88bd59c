import { counted } from '../count';

export const shell = {
  product: 'Yellow Jumper',
  stages: {
    brief: 'Brief',
    parts: 'Parts',
    fit: 'Fit',
    switches: 'Switches',
    lines: 'Lines',
    disks: 'Disks',
    memory: 'Memory',
    boot: 'Boot',
    start: 'Start',
    bench: 'Bench',
    log: 'Log'
  },
  places: {
    '/': 'Builds',
    '/shelf': 'Shelf',
    '/catalogue': 'Catalogue',
    '/identify': 'Identify',
    '/decode': 'Decode',
    '/notebook': 'Notebook',
    '/compare': 'Compare'
  },
  placesLabel: 'Places',
  stagesLabel: 'Stages',
  openCount: (n: number) => `${n} open`,
  checked: 'checked, nothing open',
  unchecked: 'not checked, or not all of it',
  resolve: 'Resolve',
  benchSheet: 'Bench sheet',
  undo: 'Undo',
  redo: 'Redo',
  close: 'Close',
  asOf: (date: string) => `, as of ${date}`,
  noClash: 'No clash',
  notAllChecked: 'No clash in what is known',
  notAllCheckedWhy: 'Something was not checked, or is only assumed: the findings say what.',
  stops: counted('stop: do not power on', 'stops: do not power on'),
  clashes: counted('clash', 'clashes'),
  cautions: counted('caution', 'cautions'),
  day: 'Day',
  lamp: 'Bench lamp',
  keysTitle: 'Keys',
  notRead: (name: string, why: string) => `${name}: ${why}`,
  deleted: (name: string) => `${name} was deleted.`,
  bringBack: 'Bring it back',
  damagedRows: (ids: readonly string[]) =>
    `What is kept of ${ids.join(', ')} is damaged and not shown. Nothing of it was deleted: “Save everything” takes it along as it is.`,
  broken: {
    title: (name: string) => `${name} cannot be opened`,
    lead: 'What is kept of it is left as it is. Save it as a file, bring an earlier state back, or put it in the bin.',
    save: 'Save what is kept',
    states: 'Earlier states that can be read',
    looking: 'Looking …',
    noStates: 'There is none.',
    bringBack: 'Bring it back',
    toBin: 'To the bin'
  },
  away: (changes: number) =>
    `The server does not answer. ${
      changes === 0
        ? 'What you see is the last state it gave.'
        : `${counted('change is', 'changes are')(changes)} kept in this browser and sent when it is back.`
    }`,
  awayStay:
    'That page needs the server, which does not answer. Switches, Lines, Disks, Bench and this page still work.',
  followed: 'Changed in another window; you see that state now.',
  refused: 'The last change was not saved; it is still on the screen.',
  revert: 'Back to the last saved state',
  gone: 'This build was deleted for good elsewhere. Your state is still here.',
  keepCopy: 'Keep mine as a copy',
  copyName: (name: string) => `${name.slice(0, 110)}, my copy`,
  hide: 'Hide',
  binned: (changes: number) =>
    `This build was put in the bin elsewhere.${changes ? ` ${counted('change is', 'changes are')(changes)} kept here.` : ''}`,
  putBack: 'Put it back',
  copyKept: 'Your state is kept as a build of its own:',
  errorMissing: 'Page not found',
  errorOther: 'That did not work',
  backToBuilds: 'Back to the builds',
  login: {
    title: 'Sign in',
    lead: 'This server is shared on a network. Its passphrase was set by whoever runs it.',
    passphrase: 'Passphrase',
    enter: 'Sign in',
    out: 'Sign out'
  },
  serverGone: 'The server does not answer. Nothing was changed; try again.'
} as const;
