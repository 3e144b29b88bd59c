import { FactId } from '../../core/model';
import { translations } from '../../core/storage';
import { counted } from './count';

/** The help of the command line, by groups of commands, and what it says when it does not understand. */

const facts = FactId.options;

export const settingsUsage = `  decode PART BLOCK=ROW …       what switches and jumpers mean: sw1='on off on …', jp4=2-3
  encode PART WHAT=VALUE …      the rows that say it; WHAT is a setting of the part or a fact:
                                ${facts.join(', ')}
  memory PART --target KIB      the fillings of a board whose memory count is that much
  memory PART --count KIB       the fillings that show that count, and what they share; KIB may be a range or
                                "about 3700", "more than 3000"
`;

export const tableUsage = `  table FILE                    what a pasted table of jumpers and switches says, as JSON: blocks, settings, positions
                                with state, meaning and default, what is asked and what was not understood
  part FILE                     checks the description of a part
`;

export const photoUsage = `  photo IMAGE --corners X1,Y1,X2,Y2,X3,Y3,X4,Y4 --block dip:8 [--slider light|dark] [--on up|down]
                                reads a block out of a photograph: dip:N, header:2xN or header:1xN. Corners in pixels:
                                top left of the block as it is read, then clockwise. Doubtful positions are marked
`;

export const startUsage = `  rehearse FILE [--planned]     the start of a build, settings as found or as planned: stages, where it stops and why
  diagnose FILE [START]         what is wrong, from the last start in the build or from a small text with lines such as
                                "power: runs", "beeps: 3", "screen: dark", "reached: count", "messages: settings",
                                "text: Keyboard error"; after a line "---" the next one: "after: reseat-memory"
                                or "after: without ITEM" (only that card was out), or a reading "read: ohms no"
`;

export const bootUsage = `  memory-map FILE               the first megabyte of a build as its settings stand: who answers where, what collides,
                                regions of upper memory and page frame, and what is counted above
  boot FILE [--text]            the starts that serve every program of the brief, and CONFIG.SYS and AUTOEXEC.BAT for
                                them; --text prints the files alone
  boot FILE --floppy KIB IMAGE [--go-on C:]
                                the files on the image of a floppy of 360, 720, 1200, 1440 or 2880 KiB, with a list of
                                what has to be put on it; --go-on: it loads the drivers and goes on from that drive
  boot-check FILE CONFIG.SYS AUTOEXEC.BAT
                                what is wrong in a pair of files, line by line, against a build; - stands for a file
                                that is not there
`;

export const placementUsage = `  place FILE                    lines of CONFIG.SYS and AUTOEXEC.BAT into upper memory, exactly: order and region, what
                                stays low, the bound that proves it, and what DOS does by itself. FILE is JSON:
                                {"regions": [BYTES, …], "lines": [{"name", "stage": "config"|"autoexec", "load",
                                "stay", "after": […], "high", "movesItself"}, …]}
  starts FILE                   the fewest configurations in which every program runs: {"managers": […],
                                "optional": […], "always": […], "programs": […]}; docs/boot.md has the fields
`;

export const diskUsage = `  disk --chs C/H/S [--sectors N] [--translation KIND] [--profile BIOS] [--os SYSTEM]
                                what a BIOS and DOS see of a drive, as JSON; SYSTEM as dos6.22 or win98; kinds: ${translations.join(', ')};
                                --profile takes the translation of a BIOS of the catalogue, and says what to type
  image FILE [--setup C/H/S]    tables and boot sectors of a raw image, and the geometry it was made under
  rom FILE [OTHER]              header, checksum and identity of a ROM; compared with another
  rom split FILE EVEN ODD       into the two chips of a 16-bit bus, as new files
  rom join EVEN ODD FILE        the two chips as one, as a new file
`;

export const writeUsage = `  write FILE --chs C/H/S [--os dosN] [--cylinders N,N] [--label NAME] [--no-format]
                                a sparse raw image with a partition table and empty file systems; only a new
                                file, never a device
`;

export const batchUsage = `  COMMAND --batch FILE          check, resolve, moves, disk, image, table, photo, memory-map, boot, boot-check, place or starts on many
                                questions in one process: FILE (or -) has one JSON value a line, and each gets one line of JSON back, with "error" where it
                                cannot be answered. disk takes {"chs": "615/4/17", "os": "dos3.3"} with the options
                                of the command; image takes {"file": "...", "setup": "615/4/17"}; photo takes
                                {"file": "...", "corners": "0,0,9,0,9,3,0,3", "block": "dip:8"}; table takes
                                {"text": "JP1 1-2 220h"}; boot-check takes the build with the texts in "config" and "autoexec"; the others take {"file": "..."} or a build file as it is
`;

export const usage = `usage: yj COMMAND FILE          FILE may be - for standard input

  check FILE                    the findings of the positions as they stand, as JSON
  resolve FILE [--allow-off] [--alternatives N] [--max-nodes N]
                                the solution, or the core and its relaxations, as JSON
  sheet FILE [--resolve]        the bench sheet of the chosen positions as plain text; with
                                --resolve, of the best solution
  claims FILE, moves FILE       the claims as they stand, or what is to be moved, as CSV
  moves FILE --json             what differs from where it should be, why, and what happens if it is left
  markdown FILE                 the bench sheet as Markdown
${settingsUsage}${tableUsage}${photoUsage}${startUsage}${bootUsage}${placementUsage}${diskUsage}${writeUsage}${batchUsage}  backup [FILE]                 a consistent copy of the data, also while the program runs
  restore FILE [--anyway]       looks a backup through and brings it back; what was there before is kept beside
                                it; --anyway: also one with damaged rows
  health                        looks through the data, as JSON
  passphrase                    sets the passphrase of a shared server, from standard input

The data is in the folder that YJ_DATA names, else in .yellow-jumper in the home folder.
exit 0: clean or solved; 1: a clash, or impossible, or stopped, or an image that must not be used;
     2: bad input;
     3: no clash, but a caution, or something was not checked or is only assumed
`;

