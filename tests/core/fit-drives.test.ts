import { expect } from 'chai';
import { find, severity, type Case } from '../support/cases';

describe('drives', () => {
  it('plugs that look alike are named', () => {
    const xta: Case = {
      board: 'varnoc-d33',
      items: [{ part: 'lanteg-io16', slot: '3' }, { part: 'cairnholt-x20' }]
    };
    expect(find(xta, 'disk.interface')!.sentence).to.match(/looks the same but is ATA/);
    const off: Case = {
      board: 'varnoc-d33',
      items: [
        { part: 'lanteg-io16', slot: '3', asFound: { ide: 'off' } },
        { part: 'cairnholt-a120', cable: { to: 'i0', function: 'disk' } }
      ]
    };
    expect(find(off, 'disk.interface')!.title).to.match(/switched off/);
  });
  it('what was tried with this very drive on this board stands above the catalogue', () => {
    const board = 'skerrin-px8';
    const xt = (...results: ('works' | 'partly' | 'does-not')[]): Case => ({
      board,
      items: [
        { part: 'lanteg-io8', slot: '2' },
        {
          part: 'dornfleet-f1440',
          tried: results.map((result) => ({ board, result, date: '2026-11-28' }))
        }
      ]
    });
    for (const rule of ['floppy.rate', 'floppy.bios']) {
      const before = severity(xt(), rule);
      expect(severity(xt('works'), rule), rule).to.equal('caution');
      expect(find(xt('works'), rule)!.sentence).to.match(/seen to work on this board \(2026-11-28\)/);
      expect(severity(xt('does-not'), rule), 'a bad try takes nothing back').to.equal(before);
    }
    expect(severity(xt('works', 'does-not'), 'drive.tried'), 'it worked once').to.equal(null);
    expect(find(xt('does-not', 'partly'), 'drive.tried')!.sentence).to.match(/2 times, last on 2026-11-28/);
    const elsewhere = xt('does-not');
    elsewhere.items![1]!.tried![0]!.board = 'varnoc-d33';
    expect(severity(elsewhere, 'drive.tried'), 'another board says nothing of this one').to.equal(null);
  });
  it('floppies: rate, BIOS, DOS, the same letter twice', () => {
    const xt = (drive: string, os?: string): Case => ({
      board: 'skerrin-px8',
      ...(os ? { brief: { os } } : {}),
      items: [{ part: 'lanteg-io8', slot: '2' }, { part: drive }]
    });
    expect(severity(xt('dornfleet-f360'), 'floppy.rate')).to.equal(null);
    expect(severity(xt('dornfleet-f1440'), 'floppy.rate')).to.equal('clash');
    expect(severity(xt('dornfleet-f1200'), 'floppy.rate')).to.equal('clash');
    expect(severity(xt('dornfleet-f720'), 'floppy.rate'), '720K takes 250 kbit/s, as 360K does').to.equal(
      null
    );
    expect(severity(xt('dornfleet-f720'), 'floppy.bios'), 'a driver helps').to.equal('caution');
    expect(severity(xt('dornfleet-f1440'), 'floppy.bios')).to.equal('clash');
    expect(severity(xt('dornfleet-f720'), 'floppy.start'), 'and it is the only drive').to.equal('caution');
    expect(severity(xt('dornfleet-f360'), 'floppy.start')).to.equal(null);
    expect(severity(xt('dornfleet-f720', 'DOS 2.1'), 'floppy.dos')).to.equal('clash');
    const same: Case = {
      board: 'varnoc-d33',
      items: [
        { part: 'lanteg-io16', slot: '3' },
        { part: 'dornfleet-f1440', cable: { to: 'i0', function: 'floppy', unit: 'A' } },
        { part: 'dornfleet-f1200', cable: { to: 'i0', function: 'floppy', unit: 'A' } }
      ]
    };
    expect(severity(same, 'floppy.cable')).to.equal('clash');
  });
  it('SCSI numbers, two masters, a lone slave', () => {
    const scsi = (...unit: string[]): Case => ({
      board: 'varnoc-d33',
      items: [
        { part: 'quillon-scsi', slot: '3' },
        ...unit.map((u) => ({ part: 'cairnholt-s80', cable: { to: 'i0', function: 'scsi', unit: u } }))
      ]
    });
    expect(severity(scsi('0', '1'), 'scsi.id')).to.equal(null);
    expect(severity(scsi('0', '0'), 'scsi.id')).to.equal('clash');
    expect(severity(scsi('7'), 'scsi.id')).to.equal('clash');
    const ata = (...unit: string[]): Case => ({
      board: 'varnoc-d33',
      items: [
        { part: 'lanteg-io16', slot: '3' },
        ...unit.map((u) => ({ part: 'cairnholt-a120', cable: { to: 'i0', function: 'disk', unit: u } }))
      ]
    });
    expect(severity(ata('master', 'slave'), 'ata.select')).to.equal(null);
    expect(severity(ata('master', 'master'), 'ata.select')).to.equal('clash');
    expect(severity(ata('slave'), 'ata.select')).to.equal('caution');
  });
  it('a BIOS that sees less, one that knows no disks, bays', () => {
    const big: Case = {
      board: 'varnoc-d33',
      items: [{ part: 'lanteg-io16', slot: '3' }, { part: 'cairnholt-a1200' }]
    };
    expect(find(big, 'disk.limit')!.id).to.match(/^disk\.limit\.int13-ata /);
    expect(find(big, 'disk.limit')!.sentence).to.include('504 MiB');
    const trap: Case = {
      board: 'varnoc-v66',
      items: [{ part: 'lanteg-io16', slot: '1' }, { part: 'cairnholt-a13' }],
      change: (p) =>
        p.id === 'marlwick-at4'
          ? { ...p, firmware: { ...p.firmware!, disk: { ...p.firmware!.disk, cylinders: 65535 } } }
          : p
    };
    expect(severity(trap, 'disk.limit.heads-256'), 'DOS cannot take 256 heads').to.equal('clash');
    const table: Case = {
      board: 'ostrel-t286',
      items: [{ part: 'lanteg-io16', slot: '2' }, { part: 'cairnholt-a40' }]
    };
    expect(find(table, 'disk.type')!.title).to.match(/type \d+/);
    // The limit of the BIOS is not what can be had where none of its types comes near it.
    const few: Case = {
      board: 'ostrel-a6',
      items: [{ part: 'corvane-ide', slot: '3' }, { part: 'feldspar-cf4g' }]
    };
    const said = [find(few, 'disk.limit')?.sentence, find(few, 'disk.type')?.sentence];
    for (const text of said) expect(text).to.include('117.37 MB');
    const xt = (controller: string): Case => ({
      board: 'skerrin-px8',
      items: [{ part: controller, slot: '3' }, { part: 'cairnholt-h20' }]
    });
    expect(severity(xt('quillon-mfm'), 'disk.rom'), 'its ROM takes over').to.equal(null);
    const bay = (n: number): Case => ({
      board: 'skerrin-px8',
      items: [{ part: 'tinhallow-x8' }, ...Array.from({ length: n }, () => ({ part: 'dornfleet-f360-full' }))]
    });
    expect(severity(bay(2), 'bay.size')).to.equal(null);
    expect(severity(bay(3), 'bay.size')).to.equal('clash');
  });
});

