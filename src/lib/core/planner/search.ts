import { Budget, attempt, branch, stop, type Branch } from '../kernel';
import { hasFacts, partSet, type Brief, type Part, type PartOf, type PartWith, sure } from '../model';
import { partsOf, type Choice } from './assemble';
import { displays, type DisplayOption } from './displays';
import { Enclosures } from './enclosure';
import { Bench } from './leaf';
import { audios, bases, bits, memories, type Base, type Mask, type Option } from './options';
import { Reasons } from './reasons';
import { choose, reachOf, rolesOf, type Reach, type Role, type Weight } from './roles';
import { storages } from './storages';
import { poolOf, tally, weighSides, type Pool } from './pool';
import { functionChoices, seats, type NeedId } from './services';
import { Serving, type Served } from './serving';
import { middleWeights, type Limits, type Plan, type PlanRequest, type Search } from './types';

export const DEFAULT_LEAVES = 600;
/** The share of a search that was cut off which is spent on a few machines of each board. */
const ASIDE = 3;
const FEW = 3;
/** Partial machines that are looked at, at most. */
export const DEFAULT_STEPS = 400_000;

/** What is looked for. */
export interface Goal {
  /** The first machine that satisfies everything will do. */
  any?: boolean;
  /** A score that is to be beaten: nothing that does not is looked for. */
  beat?: number;
  /** A few machines of each board will do: what else there is, and not the best of it. */
  few?: boolean;
  /** Where machines of the same brief, parts and shelf were worked out before. */
  bench?: Bench;
}

export const benchFor = ({ brief, parts }: PlanRequest): Bench => new Bench(brief, partSet(parts));

/**
 * The best machine for a brief: branch and bound over board and CPU, memory, display, audio, drives and the
 * cards that run them; each machine that could be better is worked out to the end, lines included.
 */
export function search(request: PlanRequest, limits: Limits = {}, goal: Goal = {}): Search {
  const pool = poolOf(request, request.weights ?? middleWeights);
  const any = goal.any ?? false;
  const run = new Run(
    pool,
    request.brief,
    goal.bench ?? benchFor(request),
    limits,
    any,
    goal.beat ?? Infinity
  );
  if (goal.few) run.mostOnBoard = FEW;
  const exact = attempt(
    () => (run.all(), !goal.few),
    () => any && run.best !== null
  );
  // Cut off among the machines of a few boards: a little of every board, else what lies all on the shelf may be missed.
  if (!exact && !any && !limits.hasty)
    attempt(
      () => run.little(),
      () => undefined
    );
  return { best: run.best, sound: run.sound, exact, machines: run.machines, reasons: run.reasons.list };
}

const isMemoryCard = ({ functions }: Part): boolean => functions.some((f) => f.kind === 'ems' && f.memoryKiB);

class Run {
  best: Plan | null = null;
  readonly sound: Plan[] = [];
  machines = 0;
  readonly reasons = new Reasons();
  private readonly full: Mask;
  private readonly audio: Option[];
  private readonly storage: Option<PartOf<'drive'>>[];
  private readonly choices: { needs: NeedId[]; mask: Mask; soft: Mask }[];
  private readonly freeDisplays: DisplayOption[];
  private readonly ownDisplays = new Map<string, DisplayOption[]>();
  /** Fixed cards of no other role. */
  private readonly must: Part[];
  private readonly trimLeast: number;
  /** What case, supply and keyboard cost at the least. */
  private readonly trimCost: number;
  private readonly storageReach: Reach;
  private readonly audioReach: Reach;
  /** What storage, case, supply and keyboard cost at the least. */
  private readonly cheapest: number;
  /** Slots that a wish keeps free. */
  private readonly spare: number;
  /** For each board, sets of cards of which was shown that they cannot live together on it. */
  private readonly nogoods = new Map<string, string[][]>();
  /** Parts that no machine for the brief can have. */
  private readonly hopeless = new Set<string>();
  /** Points of the score for a program that is missed, and for one that runs roughly. */
  private readonly points: { missed: number; rough: number };
  private readonly around: Enclosures;
  private readonly serving: Serving;
  private steps: Budget;
  private mostLeaves: number;
  private readonly mostSteps: number;
  /** Machines that were worked out on the board in question, and how many may be. */
  private onBoard = 0;
  mostOnBoard = Infinity;

