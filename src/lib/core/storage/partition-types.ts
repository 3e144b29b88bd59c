/** Partition type bytes that a DOS machine meets. */
export interface PartitionType {
  fat?: boolean;
  extended?: boolean;
  kind?: 'FAT12' | 'FAT16' | 'FAT32';
  /** Addressed by sector number, not by cylinder, head and sector. */
  lba?: boolean;
}

export const partitionTypes: Readonly<Record<number, PartitionType>> = {
  0x01: { fat: true, kind: 'FAT12' },
  0x04: { fat: true, kind: 'FAT16' },
  0x05: { extended: true },
  0x06: { fat: true, kind: 'FAT16' },
  0x07: {},
  0x0b: { fat: true, kind: 'FAT32' },
  0x0c: { fat: true, kind: 'FAT32', lba: true },
  0x0e: { fat: true, kind: 'FAT16', lba: true },
  0x0f: { extended: true, lba: true },
  0x82: {},
  0x83: {},
  0xee: {}
};
