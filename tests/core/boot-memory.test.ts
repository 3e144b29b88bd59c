import { expect } from 'chai';
import { Build, partSet } from '../../src/lib/core/model';
import { check } from '../../src/lib/core/rules';
import { tell } from '../../src/lib/words';
import {
  bootPlan,
  buffersBytes,
  conditionalRuns,
  expectationOf,
  filesBytes,
  freeRuns,
  kernelKiB,
  lastDriveBytes,
  memoryMap,
  paragraphRange,
  regionBytes,
  stacksBytes,
  upperPlan,
  type MemoryMap,
  type Piece,
  type UpperWish
} from '../../src/lib/core/boot';
import { VARIANTS, boxVerdict, counted, fromCount, measured } from '../../src/lib/core/boards';
import { cardSteps, expandedKiB, kitOf, totalKiB } from '../../src/lib/core/kit';
import { demo, parts } from '../support/demo';

describe('what DOS takes', () => {
  it('counts FILES, LASTDRIVE, STACKS and BUFFERS as DOS does', () => {
    expect([20, 30, 40, 60].map((n) => filesBytes(5, n))).to.deep.equal([896, 1488, 2080, 3264]);
    expect([30, 40].map((n) => filesBytes(3.3, n))).to.deep.equal([1344, 1872]);
    expect(['E', 'M', 'Z'].map((l) => lastDriveBytes(5, l))).to.deep.equal([448, 1152, 2288]);
    expect(['E', 'Z'].map((l) => lastDriveBytes(3.3, l))).to.deep.equal([405, 2106]);
    expect([stacksBytes(9, 256), stacksBytes(0, 0)]).to.deep.equal([3008, 0]);
    expect([buffersBytes(5, 20), buffersBytes(3.3, 20)]).to.deep.equal([10_640, 10_560]);
  });
  it('knows DOS=HIGH from 5 on only', () => {
    expect([3.3, 4, 5, 6.22, 7.1].map((v) => kernelKiB(v, true) !== null)).to.deep.equal([
      false,
      false,
      true,
      true,
      true
    ]);
    expect(kernelKiB(3.3, false)).to.deep.equal([48, 56]);
  });
});

describe('memory that is counted', () => {
  it('gives every number of the table of variants', () => {
    const table: Record<string, number[]> = {
      none: [640, 1664, 3712, 4736, 7808],
      'moves-256': [896, 1920, 3968, 4992, 8064],
      'moves-rest': [928, 1952, 4000, 5024, 8096],
      'moves-all': [1024, 2048, 4096, 5120, 8192]
    };
    for (const v of VARIANTS)
      expect(
        [1024, 2048, 4096, 5120, 8192].map((t) => counted(t, v).count),
        v
      ).to.deep.equal(table[v]);
  });
  it('measures as programs do: 4 MiB that nothing moves in passes by the top and fails by the count', () => {
    const c = counted(4096, 'none');
    expect(measured(c, 0, false)).to.deep.equal({ bios: 3072, top: 4096, xms: 0, ems: 0, count: 3712 });
    expect(measured(c, 0, true).bios, 'XMS has it').to.equal(0);
    expect([boxVerdict(4096, c), boxVerdict(4096, counted(5120, 'none')), boxVerdict(8192, c)]).to.deep.equal(
      ['try', 'fits', 'no']
    );
  });
  it('goes back from a count to fillings, variants and ways of counting', () => {
    const fillings = [1024, 2048, 4096, 8192];
    expect(fromCount(3712, 3712, fillings)).to.deep.equal([
      { totalKiB: 4096, variant: 'none', countsFitted: false }
    ]);
    const same = fromCount(4096, 4096, fillings);
    expect(same).to.deep.include({ totalKiB: 4096, variant: 'moves-all', countsFitted: false });
    expect(same).to.deep.include({ totalKiB: 4096, variant: 'none', countsFitted: true });
    expect(fromCount(5000, 6000, fillings)).to.deep.equal([]);
  });
});

/** A map of pieces that are only windows. */
const mapOf = (
  ...pieces: (readonly [from: number, to: number, use: Piece['use'], isVideo?: boolean])[]
): MemoryMap => ({
  conventional: 640 * 1024,
  pieces: pieces.map(([from, to, use, isVideo = false]) => ({
    from,
    to,
    use,
    isVideo,
    owner: { thing: null, onBoard: false, function: use, kind: 'other' },
    item: use,
    shadowed: false,
    width: null,
    sure: 'known'
  })),
  collisions: [],
  hidden: [],
  doubtful: []
});
const vga = [
  [0xa0000, 0xb0000, 'display', true],
  [0xb8000, 0xc0000, 'display', true],
  [0xc0000, 0xc8000, 'rom', true],
  [0xf0000, 0x100000, 'bios']
] as const;
const windows = (map: MemoryMap, wish: UpperWish) => upperPlan(map, wish)!.regions.map(paragraphRange);

