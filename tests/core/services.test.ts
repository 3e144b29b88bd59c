import { expect } from 'chai';
import {
  Brief,
  hasFacts,
  isOfKind,
  type DriveInterface,
  type Part,
  type PartOf
} from '../../src/lib/core/model';
import { Enclosures, hasPlug } from '../../src/lib/core/planner/enclosure';
import { poolOf, type Pool } from '../../src/lib/core/planner/pool';
import {
  Services,
  driveNeeds,
  functionChoices,
  seats,
  wishedNeeds,
  type Need
} from '../../src/lib/core/planner/services';
import { middleWeights } from '../../src/lib/core/planner/types';
import { readSoftware } from '../../src/lib/server/catalogue';
import { parts } from '../support/demo';
import { Seeded } from '../support/random';
import { torture } from '../support/torture';

const all = [...parts.values()];
const boards = all.filter((p): p is PartOf<'board'> => isOfKind(p, 'board') && !p.board.closed);
const drives = all.filter((p): p is PartOf<'drive'> => isOfKind(p, 'drive'));
const cards = all.filter((p): p is PartOf<'card'> => isOfKind(p, 'card'));

/** A small catalogue: one board, some cards, everything else as it is. */
function small(r: Seeded): { pool: Pool; board: PartOf<'board'>; few: PartOf<'card'>[] } {
  const board = r.pick(boards);
  const few = r.some(
    cards.filter((c) => !c.video && !c.audio),
    7
  );
  const list = [...all.filter((p) => !isOfKind(p, 'card') && !isOfKind(p, 'board')), board, ...few];
  const brief = Brief.parse({ strictness: 'convenient' });
  return { pool: poolOf({ brief, parts: list, shelf: [] }, middleWeights), board, few };
}

/** What a machine has for a need, counted from its parts without anything of the planner. */
function has(need: Need, board: PartOf<'board'>, fitted: readonly Part[], pool: Pool): boolean {
  if (need.kind === 'function')
    return fitted.some((p) => p.functions.some((f) => need.functions.includes(f.kind)));
  const bare = pool.get(board.board.firmware ?? '')?.firmware?.disk.types === 0;
  const ownRom = (p: Part) =>
    p.functions.some((f) => f.claims.some((c) => c.resource === 'memory' && c.use === 'rom'));
  const places = fitted
    .filter((p) => !bare || need.speaks === 'floppy' || ownRom(p))
    .flatMap((p) => p.functions)
    .filter((f) => f.speaks?.includes(need.speaks) && (!need.fed || f.feeds === true))
    .filter(
      (f) =>
        need.rate <= 300 || (f.floppyKiB !== undefined && rateFor(f.floppyKiB) >= need.rate) || !need.rate
    )
    .reduce((n, f) => n + (f.units ?? 2), 0);
  return places >= need.units;
}
/** kbit/s that a controller for floppies of a size can do, as their data sheets say. */
const rateFor = (kib: number): number => (kib >= 2880 ? 1000 : kib >= 1200 ? 500 : 300);

const interfaces: DriveInterface[] = ['ata', 'floppy', 'st506', 'scsi'];
const needOf = (r: Seeded): Need =>
  r.chance(0.5)
    ? { kind: 'function', functions: [r.pick(['serial', 'parallel', 'game', 'network', 'scsi', 'mouse'])] }
    : { kind: 'drive', speaks: r.pick(interfaces), units: 1 + r.int(3), rate: 0, fed: false };

