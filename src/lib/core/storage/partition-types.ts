/** Partition type bytes that a DOS machine meets. */
export interface PartitionType {
  name: string;
  fat?: boolean;
  extended?: boolean;
  kind?: 'FAT12' | 'FAT16' | 'FAT32';
  /** Addressed by sector number, not by cylinder, head and sector. */
  lba?: boolean;
}

export const partitionTypes: Readonly<Record<number, PartitionType>> = {
  0x01: { name: 'FAT12', fat: true, kind: 'FAT12' },
  0x04: { name: 'FAT16 under 32 MiB', fat: true, kind: 'FAT16' },
  0x05: { name: 'extended', extended: true },
  0x06: { name: 'FAT16', fat: true, kind: 'FAT16' },
  0x07: { name: 'another system' },
  0x0b: { name: 'FAT32', fat: true, kind: 'FAT32' },
  0x0c: { name: 'FAT32, LBA', fat: true, kind: 'FAT32', lba: true },
  0x0e: { name: 'FAT16, LBA', fat: true, kind: 'FAT16', lba: true },
  0x0f: { name: 'extended, LBA', extended: true, lba: true },
  0x82: { name: 'swap of another system' },
  0x83: { name: 'another system' },
  0xee: { name: 'GUID partition table' }
};
