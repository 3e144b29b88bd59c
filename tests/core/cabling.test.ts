import { expect } from 'chai';
import fc from 'fast-check';
import {
  chainsOf,
  diskNumber,
  faultsOf,
  floppyLetter,
  unitsOf,
  withJumper,
  withRibbon
} from '../../src/lib/core/cabling';
import { check } from '../support/make';
import { kitOf } from '../../src/lib/core/kit';
import type { Build, PartSet, Ribbon, Select } from '../../src/lib/core/model';
import { applyFix } from '../../src/lib/core/solver';
import { find, machine, severity, type Case, type ItemIn } from '../support/cases';
import { torture } from '../support/torture';

const selects = ['first', 'second', 'third', 'fourth'] as const;
const chainOf = (c: Case) => {
  const { build, parts } = machine(c);
  return chainsOf(kitOf(build, parts))[0];
};
/** Drives on a controller in slot 3 of a 386 board; the controller is i0, the drives i1 and on. */
const on = (
  card: string,
  fn: string,
  part: string,
  drives: Partial<ItemIn>[],
  host: Partial<ItemIn> = {}
): Case => ({
  board: 'varnoc-d33',
  items: [
    { part: card, slot: '3', ...host },
    ...drives.map((d) => ({ part, ...d, cable: { to: 'i0', function: fn, ...d.cable } }))
  ]
});
const ata = (...units: (string | undefined)[]) =>
  on(
    'lanteg-io16',
    'disk',
    'cairnholt-a120',
    units.map((unit) => ({ cable: { to: 'i0', ...(unit ? { unit } : {}) } }))
  );
const mfm = (drives: Partial<ItemIn>[], ribbon?: Ribbon) =>
  on('quillon-mf16', 'disk', 'cairnholt-h40', drives, ribbon ? { ribbons: { disk: ribbon } } : {});
const scsi = (drives: Partial<ItemIn>[], host: Partial<ItemIn> = { terminated: true }) =>
  on('quillon-scsi', 'scsi', 'cairnholt-s80', drives, host);
const drive = (unit: string, plug: number, terminated?: boolean): Partial<ItemIn> => ({
  cable: { to: 'i0', unit, plug },
  ...(terminated === undefined ? {} : { terminated })
});

describe('a drive that is said to be on a cable of another kind', () => {
  const wrong = on('lanteg-io16', 'disk', 'cairnholt-s80', [{}]);
  it('is no chain: nothing is asked of terminators and IDs there', () => {
    expect(chainOf(wrong)).to.equal(undefined);
    for (const rule of ['scsi.id', 'scsi.termination']) expect(severity(wrong, rule), rule).to.equal(null);
  });
  it('is told to be on the wrong one, not that all others are full', () => {
    const beside = { ...wrong, items: [...wrong.items!, { part: 'quillon-scsi', slot: '5' }] };
    for (const c of [wrong, beside])
      expect(find(c, 'disk.interface')!.sentence).to.include(
        'disks of IO-16 (16-bit multi-I/O card) cannot run it'
      );
  });
});

describe('what a twist does, line by line', () => {
  it('floppies: behind the twist the second select is A, before it B, and nothing else answers', () => {
    const answers = (ribbon: Ribbon, behind: boolean) => selects.map((s) => floppyLetter(ribbon, behind, s));
    expect(answers('floppy-twist', true)).to.deep.equal([null, 'A', null, null]);
    expect(answers('floppy-twist', false)).to.deep.equal([null, 'B', null, null]);
    expect(answers('straight', false)).to.deep.equal([null, 'B', null, null]);
    expect(answers('disk-twist', true), 'the wrong twist').to.deep.equal([null, null, null, null]);
  });
  it('hard disks: the twist exchanges the first select with the second', () => {
    const numbers = (ribbon: Ribbon, behind: boolean) => selects.map((s) => diskNumber(ribbon, behind, s));
    expect(numbers('straight', true)).to.deep.equal([1, 2, null, null]);
    expect(numbers('disk-twist', false)).to.deep.equal([1, 2, null, null]);
    expect(numbers('disk-twist', true)).to.deep.equal([2, 1, null, null]);
    expect(numbers('floppy-twist', true), 'the wrong twist').to.deep.equal([null, null, null, null]);
  });
});

