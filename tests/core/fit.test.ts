import { expect } from 'chai';
import type { Picture } from '../../src/lib/core/model';
import { check } from '../support/make';
import { readSoftware } from '../../src/lib/server/catalogue';
import { parts as known } from '../support/demo';
import { ends, find, machine, severity, type Case, type ItemIn } from '../support/cases';

const software = readSoftware(new URL('../../catalogue', import.meta.url).pathname);
/** Slots of a board that share a bracket. */
const sharing = (board: string) =>
  known
    .get(board)!
    .board!.slots.filter((s) => s.bracket)
    .map((s) => s.id);
const program = (id: string) => software.find((p) => p.id === id)!;

const v66 = (clock: string, volts: string, cpu: string, more: ItemIn[] = []): Case => ({
  board: 'varnoc-v66',
  found: { clock, volts },
  items: [{ part: cpu }, ...more]
});

describe('CPU', () => {
  it('socket and family', () => {
    expect(severity({ board: 'varnoc-d33', items: [{ part: 'ashgill-386dx-33' }] }, 'cpu.socket')).to.equal(
      null
    );
    expect(severity({ board: 'varnoc-d33', items: [{ part: 'ashgill-486dx-33' }] }, 'cpu.socket')).to.equal(
      'clash'
    );
    expect(severity({ board: 'varnoc-sx16', items: [{ part: 'ashgill-386sx-25' }] }, 'cpu.socket')).to.equal(
      'clash'
    );
  });
  it('too high a voltage is a stop, and its fix ends it', () => {
    expect(severity(v66('33', '5v', 'ashgill-486dx2-66'), 'cpu.voltage')).to.equal(null);
    const hot = v66('33', '5v', 'velloway-486dx2-66v');
    expect(severity(hot, 'cpu.voltage')).to.equal('stop');
    expect(ends(hot, 'cpu.voltage')).to.equal(true);
    expect(severity(v66('33', '3v', 'ashgill-486dx2-66'), 'cpu.voltage-low'), 'does not start').to.equal(
      'clash'
    );
  });
  it('a voltage that nobody looked at is a stop, on parts that can burn', () => {
    const unseen: Case = {
      board: 'varnoc-v66',
      found: { clock: '33' },
      items: [{ part: 'ashgill-486dx2-66' }]
    };
    expect(severity(unseen, 'cpu.voltage-unknown')).to.equal('stop');
    expect(
      severity({ board: 'varnoc-d33', items: [{ part: 'ashgill-386dx-33' }] }, 'cpu.voltage-unknown')
    ).to.equal(null);
  });
  it('split voltage needs a board that gives two', () => {
    expect(severity({ board: 'tessaly-p200', items: [{ part: 'ashgill-p55-233' }] }, 'cpu.split')).to.equal(
      'clash'
    );
    expect(
      severity(
        { board: 'brackwell-tx', found: { volts: '2.8' }, items: [{ part: 'ashgill-p55-233' }] },
        'cpu.split'
      )
    ).to.equal(null);
  });
  it('the number on a doubled part set as the bus is named as that very mistake', () => {
    const wrong: Case = {
      board: 'ostrel-v50',
      found: { clock: '50' },
      items: [{ part: 'ashgill-486dx2-50' }]
    };
    expect(find(wrong, 'cpu.clock')!.title).to.match(/Bus set to the number/);
    expect(ends(wrong, 'cpu.clock')).to.equal(true);
    expect(severity(v66('40', '5v', 'ashgill-486dx-33'), 'cpu.clock')).to.equal('clash');
    expect(severity(v66('25', '5v', 'ashgill-486dx-33'), 'cpu.slow'), 'slower is harmless').to.equal('note');
    // Of jumpers that nobody looked at it is said that nobody did.
    const slow = (found: Record<string, string>) =>
      find(
        {
          board: 'brackwell-tx',
          found: { volts: '2.8', ...found },
          items: [{ part: 'ashgill-p55-233' }]
        },
        'cpu.slow'
      )!;
    const [seen, unseen] = [slow({ clock: '66', factor: '2' }), slow({ factor: '2' })];
    expect([seen.title, unseen.title]).to.deep.equal([
      'A5S-233 runs below its rating',
      'A5S-233 may run below its rating'
    ]);
    expect(seen.sentence).to.not.include('Nobody looked');
    expect(unseen.sentence).to.match(/Nobody looked at CPU bus clock: this is with the usual position\./);
  });
  it('FPU: kind, clock, one inside already, the switch', () => {
    const at = (fpu: string, cpu = 'ashgill-386dx-33'): Case => ({
      board: 'varnoc-d33',
      items: [{ part: cpu }, { part: fpu }]
    });
    expect(severity(at('ashgill-387dx-33'), 'fpu.kind')).to.equal(null);
    expect(severity(at('ashgill-387dx-25'), 'fpu.kind')).to.equal('clash');
    expect(severity(at('ashgill-287-12'), 'fpu.kind')).to.equal('clash');
    expect(severity(v66('33', '5v', 'ashgill-486dx-33', [{ part: 'ashgill-487-25' }]), 'fpu.kind')).to.equal(
      'clash'
    );
    const xt: Case = {
      board: 'skerrin-px8',
      found: { fpu: 'no' },
      items: [{ part: 'ashgill-8088-5' }, { part: 'ashgill-8087-5' }]
    };
    expect(severity(xt, 'fpu.switch')).to.equal('clash');
    expect(ends(xt, 'fpu.switch')).to.equal(true);
  });
  it('local-bus cards by clock', () => {
    const cards = (n: number): ItemIn[] =>
      ['4', '5', '6'].slice(0, n).map((slot) => ({ part: 'brim-vl', slot }));
    expect(severity(v66('33', '5v', 'ashgill-486dx-33', cards(3)), 'vlb.load')).to.equal(null);
    expect(severity(v66('40', '3v', 'velloway-486dx2-80', cards(3)), 'vlb.load')).to.equal('clash');
    expect(severity(v66('40', '3v', 'velloway-486dx2-80', cards(2)), 'vlb.speed')).to.equal('caution');
  });
  it('ISA clock: marginal above 8.33, failing above 12, with the divisor that would do', () => {
    const at = (busMHz: number): Case => ({
      board: 'varnoc-d33',
      items: [{ part: 'ashgill-386dx-33' }],
      change: (p) => (p.id === 'varnoc-d33' ? { ...p, board: { ...p.board!, busMHz } } : p)
    });
    expect(severity(at(8.33), 'isa.clock')).to.equal(null);
    expect(severity(at(10), 'isa.clock')).to.equal('caution');
    expect(severity(at(16.5), 'isa.clock')).to.equal('clash');
    expect(find(at(16.5), 'isa.clock')!.sentence).to.include('÷ 4 gives 8.33 MHz');
  });
});

