import { CpuFamily } from '../../src/lib/core/model';
import {
  buffersBytes,
  commandSince,
  configSince,
  filesBytes,
  kernelKiB,
  lastDriveBytes,
  paragraphRange,
  stacksBytes,
  upperPlan,
  usualEnvironment,
  type Expectation,
  type Maybe,
  type MemoryMap,
  type Piece
} from '../../src/lib/core/boot';
import { checkFiles } from '../../src/lib/core/boot-files';
import { VARIANTS, counted, type Variant } from '../../src/lib/core/boards';

/** Questions about DOS, its memory and its files; see `ask.ts`. */

const fail = (text: string): never => {
  throw new Error(`not understood: "${text}"`);
};

const piece = (from: number, to: number, use: Piece['use'], isVideo = false): Piece => ({
  from,
  to,
  use,
  isVideo,
  owner: { thing: null, onBoard: false, function: use, kind: 'other' },
  item: `${use}${from}`,
  shadowed: false,
  width: null,
  sure: 'known'
});

/** A colour VGA with a ROM of so many KiB, a BIOS of so many, and windows such as `ram D000-D3FF`. */
function mapOf(romKiB: number, biosKiB: number, windows: readonly string[]): MemoryMap {
  const more = windows.map((text) => {
    const [, use, from, to] = /^(ram|rom|frame) ([0-9A-F]{4})-([0-9A-F]{4})$/.exec(text) ?? fail(text);
    return piece(parseInt(from!, 16) * 16, parseInt(to!, 16) * 16 + 16, use as Piece['use']);
  });
  return {
    conventional: 640 * 1024,
    pieces: [
      piece(0xa0000, 0xb0000, 'display', true),
      piece(0xb8000, 0xc0000, 'display', true),
      ...(romKiB ? [piece(0xc0000, 0xc0000 + romKiB * 1024, 'rom', true)] : []),
      ...more,
      piece(0x100000 - biosKiB * 1024, 0x100000, 'bios')
    ],
    collisions: [],
    hidden: [],
    doubtful: []
  };
}

const machineOf = (dos: number, cpu: string): Expectation => ({
  dos,
  cpu: CpuFamily.parse(cpu),
  isAt: !cpu.startsWith('80'),
  map: mapOf(32, 64, []),
  sound: [],
  network: [],
  optical: [{ title: 'drive', interface: 'ata' }],
  hardDisks: 1,
  floppies: 1,
  masters: [],
  emsDriver: 'ems-32',
  listing: null,
  refusers: [],
  emsCards: [],
  hasMouse: true,
  serials: 2
});

export const bootKinds: Record<string, (asked: string) => string> = {
  /** `FILES=30 in 5`: bytes that it takes low. */
  'dos bytes': (asked) => {
    const [, word, value, dos] = /^(\w+)=(\S+) in ([\d.]+)$/.exec(asked) ?? fail(asked);
    const version = Number(dos);
    const [a, b] = value!.split(',').map(Number);
    const bytes: Record<string, () => number> = {
      FILES: () => filesBytes(version, a!),
      BUFFERS: () => buffersBytes(version, a!),
      LASTDRIVE: () => lastDriveBytes(version, value!),
      STACKS: () => stacksBytes(a!, b!)
    };
    return String((bytes[word!] ?? fail(asked))());
  },
  /** `MENUITEM in 5`: whether that version knows the word, in CONFIG.SYS or as a command. */
  'dos knows': (asked) => {
    const [, word, dos] = /^(\w+) in ([\d.]+)$/.exec(asked) ?? fail(asked);
    const since = configSince[word!] ?? commandSince[word!];
    return since !== undefined && Number(dos) >= since ? 'yes' : 'no';
  },
  /** `6.22 high`: KiB that DOS keeps. */
  'dos keeps': (asked) => {
    const [, dos, how] = /^([\d.]+) (low|high)$/.exec(asked) ?? fail(asked);
    return kernelKiB(Number(dos), how === 'high')?.join('-') ?? 'not possible';
  },
  'dos environment': (asked) => String(usualEnvironment(Number(asked))),
  /** `4096 moves-256`: count, extended, XMS. */
  'memory variant': (asked) => {
    const [kib, variant] = asked.split(' ');
    if (!VARIANTS.includes(variant as Variant)) fail(asked);
    const c = counted(Number(kib), variant as Variant);
    return `${c.count} ${c.extended} ${c.xms}`;
  },
  /** `rom 32 bios 64 frame D000 use e-segment with ram D000-D3FF`: the regions of upper memory. */
  'upper memory': (asked) => {
    const m =
      /^rom (\d+) bios (\d+) (?:frame ([0-9A-F]{4}|best)|noems)(?: use ([\w,-]+))?(?: with (.+))?$/.exec(
        asked
      ) ?? fail(asked);
    const frame = m[3] === undefined ? null : m[3] === 'best' ? ('best' as const) : parseInt(m[3], 16) * 16;
    const plan = upperPlan(mapOf(Number(m[1]), Number(m[2]), m[5]?.split(', ') ?? []), {
      frame,
      use: (m[4]?.split(',') ?? []) as Maybe[]
    });
    return plan ? plan.regions.map(paragraphRange).join(' ') || 'none' : 'no room';
  },
  /** `6.22 486dx C: DOS=HIGH ; FILES=30 A: LH MOUSE`: what is found in the pair, as `C1 dos.high`. */
  'start files': (asked) => {
    const [, dos, cpu, config, batch] =
      /^([\d.]+) (\S+) C:(?: (.*?))??(?: A: ?(.*))?$/.exec(asked) ?? fail(asked);
    const lines = (text: string | undefined) => (text ?? '').split(' ; ').join('\n');
    const found = checkFiles(lines(config), lines(batch), machineOf(Number(dos), cpu!)).filter(
      (f) => f.severity !== 'note'
    );
    return found.map((f) => `${f.file[0]}${f.line} ${f.rule}`).join(', ') || 'nothing';
  }
};