describe('ATA', () => {
  it('one master and one slave, or both by cable select', () => {
    expect(severity(ata('master', 'slave'), 'ata.select')).to.equal(null);
    const bySelect = ata('cable select', 'cable select');
    const onCable = (ribbon: Ribbon): Case => ({
      ...bySelect,
      items: [{ ...bySelect.items![0], ribbons: { disk: ribbon } }, ...bySelect.items!.slice(1)]
    });
    expect(severity(bySelect, 'ata.select'), 'nobody looked at the cable').to.equal('caution');
    expect(severity(onCable('straight'), 'ata.select'), 'line 28 runs through').to.equal('clash');
    expect(severity(onCable('cable-select'), 'ata.select')).to.equal(null);
    expect(severity(ata('slave', 'slave'), 'ata.select')).to.equal('clash');
    expect(severity(ata('single', 'master'), 'ata.select')).to.equal('clash');
    expect(severity(ata('single', 'slave'), 'ata.select')).to.equal('note');
    expect(severity(ata('cable select', 'slave'), 'ata.select')).to.equal('caution');
    expect(severity(ata(undefined, undefined), 'ata.select'), 'nobody looked').to.equal(null);
  });
  it('what each should be follows from what is known of the other', () => {
    const wants = (...units: (string | undefined)[]) => chainOf(ata(...units)).drives.map((p) => p.want.unit);
    expect(wants(undefined)).to.deep.equal(['single']);
    expect(wants(undefined, undefined)).to.deep.equal(['master', 'slave']);
    expect(wants(undefined, 'master')).to.deep.equal(['slave', 'master']);
    expect(wants('slave', undefined)).to.deep.equal(['slave', 'master']);
    expect(wants('cable select', undefined), 'on a plain cable').to.deep.equal(['master', 'slave']);
    const { board, items } = ata('cable select', undefined);
    const made = {
      board,
      items: [{ ...items![0], ribbons: { disk: 'cable-select' as const } }, ...items!.slice(1)]
    };
    expect(chainOf(made).drives.map((p) => p.want.unit)).to.deep.equal(['cable select', 'cable select']);
  });
});

describe('ST-506', () => {
  it('with the twist both are the second select, and the end of the cable is disk 1', () => {
    const both = mfm([drive('second', 2, true), drive('second', 1, false)]);
    expect(severity(both, 'st506.select')).to.equal(null);
    expect(chainOf(both).drives.map((p) => [p.plug, p.answers])).to.deep.equal([[1, '2'], [2, '1']]); // oxfmt-ignore
    expect(severity(mfm([drive('first', 2), drive('second', 1)]), 'st506.select'), 'both disk 2').to.equal(
      'clash'
    );
    expect(severity(mfm([drive('first', 2), drive('second', 1)], 'straight'), 'st506.select')).to.equal(null);
    expect(severity(mfm([drive('second', 2), drive('second', 1)], 'straight'), 'st506.select')).to.equal(
      'clash'
    );
  });
  it('a lone drive before the twist is disk 2; a third select answers to nobody', () => {
    expect(severity(mfm([drive('second', 2)]), 'st506.select')).to.equal(null);
    expect(severity(mfm([drive('second', 1)]), 'st506.select')).to.equal('caution');
    expect(severity(mfm([drive('third', 2)]), 'st506.select')).to.equal('clash');
    expect(find(mfm([drive('second', 2)], 'floppy-twist'), 'st506.select')!.title).to.match(/floppy cable/);
  });
  it('the last drive keeps its terminator, and no other', () => {
    const ends = (last: boolean, middle: boolean) =>
      severity(mfm([drive('second', 2, last), drive('second', 1, middle)]), 'st506.select');
    expect([ends(true, false), ends(true, true), ends(false, false)]).to.deep.equal([
      null,
      'clash',
      'caution'
    ]);
  });
  it('ESDI is not twisted', () => {
    expect(chainOf(on('quillon-es16', 'disk', 'cairnholt-e150', [{}])).ribbon).to.equal('straight');
  });
});

