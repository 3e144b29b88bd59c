import { expect } from 'chai';
import { floppyChains } from '../../src/lib/core/disks';
import { kitOf } from '../../src/lib/core/kit';
import { Build, type Fix } from '../../src/lib/core/model';
import { check } from '../../src/lib/core/rules';
import { applyFix } from '../../src/lib/core/solver';
import { offerOf } from '../../src/lib/core/software';
import { parts } from '../support/demo';

/** What a floppy emulator is set to decides whether it works: on an 8-bit machine images of 720K do, of 1.44M do not. */
describe('images of a floppy emulator', () => {
  const machine = (
    board: string,
    os: string,
    imageKiB?: number,
    cards: { part: string; slot: string }[] = []
  ) =>
    Build.parse({
      id: 'm',
      name: 'M',
      brief: { os },
      board: { id: 'board', part: board },
      items: [
        ...cards.map((card, i) => ({ id: `card${i}`, ...card })),
        { id: 'emulator', part: 'feldspar-femu', ...(imageKiB === undefined ? {} : { imageKiB }) }
      ]
    });
  const found = (build: Build) =>
    check(build, parts).filter((f) => f.rule.startsWith('floppy.') || f.rule === 'disk.interface');
  const rules = (build: Build) => found(build).map((f) => `${f.severity} ${f.rule}`);

  it('of which nobody said anything the largest that works is taken, and told', () => {
    expect(rules(machine('pellow-c8', 'DOS 6.22'))).to.deep.equal(['note floppy.image']);
    expect(found(machine('pellow-c8', 'DOS 6.22'))[0].facts).to.include({ kib: 720 });
    expect(found(machine('pellow-c8', 'DOS 3.1'))[0].facts).to.include({ kib: 360 });
    expect(rules(machine('tessaly-p90', 'DOS 6.22'))).to.deep.equal([]);
  });
  it('set to what works it is quiet, set to more it is a clash with a way out', () => {
    expect(rules(machine('pellow-c8', 'DOS 6.22', 720))).to.deep.equal([]);
    const wrong = machine('pellow-c8', 'DOS 6.22', 1440);
    expect(rules(wrong)).to.deep.equal(['clash floppy.rate', 'clash floppy.bios']);
    const [offered] = found(wrong)[0].fixes;
    expect(offered.fix).to.deep.equal({ action: 'image', item: 'emulator', kib: 720 } satisfies Fix);
    expect(rules(applyFix(wrong, offered.fix, parts))).to.deep.equal([]);
  });
  it('a controller with its own ROM and rate takes what the BIOS does not', () => {
    const fast = [{ part: 'lanteg-fdh8', slot: '2' }];
    expect(rules(machine('skerrin-px8', 'DOS 6.22', 1440, fast))).to.deep.equal([]);
  });
  it('the page of floppies and the programs go by it', () => {
    const kit = kitOf(machine('pellow-c8', 'DOS 6.22', 720), parts);
    const [chain] = floppyChains(kit);
    expect(chain).to.deep.include({ kib: 720, reads: ['720K'], failing: null });
    expect(chain.image).to.deep.equal({
      kib: 720,
      told: true,
      all: [360, 720, 1200, 1440],
      works: [360, 720]
    });
    expect(offerOf(kit).floppies).to.deep.equal([360, 720]);
  });
});
