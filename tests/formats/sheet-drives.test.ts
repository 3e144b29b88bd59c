import { expect } from 'chai';
import { withJumper } from '../../src/lib/core/cabling';
import { Build } from '../../src/lib/core/model';
import { sheetMarkdown, sheetOf, sheetText } from '../../src/lib/formats';
import { parts } from '../support/demo';

/** The sheet is the one page at the bench: it has to say how every drive hangs. */
describe('drives on the bench sheet', () => {
  const machine = (items: object[], board = 'varnoc-d33') =>
    Build.parse({
      id: 'm',
      name: 'M',
      brief: { os: 'DOS 6.22' },
      board: { id: 'board', part: board },
      items: items.map((item, i) => ({ id: `i${i}`, ...item }))
    });
  const scsi = machine([
    { part: 'quillon-scsi', slot: '2' },
    { part: 'cairnholt-s210' },
    { part: 'wexmoor-cd2s' }
  ]);
  const drives = (build: Build) => sheetOf(build, parts).drives;

  it('what nobody looked at is still to be done, end by end', () => {
    const [cable] = drives(scsi);
    expect(cable.title).to.equal('SCSI of HS-16: taken as straight');
    expect(cable.drives).to.deep.equal([
      { text: 'S210: plug 1; should be number 0, terminators out', isOpen: true },
      { text: 'CD-2S: plug 2; should be number 1, terminators in', isOpen: true },
      { text: 'Adapter: terminators should be in', isOpen: true }
    ]);
  });
  it('what was seen to be right is ticked', () => {
    const seen = withJumper(withJumper(scsi, parts, 'i1', { unit: '0', terminated: false }), parts, 'i0', {
      terminated: true
    });
    const [cable] = drives(seen);
    expect(cable.drives.map((d) => d.isOpen)).to.deep.equal([false, true, false]);
    expect(sheetText(sheetOf(seen, parts))).to.match(/\[x\] S210: plug 1; number 0, terminators out\n/);
    expect(sheetMarkdown(sheetOf(seen, parts))).to.match(/- \[x\] Adapter: terminators in\n/);
  });
  it('says what a floppy emulator is set to, and whether anybody said so', () => {
    const emulator = (imageKiB?: number) =>
      drives(machine([{ part: 'feldspar-femu', ...(imageKiB ? { imageKiB } : {}) }], 'pellow-c8'))[0]
        .drives[0].text;
    expect(emulator()).to.match(/images of 720K \(nobody said what it is set to\)$/);
    expect(emulator(720)).to.match(/images of 720K$/);
    expect(emulator(1440)).to.match(/images of 1.44M, which do not work here$/);
  });
  it('without drives there is no such part of the sheet', () => {
    expect(sheetText(sheetOf(machine([]), parts))).not.to.match(/DRIVES AND THEIR CABLES/);
  });
});
