import { expect } from 'chai';
import { jobs } from '../../src/lib/server/heavy/jobs';
import { checkBuild, type Build } from '../../src/lib/core/model';
import { buildOf, difference, merge, unitsOf } from '../../src/lib/core/revision';
import { exportKinds, exported, readBuildFile, writeBuildFile } from '../../src/lib/formats';
import { changesOf } from '../../src/lib/words/en/revision';
import { lived } from '../support/lived';
import { torture } from '../support/torture';

const seeds = Array.from({ length: torture(600, 10) }, (_, i) => i + 1);

/** Texts of an answer, however deep. */
function* textsIn(value: unknown): Generator<string> {
  if (typeof value === 'string') yield value;
  else if (typeof value === 'object' && value !== null)
    for (const v of Object.values(value)) yield* textsIn(v);
}
const holes = /\bundefined\b|\bNaN\b|\[object|\bInfinity\b/;

/** What the command line and the API tell of a machine, each by its name. */
const reports: Readonly<Record<string, (machine: ReturnType<typeof lived>) => unknown>> = {
  check: (m) => jobs.check(m),
  column: (m) => jobs.column(m),
  resolve: (m) => jobs.resolve({ ...m, options: { maxNodes: 2000 }, ms: 4000 }),
  'memory map': (m) => jobs.memoryMap(m),
  'start files': (m) => jobs.boot(m),
  'start files as they are': (m) =>
    jobs.bootCheck({ ...m, config: m.build.boot?.config ?? '', autoexec: m.build.boot?.autoexec ?? '' }),
  'rehearsal as found': (m) => jobs.rehearse({ ...m, which: 'found' }),
  'rehearsal as planned': (m) => jobs.rehearse({ ...m, which: 'chosen' }),
  ...Object.fromEntries(exportKinds.map((kind) => [kind, (m) => exported(m.build, m.parts, kind).content]))
};

describe('a machine with a past that nobody had', () => {
  it('goes into a file and comes back as it was', () => {
    for (const seed of seeds) {
      const { build, parts } = lived(seed);
      expect(checkBuild(build, parts), `seed ${seed}`).to.deep.equal([]);
      expect(readBuildFile(writeBuildFile(build, parts)).build, `seed ${seed}`).to.deep.equal(build);
    }
  });

  for (const [name, report] of Object.entries(reports))
    it(`is told in words without holes: ${name}`, () => {
      for (const seed of seeds)
        for (const text of textsIn(report(lived(seed))))
          if (holes.test(text)) expect.fail(`seed ${seed}: ${text.slice(0, 300)}`);
    });

  it('points to something, or says that nothing is noted', () => {
    let told = 0;
    for (const seed of seeds) {
      const machine = lived(seed);
      const starts = Object.values(machine.build.starts ?? {});
      if (!starts.length) {
        expect(() => jobs.diagnose(machine), `seed ${seed}`).to.throw();
        continue;
      }
      told++;
      for (const text of textsIn(jobs.diagnose(machine)))
        if (holes.test(text)) expect.fail(`seed ${seed}: ${text.slice(0, 300)}`);
    }
    expect(told).to.be.greaterThan(seeds.length / 4);
  });

  it('is made of facts, and is the same when it is put together of them again', () => {
    for (const seed of seeds) {
      const { build } = lived(seed);
      expect(factsOf(buildOf(unitsOf(build))), `seed ${seed}`).to.deep.equal(factsOf(build));
      expect(difference(build, build), `seed ${seed}`).to.deep.equal([]);
    }
  });

  it('differs from another past in facts that can be said, each once', () => {
    for (const seed of seeds) {
      const [{ build: one, parts }, { build: other }] = [lived(seed), lived(seed + 1)];
      // The same machine, so that only what happened to it differs.
      const two: Build = { ...one, ...pastOf(other) };
      const keys = difference(one, two).map((f) => f.key);
      expect(new Set(keys).size, `seed ${seed}`).to.equal(keys.length);
      const changes = changesOf(one, two, parts);
      expect(changes.length, `seed ${seed}`).to.be.at.most(keys.length);
      expect(changes.length > 0, `seed ${seed}`).to.equal(keys.length > 0);
      for (const text of textsIn(changes)) if (holes.test(text)) expect.fail(`seed ${seed}: ${text}`);
    }
  });

  it('merges: a side that changed nothing gives way, and two that did the same are asked nothing', () => {
    for (const seed of seeds) {
      const [{ build: base }, { build: other }] = [lived(seed), lived(seed + 1)];
      const mine: Build = { ...base, ...pastOf(other) };
      const none = new Map();
      expect(factsOf(merge(base, mine, base).take(none)), `seed ${seed}: mine`).to.deep.equal(factsOf(mine));
      expect(factsOf(merge(base, base, mine).take(none)), `seed ${seed}: theirs`).to.deep.equal(
        factsOf(mine)
      );
      expect(merge(base, mine, mine).lines.filter((l) => l.by === 'both')).to.deep.equal([]);
    }
  });
});

/** A build as its facts: of pairs and sets the order says nothing. */
const factsOf = (build: Build) => Object.fromEntries(unitsOf(build));

/** What happened to a machine, apart from what it is made of. */
function pastOf({
  starts,
  trials,
  rails,
  shortHunt,
  mishap,
  firstPower,
  rescue,
  intake,
  teardown,
  boot
}: Build) {
  const past = { starts, trials, rails, shortHunt, mishap, firstPower, rescue, intake, teardown, boot };
  return Object.fromEntries(Object.entries(past).filter(([, value]) => value !== undefined));
}
