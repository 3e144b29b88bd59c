/** Formats of floppy drives, and of the images of an emulator, in KiB, the smallest first. */
export const FLOPPY_KIB = [360, 720, 1200, 1440, 2880] as const;
export type FloppyKiB = (typeof FLOPPY_KIB)[number];