describe('cards that provide what a machine needs', () => {
  it('meet every need together, and no card of a set is to spare', () => {
    let sets = 0;
    for (let seed = 1; seed <= torture(1500, 150); seed++) {
      const r = new Seeded(seed);
      const { pool, board } = small(r);
      const needs = Array.from({ length: 1 + r.int(3) }, () => needOf(r));
      const services = new Services(pool, []);
      const found = services.covers(
        board,
        [],
        needs.map((n) => services.number(n))
      );
      for (const { parts: chosen, weight } of found) {
        sets++;
        const fitted = chosen.map((p) => p.part);
        const where = `seed ${seed}: ${fitted.map((p) => p.id).join(' ')}`;
        for (const need of needs)
          expect(has(need, board, [board, ...fitted], pool), `${where} for ${JSON.stringify(need)}`).to.equal(
            true
          );
        for (const card of fitted) {
          expect(seats(board, card), `${where}: ${card.id} finds a slot`).to.equal(true);
          const without = [board, ...fitted.filter((p) => p !== card)];
          expect(
            needs.every((need) => has(need, board, without, pool)),
            `${where}: ${card.id} is to spare`
          ).to.equal(false);
        }
        expect(weight, where).to.be.closeTo(
          fitted.reduce((n, p) => n + pool.weigh(p), 0),
          1e-9
        );
      }
    }
    expect(sets).to.be.greaterThan(60);
  });

  it('there are some whenever any cards would do, and the lightest is as light as any', () => {
    let possible = 0;
    for (let seed = 1; seed <= torture(1500, 150); seed++) {
      const r = new Seeded(seed);
      const { pool, board, few } = small(r);
      const needs = Array.from({ length: 1 + r.int(2) }, () => needOf(r));
      const services = new Services(pool, []);
      const found = services.covers(
        board,
        [],
        needs.map((n) => services.number(n))
      );
      const usable = few.filter((c) => seats(board, c));
      let lightest = Infinity;
      for (let set = 0; set < 1 << usable.length; set++) {
        const chosen = usable.filter((_, i) => set & (1 << i));
        if (chosen.length > 4 || !needs.every((need) => has(need, board, [board, ...chosen], pool))) continue;
        lightest = Math.min(
          lightest,
          chosen.reduce((n, p) => n + pool.weigh(p), 0)
        );
      }
      const where = `seed ${seed}: ${JSON.stringify(needs)} on ${board.id} with ${usable.map((c) => c.id).join(' ')}`;
      expect(found.length > 0, where).to.equal(lightest < Infinity);
      if (!found.length) continue;
      possible++;
      expect(found[0]!.weight, where).to.be.closeTo(lightest, 1e-9);
      const weights = found.map((o) => o.weight);
      expect(weights, 'the lightest first').to.deep.equal([...weights].sort((a, b) => a - b));
    }
    expect(possible).to.be.greaterThan(40);
  });

  it('what could be served at all is what has a set of cards', () => {
    for (let seed = 1; seed <= torture(600, 80); seed++) {
      const r = new Seeded(seed);
      const { pool, board } = small(r);
      const services = new Services(pool, []);
      const needs = Array.from({ length: 4 }, () => services.number(needOf(r)));
      const could = services.servable(board, needs)([]);
      for (const need of needs)
        if (services.covers(board, [], [need]).length)
          expect(could.has(need), `seed ${seed}: need ${need}`).to.equal(true);
    }
  });

  it('a card that must be in is in every set, and counts', () => {
    const r = new Seeded(5);
    for (let i = 0; i < 60; i++) {
      const { pool, board, few } = small(r);
      const must = few.filter((c) => seats(board, c)).slice(0, 1);
      if (!must.length) continue;
      const services = new Services(pool, must);
      const need = services.number(needOf(r));
      for (const { parts: chosen } of services.covers(board, [], [need]))
        expect(chosen.map((p) => p.part)).to.include(must[0]);
      const own = must[0]!.functions[0]?.kind;
      if (!own) continue;
      const met = services.covers(board, [], [services.number({ kind: 'function', functions: [own] })]);
      expect(met.map((o) => o.parts.map((p) => p.part.id))).to.deep.equal([must.map((p) => p.id)]);
    }
  });

  it('one need has one number, however often it is asked', () => {
    const { pool } = small(new Seeded(1));
    const services = new Services(pool, []);
    const need = (): Need => ({ kind: 'function', functions: ['serial'] });
    expect(services.number(need())).to.equal(services.number(need()));
    expect(services.number({ kind: 'function', functions: ['game'] })).to.not.equal(services.number(need()));
  });
});