describe('memory on a board', () => {
  const d33 = (items: ItemIn[]): Case => ({ board: 'varnoc-d33', items });
  const bank = (part: string, count: number, place = '0'): ItemIn => ({ part, count, place });
  it('a bank is full or empty, alike, and known', () => {
    expect(severity(d33([bank('pendrum-s30-1m-70', 4)]), 'memory.bank')).to.equal(null);
    expect(find(d33([bank('pendrum-s30-1m-70', 3)]), 'memory.bank')!.title).to.match(/part full/);
    const mixed = d33([bank('pendrum-s30-1m-70', 2), bank('pendrum-s30-256', 2)]);
    expect(find(mixed, 'memory.mixed')!.sentence).to.match(/1 MiB and 256 KiB/);
    const xt: Case = {
      board: 'skerrin-m10',
      items: [
        { part: 'pendrum-set-64k', place: '0' },
        { part: 'pendrum-set-256k', place: '1' }
      ]
    };
    expect(find(xt, 'memory.filling')!.title).to.match(/does not list/);
  });
  it('kind, speed, parity', () => {
    expect(severity(d33([bank('pendrum-s72-4m', 1)]), 'memory.kind')).to.equal('clash');
    expect(severity(d33([bank('pendrum-s30-256', 4)]), 'memory.speed'), '100 ns where 80 are asked').to.equal(
      'caution'
    );
    expect(severity(d33([bank('pendrum-s30-1m-n', 4)]), 'memory.parity')).to.equal('clash');
    const edo: Case = { board: 'tessaly-p90', items: [bank('pendrum-s72-16m-e', 2)] };
    expect(severity(edo, 'memory.edo')).to.equal('caution');
  });
  it('modules for 3.3 V and for 5 V are not in together; either alone begins in its own first bank', () => {
    const split = (...items: NonNullable<Case['items']>): Case => ({ board: 'brackwell-tx', items });
    const simm = bank('pendrum-s72-16m-e', 2);
    const dimm = bank('pendrum-d168-64', 1, '2');
    expect(severity(split(simm, dimm), 'memory.apart')).to.equal('stop');
    for (const alone of [split(simm), split(dimm)])
      for (const rule of ['memory.apart', 'memory.first'] as const)
        expect(find(alone, rule), rule).to.equal(undefined);
    expect(severity(split(bank('pendrum-s72-16m-e', 2, '1')), 'memory.first')).to.equal('caution');
  });
  it('says what will be counted, and what lies out of reach', () => {
    expect(find(d33([bank('pendrum-s30-1m-70', 4)]), 'memory.shown')!.title).to.include('3712 KiB');
    const much: Case = {
      board: 'tessaly-p200',
      items: [bank('pendrum-s72-32m-e', 2), bank('pendrum-s72-32m-e', 2, '1')]
    };
    expect(find(much, 'memory.reach')!.title).to.match(/not cached/);
    const master = { ...much, items: [...much.items!, { part: 'quillon-scsi', slot: '6' }] };
    expect(severity(master, 'dma.reach16m')).to.equal('caution');
  });
});