describe('SCSI', () => {
  it('is terminated at its two physical ends and nowhere else', () => {
    const three = (...t: boolean[]) => scsi(t.map((x, i) => drive(String(i), i + 1, x)));
    expect(severity(three(false, false, true), 'scsi.termination')).to.equal(null);
    expect(severity(three(false, true, true), 'scsi.termination')).to.equal('clash');
    expect(severity(three(false, false, false), 'scsi.termination')).to.equal('clash');
    expect(severity(scsi([drive('0', 1)]), 'scsi.termination'), 'nobody looked').to.equal('note');
    expect(
      severity(
        scsi([drive('0', 1, false)], { terminated: true, ribbons: { scsi: 'end-terminator' } }),
        'scsi.termination'
      )
    ).to.equal(null);
  });
  it('with drives inside and outside the adapter stands in the middle', () => {
    const inOut = (adapter: boolean): Case => {
      const c = scsi([drive('0', 1, true)], { terminated: adapter });
      c.items!.push({
        part: 'dornfleet-cart100',
        cable: { to: 'i0', function: 'scsi', unit: '5' },
        terminated: true
      });
      return c;
    };
    expect(severity(inOut(false), 'scsi.termination')).to.equal(null);
    expect(severity(inOut(true), 'scsi.termination')).to.equal('clash');
  });
  it('a disk that is not number 0 is a note', () => {
    expect(severity(scsi([drive('3', 1, true)]), 'scsi.id')).to.equal('note');
    expect(severity(scsi([drive('0', 1, true)]), 'scsi.id')).to.equal(null);
  });
});

describe('floppies', () => {
  const two = (drives: Partial<ItemIn>[], ribbon?: Ribbon) =>
    on('lanteg-io16', 'floppy', 'dornfleet-f1440', drives, ribbon ? { ribbons: { floppy: ribbon } } : {});
  const at = (select: Select, plug: number): Partial<ItemIn> => ({ cable: { to: 'i0', select, plug } });
  it('letters follow from plug, select and twist', () => {
    const letters = (c: Case) => chainOf(c).drives.map((p) => p.answers);
    expect(letters(two([{}, {}])), 'nobody looked: as usual').to.deep.equal(['B', 'A']);
    expect(letters(two([at('second', 2), at('first', 1)]))).to.deep.equal([null, 'A']);
    expect(severity(two([at('second', 2), at('second', 1)]), 'floppy.cable')).to.equal(null);
    expect(severity(two([at('first', 2)]), 'floppy.cable')).to.equal('clash');
    expect(severity(two([at('second', 1)], 'straight'), 'floppy.cable')).to.equal('caution');
    expect(severity(two([at('second', 1), at('second', 2)], 'straight'), 'floppy.cable')).to.equal('clash');
    expect(severity(two([at('second', 2)], 'disk-twist'), 'floppy.cable')).to.equal('clash');
  });
});

describe('moving a drive to another plug', () => {
  it('what hangs there gets the plug that it leaves', () => {
    const { build, parts } = machine(mfm([drive('second', 2), drive('second', 1)]));
    const plugs = (b: Build) => chainsOf(kitOf(b, parts))[0].drives.map((p) => [p.drive.item.id, p.plug]);
    expect(plugs(build)).to.deep.equal([['i2', 1], ['i1', 2]]); // oxfmt-ignore
    expect(plugs(withJumper(build, parts, 'i2', { plug: 2 }))).to.deep.equal([['i1', 1], ['i2', 2]]); // oxfmt-ignore
    const back = withJumper(withJumper(build, parts, 'i2', { plug: 2 }), parts, 'i1', { plug: 2 });
    expect(plugs(back)).to.deep.equal(plugs(build));
  });
  it('a drive whose cable was only assumed keeps to it, and nothing else of it changes', () => {
    const { build, parts } = machine({
      board: 'varnoc-d33',
      items: [
        { part: 'lanteg-io16', slot: '3' },
        { part: 'cairnholt-a120', notes: 'mine' }
      ]
    });
    const told = withJumper(build, parts, 'i1', { unit: 'master' });
    expect(told.items[1]).to.deep.include({
      notes: 'mine',
      cable: { to: 'i0', function: 'disk', unit: 'master' }
    });
    const forgotten = withJumper(told, parts, 'i1', { unit: null, terminated: true });
    expect(forgotten.items[1].cable).to.deep.equal({ to: 'i0', function: 'disk' });
    expect(withJumper(forgotten, parts, 'i1', { terminated: null }).items[1]).to.not.have.property(
      'terminated'
    );
    const laid = withRibbon(build, 'i0', 'disk', 'straight');
    expect(laid.items[0].ribbons).to.deep.equal({ disk: 'straight' });
    expect(withRibbon(laid, 'i0', 'disk', null)).to.deep.equal(build);
  });
});