describe('upper memory', () => {
  const map = mapOf(...vga);
  it('has the regions of the worked example, and of its other frames', () => {
    const all = { use: ['e-segment'] as const };
    expect(windows(map, { frame: 0xd0000, ...all })).to.deep.equal(['C800-CFFF', 'E000-EFFF']);
    expect(regionBytes(upperPlan(map, { frame: 0xd0000, ...all })!)).to.deep.equal([32_736, 65_504]);
    expect(windows(map, { frame: 0xe0000, ...all })).to.deep.equal(['C800-DFFF']);
    expect(windows(map, { frame: 0xc8000, ...all })).to.deep.equal(['D800-EFFF']);
    expect(windows(map, { frame: null, ...all })).to.deep.equal(['C800-EFFF']);
    expect(windows(map, { frame: 0xe0000, use: ['e-segment', 'mono'] })).to.deep.equal([
      'B000-B7FF',
      'C800-DFFF'
    ]);
  });
  it('puts the best frame at an end of a run, never in its middle', () => {
    const best = upperPlan(map, { frame: 'best', use: ['e-segment'] })!;
    expect([0xc8000, 0xe0000]).to.include(best.frame!.from);
  });
  it('counts on nothing that nobody said is free', () => {
    expect(windows(map, { frame: null, use: [] })).to.deep.equal(['C800-DFFF']);
    expect(conditionalRuns(map).map((c) => c.why)).to.deep.equal(['mono', 'e-segment']);
    const plan = upperPlan(map, { frame: null, use: ['e-segment'] })!;
    expect(plan.include.map(paragraphRange)).to.deep.equal(['E000-EFFF']);
    const short = mapOf([0xa0000, 0xb0000, 'display', true], [0xc0000, 0xc6000, 'rom', true]);
    expect(conditionalRuns(short).map((c) => c.why)).to.include('rom-tail');
    expect(windows(short, { frame: null, use: [] })[0]).to.equal('C800-DFFF');
    expect(windows(short, { frame: null, use: ['rom-tail'] })[0]).to.equal('C600-DFFF');
  });
  it('takes what is used outward to the step of whoever maps, and excludes memory of cards', () => {
    const odd = mapOf(...vga, [0xd0000, 0xd2400, 'ram']);
    const plan = upperPlan(odd, { frame: null, use: [] })!;
    expect(plan.regions.map(paragraphRange)).to.deep.equal(['C800-CFFF', 'D300-DFFF']);
    expect(plan.exclude.map(paragraphRange)).to.deep.equal(['D000-D2FF']);
    expect(upperPlan(odd, { frame: null, use: [], step: 0x4000 })!.regions.map(paragraphRange)).to.deep.equal(
      ['C800-CFFF', 'D400-DFFF']
    );
  });
  it('has no frame where there is no room for one, or where something answers', () => {
    const full = mapOf(...vga, [0xcc000, 0xe0000, 'rom']);
    expect(upperPlan(full, { frame: 'best', use: [] })).to.equal(null);
    expect(upperPlan(map, { frame: 0xc0000, use: [] })).to.equal(null);
  });
  it('is free in pieces between what is taken', () => {
    expect(
      freeRuns(
        [
          { from: 2, to: 4 },
          { from: 3, to: 6 }
        ],
        0,
        10
      )
    ).to.deep.equal([
      { from: 0, to: 2 },
      { from: 6, to: 10 }
    ]);
  });
  it('says of each window of a demo machine who has it and how sure that is', () => {
    const kit = kitOf(demo('plover'), parts);
    const found = memoryMap(kit, totalKiB(kit));
    expect(found.pieces.map((p) => p.use)).to.include.members(['display', 'rom', 'bios']);
    expect(found.pieces.find((p) => p.use === 'bios')!.sure, 'no window in the catalogue').to.equal(
      'assumed'
    );
  });
});

