import { consequenceOf, reasonsOf, actionWords } from '../../../src/lib/words';
import { expect } from 'chai';
import { check } from '../../support/make';
import { kitOf } from '../../../src/lib/core/kit';
import { Build, type Item, type Part } from '../../../src/lib/core/model';
import { moveList } from '../../../src/lib/core/moves';
import {
  byFact,
  differences,
  planned,
  required,
  settle,
  tickSeat,
  tickSetting,
  untick,
  clearTicks
} from '../../../src/lib/core/settings';
import { demo, parts } from '../../support/demo';

const item = (id: string, part: string, extra: Partial<Item> = {}): Item => ({
  id,
  part,
  asFound: {},
  chosen: {},
  locked: [],
  ...extra
});
const build = (board: Partial<Item> & { part: string }, items: Item[] = [], extra: object = {}): Build =>
  Build.parse({ id: 'b', name: 'B', board: item('board', board.part, board), items, ...extra });
const asked = (b: Build) => required(kitOf(b, parts));
const position = (b: Build, setting: string, on = 'board') =>
  asked(b).find((r) => r.setting.id === setting && r.item === on)?.position;
const AT = '2026-03-01T10:00:00.000Z';

describe('what every setting should be', () => {
  it('XT switches follow from FPU, banks, total, display and floppies', () => {
    const bare = build({ part: 'skerrin-px8' }, [
      item('mono', 'oddmere-mono', { slot: '1' }),
      item('m0', 'pendrum-set-256k', { place: '0' }),
      item('m1', 'pendrum-set-256k', { place: '1' }),
      item('a', 'dornfleet-f360'),
      item('b', 'dornfleet-f360')
    ]);
    const all = Object.fromEntries(asked(bare).map((r) => [r.setting.id, r.position]));
    expect(all).to.include({ fpu: 'no', banks: 'two', total: '512', display: 'mono', floppies: 'two' });
    const fpu = [...parts.values()].find((p) => p.fpu?.kind === '8087')!;
    expect(position({ ...bare, items: [...bare.items, item('f', fpu.id)] }, 'fpu')).to.equal('yes');
    const vga = {
      ...bare,
      items: bare.items.map((i) => (i.id === 'mono' ? item('v', 'brim-v8', { slot: '1' }) : i))
    };
    expect(position(vga, 'display')).to.equal('own-bios');
  });
  it('one fact in two blocks is one group, changed together', () => {
    const groups = byFact(asked(demo('dunlin')));
    const memory = groups.find((g) => g.key === 'banks')!;
    expect(memory.settings.map((s) => s.setting.id)).to.deep.equal(['banks', 'total']);
    expect(reasonsOf(memory.because)).to.match(/640 KiB/);
  });
  it('clock, voltage, local bus and divisor follow from the CPU', () => {
    const v66 = (cpu: string) =>
      build({ part: 'varnoc-v66' }, [item('cpu', cpu), item('v', 'brim-vl', { slot: '5' })]);
    const dx50 = Object.fromEntries(asked(v66('ashgill-486dx2-50')).map((r) => [r.setting.id, r.position]));
    expect(dx50).to.include({ clock: '25', volts: '5v', 'vlb-speed': 'slow', 'vlb-wait': 'zero', isa: '3' });
    const dx40 = Object.fromEntries(asked(v66('velloway-486dx2-80')).map((r) => [r.setting.id, r.position]));
    expect(dx40).to.include({ clock: '40', volts: '3v', 'vlb-speed': 'fast', 'vlb-wait': 'one', isa: '5' });
  });
  it('the reasons name what is in the machine', () => {
    const display = asked(demo('dunlin')).find((r) => r.setting.id === 'display')!;
    expect(reasonsOf(display.because))
      .to.match(/slot 1|1/)
      .and.to.match(/monochrome/);
    for (const id of ['plover', 'dunlin', 'turnstone', 'sanderling', 'curlew'])
      for (const r of asked(demo(id)))
        expect(reasonsOf(r.because).length, `${id} ${r.setting.id}`).to.be.greaterThan(5);
  });
  it('no required position is outside the list of its setting, for every board with every CPU and display', () => {
    const all = [...parts.values()];
    const displays = all.filter((p) => p.video && p.card).slice(0, 12);
    let seen = 0;
    for (const board of all.filter((p) => p.board))
      for (const cpu of all.filter((p) => p.cpu && board.board!.cpuSocket?.families.includes(p.cpu.family)))
        for (const card of displays.slice(0, 4)) {
          const b = build({ part: board.id }, [
            item('cpu', cpu.id),
            item('v', card.id, { slot: board.board!.slots[0]?.id }),
            item('a', 'dornfleet-f1440')
          ]);
          for (const r of asked(b)) {
            seen++;
            const ids = r.setting.positions.map((p) => p.id);
            expect(ids).to.include.members(r.positions);
            if (r.position !== null) expect(r.positions).to.include(r.position);
          }
        }
    expect(seen).to.be.greaterThan(500);
  });
  it('a controller of the board goes off beside a card that does the same, and on when a drive needs it', () => {
    const board = [...parts.values()].find(
      (p): p is Part => p.board !== undefined && p.settings.some((s) => s.id === 'fdc')
    )!;
    const withCard = build({ part: board.id }, [
      item('io', 'lanteg-io16', { slot: board.board!.slots[0].id })
    ]);
    expect(position(withCard, 'fdc')).to.equal('off');
    const alone = build({ part: board.id }, [item('a', 'dornfleet-f1440')]);
    expect(position(alone, 'fdc')).to.equal('on');
    expect(position(build({ part: board.id }), 'fdc')).to.equal(undefined);
  });
  it('a 16-bit card in an 8-bit slot is set to 8 bits', () => {
    const b = (slot: string) => build({ part: 'varnoc-d33' }, [item('v', 'brim-v16', { slot })]);
    expect(position(b('1'), 'width', 'v')).to.equal('8');
    expect(position(b('2'), 'width', 'v')).to.equal('16');
  });
});

