import { actionWords } from '../../src/lib/words';
import { expect } from 'chai';
import {
  checked,
  openByStage,
  openByView,
  placeOf,
  stageStates,
  type RuleId
} from '../../src/lib/core/rules';
import { Build } from '../../src/lib/core/model';
import { moveList } from '../../src/lib/core/moves';
import { machine } from '../../src/lib/core/resources';
import { isByHand, notLookedAt, notSeen } from '../../src/lib/core/settings';
import { loom, resolve } from '../../src/lib/core/solver';
import { nothingToMove, sheetOf, sheetText } from '../../src/lib/formats';
import { demo, parts, unseen } from '../support/demo';
import { find } from '../support/cases';
import { edited } from '../support/edits';
import { board, card, check, jumpered, machineOf } from '../support/make';
import { torture } from '../support/torture';
import { Seeded } from '../support/random';

const demos = ['dunlin', 'turnstone', 'plover', 'sanderling', 'curlew', 'whimbrel'];
const rulesOf = (findings: readonly { rule: string }[]) => findings.map((f) => f.rule);

describe('what nobody knows', () => {
  const blank = machineOf(board('at', ['isa16', 'isa16']), [
    card('mystery', [], { functions: [] }),
    jumpered('sound', { irq: [5, 7] })
  ]);

  it('a card of which nothing is known is a caution, and the machine is not clean', () => {
    const { status } = checked(blank.build, blank.parts);
    const findings = check(blank.build, blank.parts);
    expect(status).to.equal('unknown');
    const found = findings.find((f) => f.rule === 'unknown.lines')!;
    expect(found.severity).to.equal('caution');
    expect(found.sentence).to.match(/may use any interrupt, DMA channel, port or memory window/);
  });
  it('so is a card whose only function names no claim', () => {
    const { build, parts: own } = machineOf(board('at', ['isa16']), [card('half', [])]);
    expect(rulesOf(check(build, own))).to.include('unknown.lines');
  });
  it('a board of which only the slots are known says what is not checked', () => {
    const found = check(blank.build, blank.parts).find((f) => f.rule === 'unknown.board')!;
    expect(found.sentence).to.match(/voltage.*memory count.*supply fits/);
    expect(rulesOf(check(blank.build, blank.parts))).to.include('unknown.bios');
  });
  it('a setting that nobody knows is a caution also where no line hangs on it', () => {
    const rule = check(demo('plover'), parts).filter((f) => f.rule === 'setting.unknown');
    expect(rule.map((f) => f.severity)).to.deep.equal(['caution', 'caution']);
  });
  it('acknowledging it does not make it known', () => {
    const first = checked(blank.build, blank.parts);
    const known = { ...blank.build, acknowledged: first.findings.map((f) => f.id) };
    const again = checked(known, blank.parts);
    expect(again.findings).to.deep.equal([]);
    expect(again.status).to.equal('unknown');
    expect(again.hiding).to.not.deep.equal([]);
  });
  it('a solved machine names what the answer does not cover', () => {
    const answer = resolve(blank.build, blank.parts);
    expect(answer.status === 'solved' && answer.unknown).to.deep.equal([{ kind: 'claims', item: 'a' }]);
  });
  it('a PCI card in a slot of which nobody knows the wiring is told, and is no clash', () => {
    const { build, parts: own } = machineOf(board('at', ['pci']), [
      card('net', [{ id: 'irq', resource: 'irq', pin: 'A' }], { bus: 'pci', fn: { kind: 'network' } })
    ]);
    const rulesThere = rulesOf(check(build, own));
    expect(rulesThere).to.include('unknown.routing').and.not.include('pci.interrupt');
  });
  it('the demo machine with everything known and seen is clean', () => {
    expect(checked(demo('curlew'), parts).status).to.equal('clean');
  });
  it('one with a caution is not clean until somebody acknowledged it; what nobody looked at stays unknown', () => {
    const seen = demo('curlew');
    const moved = {
      ...seen,
      items: seen.items.map((i) =>
        i.id === 'memory' ? { ...i, part: 'pendrum-s72-16m-e', count: 2, place: '1' } : i
      )
    };
    const { status, findings } = checked(moved, parts);
    expect([status, findings.filter((f) => f.severity === 'caution').map((f) => f.rule)]).to.deep.equal([
      'caution',
      ['memory.first']
    ]);
    const known = { ...moved, acknowledged: findings.map((f) => f.id) };
    expect(checked(known, parts).status).to.equal('clean');
    const open = demo('whimbrel');
    const allKnown = { ...open, acknowledged: checked(open, parts).findings.map((f) => f.id) };
    expect(checked(allKnown, parts).status).to.equal('unknown');
  });
  it('of switches that nobody looked at it is said how they should be, not how they are', () => {
    const card = { part: 'brim-v16', slot: '2' };
    const display = (found: Record<string, string>, board = 'skerrin-px8') =>
      find({ board, found, items: [card] }, 'video.switch');
    expect(display({})).to.include({ severity: 'caution', title: 'Display switch not looked at' });
    expect(display({})!.sentence).to.match(/should be set for a card with its own BIOS/);
    expect(display({ display: 'mono' })).to.include({
      severity: 'clash',
      title: 'Display switch set for a monochrome card'
    });
    const fpu = (found: Record<string, string>) =>
      find(
        {
          board: 'skerrin-px8',
          found,
          items: [{ part: 'ashgill-8088-5' }, { part: 'ashgill-8087-5' }]
        },
        'fpu.switch'
      );
    expect(fpu({})).to.include({ severity: 'caution', title: 'FPU switch not looked at' });
    expect(fpu({ fpu: 'no' })).to.include({ severity: 'clash', title: 'FPU switch set to "none"' });
  });
  it('settings that nobody looked at and nobody chose leave the machine unknown', () => {
    const seen = demo('curlew');
    const { settings } = parts.get(seen.board.part)!;
    const one = settings.find(
      (x) => x.default === seen.board.asFound[x.id] && isByHand(parts.get(seen.board.part)!, x)
    )!;
    const { [one.id]: _, ...asFound } = seen.board.asFound;
    const blind = { ...seen, board: { ...seen.board, asFound } };
    expect(checked(blind, parts).status).to.equal('unknown');
  });
  it('neither do places that a program or the start-up has set count as seen because they are usual', () => {
    const { status, findings, hiding } = checked(unseen(demo('curlew'), 'audio'), parts);
    expect(status).to.equal('unknown');
    expect(hiding.map((f) => f.id)).to.deep.equal(['setting.unread.pnp audio/audio audio/game']);
    expect(findings.filter((f) => f.severity !== 'note')).to.deep.equal([]);
    const board = checked(unseen(demo('curlew'), 'board'), parts).hiding.map((f) => f.id);
    // The network card and the USB of the board have their interrupts from two inputs; the others decide nothing.
    expect(board).to.include('setting.unread.start board/int-3 board/int-4');
    expect(board).to.include(
      'setting.unread.setup board/serial-a board/serial-b board/parallel board/second-disk'
    );
  });
  it('no line is drawn as driven twice, nor said to be, where a BIOS keeps two apart by itself', () => {
    const made = (found: Record<string, string>) =>
      Build.parse({
        id: 'm',
        name: 'M',
        board: { id: 'board', part: 'brackwell-tx', asFound: { parallel: '278', ...found } },
        items: [{ id: 'audio', part: 'tollmark-pnp', slot: '5' }]
      });
    const red = (build: Build) =>
      loom(machine(build, parts)).flatMap((g) =>
        g.rows.filter((r) => r.marks.some((mark) => mark.clash)).map((r) => r.function)
      );
    const rules = (build: Build) => checked(build, parts).findings.map((f) => f.rule);
    const blind = made({});
    expect(red(blind)).to.deep.equal([]);
    expect(rules(blind)).to.include('setting.unread').and.to.not.include('line.irq');
    expect(checked(blind, parts).status).to.equal('unknown');
    const read = made({ 'int-4': 'irq5' });
    expect(red(read)).to.include.members(['parallel', 'usb']);
    expect(rules(read)).to.include('line.irq');
  });
  it('a lock is no look; and what a card was told by its own program stays in it until somebody reads it', () => {
    const jumperless = { board: 'varnoc-d33', items: [{ id: 'net', part: 'harl-n16', slot: '3' }] };
    expect(find(jumperless, 'setting.unread')?.sentence).to.match(/setup program/);
    const locked = { ...jumperless, items: [{ ...jumperless.items[0]!, locked: ['io', 'irq'] }] };
    expect(find(locked, 'setting.unread')?.title).to.match(/2 settings not read/);
    const read = { ...jumperless, items: [{ ...jumperless.items[0]!, asFound: { io: '300', irq: '3' } }] };
    expect(find(read, 'setting.unread')).to.equal(undefined);
  });
  it('nothing is told as settled on paper either', () => {
    const sheet = sheetOf(unseen(demo('curlew'), 'audio'), parts);
    expect(sheet.unseen).to.deep.equal([
      { title: 'Digit PnP lite', settings: ['Audio combination', 'Game port'] }
    ]);
    expect(nothingToMove(sheet)).to.not.equal(nothingToMove(sheetOf(demo('curlew'), parts)));
  });
  it('a line for a start-up file with numbers that nobody read begins with the look', () => {
    const blaster = (build: Build) =>
      moveList(build, parts).commands.flatMap(({ what }) =>
        what.is === 'line' && what.text.startsWith('SET BLASTER') ? [what] : []
      );
    expect(blaster(demo('curlew')).map((c) => c.assumed)).to.deep.equal([[]]);
    const blind = unseen(demo('curlew'), 'audio');
    expect(blaster(blind).flatMap((c) => c.assumed.map((a) => a.setting))).to.include('Audio combination');
    expect(sheetText(sheetOf(blind, parts))).to.match(/Look first at Audio combination/);
    expect(sheetText(sheetOf(demo('curlew'), parts))).to.not.match(/Look first/);
  });
  it('keeps interrupts for cards that plug and play cannot see, and for no others where the BIOS sees it', () => {
    const reserved = (build: Build) =>
      moveList(build, parts).commands.flatMap(({ what }) => (what.is === 'reserve' ? [what] : []));
    const seen = demo('curlew');
    expect(reserved(seen), 'a reserved one the BIOS could not give to the card').to.deep.equal([]);
    const legacy = { id: 'net', part: 'harl-n16', slot: '5', asFound: { io: '300', irq: '10' } };
    const withCard = (found: Record<string, string>) =>
      Build.parse({ ...seen, items: [...seen.items, { ...legacy, asFound: found }] });
    expect(reserved(withCard(legacy.asFound))).to.deep.equal([{ is: 'reserve', irqs: [10], assumed: [] }]);
    expect(reserved(withCard({}))[0]?.assumed.map((a) => a.setting)).to.deep.equal(['IRQ']);
    const old = { ...seen, board: { ...seen.board, part: 'tessaly-p60' } };
    expect(parts.get(parts.get('tessaly-p60')!.board!.firmware!)!.firmware!.pnp).to.equal(false);
    expect(reserved(old).map((c) => c.irqs)).to.deep.equal([[5]]);
  });
  it('a plan is no look: chosen at the default, it is set on the sheet or listed there as not seen', () => {
    const { build, parts: own } = machineOf(board('at', ['isa16']), [jumpered('sound', { irq: [5] })], {
      items: [{ chosen: { irq: '5' } }]
    });
    const sheet = sheetOf(build, own);
    const isSet = sheet.steps.some((s) => s.actions.some((a) => a.setting === 'irq'));
    const isListed = sheet.unseen.some((u) => u.settings.length > 0);
    expect(isSet || isListed).to.equal(true);
    const [card] = machine(build, own).fitted.filter((f) => f.item.id === 'a');
    expect(notLookedAt(machine(build, own), card!).size).to.equal(0);
    expect([...notSeen(machine(build, own), card!).keys()]).to.deep.equal(['hand']);
  });
  it('an interrupt input that a plan moves is told, since the BIOS may place it elsewhere', () => {
    const seen = demo('curlew');
    const moved = { ...seen, board: { ...seen.board, chosen: { 'int-3': 'irq10' } } };
    expect(moveList(moved, parts).commands.filter((c) => c.what.is === 'input')).to.deep.equal([
      { where: 'SETUP', what: { is: 'input', label: 'PCI input 3', to: 'IRQ 10' } }
    ]);
    expect(sheetText(sheetOf(moved, parts))).to.match(/PCI input 3: IRQ 10/);
  });
});