describe('picture', () => {
  it('danger is a stop; the card’s monitor switch can be the fix', () => {
    const wrong: Case = {
      board: 'varnoc-d33',
      items: [
        { part: 'oddmere-e256', slot: '2', asFound: { monitor: 'enhanced-350' } },
        { part: 'glimmerby-c13' }
      ]
    };
    expect(severity(wrong, 'video.danger')).to.equal('stop');
    expect(ends(wrong, 'video.danger')).to.equal(true);
    const none: Case = { board: 'varnoc-d33', items: [{ part: 'glimmerby-v14' }] };
    expect(severity(none, 'video.signal')).to.equal('clash');
  });
  it('the board is told of the first display', () => {
    const xt = (display: string): Case => ({
      board: 'skerrin-px8',
      found: { display },
      items: [{ part: 'oddmere-mono', slot: '1' }]
    });
    expect(severity(xt('mono'), 'video.switch')).to.equal(null);
    expect(severity(xt('colour80'), 'video.switch')).to.equal('clash');
    expect(find(xt('colour80'), 'video.switch')!.sentence).to.match(/one long, two short/);
    expect(ends(xt('colour80'), 'video.switch')).to.equal(true);
  });
  it('monochrome beside colour is legal, two colour ones are not', () => {
    const two = (a: string, b: string): Case => ({
      board: 'varnoc-d33',
      items: [
        { part: a, slot: '2' },
        { part: b, slot: '3' }
      ]
    });
    expect(severity(two('oddmere-mono', 'oddmere-c16'), 'video.two')).to.equal(null);
    expect(severity(two('brim-v16', 'oddmere-c16'), 'video.two')).to.equal('clash');
    expect(
      severity({ board: 'tessaly-p200', items: [{ part: 'vexley-tri4', slot: '1' }] }, 'video.pass')
    ).to.equal('clash');
  });
});

describe('slots', () => {
  it('length, skirt, and a move that ends it', () => {
    const long: Case = { board: 'varnoc-d33', items: [{ part: 'lanteg-ems', slot: '1' }] };
    expect(severity(long, 'slot.length')).to.equal('clash');
    const skirt: Case = { board: 'varnoc-d33', items: [{ part: 'gantrel-cp', slot: '2' }] };
    expect(severity(skirt, 'slot.skirt')).to.equal('clash');
    expect(ends(skirt, 'slot.skirt')).to.equal(true);
  });
  it('the look-alike slot is a stop', () => {
    const memory: Case = { board: 'grevane-86', items: [{ part: 'tollmark-8', slot: 'm' }] };
    expect(severity(memory, 'slot.kind')).to.equal('stop');
    expect(ends(memory, 'slot.kind')).to.equal(true);
  });
});

