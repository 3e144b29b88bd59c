/** A disk as DOS meets it at the start: how many primary partitions that it knows, and how many logical drives. */
export interface LetterDisk {
  name: string;
  /** Names of its primary partitions with FAT, the active one first; then of its logical drives. */
  primary: readonly string[];
  logical: readonly string[];
}

export interface Lettered {
  letter: string;
  disk: string;
  what: string;
  /** A letter that DOS keeps for a floppy, whether there is one or not. */
  floppy?: 'there' | 'not-there';
}

/**
 * Drive letters in the order in which DOS gives them: A and B floppies; the first primary partition of each disk
 * in turn; all logical drives of disk 1, of disk 2; from DOS 5 on the other primary ones; then drivers in load
 * order, optical drives last. Letters end at Z (LASTDRIVE permitting).
 */
export function driveLetters(
  disks: readonly LetterDisk[],
  dos: number,
  after: readonly string[] = [],
  floppies = 1
): Lettered[] {
  const out: Lettered[] = [];
  for (let i = 0; i < Math.max(1, Math.min(2, floppies)); i++)
    out.push({
      letter: i === 0 ? 'A' : 'B',
      disk: '',
      what: '',
      floppy: floppies > i ? 'there' : 'not-there'
    });
  const order = [
    ...disks.flatMap((d) => d.primary.slice(0, 1).map((what) => ({ disk: d.name, what }))),
    ...disks.flatMap((d) => d.logical.map((what) => ({ disk: d.name, what }))),
    ...(dos >= 5 ? disks.flatMap((d) => d.primary.slice(1).map((what) => ({ disk: d.name, what }))) : []),
    ...after.map((what) => ({ disk: '', what }))
  ];
  return [...out, ...order.slice(0, 24).map((o, i) => ({ letter: String.fromCharCode(67 + i), ...o }))];
}
