import { Part, type CpuSocket, type FunctionKind, type PartFunction, type SlotBus, byId } from '../model';
import { claimOf, usualClaims } from '../resources';
import { withBays, type BaySeen } from './bays';

/** Classes of board as a person tells them apart by the CPU. */
export const BOARD_CLASSES = [
  { id: 'xt', families: ['8088', '8086'], class: 'xt', sockets: ['dip40'], fpu: ['8087'] },
  { id: '286', families: ['286'], class: 'at', sockets: ['pga68', 'plcc68'], fpu: ['287'] },
  { id: '386sx', families: ['386sx'], class: 'at', sockets: ['qfp'], fpu: ['387sx'] },
  { id: '386dx', families: ['386dx'], class: 'at', sockets: ['pga132'], fpu: ['387dx'] },
  { id: '486', families: ['486sx', '486dx'], class: 'at', sockets: ['pga168', 'socket3'], fpu: [] },
  { id: 'pentium', families: ['pentium'], class: 'at', sockets: ['socket4', 'socket5', 'socket7'], fpu: [] },
  { id: 'pentium2', families: ['pentium2'], class: 'at', sockets: ['slot1', 'socket370'], fpu: [] }
] as const satisfies readonly {
  id: string;
  families: readonly string[];
  class: 'xt' | 'at';
  sockets: readonly CpuSocket[];
  fpu: readonly string[];
}[];
export type BoardClass = (typeof BOARD_CLASSES)[number]['id'];

interface OnBoardFacts {
  kind: FunctionKind;
  io?: number;
  irq?: number;
  speaks?: readonly string[];
  units?: number;
}

/** What may be on a board besides slots, with its place where there are several alike. */
const ON_BOARD = {
  floppy: { kind: 'floppy', speaks: ['floppy'], units: 2 },
  ide1: { kind: 'hard-disk', speaks: ['ata'], units: 2 },
  ide2: { kind: 'hard-disk', io: 0x170, irq: 15, speaks: ['ata'], units: 2 },
  com1: { kind: 'serial' },
  com2: { kind: 'serial', io: 0x2f8, irq: 3 },
  lpt1: { kind: 'parallel' },
  mouse: { kind: 'mouse', irq: 12 },
  display: { kind: 'display' },
  audio: { kind: 'audio' },
  network: { kind: 'network' },
  scsi: { kind: 'scsi', speaks: ['scsi'], units: 7 }
} as const satisfies Record<string, OnBoardFacts>;
export type OnBoard = keyof typeof ON_BOARD;
export const ON_BOARD_FUNCTIONS = Object.keys(ON_BOARD) as OnBoard[];

/** Machines that are no open board. */
export const CLOSED = ['all-in-one', 'portable', 'laptop'] as const;
export type Closed = (typeof CLOSED)[number];

/** What a person says of a board that lies on the bench. */
export interface BoardSeen {
  id: string;
  name: string;
  class: BoardClass;
  /** From the left. */
  slots: readonly SlotBus[];
  socket?: CpuSocket;
  fpuSocket?: boolean;
  /** Sold as one machine. */
  closed?: Closed;
  bays?: readonly BaySeen[];
  onBoard: readonly OnBoard[];
}

/** Field terms that stand for one of several alike. */
const LABELS: Partial<Record<OnBoard, string>> = {
  com1: 'COM1',
  com2: 'COM2',
  lpt1: 'LPT1',
  ide1: 'first disk channel',
  ide2: 'second disk channel',
  mouse: 'mouse port'
};

/** The function with its usual lines; a guess, since they can often be moved or switched off in the setup. */
function functionOf(name: OnBoard): PartFunction {
  const { kind, io, irq, speaks, units }: OnBoardFacts = ON_BOARD[name];
  const guess = { evidence: [{ source: 'guess' as const }] };
  const claims =
    io === undefined && irq === undefined
      ? usualClaims(kind)
      : [
          ...(io === undefined ? [] : [claimOf('io', { value: io }, 8, guess)]),
          ...(irq === undefined ? [] : [claimOf('irq', { value: irq }, 1, guess)])
        ];
  return {
    id: name,
    label: LABELS[name] ?? kind,
    kind,
    off: [],
    claims,
    resident: name === 'mouse',
    ...(speaks ? { speaks: [...speaks] as PartFunction['speaks'] } : {}),
    ...(units ? { units } : {})
  };
}

/** What the part says in words. */
export interface BoardWords {
  /** How its facts are known. */
  seen: string;
  /** Why a drive stands in one bay at a time. */
  onlyOne: (drive: string) => string;
}

/**
 * A board described by no more than can be seen on it. What was not said stays out, and the checks say what they could
 * therefore not look at.
 */
export function boardFrom(seen: BoardSeen, words: BoardWords): Part {
  const kind = byId(BOARD_CLASSES, seen.class);
  const bays = withBays(seen.bays ?? [], functionOf, words.onlyOne);
  return Part.parse({
    id: seen.id,
    kind: 'board',
    maker: 'unknown',
    name: seen.name,
    evidence: [{ source: 'measured', note: words.seen }],
    board: {
      class: kind.class,
      ...(seen.closed ? { closed: seen.closed } : {}),
      slots: seen.slots.map((bus, i) => ({ id: String(i + 1), bus })),
      ...(seen.socket ? { cpuSocket: { accepts: [seen.socket], families: [...kind.families] } } : {}),
      ...(seen.fpuSocket === undefined ? {} : { fpuSockets: seen.fpuSocket ? [...kind.fpu] : [] })
    },
    blocks: bays.blocks,
    settings: bays.settings,
    constraints: bays.constraints,
    functions: [...seen.onBoard.map(functionOf), ...bays.functions]
  });
}