describe('what drives and wishes need', () => {
  it('drives of one interface need places together; the fastest floppy sets the rate', () => {
    const of = (test: (d: PartOf<'drive'>['drive']) => boolean) =>
      drives.filter((p) => p.drive.plug !== 'cable' && test(p.drive));
    const [low] = of((d) => d.floppyKiB === 360);
    const [high] = of((d) => d.floppyKiB === 1440);
    const [disk] = of((d) => d.interface === 'ata' && d.medium === 'hard');
    const needs = driveNeeds([low!, high!, disk!, disk!]);
    expect(needs.filter((n) => n.kind === 'drive').map((n) => [n.speaks, n.units, n.rate > 0])).to.deep.equal(
      [
        ['floppy', 2, true],
        ['ata', 2, false]
      ]
    );
    expect(driveNeeds([])).to.deep.equal([]);
    const slow = driveNeeds([low!])[0]!;
    const fast = driveNeeds([high!])[0]!;
    expect(slow.kind === 'drive' && fast.kind === 'drive' && slow.rate < fast.rate).to.equal(true);
  });
  it('a wish for a function is a need; one for a drive, a picture or quiet is none', () => {
    const needs = (wishes: Brief['wishes']) => wishedNeeds(Brief.parse({ wishes }));
    expect(needs([{ kind: 'have', what: 'network' }])).to.deep.equal([
      { kind: 'function', functions: ['network'] }
    ]);
    expect(needs([{ kind: 'have', what: 'mouse' }])[0]).to.deep.include({ functions: ['mouse', 'serial'] });
    expect(needs([{ kind: 'have', what: 'cdrom' }, { kind: 'quiet' }, { kind: 'colour' }])).to.deep.equal([]);
  });
  it('programs may have all of their functions, some, or none; more of them never meet less', () => {
    const program = readSoftware().find((p) => (p.wants?.functions ?? []).length > 1)!;
    const choices = functionChoices(Brief.parse({ profiles: [program] }));
    expect(choices).to.have.length(2 ** program.wants!.functions!.length);
    expect(choices[0]!.needs).to.have.length(program.wants!.functions!.length);
    expect(choices.at(-1)!.needs).to.deep.equal([]);
    for (const { mask } of choices) expect(mask | choices[0]!.mask).to.equal(choices[0]!.mask);
  });
  it('boards of the catalogue that run drives say so by a function that speaks to them', () => {
    for (const board of boards)
      for (const fn of board.functions.filter((f) => f.kind === 'floppy' || f.kind === 'hard-disk'))
        expect(fn.speaks?.length, `${board.id} ${fn.id}`).to.be.greaterThan(0);
    expect(boards.some((b) => hasFacts(b, 'video'))).to.equal(true);
  });
});

describe('what goes around a board', () => {
  const plug = (powerPlug: 'at' | 'atx' | 'either' | undefined, form: string) =>
    hasPlug({ powerPlug } as never, { supply: { form } } as never);

  it('a supply has its plug, or it does not; a board with both takes either, and nobody’s word is no refusal', () => {
    expect([plug('at', 'at'), plug('at', 'atx'), plug('atx', 'at'), plug('atx', 'atx')]).to.deep.equal([
      true,
      false,
      false,
      true
    ]);
    for (const form of ['at', 'xt', 'atx']) {
      expect(plug('either', form), form).to.equal(true);
      expect(plug(undefined, form), form).to.equal(true);
    }
  });
  it('a board has a case, a supply and a keyboard in the catalogue, and none in one without cases that fit', () => {
    const brief = Brief.parse({ strictness: 'convenient' });
    const pool = poolOf({ brief, parts: all, shelf: [] }, middleWeights);
    for (const board of boards) expect(new Enclosures(pool, []).hasTrim(board), board.id).to.equal(true);
    const atx = boards.find((b) => b.board.powerPlug === 'atx')!;
    const noPlug = all.filter((p) => !isOfKind(p, 'supply') || p.supply.form !== 'atx');
    const without = poolOf({ brief, parts: noPlug, shelf: [] }, middleWeights);
    expect(new Enclosures(without, []).hasTrim(atx)).to.equal(false);
    // Where the catalogue knows no supply at all, nothing is said against a board.
    const none = all.filter((p) => !isOfKind(p, 'supply'));
    expect(
      new Enclosures(poolOf({ brief, parts: none, shelf: [] }, middleWeights), []).hasTrim(atx)
    ).to.equal(true);
  });
});