describe('the rest of the machine', () => {
  it('keyboard, battery and what was seen to', () => {
    const kb = (board: string, part: string): Case => ({ board, items: [{ part }] });
    expect(severity(kb('skerrin-px8', 'clatterley-84'), 'keyboard.protocol')).to.equal('clash');
    expect(severity(kb('skerrin-px8', 'clatterley-101x'), 'keyboard.switch')).to.equal('note');
    expect(severity(kb('varnoc-d33', 'clatterley-102'), 'keyboard.protocol')).to.equal(null);
    expect(ends({ board: 'varnoc-d33' }, 'battery.leak')).to.equal(true);
  });
  it('sources that disagree, until one has held', () => {
    const told = (held: boolean): Case => ({
      board: 'varnoc-d33',
      change: (p) =>
        p.id === 'varnoc-d33'
          ? {
              ...p,
              settings: p.settings.map((s) =>
                s.id === 'display'
                  ? {
                      ...s,
                      evidence: [
                        { source: 'manual', says: '1-2 colour' },
                        { source: 'silkscreen', says: '1-2 monochrome', ...(held ? { held } : {}) }
                      ]
                    }
                  : s
              )
            }
          : p
    });
    expect(severity(told(false), 'evidence.conflict')).to.equal('caution');
    expect(severity(told(true), 'evidence.conflict')).to.equal(null);
  });
  it('period: too young, long out of use, and how strict one is', () => {
    const at = (date: string, strictness?: 'exact' | 'convenient'): Case => ({
      board: 'varnoc-d33',
      brief: { date, ...(strictness ? { strictness } : {}) }
    });
    expect(severity(at('1988-01'), 'period.early')).to.equal('caution');
    expect(severity(at('1988-01', 'convenient'), 'period.early')).to.equal('note');
    expect(severity(at('1991-01'), 'period.early')).to.equal(null);
    expect(severity(at('1999-01'), 'period.late')).to.equal('note');
  });
  it('programs: CPU, speed both ways, memory, display, sound, disk', () => {
    const run = (id: string, items: ItemIn[], board = 'varnoc-d33', os = 'DOS 6.22'): string[] => {
      const { build, parts } = machine({ board, items, brief: { os, profiles: [program(id)] } });
      return check(build, parts)
        .filter((f) => f.rule.startsWith('software.'))
        .map((f) => f.rule.split('.')[1]);
    };
    const cpu = { part: 'ashgill-386dx-33' };
    const memory = { part: 'pendrum-s30-1m-70', count: 4, place: '0' };
    const disk = [{ part: 'lanteg-io16', slot: '3' }, { part: 'cairnholt-a120' }];
    expect(run('gull-chase', [cpu])).to.deep.equal(['fast']);
    expect(run('deep-cellar-2', [cpu])).to.include.members(['cpu', 'slow']);
    expect(
      run('tern', [cpu, memory, ...disk]).filter((r) => r === 'expanded'),
      'a 386 makes its own'
    ).to.deep.equal([]);
    expect(run('tidewheel', [cpu, memory, ...disk])).to.include.members(['cdrom', 'windows']);
    expect(
      run('wavebound', [
        cpu,
        memory,
        ...disk,
        { part: 'brim-v16', slot: '2' },
        { part: 'glimmerby-m12-green' }
      ])
    ).to.include('display');
    expect(run('chartwright', [cpu, memory, ...disk])).to.include('fpu');
  });
  it('a picture that only more memory on the card would show names the memory', () => {
    const desk = (kib: number): Case => ({
      board: 'varnoc-d33',
      items: [{ part: 'brim-v16', slot: '3' }, { part: 'glimmerby-sv15' }],
      brief: {
        profiles: [{ id: 'chart', name: 'Chart', wants: { display: ['800x600x8'] } }]
      },
      change: (p) =>
        p.id === 'brim-v16'
          ? { ...p, video: { ...p.video!, memoryKiB: kib, modes: ['800x600@60'], depths: [4, 8] } }
          : p
    });
    expect(find(desk(256), 'video.memory')!.sentence).to.match(/469 KiB.*256 KiB/);
    expect(severity(desk(512), 'video.memory')).to.equal(null);
    expect(severity(desk(256), 'software.display'), 'said once').to.equal(null);
  });
  it('a program that is drawn in colours is not as meant on a monitor without, one made for such monitors is', () => {
    const on = (monitor: string, display: Picture[], card = 'brim-v16'): Case => ({
      board: 'varnoc-d33',
      items: [{ part: card, slot: '3' }, { part: monitor }],
      brief: { profiles: [{ id: 'game', name: 'Game', wants: { display } }] }
    });
    const grey = (c: Case) => severity(c, 'software.grey');
    expect(grey(on('glimmerby-v12-grey', ['mcga', 'vga']))).to.equal('caution');
    expect(grey(on('glimmerby-v14', ['mcga', 'vga']))).to.equal(null);
    expect(grey(on('glimmerby-v12-grey', ['vga', 'text'])), 'runs in text too').to.equal(null);
    expect(grey(on('glimmerby-v12-grey', ['vga', 'mono-graphics'])), 'not made for colours').to.equal(null);
    expect(grey(on('glimmerby-m12-dual', ['cga', 'mono-graphics'], 'gantrel-mg'))).to.equal(null);
    expect(grey(on('glimmerby-m12-green', ['vga'])), 'shows nothing: said so').to.equal(null);
  });
  it('systems: memory and disk below what Windows wants', () => {
    const windows = (...items: ItemIn[]): Case => ({
      board: 'varnoc-d33',
      brief: { os: 'Windows 95' },
      items
    });
    const modules = (part: string): ItemIn => ({ part, place: '0', count: 4 });
    expect(severity(windows(modules('pendrum-s30-256')), 'os.memory')).to.equal('clash');
    expect(severity(windows(modules('pendrum-s30-4m')), 'os.memory')).to.equal(null);
    const disk = (part: string) => windows({ part: 'lanteg-io16', slot: '3' }, { part });
    expect(severity(disk('cairnholt-a40'), 'os.disk')).to.equal('clash');
    expect(severity(disk('cairnholt-a340'), 'os.disk')).to.equal(null);
  });
  it('two slots that share a bracket take one card', () => {
    const shared = find(
      {
        board: 'tessaly-p200',
        items: [
          { part: 'harl-pci', slot: sharing('tessaly-p200')[0] },
          { part: 'lanteg-io16', slot: sharing('tessaly-p200')[1] }
        ]
      },
      'slot.shared'
    );
    expect(shared!.severity).to.equal('clash');
  });
  it('a program that knows only some numbers of a card', () => {
    const at = (irq: string): Case => ({
      board: 'varnoc-d33',
      brief: { profiles: [program('copper-mile')] },
      items: [{ part: 'velmar-one', slot: '2', asFound: { io: '220', irq, game: 'off' } }]
    });
    expect(severity(at('7'), 'audio.profile')).to.equal(null);
    expect(severity(at('5'), 'audio.profile')).to.equal('clash');
  });
  it('systems: Windows wants its CPU, old DOS its 32 MiB', () => {
    const os = (name: string, items: ItemIn[], board: string): Case => ({
      board,
      brief: { os: name },
      items
    });
    expect(severity(os('Windows 95', [{ part: 'ashgill-286-12' }], 'ostrel-t286'), 'os.cpu')).to.equal(
      'clash'
    );
    const old = os(
      'DOS 3.2',
      [{ part: 'quillon-ata', slot: '2' }, { part: 'cairnholt-a120' }],
      'ostrel-t286'
    );
    expect(severity(old, 'os.partition')).to.equal('caution');
  });
  it('wishes are constraints, and an empty machine is not scolded', () => {
    const wish = (items: ItemIn[]): Case => ({
      board: 'varnoc-d33',
      brief: { wishes: [{ kind: 'have', what: 'network' }] },
      items
    });
    expect(severity(wish([]), 'brief.wish')).to.equal(null);
    expect(severity(wish([{ part: 'brim-v16', slot: '2' }]), 'brief.wish')).to.equal('caution');
    expect(severity(wish([{ part: 'harl-n8', slot: '2' }]), 'brief.wish')).to.equal(null);
    expect(find({ board: 'varnoc-d33' }, 'kit.missing')!.severity).to.equal('note');
    const game = (found: string): Case => ({
      board: 'varnoc-d33',
      brief: { wishes: [{ kind: 'have', what: 'game' }] },
      items: [{ part: 'velmar-16', slot: '2', asFound: { game: found } }]
    });
    expect(severity(game('on'), 'brief.wish')).to.equal(null);
    expect(find(game('off'), 'brief.wish')!.sentence).to.match(/game port of Sixteen .* is switched off/);
  });
  it('plug and play without a BIOS for it waits for a program', () => {
    expect(
      severity({ board: 'varnoc-d33', items: [{ part: 'tollmark-pnp', slot: '2' }] }, 'pnp.nobios')
    ).to.equal('caution');
    expect(
      severity({ board: 'tessaly-p200', items: [{ part: 'tollmark-pnp', slot: '6' }] }, 'pnp.nobios')
    ).to.equal(null);
  });
});
