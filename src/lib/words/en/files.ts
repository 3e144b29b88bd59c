import { counted } from './count';

/** What files are called, and why one is refused: each sentence follows the name of the file or the place in it. */

const list = (all: readonly string[]): string => all.join(', ');

export const documentNames = {
  build: 'The build',
  file: 'The file',
  part: 'The part',
  collection: 'The collection',
  catalogue: 'The catalogue',
  software: 'The list of software',
  archive: 'The archive',
  start: 'The start',
  lines: 'The lines',
  programs: 'The programs'
};

export const fileFlaws = {
  tooLarge: (mib: number) => `is larger than ${mib} MiB, more than any build needs`,
  empty: 'the file is empty',
  at: (line: number, column: number) => `line ${line}, column ${column}`,
  line: (line: number) => `line ${line}`,
  notJson: 'is not valid JSON here; the file may be cut off',
  notJsonAs: (why: string) => `is not JSON: ${why}`,
  notYaml: 'is not YAML',
  nested: (depth: number) => `is nested ${depth} deep; no build is`,
  twice: 'appears twice'
};

export const collectionFlaws = {
  format: (told: string, right: string) => `is "${told}", not "${right}"`,
  version: (told: number, known: number) => `is ${told}; this release reads up to ${known}`,
  tooMany: (parts: number, most: number) =>
    `holds ${counted('part', 'parts')(parts)}; at most ${most} come in at once`,
  part: (n: number) => `part ${n}`,
  twice: 'appears in it twice'
};

export const catalogueFlaws = {
  twice: 'this id appears twice',
  noBase: (id: string) => `is like "${id}", which is not in the catalogue`,
  circle: 'is like itself',
  noDefault: (field: string) => `field "${field}" has no default`,
  noPositions: (field: string) => `field "${field}" needs columns, ends, positions or program`,
  noFunction: (id: string) => `there is no common function "${id}"`,
  noSetting: (told: string) => `a claim is read from "${told}", which is not a setting`
};

export const archiveFlaws = {
  other: 'holds no workshop.json; it is some other archive',
  noPart: (id: string) => `the archive holds no part "${id}" that can be used`,
  sameNumber: 'names two revisions by one number',
  backwards: (n: number, parent: number) => `revision ${n} comes from ${parent}, which is not an earlier one`,
  noHead: (n: number) => `has no revision ${n}, its head`,
  noPhotograph: (file: string) => `names ${file}, which is not there`,
  tooLarge: (mib: number) => `is larger than ${mib} MiB`,
  tooMany: (most: number) => `holds more files than the ${most} that are read`,
  unpacks: (mib: number) => `unpacks to more than ${mib} MiB`,
  notZip: 'is not a ZIP file, or is cut off'
};

/** What stands in an archive that could not take everything. */
export const leftOutWords = (states: number, photographs: number): string =>
  `This archive would be too large to be read again with everything in it. Left out, the oldest first: ${counted('earlier state', 'earlier states')(states)} of builds, ${counted('photograph', 'photographs')(photographs)}. A backup (yj backup) holds them all.\n`;

export const shelfTableFlaws = {
  noColumn: 'there is no column "part"; the first line must name the columns',
  tooMany: (most: number) => `has more rows than the ${most} that are read`,
  unknown: (part: string) => `"${part}" is not in the catalogue; write its id, or maker and name`,
  empty: 'is empty',
  noneOf: (told: string, all: readonly string[]) => `"${told}" is none of ${list(all)}`,
  noNumber: (told: string) => `"${told}" is not a number`,
  noPosition: (pair: string, part: string) => `"${pair}" is not a setting and position of ${part}`
};

/** Why a line that tells of a start is not understood. */
export const startFlaws = {
  flag: (told: string) => `"${told}" is not understood; write yes or no`,
  message: (told: string, all: readonly string[]) =>
    `"${told}" is not a message; write none or some of ${list(all)}`,
  text: (told: string, all: readonly string[]) =>
    `"${told}" is not a text that is known; write messages: and some of ${list(all)}, or note:`,
  severalTexts: (told: string, may: readonly string[]) =>
    `"${told}" may be ${may.join(' or ')}; write messages: and one of them`,
  item: (told: string, all: readonly string[]) =>
    `"${told}" is not a part of this build; write without and one of ${list(all)}`,
  test: (told: string, all: readonly string[]) =>
    `"${told}" is not a test; write nothing or one of ${list(all)}`,
  reading: (told: string, all: readonly string[]) => `"${told}" is not a reading; write one of ${list(all)}`,
  noAnswer: (test: string) => `say after ${test} whether the fault was there: yes or no`,
  oneOf: (told: string, all: readonly string[]) => `"${told}" is not understood; write one of ${list(all)}`,
  beeps: (told: string) =>
    `"${told}" is not a pattern of beeps; write none, 3, 1 long 2 short, 1-3-3 or repeated`,
  line: (all: readonly string[]) => `is not understood; write one of ${list(all)}, a colon and what was seen`,
  nothing: 'says nothing that was seen',
  none: 'no start is noted in it; give a text with what was seen'
};

export const floppyFlaws = {
  name: (name: string) => `"${name}" is not a file name of DOS: eight letters, a dot, three letters`,
  size: (kib: number, all: readonly number[]) =>
    `there is no floppy of ${kib} KiB here; take ${list(all.map(String))}`,
  full: 'the root directory is full',
  twice: (name: string) => `"${name}" appears twice`,
  tooLarge: 'the files do not fit on this floppy'
};

export const placementFlaws = { sameName: 'two lines have the same name' };
export const reasonFlaw = (row: number): string => `reasons, row ${row}: write part, fact and a reason`;

export const schemaTitles = { build: 'A build and the parts it uses', part: 'A part of the catalogue' };

/** A step of the list of moves in which a card goes to another slot. */
export const moveCardWords = 'move the card';

/** What a report of the command line and the API says beside its data. */
export const reportWords = {
  unknownFamily: 'unknown',
  asFound: 'as found',
  asPlanned: 'as planned',
  rehearsed: 'only what is known to be wrong with the build; no hardware fault is taken for granted',
  estimates: 'estimates, good to a factor of 2 to 3',
  atPrompt: 'it came to the prompt',
  measured: 'measured',
  typical: 'typical',
  notAsked: {
    dos: 'the version of DOS is not in the brief',
    cpu: 'no CPU is entered',
    doubtful: 'a jumper of unknown meaning may switch something on in upper memory',
    listing: 'whether the files are on the disk: there is no listing of it',
    hidden: 'a card may answer in upper memory, and nobody knows where'
  }
};