  constructor(
    private readonly pool: Pool,
    private readonly brief: Brief,
    private readonly bench: Bench,
    private readonly limits: Limits,
    private readonly any: boolean,
    private readonly beat: number
  ) {
    this.mostLeaves = limits.maxLeaves ?? DEFAULT_LEAVES;
    this.mostSteps = limits.maxSteps ?? DEFAULT_STEPS;
    this.steps = new Budget(this.mostSteps, limits.shouldStop);
    this.full = (1n << BigInt(brief.profiles.length)) - 1n;
    this.audio = audios(pool, brief);
    this.storage = storages(pool, brief);
    this.around = new Enclosures(pool, this.storage);
    this.must = pool
      .of('card')
      .filter((p) => pool.fixed.has(p.id) && !p.video && !p.audio && !isMemoryCard(p));
    this.serving = new Serving(pool, brief, this.must, this.around, {
      audio: this.audio,
      storage: this.storage
    });
    this.choices = functionChoices(brief).map((c) => ({ ...c, needs: this.serving.numbers(c.needs) }));
    this.points = {
      missed: weighSides({ missed: 1 }, pool.weights),
      rough: weighSides({ rough: 1 }, pool.weights)
    };
    this.freeDisplays = displays(pool, brief, null);
    this.spare = Math.max(0, ...(brief.wishes ?? []).map((w) => (w.kind === 'spare-slots' ? w.count : 0)));
    const least = (kind: Part['kind']) => Math.min(...pool.of(kind).map((p) => pool.weigh(p)), Infinity);
    const trims = ['case', 'supply', 'keyboard'] as const;
    const sum = (of: (kind: Part['kind']) => number) =>
      trims
        .map(of)
        .filter(Number.isFinite)
        .reduce((a, b) => a + b, 0);
    this.trimLeast = sum(least);
    this.trimCost = sum((kind) => Math.min(...pool.of(kind).map((p) => pool.price(p, 1).cost), Infinity));
    this.cheapest = Math.min(...this.storage.map((o) => this.costOf(o)), Infinity) + this.trimCost;
    this.storageReach = reachOf(this.storage);
    this.audioReach = reachOf(this.audio);
  }

  /** Score below which nothing with this weight and these programs can come. */
  private bound({ weight, mask, soft }: Weight): number {
    const met = mask & this.full;
    const missed = this.brief.profiles.length - bits(met);
    return weight + missed * this.points.missed + bits(soft & met) * this.points.rough;
  }

  /** What a score has to be below to be better than the best so far. */
  private get toBeat(): number {
    return (this.best?.score ?? this.beat) - 1e-9;
  }

  /** The same, for what is still looked at on the board in question: nothing, once enough of it was. */
  private readonly room = (): number =>
    this.onBoard < this.mostOnBoard && this.isHopeful() ? this.toBeat : -Infinity;

  /** Whether no part that has to be in is one that no machine can have. */
  private isHopeful(): boolean {
    for (const id of this.hopeless) if (this.pool.fixed.has(id)) return false;
    return true;
  }

  /** Looks at the first few machines of each board, the most promising boards first. */
  little(): void {
    this.mostLeaves = this.machines + Math.ceil(this.mostLeaves / ASIDE);
    this.mostOnBoard = FEW;
    this.onBoard = 0;
    this.steps = new Budget(this.mostSteps / ASIDE, this.limits.shouldStop);
    this.steps.ask();
    this.all();
  }

  all(): void {
    const rest = this.storageReach.least + this.audioReach.least + this.trimLeast;
    const any = this.audioReach.any & this.storageReach.any;
    const ordered = bases(this.pool, this.brief)
      .filter(({ board }) => this.around.hasTrim(board) && this.serving.canServe(board))
      .map((base) => {
        const { weight, mask, soft } = base;
        const hope = this.bound({ weight: weight + rest, mask: mask & any, soft });
        return { base, hope, behind: hope };
      })
      .sort((a, b) => a.hope - b.hope);
    let seen = 0;
    branch(ordered, this.room, ({ base }) => {
      // The second look is short, and a bar that goes back says nothing.
      if (this.mostOnBoard === Infinity)
        this.limits.progress?.({
          done: seen++ / ordered.length,
          machines: this.machines,
          best: this.best?.score ?? null
        });
      this.steps.spend();
      this.steps.ask();
      this.onBase(base);
      this.onBoard = 0;
      return false;
    });
  }

  private onBase(base: Base): void {
    if (this.isBeyond(base)) return this.reasons.note({ kind: 'budget' });
    const served = this.serving.served(base);
    if (![...served.values()].some((list) => list.length))
      return this.reasons.note({
        kind: this.around.bayedOn(base.board).includes(true) ? 'services' : 'enclosure'
      });
    const bounds = { of: (weight: Weight) => this.bound(weight), room: this.room };
    choose(this.rolesOn(base, served), { base }, base, bounds, (chosen, weight) =>
      this.withServices(chosen as Omit<Choice, 'services'>, weight)
    );
  }

  /** What is chosen for a board one after the other, each with what those behind it weigh and meet at best. */
  private rolesOn(base: Base, served: Served): Role[] {
    const shown = this.displaysOf(base.board);
    return rolesOf({ least: this.trimLeast, any: this.full }, [
      { role: 'memory', options: () => memories(this.pool, base, this.brief), reach: null },
      {
        role: 'display',
        options: () => shown,
        reach: reachOf(shown),
        admits: ({ memory, display }) =>
          !this.isBeyond(base, sure(memory, 'memory'), sure(display, 'display'))
      },
      {
        role: 'audio',
        options: () => this.soundOn(base.board),
        reach: this.audioReach
      },
      {
        role: 'storage',
        options: ({ audio }) => served.get(sure(audio, 'audio')) ?? [],
        reach: this.storageReach
      }
    ]);
  }

