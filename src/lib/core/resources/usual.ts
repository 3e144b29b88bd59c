import type { Claim, FunctionKind, Resource } from '../model';

/** What a function usually decodes, and where it is when nothing can be chosen. */
export interface Usual {
  /** Ports from its base. */
  ports?: number;
  /** Bytes of its memory window. */
  bytes?: number;
  /** Where it is on boards and cards without a choice. */
  fixed?: readonly { resource: 'io' | 'irq' | 'dma'; value: number; length?: number }[];
}

/** From the usual owners of ports and lines in machines of the period. */
const usual: Partial<Record<FunctionKind, Usual>> = {
  serial: {
    ports: 8,
    fixed: [
      { resource: 'io', value: 0x3f8, length: 8 },
      { resource: 'irq', value: 4 }
    ]
  },
  modem: { ports: 8 },
  parallel: {
    ports: 4,
    fixed: [
      { resource: 'io', value: 0x378, length: 4 },
      { resource: 'irq', value: 7 }
    ]
  },
  audio: { ports: 16 },
  fm: { ports: 4, fixed: [{ resource: 'io', value: 0x388, length: 4 }] },
  midi: { ports: 2 },
  game: { ports: 8, fixed: [{ resource: 'io', value: 0x200, length: 8 }] },
  network: { ports: 32, bytes: 16 * 1024 },
  scsi: { ports: 4, bytes: 16 * 1024 },
  cdrom: { ports: 4 },
  mouse: { ports: 4 },
  ems: { ports: 8, bytes: 64 * 1024 },
  'hard-disk': {
    ports: 8,
    bytes: 16 * 1024,
    fixed: [
      { resource: 'io', value: 0x1f0, length: 8 },
      { resource: 'irq', value: 14 }
    ]
  },
  floppy: {
    ports: 6,
    fixed: [
      { resource: 'io', value: 0x3f0, length: 6 },
      { resource: 'irq', value: 6 },
      { resource: 'dma', value: 2 }
    ]
  },
  rom: { bytes: 16 * 1024 }
};

export const usualOf = (kind: FunctionKind): Usual => usual[kind] ?? {};

/** A claim with everything that a description may leave out. */
export function claimOf(
  resource: Resource,
  source: Pick<Claim, 'value' | 'from'>,
  length: number,
  more: Partial<Pick<Claim, 'evidence'>> & { width?: 8 | 16; use?: 'rom' | 'frame' | 'ram' } = {}
): Claim {
  const { width = 8, use = 'rom', ...evidence } = more;
  const base = { sharing: 'never' as const, sharesWith: [], ...source, ...evidence };
  switch (resource) {
    case 'irq':
      return { ...base, resource };
    case 'dma':
      return { ...base, resource, width, busMaster: false };
    case 'io':
      return { ...base, resource, length, access: 'both' };
    case 'memory':
      return { ...base, resource, length, width: 8, use, shadowed: false };
  }
}

/** Claims of a function of which nobody knows more than its kind: the usual ones, as a guess. */
export const usualClaims = (kind: FunctionKind): Claim[] =>
  (usualOf(kind).fixed ?? []).map(({ resource, value, length }) =>
    claimOf(resource, { value }, length ?? 1, { evidence: [{ source: 'guess' }] })
  );
