import { expect } from 'chai';
import { moveList, type Act, type CardJob } from '../../src/lib/core/moves';
import { blockState } from '../../src/lib/core/settings';
import {
  Build,
  isOfKind,
  type Block,
  type Item,
  type Part,
  type PartOf,
  type PartSet,
  type Setting
} from '../../src/lib/core/model';
import { firstSlot } from '../../src/lib/core/resources';
import { parts } from '../support/demo';
import { Seeded } from '../support/random';
import { torture } from '../support/torture';

/** What sits on the blocks of one card, as hands find it and leave it. */
class Hands {
  /** Jumpers on a header, as pairs of pins, the lower first. */
  private readonly jumpers = new Map<string, Set<string>>();
  private readonly switches = new Map<string, Record<number, string>>();
  private readonly steps = new Map<string, number>();
  private readonly packs = new Map<string, readonly number[]>();
  /** What could not be done with fingers. */
  readonly stuck: string[] = [];

  constructor(
    private readonly part: Part,
    found: Readonly<Record<string, string>>
  ) {
    for (const block of part.blocks) {
      const state = blockState(part, block.id, found);
      if (!state) continue;
      if ('caps' in state) this.jumpers.set(block.id, new Set(state.caps.map(pair)));
      if ('switches' in state) this.switches.set(block.id, { ...state.switches });
      if ('step' in state) this.steps.set(block.id, state.step);
      if ('bridges' in state) this.packs.set(block.id, state.bridges);
    }
  }

  private on(block: string): Set<string> {
    const set = this.jumpers.get(block) ?? new Set();
    this.jumpers.set(block, set);
    return set;
  }
  private lift(block: string, p: string): void {
    if (!this.on(block).delete(p)) this.stuck.push(`there is no jumper on ${block} ${p}`);
  }
  private press(block: string, p: string): void {
    const pins = p.split('-');
    const other = [...this.on(block)].find((q) => q.split('-').some((pin) => pins.includes(pin)));
    if (other) this.stuck.push(`on ${block} a jumper on ${other} is in the way of ${p}`);
    this.on(block).add(p);
  }

  /** Does what one line of the list says. */
  do(block: string, act: Act): void {
    switch (act.is) {
      case 'move':
        this.lift(block, pair(act.from));
        return this.press(block, pair(act.to));
      case 'remove':
        return this.lift(block, pair(act.pair));
      case 'fit':
        return this.press(block, pair(act.pair));
      case 'whole-header':
        for (const p of act.bare) this.on(block).delete(pair(p));
        for (const p of act.on) if (!this.on(block).has(pair(p))) this.press(block, pair(p));
        return;
      case 'levers':
      case 'whole-dip': {
        const switches = this.switches.get(block) ?? {};
        for (const { lever, to } of act.levers) switches[lever] = to;
        this.switches.set(block, switches);
        return;
      }
      case 'turn':
      case 'slide':
        return void this.steps.set(block, act.step);
      case 'packs':
        return void this.packs.set(block, act.in);
      default:
        return;
    }
  }

  /** Whether a setting stands at a position now, as its block shows it. */
  stands(setting: Setting, id: string): boolean {
    const state = setting.positions.find((p) => p.id === id)?.state;
    if (!state || setting.block === undefined) return true;
    if ('caps' in state) {
      const own = new Set(
        setting.positions.flatMap((p) => (p.state && 'caps' in p.state ? p.state.caps.map(pair) : []))
      );
      const here = [...this.on(setting.block)].filter((p) => own.has(p)).sort();
      return here.join() === state.caps.map(pair).sort().join();
    }
    if ('switches' in state)
      return Object.entries(state.switches).every(
        ([n, side]) => this.switches.get(setting.block!)?.[Number(n)] === side
      );
    if ('step' in state) return this.steps.get(setting.block) === state.step;
    if ('bridges' in state && this.blockOf(setting)?.kind === 'resistor')
      return [...(this.packs.get(setting.block) ?? [])].sort().join() === [...state.bridges].sort().join();
    return true;
  }
  private blockOf = (setting: Setting): Block | undefined =>
    this.part.blocks.find((b) => b.id === setting.block);
}
const pair = ([a, b]: readonly [number, number]): string => `${Math.min(a, b)}-${Math.max(a, b)}`;

const cards = [...parts.values()].filter((p) => p.card && p.settings.length > 0);
const boards = [...parts.values()].filter((p): p is PartOf<'board'> => isOfKind(p, 'board'));

/** Positions of a part drawn at random that its constraints do not forbid outright: one for each setting. */
const drawn = (r: Seeded, part: Part): Record<string, string> =>
  Object.fromEntries(
    part.settings.filter((s) => s.known && s.positions.length).map((s) => [s.id, r.pick(s.positions).id])
  );

