import { runs } from '../boards';
import { entryOf, type Brief, type CpuFamily, type Part, type PartOf } from '../model';
import { startsFrom } from '../storage';
import { seatCards } from './assemble';
import type { Enclosures } from './enclosure';
import type { Base, Option } from './options';
import type { Pool } from './pool';
import { Services, driveNeeds, seats, wishedNeeds, type Need, type NeedId } from './services';

/** Storage that the cards beside a choice of sound can run. */
export type Served = ReadonlyMap<Option, Option<PartOf<'drive'>>[]>;

/** Choices of sound and of drives among which a search goes. */
interface Choices {
  readonly audio: readonly Option[];
  readonly storage: readonly Option<PartOf<'drive'>>[];
}

/** Whether a CPU runs the drivers of some parts. */
const driversRun = ({ parts }: Option, family: CpuFamily | undefined): boolean =>
  family === undefined || parts.every(({ part: { driver } }) => !driver || runs(family, driver.cpu));

/** What boards, and cards beside them, can run of what a brief and its drives ask. */
export class Serving {
  private readonly services: Services;
  /** What a choice of drives asks, with the wishes. */
  private readonly asks: ReadonlyMap<Option, readonly NeedId[]>;
  /** Functions that a wish asks. */
  private readonly wished: readonly NeedId[];
  private readonly servedOn = new Map<string, Served>();
  /** By what has bays. */
  private readonly drivesFor = new Map<readonly boolean[], Map<string, Option<PartOf<'drive'>>[]>>();

  constructor(
    private readonly pool: Pool,
    brief: Brief,
    /** Cards that have to be in, of no other role. */
    private readonly must: Part[],
    private readonly around: Enclosures,
    private readonly choices: Choices
  ) {
    this.services = new Services(pool, must);
    this.wished = this.numbers(wishedNeeds(brief));
    this.asks = new Map(
      choices.storage.map((o) => [
        o,
        [...this.numbers(driveNeeds(o.parts.map((p) => p.part))), ...this.wished]
      ])
    );
  }

  numbers(needs: readonly Need[]): NeedId[] {
    return needs.map((need) => this.services.number(need));
  }

  /** Sets of cards that provide, beside some others on a board, what a choice of drives and the wishes ask, and more. */
  covers(
    board: PartOf<'board'>,
    have: readonly Part[],
    storage: Option,
    needs: readonly NeedId[]
  ): readonly Option[] {
    return this.services.covers(board, have, [...entryOf(this.asks, storage), ...needs]);
  }

  /** Whether the drivers of some cards run on the CPU of a board. */
  runs(cards: Option, base: Base): boolean {
    return driversRun(cards, this.familyOf(base));
  }

  /**
   * For each choice of sound the drives that something can run beside it on a board, and what the brief wants beside
   * them; known before memory and display are gone through.
   */
  served(base: Base): Served {
    const family = this.familyOf(base);
    const key = `${base.board.id} ${family}`;
    const known = this.servedOn.get(key);
    if (known) return known;
    const asked = [...new Set([...this.asks.values()].flat())];
    const could = this.services.servable(base.board, asked);
    const out: Served = new Map(
      this.choices.audio.map((audio) => [
        audio,
        this.drivesOn(base.board, family, could(audio.parts.map((p) => p.part)))
      ])
    );
    this.servedOn.set(key, out);
    return out;
  }

  /** Choices of drives that find bays, run on a CPU and start with the BIOS of a board, and ask only what is met. */
  private drivesOn(
    board: PartOf<'board'>,
    family: CpuFamily | undefined,
    met: ReadonlySet<NeedId>
  ): Option<PartOf<'drive'>>[] {
    const bays = this.around.bayedOn(board);
    const takes = this.pool.get(board.board.firmware ?? '')?.firmware?.floppyKiB;
    // Boards with the same answers share a list, and most cards make no difference to drives.
    const key = `${family} ${takes} ${[...met].join()}`;
    const lists = this.drivesFor.get(bays) ?? new Map<string, Option<PartOf<'drive'>>[]>();
    this.drivesFor.set(bays, lists);
    const starts = ({ parts }: Option<PartOf<'drive'>>) =>
      takes === undefined ||
      startsFrom(
        parts.map((p) => p.part.drive),
        takes
      );
    const list =
      lists.get(key) ??
      this.choices.storage.filter(
        (o, i) =>
          bays[i] && driversRun(o, family) && starts(o) && entryOf(this.asks, o).every((n) => met.has(n))
      );
    lists.set(key, list);
    return list;
  }

  private familyOf({ board, cpu }: Base): CpuFamily | undefined {
    return (cpu ?? this.pool.cpuOf(board))?.cpu.family;
  }

  /** Whether the cards that must be in find slots on a board, and what the brief wants can be provided. */
  canServe(board: PartOf<'board'>): boolean {
    if (!seatCards(board, this.must)) return false;
    const have = this.pool.parts.filter((p) => p.audio && p.card && seats(board, p));
    // Sound cards may bring a game port or a MIDI interface, so they count as there.
    return this.services.covers(board, have, this.wished).length > 0;
  }
}
