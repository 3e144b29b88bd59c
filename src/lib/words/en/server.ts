type Shown = string | number;

/** What the server says: refusals, troubles of the store, what a document is called. */
export const server = {
  /** What a document is called at the start of a sentence. */
  what: {
    partOf: (id: Shown) => `The part "${id}"`,
    address: 'The address',
    query: 'The query',
    request: 'The request',
    build: 'The build',
    state: 'The state',
    part: 'The part',
    collection: 'The collection',
    photograph: 'The photograph',
    itemOf: (id: Shown) => `The item "${id}"`,
    item: 'The item'
  },
  foreignName: 'This server answers only to its own name.',
  foreignPage: 'Writes come only from pages of this server.',
  twoServers: 'The request names two servers.',
  signInFirst: 'Sign in with the passphrase first.',
  noMethod: 'This address does not take that method.',
  nothingHere: 'There is nothing at this address.',
  tooLarge: (is: Shown, most: Shown) => `is ${is} large; no build needs more than ${most}`,
  tooLargeWithParts: (is: Shown) => `is ${is} large with its parts, more than a file can hold`,
  nested: (most: Shown) => `is nested more than ${most} deep`,
  choices: (most: Shown) => `at most ${most} choices`,
  paragraphs: 'paragraphs, such as D000-D3FF',
  sentTooLarge: (mib: Shown) => `What was sent is larger than ${mib} MiB; nothing was changed.`,
  wentWrong: 'Something went wrong here that should not. What you typed is still on your screen.',
  noContentType: 'Say what is sent with a Content-Type header, such as application/json.',
  notJson: 'is not JSON',
  noBuild: (id: Shown) => `There is no build "${id}".`,
  stateLost: 'The present state of this build is lost.',
  mustBe: (id: Shown) => `must be "${id}"`,
  copyOf: (name: Shown) => `copy of ${name}`,
  noBuildInBin: (id: Shown) => `There is no build "${id}" in the bin.`,
  needsPassphrase: 'A shared server needs a passphrase. Set one first: npm run --silent yj -- passphrase',
  newerSchema: (file: Shown, is: Shown, knows: Shown) =>
    `${file} was written by a newer release (schema ${is}, this one knows ${knows}). Start that release, or set YJ_DATA to another folder. Nothing was changed.`,
  diskFull: (folder: Shown, kib: Shown, least: Shown) =>
    `The disk that holds ${folder} is full: ${kib} KiB are free, ${least} MiB are needed. Make room and start again.`,
  notUpgraded: (file: Shown, from: Shown, to: Shown, why: Shown, kept: Shown) =>
    `${file} could not be brought from schema ${from} to ${to} (${why}). It was left as it was${kept}. Start the release that wrote it, or bring back a backup.`,
  keptCopy: (copy: Shown) => `, and a copy is in ${copy}`,
  inBin: (id: Shown) => `The build "${id}" is in the bin. Put it back to open or change it.`,
  changedElsewhere: 'This build was changed elsewhere since it was opened here.',
  passphraseShort: 'Use at least 12 characters: four or five words are good.',
  passphraseLong: 'Use at most 72 bytes (letters without accents count one each).',
  busy: 'The program is working out many machines just now. Try again in a few seconds.',
  tooLong: (seconds: Shown) =>
    `This was stopped after ${seconds} seconds of work: it is larger than anything that can be worked out here. Leave out what is not needed.`,
  tooMuchMemory: (mib: Shown) =>
    `This was stopped at ${mib} MiB of memory: it is larger than anything that can be worked out here. Leave out what is not needed.`,
  askerGone: 'Whoever asked is gone.',
  noRevision: (id: Shown, number: Shown) => `The build "${id}" has no revision ${number}.`,
  broughtBack: (what: Shown) => `brought back: ${what}`,
  earlierState: 'an earlier state',
  noData: (folder: Shown) => `There is no data in ${folder} yet. Set YJ_DATA to the folder you mean.`,
  backupThere: (file: Shown) => `${file} is there already; a backup never writes over a file. Name another.`,
  noBackup: (from: Shown) => `There is no backup ${from}.`,
  backupEmpty: (from: Shown) => `${from} is empty: it is not a backup.`,
  holdsNothing: 'it holds no data',
  isDamaged: 'it is damaged, or not a Yellow Jumper database',
  notBroughtBack: (from: Shown, problems: Shown, more: Shown, next: Shown) =>
    `The backup ${from} is not brought back, and nothing was changed: ${problems}${more}. ${next}`,
  anotherOrForce: 'Take another backup, or bring back what can be read of it: yj restore FILE --anyway',
  anotherBackup: 'Take another backup.',
  tableMissing: (table: Shown) => `the table "${table}" is missing`,
  buildHeadless: (id: Shown) => `build "${id}" has lost its present state`,
  revisionUnreadable: (id: Shown, build: Shown) => `revision ${id} of "${build}" cannot be read`,
  partUnusable: (id: Shown) => `part "${id}" cannot be used`,
  shelfUnreadable: (id: Shown) => `"${id}" on the shelf cannot be read`,
  seenUnreadable: (id: Shown) => `what was seen under "${id}" cannot be read`,
  notebookUnreadable: (id: Shown) => `notebook "${id}" cannot be read`,
  ofCatalogue: 'is a part of the catalogue; save a copy under another id',
  usedBy: (build: Shown, why: Shown) => `${build} uses this part: ${why}`,
  theFile: 'the file',
  choiceGone: (may: Shown) => `can no longer be chosen: ${may}`,
  noOwnPart: (id: Shown) => `There is no part "${id}" of your own.`,
  usedIn: (where: Shown) => `is used by ${where}, perhaps in an older state`,
  theShelf: 'the shelf',
  noPicture: 'is not a JPEG, PNG or WebP picture',
  tooManyPixels: (millions: Shown) => `has more than ${millions} million pixels`,
  cutOffPicture: 'is not a JPEG, PNG or WebP picture, or is cut off',
  stale: (name: Shown) => `${name} was changed in another window in between. Look at it and try again.`,
  noNotebook: (id: Shown) => `There is no notebook "${id}".`,
  noSighting: (id: Shown) => `There is nothing seen under "${id}".`,
  shelfDamaged: (id: Shown) => `What is kept of "${id}" on the shelf is damaged and cannot be read.`,
  notOnShelf: (id: Shown) => `There is no "${id}" on the shelf.`,
  photosThere: (n: Shown) => `there are ${n} already; take one away first`,
  noPhotograph: 'There is no such photograph.',
  stateDamaged: 'What is kept of this state is damaged and cannot be read.',
  noPart: (id: Shown) => `There is no part "${id}".`,
  wrongPassphrase: 'That is not the passphrase.',
  tooManyTries: (seconds: Shown) => `Too many tries. Wait ${seconds} s.`,
  stateUnusable: 'Its present state cannot be used any more.',
  notInCatalogue: 'There is no such part in the catalogue.'
};