/** Why the words of a command are not understood. */
export const commandRefusals = {
  noOption: (option: string) => `there is no option ${option} here`,
  noValue: (option: string) => `${option} wants a value`,
  value: (option: string) => `${option} takes no value`,
  twice: (option: string) => `${option} is given twice, with a value each time`,
  word: (word: string) => `"${word}" is not understood`,
  number: (option: string, most: number, told: string) =>
    `--${option} wants a whole number from 0 to ${most}, not "${told}"`,
  badInput: 'bad input',
  top: 'top',
  nameBuild: 'name a build file',
  nameFile: 'name a file, or - for standard input',
  nameFiles: 'name CONFIG.SYS and AUTOEXEC.BAT',
  nameImage: 'name the size and the image',
  withoutFloppy: 'an image is written with --floppy',
  line: 'a line is a JSON object',
  text: (characters: number, most: number) =>
    `the text has ${counted('character', 'characters')(characters)}; at most ${most} are read`
};

/** Why a file is not read or written; each sentence follows its name. */
export const pathRefusals = {
  missing: 'there is no such file',
  folder: 'is a folder',
  noFile: 'is not a file',
  unreadable: (code: string) => `cannot be read (${code})`,
  largerThan: (mib: number) => `is larger than ${mib} MiB`,
  there: 'is there already; nothing was written',
  noFolder: 'its folder is not there',
  unmade: (code: string | undefined) => `cannot be made (${code})`,
  unwritten: (code: string | undefined) => `cannot be written (${code})`
};

export const diskRefusals = {
  what: 'disk wants --chs C/H/S or --sectors N',
  sectors: (told: string) => `--sectors wants a whole number, not "${told}"`,
  translation: (told: string) => `there is no translation "${told}": ${translations.join(', ')}`,
  noDisks: (bios: string) => `${bios} knows no hard disks; a ROM of the controller runs them`,
  bios: (told: string, all: readonly string[]) =>
    `there is no BIOS "${told}"; the catalogue has ${all.join(', ')}`,
  system: (told: string) => `--os wants a system such as dos6.22 or win98, not "${told}"`,
  whichDos: (system: string) => `--os: say which DOS is under it, such as "${system} on DOS 6.22"`,
  image: 'image wants a file, and --setup C/H/S if there is one',
  setup: (told: string) => `--setup wants cylinders, 1 to 255 heads and 1 to 63 sectors, not "${told}"`,
  rom: 'rom wants a file, and another to compare it with'
};

export const writeRefusals = {
  what: 'write wants a file and --chs C/H/S, as INT 13h gives it',
  cylinders: (told: string) => `--cylinders wants numbers such as 400,624, not "${told}"`,
  standardOutput: 'write makes a file; it does not write to the standard output',
  zero: 'cylinders, heads and sectors are at least 1',
  sectors: (count: number) =>
    `${counted('sector', 'sectors')(count)} a track: INT 13h and the partition table have 1 to 63`,
  heads: (count: number) => `${counted('head', 'heads')(count)}: DOS takes 255 at most`,
  dos: (dos: number, all: readonly number[]) =>
    `there is no DOS ${dos} that partitions hard disks here: ${all.join(', ')}`,
  beyond: (cylinders: number, dos: number) =>
    `${counted('cylinder', 'cylinders')(cylinders)}: DOS ${dos} reaches 1,024 by INT 13h. Give the geometry as INT 13h has it, or DOS 7 or later`
};

export const photoRefusals = {
  corners: '--corners wants eight numbers, x and y of each corner',
  what: 'name a picture',
  block: '--block wants dip:1 to dip:16, header:2xN or header:1xN',
  slider: '--slider is light or dark',
  on: '--on is up or down',
  unreadable: 'is not a picture that can be read'
};

export const settingRefusals = {
  row: 'sw1="on off on off"',
  value: 'display=mono',
  block: (part: string, told: string, has: string) =>
    `${part} has no block "${told}"; it has ${has || 'none that is set by hand'}`,
  what: (part: string, has: string) => `name a block and its row; ${part} has ${has}`,
  encode: 'say what to encode, as display=mono',
  noMemory: (part: string) => `${part} is no board with a memory table`,
  memory: 'memory wants --target KIB or --count KIB',
  size: (told: string) =>
    `"${told}" is not understood as a size; write 640, "3 MiB", 3000-4000, "about 3700" or "more than 3000"`,
  oneSize: (told: string) => `--target takes one size, not "${told}"; write 640 or "3 MiB"`,
  part: (id: string) => `there is no part "${id}" in the catalogue`,
  pair: (told: string, example: string) => `"${told}" has no "="; write it as ${example}`
};

/** What commands on the data folder say. */
export const dataWords = {
  restored: (builds: number, before: string) =>
    `${counted('build', 'builds')(builds)} brought back. What was there before: ${before}`,
  ask: 'New passphrase: ',
  set: 'The passphrase is set. Everybody has to sign in again.'
};
