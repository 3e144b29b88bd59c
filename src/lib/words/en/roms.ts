import { byteCount as bytes, hexDigits as hex } from './language';

/** What is said of a ROM that was read from a chip, on the screen Disks and by `yj rom`. */

export const romWords = {
  empty: 'The file is empty.',
  noChip: (size: number) =>
    `${bytes(size)}: no ROM chip has just that size; the reading may be cut off or too long.`,
  oneByte: (byte: number) =>
    `Every byte is ${hex(byte, 2)}: an empty chip, or it was not seated in the programmer.`,
  twice: 'Both halves are the same: a smaller chip read as a larger one.',
  cutOff: (told: number, there: number) =>
    `The header says ${bytes(told)} and the file has ${bytes(there)}: it is cut off.`,
  sum: (sum: number) => `The checksum is wrong (sum ${hex(sum, 2)}): the BIOS passes this ROM over.`,
  noLength: 'The header says a length of 0.',
  half: (chip: 'even' | 'odd', of: 'option' | 'system') =>
    `It is the ${chip} chip of a pair of ${of === 'system' ? 'a system ROM' : 'an option ROM'}: join it with the other before anything in it is judged.`,
  unlike: 'It neither begins with 55 AA nor ends as a system ROM does: half of a pair, or no ROM.',
  imagePastEnd: (at: number, told: number) =>
    `The PCI image at ${hex(at, 4)}h says ${bytes(told)} and runs past the end.`,
  pnpSum: 'The checksum of the plug-and-play header is wrong.'
};

/** What the model byte at the end of a system ROM stands for. */
export const romModels: Readonly<Record<number, string>> = {
  0xff: 'the first PC',
  0xfe: 'XT class',
  0xfd: 'XT class, home machine',
  0xfc: 'AT class',
  0xfb: 'XT class, later',
  0xfa: 'AT class, 8086 with round keyboard and mouse',
  0xf9: 'XT class, portable',
  0xf8: '386 class with its own bus'
};

/** Why a ROM cannot be mended, split or joined. */
export const romRefusals = {
  noOption: 'it does not begin with 55 AA; only an option ROM has this checksum',
  length: (told: number, there: number) => `its header says ${bytes(told)} and it has ${bytes(there)}`,
  oddLength: (size: number) => `${bytes(size)} cannot be split into an even and an odd chip`,
  unlike: (even: number, odd: number) => `one chip has ${bytes(even)} and the other ${bytes(odd)}`
};