describe('drives: power, and what only one controller runs', () => {
  it('a drive on a card takes its power from the slot, and gets none from a cable of the board', () => {
    const onCard: Case = {
      board: 'skerrin-px8',
      items: [
        { part: 'quillon-xt8', slot: '3' },
        { part: 'cairnholt-x20c', cable: { to: 'i0', function: 'disk' } }
      ]
    };
    const onBoard: Case = {
      board: 'brackwell-s286d',
      items: [{ part: 'cairnholt-x20c' }],
      change: (p) => ({
        ...p,
        functions: p.functions.map((f) => (f.speaks?.includes('one-cable') ? { ...f, speaks: ['xta'] } : f))
      })
    };
    expect(severity(onCard, 'disk.power')).to.equal(null);
    expect(severity(onBoard, 'disk.power')).to.equal('clash');
  });
  it('a small plug on a supply of large leads wants an adapter', () => {
    const supplied = (small: number): Case => ({
      board: 'skerrin-px8',
      items: [
        { part: 'ampstead-x150' },
        { part: 'lanteg-io8', slot: '2' },
        { part: 'dornfleet-f720', cable: { to: 'i1', function: 'floppy' } }
      ],
      change: (p) => (p.supply ? { ...p, supply: { ...p.supply, plugs: { large: 4, small } } } : p)
    });
    expect(severity(supplied(1), 'disk.power')).to.equal(null);
    expect(severity(supplied(0), 'disk.power')).to.equal('note');
  });
  it('one-cable drives hang on their own board and on nothing else', () => {
    const on = (board: string): Case => ({ board, items: [{ part: 'cairnholt-b30' }] });
    expect(severity(on('brackwell-s286d'), 'disk.interface')).to.equal(null);
    expect(severity(on('brackwell-s286'), 'disk.interface')).to.equal('clash');
  });
  it('a ROM built for one port base with the switches elsewhere', () => {
    const at = (base: string, build: string): Case => ({
      board: 'skerrin-px8',
      items: [{ part: 'quillon-rom8', slot: '3', asFound: { base, build } }]
    });
    expect(severity(at('300', 'for-300'), 'disk.firmware-base')).to.equal(null);
    expect(severity(at('320', 'for-300'), 'disk.firmware-base')).to.equal('clash');
  });
  it('two floppy controllers, one of the board, are both on', () => {
    const fd: Case = { board: 'brackwell-s286', items: [{ part: 'corvane-fd2', slot: '1' }] };
    expect(severity(fd, 'disk.controller-twice')).to.equal('caution');
    expect(severity({ ...fd, found: { fdc: 'off' } }, 'disk.controller-twice')).to.equal(null);
  });
});
