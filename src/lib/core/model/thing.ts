import type { Part } from './part';

/** What a part is, as facts: a model name alone tells nobody anything. Another folder has the words. */
export type What =
  | { kind: 'board'; family: string }
  | {
      kind: 'card';
      bus: NonNullable<Part['card']>['bus'];
      does: Part['functions'][number]['kind'] | 'multi-io' | null;
      standard: string | null;
    }
  | { kind: 'drive'; medium: string; interface: string; mb: number | null; floppyKiB: number | null }
  | { kind: 'memory'; form: string; kib: number }
  | { kind: Exclude<Part['kind'], 'board' | 'card' | 'drive' | 'memory'> };

/** A part as it is spoken of: what its owner or its maker calls it, and what it is. */
export interface Thing {
  name: string;
  what: What;
}

const SECTORS_PER_MB = 1_000_000 / 512;

const isPort = (kind: string): boolean => kind === 'serial' || kind === 'parallel' || kind === 'game';

/** What a card is for: the first thing that it does, and ports beside drives make it a multi-I/O card. */
function jobOf(kinds: readonly Part['functions'][number]['kind'][]) {
  const runsDrives = kinds.includes('floppy') || kinds.includes('hard-disk');
  if (runsDrives && kinds.some(isPort)) return 'multi-io';
  return kinds.find((k) => k !== 'rom') ?? kinds[0] ?? null;
}

/** What a part is. Of a card that does several things the first that it was made for counts. */
export function whatOf(part: Part): What {
  if (part.board) return { kind: 'board', family: part.board.cpuSocket?.families[0] ?? part.board.class };
  if (part.card) {
    const kinds = part.functions.map((f) => f.kind);
    return {
      kind: 'card',
      bus: part.card.bus,
      does: part.video ? 'display' : jobOf(kinds),
      standard: part.video?.standard ?? null
    };
  }
  if (part.drive) {
    const { medium, sectors, floppyKiB } = part.drive;
    return {
      kind: 'drive',
      medium,
      interface: part.drive.interface,
      mb: sectors ? Math.round(sectors / SECTORS_PER_MB) : null,
      floppyKiB: floppyKiB ?? null
    };
  }
  if (part.module) return { kind: 'memory', form: part.module.form, kib: part.module.kib };
  return { kind: part.kind as Exclude<Part['kind'], 'board' | 'card' | 'drive' | 'memory'> };
}

/** How a fitted part is spoken of: under the label that its owner gave it, else its model. */
export const thingOf = ({ part, title }: { part: Part; title?: string }): Thing => ({
  name: title ?? part.name,
  what: whatOf(part)
});

/** A function of a machine as it is spoken of. */
export interface Owner {
  /** The part that has it; null: the system itself. */
  thing: Thing | null;
  /** It is on the system board. */
  onBoard: boolean;
  function: string;
  kind: Part['functions'][number]['kind'];
}
