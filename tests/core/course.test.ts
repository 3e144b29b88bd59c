import { expect } from 'chai';
import {
  beginCourse,
  dealt,
  eraOf,
  modesOf,
  perform,
  playAdvised,
  playFixed,
  repair,
  runs,
  testById
} from '../../src/lib/core/diagnosis';
import { kitOf } from '../../src/lib/core/kit';
import { Start } from '../../src/lib/core/model';
import { demo, parts } from '../support/demo';
import { Seeded } from '../support/random';
import { torture } from '../support/torture';

const kit = kitOf(demo('turnstone'), parts);
const era = eraOf(kit);
const modes = modesOf(kit, era, []);
const place = (id: string) => modes.findIndex((m) => m.id === id);

describe('a simulated machine with hidden faults', () => {
  it('deals as many faults as asked for, the likely ones more often', () => {
    const r = new Seeded(3);
    const random = () => r.next();
    const counts = new Map<string, number>();
    for (let n = 0; n < 2000; n++) {
      expect(dealt(modes, 'none', random)).to.deep.equal([]);
      expect(new Set(dealt(modes, 'two', random)).size).to.equal(2);
      const [one] = dealt(modes, 'one', random);
      counts.set(modes[one!]!.id, (counts.get(modes[one!]!.id) ?? 0) + 1);
    }
    expect(counts.get('cell')!).to.be.greaterThan(5 * (counts.get('display-card') ?? 0));
  });

  it('notes what the fault shows, and adds up what a test costs', () => {
    const r = new Seeded(5);
    const random = () => r.next();
    let dark = 0;
    for (let n = 0; n < 200; n++) {
      const course = beginCourse(modes, [place('memory-chip')], era, 'A', random);
      expect(course.minutes).to.equal(1);
      expect(runs(course)).to.equal(false);
      for (const note of course.notes) Start.parse(note);
      if (course.notes[0]!.screen === 'dark') dark++;
      const ohms = perform(course, testById.get('ohms')!, random);
      expect(ohms.minutes).to.equal(4);
      expect(ohms.notes.at(-1)!.read!.test).to.equal('ohms');
      const swapped = perform(ohms, testById.get('other-memory')!, random);
      expect(swapped.minutes).to.equal(17);
      expect(swapped.tests).to.equal(2);
      if (!swapped.left.length) {
        const back = perform(swapped, testById.get('put-back')!, random);
        expect(back.left).to.deep.equal([place('memory-chip')]);
      }
    }
    expect(dark).to.equal(200);
  });

  it('ends with a machine that runs, whichever way it is played', () => {
    const r = new Seeded(17);
    const random = () => r.next();
    for (let n = 0; n < torture(40, 2); n++) {
      const begun = beginCourse(modes, dealt(modes, 'two', random), era, 'A', random);
      const advised = playAdvised(begun, random);
      expect(runs(advised.course) || advised.course.tests >= 40, `course ${n}`).to.equal(true);
      expect(runs(playFixed(begun, random))).to.equal(true);
      expect(advised.right).to.be.at.most(advised.repairs);
    }
  });

  it('makes a thing good for sure, and begins anew after it', () => {
    const r = new Seeded(23);
    const random = () => r.next();
    const course = beginCourse(
      modes,
      [place('short'), place('keyboard')].sort((a, b) => a - b),
      era,
      'A',
      random
    );
    const mended = repair(course, place('short'), random);
    expect(mended.left).to.deep.equal([place('keyboard')]);
    expect(mended.notes).to.have.length(1);
    expect(mended.notes[0]!.after).to.equal(undefined);
  });
});