export const damaged = (where: string): string =>
  `${where} is damaged or is not a Yellow Jumper database. Nothing in it was changed. Bring back a backup: yj restore FILE (this file is then kept under another name).`;

export const replaced = (where: string): string =>
  `${where} was deleted, moved or exchanged while the program is running, so nothing can be saved. Your changes are kept on this page. Put the file back, or start the program again to use the file that is there now.`;

type Sentence = (where: string) => string;

/** What the file system and SQLite say, in words for a person. Result codes by their first two words. */
const troubles: Record<string, Sentence> = {
  EACCES: (w) =>
    `${w} cannot be written by this user. Give it to the user who runs the program, or set YJ_DATA to another folder.`,
  EROFS: (w) => `${w} is on a read-only disk. Make it writable, or set YJ_DATA to another folder.`,
  ENOTDIR: (w) =>
    `${w} cannot be a folder: a file of that name is in the way. Set YJ_DATA to another folder.`,
  ENOSPC: (w) => `The disk that holds ${w} is full. Make room and start again.`,
  SQLITE_FULL: (w) =>
    `The disk that holds ${w} is full. Make room and try again; what was saved before is safe.`,
  SQLITE_IOERR: (w) =>
    `The disk that holds ${w} reports an error. Copy the folder elsewhere before anything else.`,
  SQLITE_READONLY: (w) =>
    `${w} cannot be written by this user. Give it to the user who runs the program, or set YJ_DATA to another folder.`,
  SQLITE_CANTOPEN: (w) => `${w} cannot be opened. Look at who owns it and whether the disk is there.`,
  SQLITE_BUSY: (w) =>
    `Another program keeps ${w} locked. Close it (a second Yellow Jumper, a database browser) and try again.`,
  SQLITE_CORRUPT: (w) => damaged(w),
  SQLITE_NOTADB: (w) => damaged(w)
};

export const storeTroubles: Readonly<Record<string, Sentence | undefined>> = {
  ...troubles,
  EPERM: troubles.EACCES,
  EEXIST: troubles.ENOTDIR,
  SQLITE_LOCKED: troubles.SQLITE_BUSY
};