  /** Choices of sound whose card finds a slot on a board. Each that is looked at counts as a step. */
  private *soundOn(board: PartOf<'board'>): Generator<Option> {
    for (const audio of this.audio) {
      this.steps.spend();
      if (audio.parts.every(({ part }) => !part.card || seats(board, part))) yield audio;
    }
  }

  /** Whether some choices and the cheapest of the rest cost more than the budget. */
  private isBeyond(...chosen: readonly Option[]): boolean {
    const { budget } = this.brief;
    if (budget === undefined) return false;
    return chosen.reduce((sum, o) => sum + this.costOf(o), 0) + this.cheapest > budget;
  }

  private displaysOf(board: PartOf<'board'>): Option[] {
    const all = hasFacts(board, 'video') ? this.own(board) : this.freeDisplays;
    return all
      .filter((o) => o.parts.every((p) => !p.part.card || seats(board, p.part)))
      .sort((a, b) => a.weight - b.weight);
  }

  private own(board: PartWith<'video'>): DisplayOption[] {
    const known = this.ownDisplays.get(board.id) ?? displays(this.pool, this.brief, board);
    this.ownDisplays.set(board.id, known);
    // The board's own display may be switched off for a card.
    const canBeOff = board.functions.some((f) => f.kind === 'display' && f.off.length);
    return canBeOff && [...this.pool.fixed].some((id) => this.pool.get(id)?.video)
      ? [...known, ...this.freeDisplays]
      : known;
  }

  private withServices(chosen: Omit<Choice, 'services'>, { weight, mask, soft }: Weight): void {
    const { base, memory, display, audio, storage } = chosen;
    const have = [...memory.parts, ...display.parts, ...audio.parts].map((p) => p.part);
    const tried = new Set<string>();
    const least = weight + this.trimLeast;
    for (const choice of this.choices) {
      const met = { mask: mask & choice.mask, soft: soft | choice.soft };
      if (this.bound({ ...met, weight: least }) >= this.room()) continue;
      const sets = this.serving.covers(base.board, have, storage, choice.needs);
      branch(this.weighed(sets, least, met), this.room, ({ services }) => {
        const key = services.parts.map((p) => p.part.id).join(' ');
        if (!tried.has(key)) this.whole({ ...chosen, services });
        tried.add(key);
        return false;
      });
    }
  }

  /** Sets of cards, the lightest first. Each that is looked at counts as a step. */
  private *weighed(
    sets: readonly Option[],
    least: number,
    met: { mask: Mask; soft: Mask }
  ): Generator<Branch & { services: Option }> {
    for (const services of sets) {
      this.steps.spend();
      const hope = this.bound({ ...met, weight: least + services.weight });
      yield { services, hope, behind: hope };
    }
  }

  /** A machine to which nothing is missing but case, supply and keyboard. */
  private whole(choice: Choice): void {
    const { budget } = this.brief;
    if (this.isKnownBad(choice) || !this.leavesSlots(choice)) return;
    if (!this.serving.runs(choice.services, choice.base)) return;
    if (budget !== undefined && this.cost(choice) + this.trimCost > budget)
      return this.reasons.note({ kind: 'budget' });
    this.leaf(choice, budget);
  }

  /** Whether as many slots stay free as the brief wants. */
  private leavesSlots(choice: Choice): boolean {
    const cards = partsOf(choice).filter((p) => p.part.card).length;
    return choice.base.board.board.slots.length - cards >= this.spare;
  }

  private costOf(option: Option): number {
    return tally(option.parts).reduce((n, p) => n + this.pool.price(p.part, p.count).cost, 0);
  }

  private cost(choice: Choice): number {
    return tally(partsOf(choice)).reduce((n, p) => n + this.pool.price(p.part, p.count).cost, 0);
  }

  private isKnownBad(choice: Choice): boolean {
    const bad = this.nogoods.get(choice.base.board.id) ?? [];
    if (!bad.length && !this.hopeless.size) return false;
    const there = new Set(partsOf(choice).map((p) => p.part.id));
    return (
      [...this.hopeless].some((id) => there.has(id)) || bad.some((set) => set.every((id) => there.has(id)))
    );
  }

  private leaf(choice: Choice, budget: number | undefined): void {
    this.steps.ask();
    if (this.machines >= this.mostLeaves) stop();
    this.machines++;
    this.onBoard++;
    const { plan, reason, nogood, hopeless } = this.bench.workOut(this.pool, choice);
    if (hopeless !== undefined) this.hopeless.add(hopeless);
    if (nogood) {
      const { id } = choice.base.board;
      this.nogoods.set(id, [...(this.nogoods.get(id) ?? []), nogood]);
    }
    if (!plan) return this.reasons.note(reason ?? { kind: 'misfit' });
    if (budget !== undefined && plan.criteria.cost > budget) return this.reasons.note({ kind: 'budget' });
    this.sound.push(plan);
    if (plan.score < this.toBeat) {
      this.best = plan;
      if (this.any) stop();
    }
  }
}
