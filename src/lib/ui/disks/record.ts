import type { DiskRecord, Item } from '../../core/model';

/** An item with what is known of it as a medium changed. */
export const withDisk = (item: Item, to: (old: DiskRecord) => DiskRecord): Item => ({
  ...item,
  disk: to(item.disk ?? { tries: [] })
});

/** `2 MB`, `1.5 GB`, of bytes in powers of ten. */
export const bytesText = (bytes: number): string =>
  bytes >= 1e9
    ? `${(bytes / 1e9).toFixed(2)} GB`
    : bytes >= 1e6
      ? `${Math.round(bytes / 1e6)} MB`
      : `${Math.round(bytes / 1e3)} kB`;