describe('where findings are open', () => {
  const previously: [RuleId, string][] = [
    ['disk.power', 'fit'],
    ['disk.firmware-base', 'disks'],
    ['floppy.rate', 'disks'],
    ['period.early', 'fit'],
    ['keyboard.protocol', 'fit'],
    ['dma.reach16m', 'fit'],
    ['pnp.nobios', 'fit'],
    ['setting.unknown', 'switches'],
    ['part.constraint', 'switches'],
    ['line.irq', 'lines'],
    ['slot.reach', 'fit'],
    ['software.cpu', 'brief'],
    ['kit.missing', 'parts']
  ];
  it('a rule counts where it did', () => {
    for (const [rule, stage] of previously) expect(placeOf({ rule }).stage, rule).to.equal(stage);
  });
  it('stages add up to what is open, and the views of Fit to its stage, on edited machines', () => {
    for (let seed = 0; seed < torture(2000, 200); seed++) {
      const r = new Seeded(seed);
      const build = edited(demo(demos[seed % demos.length]), parts, r, 1 + r.int(12));
      const findings = check(build, parts);
      const open = findings.filter((f) => f.severity !== 'note').length;
      const stages = openByStage(findings);
      expect(Object.values(stages).reduce((a, b) => a + b, 0)).to.equal(open);
      expect(Object.values(openByView(findings)).reduce((a, b) => a + b, 0)).to.equal(stages.fit);
    }
  });
  it('a stage in which nothing could be checked is not shown as checked', () => {
    const { build, parts: own } = machineOf(board('at', ['isa16']), [jumpered('sound', { irq: [5, 7] })]);
    const empty = { ...build, items: [] };
    const { findings, hiding } = checked(empty, own);
    const states = stageStates(machine(empty, own), findings, hiding, () => true);
    for (const stage of ['brief', 'parts', 'fit', 'switches', 'lines', 'disks'] as const)
      expect(states[stage].checked, stage).to.equal(false);
    // A board of which only the slots are known does not say which parts are missing.
    const slots = checked(build, own);
    const bare = stageStates(machine(build, own), slots.findings, slots.hiding, () => true);
    for (const stage of ['parts', 'fit', 'disks'] as const)
      expect(bare[stage].checked, stage).to.equal(false);
    const whole = checked(demo('curlew'), parts);
    const done = stageStates(machine(demo('curlew'), parts), whole.findings, whole.hiding, () => true);
    expect(done.lines).to.deep.equal({ open: 0, checked: true });
    // Three settings of this board were not looked at, and none of them decides a line.
    const partly = checked(demo('sanderling'), parts);
    const seen = stageStates(machine(demo('sanderling'), parts), partly.findings, partly.hiding, () => false);
    expect([seen.lines.checked, seen.switches.checked]).to.deep.equal([true, false]);
  });
});