/** Whether jumpers of two settings could sit on the same pins: then only what the card allows may be asked. */
function collides(part: Part, chosen: Readonly<Record<string, string>>): boolean {
  return part.blocks.some((block) => {
    const state = blockState(part, block.id, chosen);
    if (!state || !('caps' in state)) return false;
    const pins = state.caps.flat();
    return new Set(pins).size !== pins.length;
  });
}

const bare = (board: Part): Build =>
  Build.parse({ id: 'm', name: 'M', board: { id: 'board', part: board.id } });

/** A board alone, or a card in a board that has a slot for it. */
function asMachine(part: Part, found: Item['asFound'], chosen: Item['chosen']): Build {
  if (part.board) {
    const build = bare(part);
    return { ...build, board: { ...build.board, asFound: found, chosen } };
  }
  const host = boards.find((b) => firstSlot(bare(b), parts, part) !== undefined)!;
  const slot = firstSlot(bare(host), parts, part);
  return { ...bare(host), items: [{ id: 'c', part: part.id, slot, asFound: found, chosen, locked: [] }] };
}
const jobOf = (build: Build, set: PartSet, item: string): CardJob | undefined =>
  moveList(build, set).jobs.find((j) => j.item === item);

/** Parts whose positions are all of a kind that hands can set. */
const subjects = [
  ...cards.filter((c) => boards.some((b) => firstSlot(bare(b), parts, c) !== undefined)),
  ...boards.filter((b) => b.settings.length)
];

describe('whoever does what the list of moves says, and no more', () => {
  it('comes to what was chosen, on every card and board, from wherever it stood', () => {
    let done = 0;
    for (const part of subjects)
      for (let n = 1; n <= torture(60, 5); n++) {
        const r = new Seeded(n * 7907 + part.id.length);
        const [found, chosen] = [drawn(r, part), drawn(r, part)];
        if (collides(part, found) || collides(part, chosen)) continue;
        const hands = new Hands(part, found);
        const build = asMachine(part, found, chosen);
        for (const { block, act } of jobOf(build, parts, part.board ? 'board' : 'c')?.actions ?? []) {
          done++;
          hands.do(block ?? '', act);
        }
        for (const setting of part.settings.filter((s) => s.known && chosen[s.id] !== undefined))
          expect(
            hands.stands(setting, chosen[setting.id]!),
            `${part.id} ${setting.id}: ${found[setting.id]} to ${chosen[setting.id]}`
          ).to.equal(true);
      }
    expect(done).to.be.greaterThan(400);
  });

  it('comes to it as well where nobody looked before, whatever sits there', () => {
    for (const part of subjects)
      for (let n = 1; n <= torture(40, 4); n++) {
        const r = new Seeded(n * 104_729 + part.id.length);
        const [stands, chosen] = [drawn(r, part), drawn(r, part)];
        if (collides(part, stands) || collides(part, chosen)) continue;
        // Nothing of what stands is in the record.
        const hands = new Hands(part, stands);
        const build = asMachine(part, {}, chosen);
        for (const { block, act } of jobOf(build, parts, part.board ? 'board' : 'c')?.actions ?? [])
          hands.do(block ?? '', act);
        for (const setting of part.settings.filter((s) => s.known && chosen[s.id] !== undefined))
          expect(
            hands.stands(setting, chosen[setting.id]!),
            `${part.id} ${setting.id}: to ${chosen[setting.id]}`
          ).to.equal(true);
      }
  });

  it('never finds a jumper missing, nor presses one on pins that another covers', () => {
    const stuck: string[] = [];
    for (const part of subjects)
      for (let n = 1; n <= torture(60, 6); n++) {
        const r = new Seeded(n * 7907 + part.id.length);
        const [found, chosen] = [drawn(r, part), drawn(r, part)];
        if (collides(part, found) || collides(part, chosen)) continue;
        const hands = new Hands(part, found);
        const build = asMachine(part, found, chosen);
        for (const { block, act } of jobOf(build, parts, part.board ? 'board' : 'c')?.actions ?? [])
          hands.do(block ?? '', act);
        for (const why of hands.stuck)
          stuck.push(`${part.id}: ${why} (${JSON.stringify(found)} to ${JSON.stringify(chosen)})`);
      }
    expect(stuck).to.deep.equal([]);
  });

  it('has nothing to do where everything stands as chosen, and moves no setting that stands right', () => {
    for (const part of subjects) {
      const r = new Seeded(part.id.length * 31 + 1);
      const found = drawn(r, part);
      const item = part.board ? 'board' : 'c';
      expect(jobOf(asMachine(part, found, found), parts, item)?.actions ?? [], part.id).to.deep.equal([]);
      const [other] = part.settings.filter((s) => s.known && s.positions.length > 1);
      if (!other) continue;
      const to = other.positions.find((p) => p.id !== found[other.id])!;
      const actions =
        jobOf(asMachine(part, found, { ...found, [other.id]: to.id }), parts, item)?.actions ?? [];
      for (const a of actions) expect(a.setting, part.id).to.equal(other.id);
    }
  });
});