describe('memory on a card', () => {
  const withCard = (board: number, start?: string) => {
    const build = Build.parse({
      id: 'm',
      name: 'M',
      board: { id: 'board', part: 'skerrin-px5' },
      items: [
        { id: 'card', part: 'lanteg-mem576', slot: '1', asFound: start ? { start } : {} },
        ...Array.from({ length: (board - 16) / 16 }, (_, i) => ({
          id: `chips${i}`,
          part: 'pendrum-set-16k-3v',
          place: String(i + 1),
          count: 1
        }))
      ]
    });
    return kitOf(build, parts);
  };
  it('goes on where the board ends, ends the count at a hole, and lies over what is there', () => {
    const said = (kit: ReturnType<typeof withCard>) =>
      cardSteps(kit).map((c) => [c.startKiB, c.endsKiB, c.fits, c.isSeen]);
    expect(said(withCard(64, '64'))).to.deep.equal([[64, 64, 'behind', true]]);
    // The very first BIOS counts no further than 544.
    expect(totalKiB(withCard(64, '64'))).to.equal(544);
    expect(said(withCard(16, '64'))).to.deep.equal([[64, 16, 'gap', true]]);
    expect(totalKiB(withCard(16, '64'))).to.equal(16);
    expect(said(withCard(64))).to.deep.equal([[64, 64, 'behind', false]]);
  });
  it('says so, with the position that is right where the card has it, and looks first where nobody looked', () => {
    const found = (kit: ReturnType<typeof withCard>) =>
      check(kit.build, parts).find((f) => f.rule === 'memory.card');
    expect(found(withCard(64, '64'))).to.equal(undefined);
    const gap = found(withCard(64, '256'))!;
    expect([gap.severity, gap.fixes.length]).to.deep.equal(['clash', 1]);
    expect(tell(gap).sentence).to.match(/ends at 64 KiB.*256 KiB: the count stops/);
    const unseen = found(withCard(16))!;
    expect([unseen.severity, unseen.fixes.length]).to.deep.equal(['caution', 0]);
    expect(tell(unseen).sentence).to.match(/Nobody has looked/);
  });
  it('without parity stops a board that always checks it; of a card that nobody looked at nothing is said', () => {
    const rules = (parity: boolean | undefined) => {
      const kit = withCard(64, '64');
      const card = parts.get('lanteg-mem576')!;
      const functions = card.functions.map((f) => (f.id === 'memory' ? { ...f, parity } : f));
      const own = partSet([...parts.values(), { ...card, functions }]);
      return check(kit.build, own)
        .filter((f) => f.rule === 'memory.parity')
        .map((f) => f.severity);
    };
    expect(rules(true)).to.deep.equal([]);
    expect(rules(undefined)).to.deep.equal([]);
    expect(rules(false)).to.deep.equal(['clash']);
  });
});

describe('expanded memory that fills conventional memory up', () => {
  /** A board with so many banks of 64 KiB, and the memory board set so; undefined: nobody looked. */
  const withBoard = (banks: number, fill?: string) =>
    kitOf(
      Build.parse({
        id: 'm',
        name: 'M',
        brief: { os: 'DOS 3.3' },
        board: { id: 'board', part: 'grevane-t8' },
        items: [
          { id: 'cpu', part: 'ashgill-8088-8' },
          { id: 'card', part: 'lanteg-ems-fill', slot: '1', asFound: fill ? { fill } : {} },
          ...Array.from({ length: banks }, (_, i) => ({
            id: `chips${i}`,
            part: 'pendrum-set-64k',
            place: String(i)
          }))
        ]
      }),
      parts
    );
  const rules = (kit: ReturnType<typeof withBoard>) =>
    check(kit.build, parts)
      .filter((f) => f.rule === 'memory.card' || f.rule === 'memory.backfill')
      .map((f) => [f.rule, f.severity, f.fixes.length]);

  it('counts to 640, and what it fills is no expanded memory any more', () => {
    expect([totalKiB(withBoard(4, '256')), expandedKiB(withBoard(4, '256'))]).to.deep.equal([
      640,
      2048 - 384
    ]);
    expect(rules(withBoard(4, '256'))).to.deep.equal([]);
  });
  it('leaves the machine at what the board has where it is not set to, and says so', () => {
    expect([totalKiB(withBoard(4, '640')), expandedKiB(withBoard(4, '640'))]).to.deep.equal([256, 2048]);
    expect(rules(withBoard(4, '640'))).to.deep.equal([['memory.backfill', 'caution', 1]]);
    // No position begins at 192 KiB.
    expect(rules(withBoard(3, '640'))).to.deep.equal([['memory.backfill', 'caution', 0]]);
    expect(
      tell(check(withBoard(4).build, parts).find((f) => f.rule === 'memory.backfill')!).sentence
    ).to.match(/Nobody has looked/);
  });
  it('that begins above the memory of the board leaves a hole', () => {
    expect(rules(withBoard(2, '256'))).to.deep.equal([['memory.card', 'clash', 0]]);
    expect(totalKiB(withBoard(2, '256'))).to.equal(128);
  });
  it('takes the driver of version 4.0, and offers what is left', () => {
    const plan = bootPlan(withBoard(4, '256'));
    if (typeof plan === 'string') throw new Error(plan);
    expect(plan.managers.map((m) => m.emsKiB)).to.deep.equal([2048 - 384]);
    expect(expectationOf(withBoard(4, '256')).emsDriver).to.equal('ems-40');
  });
});