describe('instructions never start from a default that nobody saw', () => {
  const unseen = (id: string): Build => {
    const build = demo(id);
    const blind = (item: Build['board']) => ({ ...item, asFound: {}, seen: undefined });
    return Build.parse({ ...build, board: blind(build.board), items: build.items.map(blind) });
  };
  it('every switch and every pair of pins that a setting decides is named where nobody looked', () => {
    let rows = 0;
    for (let seed = 0; seed < 60; seed++) {
      const r = new Seeded(seed);
      const somewhere = (item: Build['board']) => ({
        ...item,
        chosen: Object.fromEntries(
          parts
            .get(item.part)!
            .settings.filter((x) => x.known)
            .map((x) => [x.id, r.pick(x.positions).id])
        )
      });
      const blind = unseen(demos[seed % demos.length]);
      const build = { ...blind, board: somewhere(blind.board), items: blind.items.map(somewhere) };
      const sheet = sheetOf(build, parts);
      for (const step of sheet.steps)
        for (const action of step.actions) {
          const item = [build.board, ...build.items].find((i) => i.id === step.item);
          const setting = item && parts.get(item.part)!.settings.find((s) => s.id === action.setting);
          const position = setting?.positions.find((p) => p.id === action.position);
          if (!position?.state) continue;
          rows++;
          if ('switches' in position.state)
            for (const n of Object.keys(position.state.switches))
              expect(action.text, action.text).to.match(new RegExp(`\\b${n} [A-Z01t]`));
          if ('caps' in position.state)
            for (const p of setting!.positions)
              for (const [a, b] of p.state && 'caps' in p.state ? p.state.caps : [])
                expect(action.text).to.include(`${Math.min(a, b)}-${Math.max(a, b)}`);
        }
    }
    expect(rows).to.be.greaterThan(300);
  });
  it('a solution says that nobody looked, and not where it takes the setting to be', () => {
    const answer = resolve(unseen('curlew'), parts);
    expect(answer.status === 'solved' && answer.moves.length).to.be.greaterThan(0);
    for (const move of answer.status === 'solved' ? answer.moves : [])
      expect(move.from, `${move.item} ${move.setting}`).to.equal(null);
  });
  it('what was found elsewhere is told as a difference', () => {
    const build = demo('plover');
    const chosen = {
      ...build,
      items: build.items.map((i) => (i.id === 'network' ? { ...i, chosen: { irq: '2' } } : i))
    };
    const texts = moveList(chosen, parts).jobs.flatMap((j) => j.actions.map(actionWords));
    expect(texts.join())
      .to.match(/move the jumper from pins/)
      .and.not.match(/nobody looked/);
  });
  it('a sheet without steps does not say that all is where it was found when nobody looked', () => {
    const { build, parts: own } = machineOf(board('at', ['isa16']), [jumpered('sound', { irq: [5, 7] })]);
    const sheet = sheetOf(build, own);
    expect(sheet.steps).to.deep.equal([]);
    expect(sheet.unseen).to.deep.equal([{ title: 'sound', settings: ['irq'] }]);
    expect(nothingToMove(sheet)).to.match(/look at it first/);
    expect(sheetText(sheet)).to.include('NOT LOOKED AT');
  });
});

