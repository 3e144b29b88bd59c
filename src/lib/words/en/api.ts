/** The words of the description of the API. */
const statuses: Readonly<Record<number, string>> = {
  401: 'Sign in first, or the passphrase is wrong',
  404: 'There is no such thing',
  409: 'Changed elsewhere since; the present state comes along',
  410: 'The build lies in the bin',
  413: 'Larger than the limit',
  415: 'What was sent has no Content-Type header',
  422: 'What was sent cannot be used; each problem with its place',
  429: 'Too many tries; wait as long as Retry-After says',
  500: 'Something went wrong here'
};

export const api = {
  errors: 'Every error is a problem document.',
  done: 'Done',
  statuses,
  /** What each operation does, by its name. */
  summaries: {
    listBuilds: 'Builds in use, or those in the bin, with what is in their way',
    createBuild: 'Make a build from a name and a board',
    getBuild: 'A build in its present state',
    saveBuild: 'Save a build as a new revision; base is the revision that was changed',
    binBuild: 'Put a build in the bin',
    putBackBuild: 'Take a build out of the bin',
    removeBuild: 'Delete a build in the bin for good, with its revisions',
    duplicateBuild: 'Make a second build from the present state of one',
    undo: 'Go back to the revision before; nothing is deleted',
    redo: 'Go to the newest revision that was made from this one',
    checkBuild: 'Findings of the positions as they stand',
    resolveBuild: 'Positions without a clash, or why there are none; the build is not changed',
    exportBuild: 'The build as a file: whole, its claims, its moves, or the bench sheet',
    listRevisions: 'Saved states of a build, newest first, each with how it differs from the one before',
    getRevision: 'One saved state, and how the revision `to` (by default the present one) differs from it',
    restoreRevision: 'Make an earlier state the present one, as a new revision',
    markRevision: 'Name a state',
    unmarkRevision: 'Take the name of a state away',
    listItems: 'Every specimen in every build in use, with where it is',
    listParts: 'Parts of the catalogue and one’s own; q also reads lines, as in "irq 10" or "in 1991"',
    getPart: 'One part',
    savePart: 'Save a part of one’s own, new or known; parts of the catalogue are not changed',
    removePart: 'Delete a part of one’s own that nothing uses',
    importPart: 'Take in a part file',
    previewParts:
      'What a collection of parts holds: each new, the same, or different from a known one; nothing is kept',
    takeParts:
      'Take a collection in, each part as chosen; all of it or nothing, and nothing is overwritten unchosen',
    exportParts: 'Parts of one’s own as one file',
    listProfiles: 'Software profiles that a brief can ask for',
    plan: 'Whole machines for a brief, or what to drop; nothing is stored. Takes a few seconds.',
    check: 'Findings of a build file; nothing is stored',
    resolve: 'Resolve a build file; nothing is stored',
    importBuild: 'Take in a build file, with the parts that are not known yet',
    exportWorkshop: 'Every build with all its states, and the parts they use, as one ZIP file',
    importWorkshop: 'Take in an archive beside what is there; what is wrong in it is left out and named',
    events: 'What changes, as server-sent events: build (id and head) or all',
    health: 'Whether the data is sound, and how much there is',
    signOut: 'Sign out',
    signIn: 'Sign in with the passphrase of a shared server',
    describe: 'This description',
    memoryMapOfBuild:
      'The first megabyte as the settings stand: who answers where, what collides, regions and counts',
    bootOfBuild:
      'The fewest starts that serve every program, with their files; plan is null where it cannot be planned',
    bootCheckOfBuild: 'What is wrong in a pair of files, line by line, against the build; nothing is saved',
    rehearseBuild:
      'The start of the build, settings as found or as planned: stages in time, where it will stop and why',
    diagnoseBuild:
      'What is wrong, from the last start that is noted or from a small text with what was seen, one thing a line',
    listShelf: 'Things on the shelf, or those in its bin',
    addToShelf: 'Put something on the shelf',
    getShelfItem: 'One thing on the shelf',
    saveShelfItem: 'Save a thing on the shelf; version is the one that was changed',
    binShelfItem: 'Put a thing on the shelf in the bin',
    putBackShelfItem: 'Take a thing of the shelf out of the bin',
    addPhoto: 'Add a photograph; it is made smaller, and what the camera wrote into it is left out',
    getPhoto: 'A photograph',
    markPhoto: 'Set the numbered marks on a photograph',
    removePhoto: 'Delete a photograph',
    listSightings: 'What was seen on things that are not identified yet',
    saveSighting: 'Save what was seen on a thing; version 0 makes a new one',
    removeSighting: 'Forget what was seen on a thing',
    listNotebooks: 'What is being found out about boards that are documented in part',
    saveNotebook: 'Save a notebook; version 0 makes a new one',
    removeNotebook: 'Delete a notebook',
    exportShelf: 'The shelf as CSV',
    importShelf: 'Read a table of things; take=true puts the rows without errors on the shelf'
  }
};
