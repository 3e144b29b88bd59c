import { expect } from 'chai';
import {
  beginCourse,
  diagnose,
  eraOf,
  explanations,
  isMended,
  modesOf,
  needsTwo,
  nextTests,
  perform,
  stepsOf,
  testOf,
  testsOf,
  traces
} from '../../src/lib/core/diagnosis';
import { firstRepair } from '../../src/lib/core/diagnosis/first-repair';
import { kitOf } from '../../src/lib/core/kit';
import { MESSAGES, type MessageId, type Start } from '../../src/lib/core/model';
import { testWords } from '../../src/lib/words';
import { demo, parts } from '../support/demo';
import { Seeded } from '../support/random';

const at = '2026-11-28T20:00:00.000Z';
const machine = (name: string, seen: readonly Omit<Start, 'at'>[] = []) => {
  const kit = kitOf(demo(name), parts);
  const era = eraOf(kit);
  return {
    era,
    modes: modesOf(
      kit,
      era,
      [],
      seen.map((s) => ({ at, ...s }))
    )
  };
};
const told = (name: string, family: 'P' | 'A', starts: Omit<Start, 'at'>[]) => {
  const { era, modes } = machine(name, starts);
  const d = diagnose(
    modes,
    starts.map((s) => ({ at, ...s })),
    era,
    family
  );
  return { d, modes, era, first: explanations(d).map((e) => e.faults.map((i) => modes[i]!.id).join('+')) };
};

describe('what is told of a start', () => {
  it('knows two short beeps of an original as something to read, not as a sound that nothing makes', () => {
    const { first } = told('turnstone', 'P', [
      { power: 'runs', beeps: '2', screen: 'text', messages: ['keyboard'] }
    ]);
    expect(first[0]).to.equal('keyboard');
    const { d } = told('turnstone', 'P', [{ power: 'runs', beeps: '2', screen: 'dark' }]);
    expect(d.stops[0]!.stage, 'it went on though nothing is seen').to.equal(null);
  });

  it('blames for a dark screen behind a good beep the monitor alone, not what the dark hides', () => {
    const dark = { power: 'runs', beeps: '1', screen: 'dark' } as const;
    const { first, d, era, modes } = told('turnstone', 'A', [dark, { ...dark, after: 'nothing' }]);
    expect(first[0]).to.equal('monitor');
    const [cell, monitor] = ['cell', 'monitor'].map((id) => modes.findIndex((m) => m.id === id)) as [
      number,
      number
    ];
    expect(firstRepair(d, 'A', era)([cell, monitor]), 'before a message that nobody can read').to.equal(
      monitor
    );
    expect(firstRepair(d, 'A', era)([cell])).to.equal(cell);
  });

  it('leaves out a fault that lies hidden, at every stage behind the picture', () => {
    const { modes, era } = machine('turnstone');
    const place = (id: string) => modes.findIndex((m) => m.id === id);
    for (const t of traces(modes, [place('monitor'), place('no-system')], 'A', era)) {
      expect(t.stop).to.equal('boot');
      expect(t.isHidden).to.equal(true);
    }
  });

  it('tells of a machine that runs that nothing speaks for a fault', () => {
    const { first } = told('turnstone', 'A', [
      { power: 'runs', beeps: '1', screen: 'text', messages: [], reached: 'prompt' }
    ]);
    expect(first[0]).to.equal('');
  });
});

describe('a message on the screen', () => {
  const read = (name: string, ...messages: MessageId[]) => told(name, 'A', [{ messages }]);

  it('is what its own causes say, in a machine that has them', () => {
    for (const message of MESSAGES) {
      const { d, modes } = read('curlew', message);
      const [best] = explanations(d);
      const effects = best!.faults.map((i) => modes[i]!.effect);
      expect(
        effects.some((e) => e.says === message || e.then?.says === message),
        message
      ).to.equal(true);
      expect(d.unexplained, message).to.deep.equal([]);
    }
  });

  it('speaks against what keeps a screen dark', () => {
    for (const message of MESSAGES) {
      const { first } = read('turnstone', message);
      expect(first[0], message).not.to.match(/memory-contact|supply-dead|cpu-contact|display-card/);
    }
  });

  it('that nothing in the machine says is left open', () => {
    // How far the start came behind its picture is not known then, and nothing there is cleared.
    const { d } = read('dunlin', 'settings');
    const [floppy, cpu] = ['floppy-drive', 'cpu-contact'].map(
      (way) => d.components.find((c) => c.modes.some((m) => m.id.startsWith(way)))!.verdict
    );
    expect([floppy, cpu]).to.deep.equal(['open', 'cleared']);
    // An XT has no setup to lose.
    expect(read('dunlin', 'settings', 'keyboard').d.unexplained).to.deep.equal(['settings']);
    expect(modesOf(kitOf(demo('dunlin'), parts), 'I', []).some((m) => m.effect.says === 'settings')).to.equal(
      false
    );
  });

  it('of a missing system asks for the table and the geometry, and writes nothing', () => {
    const { d, modes, first } = read('curlew', 'no-system');
    const ways = first.slice(0, 2).map((id) => modes.find((m) => m.id === id)!.way);
    expect(ways).to.have.members(['disk-geometry', 'disk-table']);
    const disk = d.components.find((c) => c.mode.item !== undefined && c.verdict === 'implicated')!;
    expect(disk.isOfPart, 'the disk itself is not called bad').to.equal(false);
    expect(testWords('read-table', () => null).how).to.match(/Write no partition sector before/);
  });
});