describe('on any cable', () => {
  const rules = ['ata.select', 'st506.select', 'scsi.id', 'scsi.termination', 'floppy.cable'];
  const cableFindings = (build: Build, parts: PartSet) =>
    check(build, parts).filter((f) => rules.includes(f.rule) && f.severity !== 'note');
  const kinds = {
    ata: ['lanteg-io16', 'disk', 'cairnholt-a120'],
    st506: ['quillon-mf16', 'disk', 'cairnholt-h40'],
    scsi: ['quillon-scsi', 'scsi', 'cairnholt-s80'],
    floppy: ['lanteg-io16', 'floppy', 'dornfleet-f1440']
  } as const;
  const anyCase = fc
    .record({
      family: fc.constantFrom(...(['ata', 'st506', 'scsi', 'floppy'] as const)),
      count: fc.integer({ min: 1, max: 4 }),
      ribbon: fc.constantFrom<Ribbon>(
        'straight',
        'floppy-twist',
        'disk-twist',
        'end-terminator',
        'cable-select'
      ),
      units: fc.array(fc.nat(), { minLength: 4, maxLength: 4 }),
      terms: fc.array(fc.option(fc.boolean(), { nil: undefined }), { minLength: 5, maxLength: 5 }),
      plugs: fc.shuffledSubarray([1, 2, 3, 4], { minLength: 4, maxLength: 4 })
    })
    .map(({ family, count, ribbon, units, terms, plugs }) => {
      const [card, fn, part] = kinds[family];
      const n = family === 'scsi' ? count : Math.min(2, count);
      const places = plugs.filter((p) => p <= n);
      const drives = Array.from({ length: n }, (_, i): Partial<ItemIn> => {
        const unit = unitsOf[family][units[i] % (unitsOf[family].length + 1)];
        const told = family === 'floppy' ? { select: unit as Select } : { unit };
        return {
          cable: { to: 'i0', plug: places[i], ...(unit === undefined ? {} : told) },
          ...(terms[i] === undefined ? {} : { terminated: terms[i] })
        };
      });
      const host = { ribbons: { [fn]: ribbon }, ...(terms[4] === undefined ? {} : { terminated: terms[4] }) };
      return { family, c: on(card, fn, part, drives, host) };
    });

  it('nothing throws, and a machine jumpered as it should be has nothing to find', () => {
    fc.assert(
      fc.property(anyCase, ({ family, c }) => {
        const { build, parts } = machine(c);
        const [chain] = chainsOf(kitOf(build, parts));
        faultsOf(chain);
        if (family === 'floppy' && chain.ribbon !== 'floppy-twist') return;
        if (family === 'st506' && chain.ribbon === 'floppy-twist') return;
        // A lone drive before the twist stays the second disk, however it is jumpered.
        if (family !== 'scsi' && chain.drives.length === 1 && chain.drives[0].plug !== 2) return;
        let right = build;
        for (const p of chain.drives)
          right = applyFix(
            right,
            {
              action: 'jumper',
              item: p.drive.item.id,
              unit: p.want.unit,
              ...(p.want.terminated === null ? {} : { terminated: p.want.terminated })
            },
            parts
          );
        if (chain.adapter)
          right = applyFix(right, { action: 'jumper', item: 'i0', terminated: chain.adapter.want }, parts);
        expect(cableFindings(right, parts).map((f) => f.title)).to.deep.equal([]);
      }),
      { numRuns: torture(300, 120) }
    );
  });
  it('a fix that is offered ends its finding, or leaves fewer', () => {
    fc.assert(
      fc.property(anyCase, ({ c }) => {
        const { build, parts } = machine(c);
        const before = cableFindings(build, parts);
        for (const f of before)
          for (const { fix } of f.fixes) {
            const after = cableFindings(applyFix(build, fix, parts), parts);
            expect(
              after.some((a) => a.id === f.id && a.title === f.title),
              f.title
            ).to.equal(false);
          }
      }),
      { numRuns: torture(300, 120) }
    );
  });
});
