/** The interface's sentences, apart from its logic. */
export const text = {
  product: 'Yellow Jumper',
  tagline: 'Every card on a line of its own.',
  builds: 'Builds',
  buildsLead: 'One sheet for each machine: what is in it, what is set, what is in the way.',
  buildsEmpty: 'No machine yet. Start with its board; the cards follow.',
  newBuild: 'New build',
  openFile: 'Open a build file',
  board: 'Board',
  chooseBoard: 'Which board is it?',
  findPart: 'Find a part',
  stages: { parts: 'Parts', lines: 'Lines', bench: 'Bench' },
  linesLead:
    'What each card drives. Ring: it could. Cap: it does. Drag a cap along its row, or press R for the fewest moves.',
  partsLead: 'Which card sits in which slot. Search, add, and seat it where it is.',
  inTheWay: 'In the way',
  nothingInTheWay: 'Nothing is in the way.',
  resolve: 'Resolve',
  resolving: 'Working it out',
  stop: 'Stop',
  take: 'Take this plan',
  leave: 'Leave it',
  benchSheet: 'Bench sheet',
  undo: 'Undo',
  redo: 'Redo',
  savedElsewhere:
    'This build was changed in another window. You see that version now; your last change here was not kept: make it again if you still want it.',
  notSaved: 'The last change was not kept.',
  serverGone: 'The server does not answer. Your changes are kept here and are sent when it is back.',
  offNote: 'Machine off and unplugged.',
  legend: 'Dashed: as found. Yellow: chosen.'
} as const;