describe('PCI interrupts', () => {
  const wired = (...irqs: string[]) => ({
    blocks: [{ id: 'start', kind: 'startup' as const }],
    settings: [
      {
        id: 'int',
        label: 'INT',
        block: 'start',
        positions: [...irqs, 'off'].map((id) => ({ id, label: id })),
        default: irqs[0] ?? 'off'
      }
    ],
    board: {
      class: 'at' as const,
      slots: [
        { id: 's1', bus: 'pci' as const, routing: { A: 'int' } },
        { id: 's2', bus: 'isa16' as const }
      ]
    }
  });
  const pci = (kind: 'network' | 'display') =>
    card('pci', [{ id: 'irq', resource: 'irq', pin: 'A' }], { bus: 'pci', fn: { kind } });
  const holder = card('holder', [{ id: 'irq', resource: 'irq', value: 10 }]);

  it('a network card keeps its line though off would cost nothing', () => {
    const { build, parts: own } = machineOf(board('at', [], wired('irq10', 'irq11')), [
      pci('network'),
      holder
    ]);
    const answer = resolve(build, own);
    expect(answer.status === 'solved' && answer.positions.board.int).to.equal('irq11');
  });
  it('none left is impossible, with the card in the core; a display does without', () => {
    const net = machineOf(board('at', [], wired('irq10')), [pci('network'), holder]);
    const answer = resolve(net.build, net.parts);
    expect(answer.status === 'impossible' && answer.core.map((c) => c.item).sort()).to.deep.equal(['a', 'b']);
    const display = machineOf(board('at', [], wired('irq10')), [pci('display'), holder]);
    const shown = resolve(display.build, display.parts);
    expect(shown.status === 'solved' && shown.positions.board.int).to.equal('off');
  });
  it('a function at off is a clash in the check, and counts as switched off where that is allowed', () => {
    const { build, parts: own } = machineOf(board('at', [], wired('irq10')), [pci('network'), holder]);
    const off = { ...build, board: { ...build.board, chosen: { int: 'off' } } };
    expect(check(off, own).find((f) => f.rule === 'pci.interrupt')?.severity).to.equal('clash');
    const answer = resolve(build, own, { allowOff: true });
    expect(answer.status === 'solved' && [answer.objective.off, answer.off]).to.deep.equal([
      1,
      [{ item: 'a', function: 'f' }]
    ]);
  });
  it('alternatives keep what is locked', () => {
    for (const id of demos) {
      const first = resolve(demo(id), parts);
      if (first.status !== 'solved') continue;
      const build = demo(id);
      const locked: Build = {
        ...build,
        items: build.items.map((i) => ({
          ...i,
          chosen: { ...i.chosen, ...first.positions[i.id] },
          locked: Object.keys(first.positions[i.id] ?? {})
        }))
      };
      const again = resolve(locked, parts, { alternatives: 8 });
      if (again.status !== 'solved') continue;
      for (const answer of again.alternatives)
        for (const i of locked.items)
          for (const setting of i.locked)
            expect(answer.positions[i.id][setting], `${id} ${i.id} ${setting}`).to.equal(i.chosen[setting]);
    }
  });
});
