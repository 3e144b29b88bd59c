import type { FunctionKind, PartFunction, Resource } from '../model';

type Homes = Partial<Record<Resource, readonly number[]>>;

/**
 * Where software and people expect a function. A preference, the last of the objectives.
 * From the usual owners of lines and ports in machines of the period.
 */
const homes: Partial<Record<FunctionKind, Homes>> = {
  serial: { irq: [4, 3], io: [0x3f8, 0x2f8] },
  parallel: { irq: [7], io: [0x378, 0x3bc] },
  'hard-disk': { irq: [14], io: [0x1f0] },
  floppy: { irq: [6], dma: [2], io: [0x3f0] },
  audio: { irq: [5, 7], dma: [1, 5], io: [0x220] },
  fm: { io: [0x388] },
  midi: { io: [0x330] },
  game: { io: [0x200, 0x201] },
  network: { irq: [10, 3], io: [0x300] },
  scsi: { irq: [11], dma: [5], io: [0x330], memory: [0xc8000, 0xd8000] },
  ems: { io: [0x208], memory: [0xd0000, 0xe0000] },
  mouse: { irq: [12, 5], io: [0x23c] },
  rom: { memory: [0xc8000] }
};

/** Whether a number is among the usual ones of a function; true where none is usual. */
export function isHome(fn: PartFunction, resource: Resource, value: number): boolean {
  const usual: readonly number[] | undefined = fn.home?.[resource] ?? homes[fn.kind]?.[resource];
  return usual === undefined || usual.includes(value);
}
