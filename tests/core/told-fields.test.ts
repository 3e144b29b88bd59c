import { expect } from 'chai';
import {
  hasFacts,
  partSet,
  withToldFields,
  type FactId,
  type FactValue,
  type Part
} from '../../src/lib/core/model';
import { check } from '../../src/lib/core/rules';
import { anything } from '../support/anything';
import { demo, parts } from '../support/demo';
import { torture } from '../support/torture';

/** A part as one describes it by hand: what its settings tell stands beside them, and not in fields of its own. */
function byHand(part: Part): Part {
  const means: NonNullable<Part['means']> = [...(part.means ?? [])];
  const tell = (fact: FactId, setting: string, values: Record<string, FactValue>) =>
    means.push({ fact, setting, values });
  let out = part;
  if (hasFacts(part, 'board')) {
    const { busClock, multiplier, coreVolts, busDivisor, displaySwitch, fpuSwitch, ...rest } = part.board;
    const kept: Partial<typeof part.board> = {};
    const offered = { 'bus-mhz': { busClock }, factor: { multiplier }, volts: { coreVolts } } as const;
    for (const [fact, field] of Object.entries({ ...offered, 'bus-divisor': { busDivisor } }))
      for (const told of Object.values(field))
        if (told && !Array.isArray(told)) tell(fact as FactId, told.setting, told.values);
        else if (told) Object.assign(kept, field);
    if (displaySwitch) tell('display', displaySwitch.setting, displaySwitch.values);
    if (fpuSwitch) tell('fpu', fpuSwitch.setting, { [fpuSwitch.fitted]: 1, [fpuSwitch.none]: 0 });
    out = { ...out, board: { ...rest, ...kept } };
  }
  if (hasFacts(part, 'video') && part.video.monitorSwitch) {
    const { monitorSwitch, ...rest } = part.video;
    tell('monitor', monitorSwitch.setting, monitorSwitch.values);
    out = { ...out, video: rest };
  }
  return { ...out, ...(means.length ? { means } : {}) };
}

describe('what settings are said to tell', () => {
  const described = partSet([...parts.values()].map(byHand));

  it('stands in the fields of the part again when it is asked', () => {
    let moved = 0;
    for (const part of parts.values()) {
      const told = byHand(part);
      if ((told.means?.length ?? 0) > (part.means?.length ?? 0)) moved++;
      const back = withToldFields(told);
      expect([back.board, back.video], part.id).to.deep.equal([part.board, part.video]);
      expect(back.means ?? [], part.id).to.deep.equal(part.means ?? []);
    }
    expect(moved).to.be.greaterThan(10);
  });
  it('is checked like that of a part of the catalogue, on the demo machines and on machines at random', () => {
    let fired = 0;
    const builds = ['plover', 'dunlin', 'turnstone', 'sanderling', 'curlew'].map(demo);
    for (const build of [
      ...builds,
      ...Array.from({ length: torture(300, 100) }, (_, seed) => anything(seed).build)
    ]) {
      const told = check(build, described);
      expect(told, build.name).to.deep.equal(check(build, parts));
      const own = [
        'video.switch',
        'video.danger',
        'fpu.switch',
        'cpu.clock',
        'cpu.slow',
        'cpu.voltage-unknown'
      ];
      fired += told.filter((f) => own.includes(f.rule)).length;
    }
    expect(fired, 'cases that tell').to.be.greaterThan(20);
  });
  it('is left beside the setting where it says nothing that the field knows', () => {
    const board = [...parts.values()].find((p) => p.board?.displaySwitch)!;
    const setting = board.board!.displaySwitch!.setting;
    const odd = byHand(board);
    const means = [{ fact: 'display' as const, setting, values: { x: 'purple' } }];
    expect(withToldFields({ ...odd, means }).means).to.deep.equal(means);
  });
});