describe('beeps that a BIOS does not make', () => {
  it('say nothing, and that is said', () => {
    const heard = (family: 'P' | 'A', beeps: string) => told('turnstone', family, [{ beeps }]).d.unheard;
    expect(heard('A', 'continuous')).to.equal('continuous');
    expect(heard('A', '1 long 2 short')).to.equal('1 long 2 short');
    expect(heard('P', 'continuous')).to.equal(null);
    expect(heard('A', '3')).to.equal(null);
    expect(heard('A', 'none')).to.equal(null);
  });
});

describe('after the plugs were exchanged under power', () => {
  it('memory chips and the logic of the board are suspected more, contacts no more than before', () => {
    const build = demo('turnstone');
    const prior = (of: typeof build, id: string) => {
      const kit = kitOf(of, parts);
      return modesOf(kit, eraOf(kit), []).find((m) => m.id === id)!.prior;
    };
    const after = { ...build, mishap: { at, cased: true } } as typeof build;
    for (const id of ['memory-chip', 'memory-high', 'board-logic'])
      expect(prior(after, id), id).to.be.greaterThan(2 * prior(build, id));
    for (const id of ['memory-contact', 'monitor', 'cell'])
      expect(prior(after, id), id).to.equal(prior(build, id));
    const kit = kitOf(after, parts);
    const modes = modesOf(kit, eraOf(kit), []);
    const d = diagnose(modes, [{ at, power: 'runs', beeps: '3', screen: 'dark' }], eraOf(kit), 'A');
    expect(modes[explanations(d)[0]!.faults[0]!]!.id).to.equal('memory-chip');
  });
});

describe('two faults', () => {
  it('are said where no single one explains what was seen', () => {
    const both = told('turnstone', 'A', [
      { power: 'runs', beeps: '1', screen: 'text', messages: ['settings', 'keyboard'], reached: 'prompt' }
    ]);
    expect(needsTwo(both.d, explanations(both.d))).to.equal(true);
    const one = told('turnstone', 'A', [{ power: 'runs', beeps: '8', screen: 'dark' }]);
    expect(needsTwo(one.d, explanations(one.d))).to.equal(false);
  });
});

describe('cards taken out one by one', () => {
  const { modes, era } = machine('turnstone');
  const cards = modes.filter((m) => m.way === 'card').map((m) => m.item!);
  const dark: Start = { at, power: 'twitch', screen: 'dark' };
  const good: Start = { at, power: 'runs', beeps: '1', screen: 'text', messages: [], reached: 'prompt' };

  it('find the one that pulls the rails down, once the machine starts without all of them', () => {
    expect(cards.length).to.be.greaterThan(2);
    const notes = [dark, { ...good, after: 'strip' }];
    const all = diagnose(modes, notes, era, 'A');
    const next = nextTests(all, era, 'A', stepsOf(notes)).filter(
      (t) => !t.isRefused && !testOf(t.test.id)!.reads
    );
    expect(next[0]!.test.id).to.match(/^without /);
    expect(needsTwo(all, explanations(all)), 'the flat battery of many explains nothing here').to.equal(
      false
    );
    const bad = cards[1]!;
    for (const [item, start] of [
      [cards[0]!, dark],
      [bad, good]
    ] as const)
      notes.push({ ...start, after: `without ${item}` });
    // Such a card lets a start through now and then: one good start is a hint, several are more.
    for (let n = 0; n < 4; n++) notes.push({ ...good, after: 'nothing' });
    const d = diagnose(modes, notes, era, 'A');
    const [first] = explanations(d);
    expect(first!.faults.map((i) => modes[i]!.item)).to.deep.equal([bad]);
    expect(first!.p).to.be.greaterThan(0.9);
    expect(d.now.sets[0]!.faults, 'it is still to be repaired').to.deep.equal(first!.faults);
  });

  it('are no end while one of them is out, nor is one good start among bad ones', () => {
    const r = new Seeded(8);
    const random = () => r.next();
    const fault = modes.findIndex((m) => m.item === cards[0] && m.way === 'card');
    const course = beginCourse(modes, [fault], era, 'A', random);
    const stripped = perform(course, testOf('strip')!, random);
    expect(stripped.left).to.deep.equal([]);
    expect(isMended(stripped)).to.equal(false);
    const other = perform(stripped, testOf(`without ${cards[1]}`)!, random);
    expect(other.left, 'the bad one is back in').to.deep.equal([fault]);
    const found = perform(other, testOf(`without ${cards[0]}`)!, random);
    expect([found.left, found.out]).to.deep.equal([[], [fault]]);
    const bad = { ...course, notes: [dark] };
    expect(isMended({ ...bad, notes: [dark, { ...good, after: 'nothing' }] })).to.equal(false);
    expect(isMended({ ...bad, notes: [dark, { ...good, after: 'other-supply' }] })).to.equal(true);
  });

  it('have a test each where there are several, and none where there is nothing to choose', () => {
    expect(testsOf(modes).filter((t) => t.id.startsWith('without ')).length).to.equal(cards.length);
    const one = modes.filter((m) => m.way !== 'card' || m.item === cards[0]);
    expect(testsOf(one).some((t) => t.id.startsWith('without '))).to.equal(false);
    expect(testOf('without nothing-such')!.removes!.cures(modes[0]!)).to.equal(false);
    expect(testOf('no-such-test')).to.equal(undefined);
  });
});