describe('the difference', () => {
  const dunlin = demo('dunlin');
  it('names what happens if it is left so, worst first', () => {
    const wrong = {
      ...dunlin,
      board: { ...dunlin.board, asFound: { ...dunlin.board.asFound, fpu: 'yes', display: 'own-bios' } }
    };
    const list = differences(wrong, parts);
    const order = ['stop', 'clash', 'unseen', 'caution', 'note'];
    const ranks = list.map((d) => order.indexOf(d.severity));
    expect(ranks).to.deep.equal([...ranks].sort((a, b) => a - b));
    const display = list.find((d) => d.setting.id === 'display')!;
    expect(consequenceOf(display.ifLeft)).to.match(/one long, two short/);
    expect(display.actions.map(actionWords).join()).to.match(/5 OFF, 6 OFF/);
    expect(consequenceOf(list.find((d) => d.setting.id === 'fpu')!.ifLeft)).to.match(/hang/);
  });
  it('an unrecorded voltage is a stop, another unrecorded setting is not', () => {
    const b = build({ part: 'varnoc-v66' }, [item('cpu', 'ashgill-486dx2-66')]);
    const list = differences(b, parts);
    expect(list.find((d) => d.setting.id === 'volts')!.severity).to.equal('stop');
    expect(list.find((d) => d.setting.id === 'clock')!.severity).to.equal('unseen');
  });
  it('a lock has the last word', () => {
    const locked = {
      ...dunlin,
      board: { ...dunlin.board, asFound: { ...dunlin.board.asFound, fpu: 'yes' }, locked: ['fpu'] }
    };
    expect(differences(locked, parts).some((d) => d.setting.id === 'fpu')).to.equal(false);
    expect(settle(locked, asked(locked)).board.chosen.fpu).to.equal(undefined);
  });
  it('settling leaves nothing that is asked for, and settling twice changes nothing', () => {
    for (const id of ['plover', 'dunlin', 'turnstone', 'sanderling', 'curlew']) {
      const once = planned(demo(id), parts);
      expect(planned(once, parts), id).to.deep.equal(once);
      for (const r of asked(once))
        if (r.position !== null) expect(r.positions, `${id} ${r.setting.id}`).to.include(r.position);
    }
  });
  it('ticking every move leaves no move, and taking the ticks back brings all of it back', () => {
    for (const id of ['plover', 'dunlin', 'sanderling']) {
      const before = planned(demo(id), parts);
      let now = before;
      for (const d of differences(before, parts))
        now = tickSetting(now, parts, {
          item: d.item,
          setting: d.setting.id,
          position: d.wanted,
          text: 'set',
          at: AT
        });
      for (const i of now.items)
        if (i.slot && i.slotAsFound) now = tickSeat(now, { item: i.id, text: 'seated', at: AT });
      expect(differences(now, parts), id).to.deep.equal([]);
      expect(moveList(now, parts).jobs, id).to.deep.equal([]);
      expect(Build.safeParse(now).success).to.equal(true);
      for (const key of Object.keys(now.done ?? {})) now = untick(now, parts, key);
      expect(differences(now, parts).length).to.equal(differences(before, parts).length);
      expect(now.board.asFound).to.deep.equal(before.board.asFound);
      expect(now.done).to.equal(undefined);
    }
    expect(clearTicks({ ...dunlin, done: { a: { at: AT, text: 'x' } } })).to.deep.equal(dunlin);
  });
});

describe('switches that tell the board wrong', () => {
  const finding = (b: Build, rule: string) =>
    check(b, parts).find((f) => f.rule === rule || f.id.startsWith(`${rule} `));
  it('are findings with a fix, and silent while nobody looked', () => {
    const b = (asFound: Record<string, string>) =>
      build({ part: 'skerrin-px8', asFound }, [
        item('m0', 'pendrum-set-256k', { place: '0' }),
        item('a', 'dornfleet-f360')
      ]);
    expect(finding(b({}), 'switch.banks')).to.equal(undefined);
    const wrong = finding(b({ banks: 'four' }), 'switch.banks')!;
    expect([wrong.severity, wrong.fixes.length]).to.deep.equal(['clash', 1]);
    expect(wrong.sentence).to.match(/memory error/);
    expect(finding(b({ banks: 'one' }), 'switch.banks')).to.equal(undefined);
    expect(finding(b({ floppies: 'three' }), 'switch.floppies')!.severity).to.equal('caution');
    expect(finding(b({ total: '640' }), 'switch.memory-kib')!.sentence).to.match(/256 KiB/);
  });
  it('the divisor decides the ISA clock, and its fix is a position', () => {
    const b = (isa: string) =>
      build({ part: 'varnoc-v66', asFound: { clock: '33', volts: '5v', isa } }, [
        item('cpu', 'ashgill-486dx2-66')
      ]);
    expect(finding(b('4'), 'isa.clock')).to.equal(undefined);
    const fast = finding(b('3'), 'isa.clock')!;
    expect(fast.title).to.match(/11.1 MHz/);
    expect(fast.fixes[0].fix).to.deep.include({ setting: 'isa', position: '4' });
  });
});
