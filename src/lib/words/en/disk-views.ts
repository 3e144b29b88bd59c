import type { Cost, Layer, Witness } from '../../core/storage';

/** What a way to fill the setup in costs. */
export const costWords: Record<Cost, string> = {
  nothing: 'nothing',
  kept: 'one cylinder, which this BIOS keeps for diagnostics',
  part: 'part of the drive is not used',
  rest: 'the rest of the drive is not used',
  'if-taken': 'partitioning anew, and a drive that takes a geometry other than its own',
  hangs: 'it hangs',
  'adapter-card': 'an adapter card or a ROM socket: a slot, a free ROM window, a port base',
  'another-rom': 'another ROM for this very board, if there is one',
  'unreadable-without': 'unreadable without it; goes wrong when a floppy is started first',
  'another-drive': 'another drive or flash card',
  'jumper-hides': 'a jumper on the drive hides the rest'
};

/** Partition types by their byte; undefined for one that nobody here knows. */
const types: Readonly<Record<number, string>> = {
  0x01: 'FAT12',
  0x04: 'FAT16 under 32 MiB',
  0x05: 'extended',
  0x06: 'FAT16',
  0x07: 'another system',
  0x0b: 'FAT32',
  0x0c: 'FAT32, LBA',
  0x0e: 'FAT16, LBA',
  0x0f: 'extended, LBA',
  0x82: 'swap of another system',
  0x83: 'another system',
  0xee: 'GUID partition table'
};
export const partitionTypeName = (type: number): string =>
  types[type] ?? `unknown type ${type.toString(16).toUpperCase().padStart(2, '0')}`;

/** How a layer of the machine calls what it sees of a drive. */
export function layerWords({ sees }: Layer): string {
  if ('geometry' in sees) {
    const { cylinders, heads, sectors } = sees.geometry;
    return `${sees.by ? `${sees.by}: ` : ''}${cylinders} / ${heads} / ${sectors}`;
  }
  if ('blocks' in sees) return `${sees.blocks.toLocaleString('en')} blocks`;
  return {
    'block-numbers': 'block numbers',
    lba28: '28-bit LBA',
    drive: 'as the drive',
    numbers: 'sector numbers',
    int13: 'INT 13h',
    partition: 'one partition'
  }[sees.is];
}

/** A place of a disk that speaks for or against a geometry. */
export const witnessWords = ({ name, of }: Witness): string =>
  of === 'boot' ? `${name}, boot sector` : `${name}, ${of === 'start' ? 'first' : 'last'} sector`;
