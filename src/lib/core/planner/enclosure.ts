import { boardInCase, placeIn } from '../kit';
import type { Part, PartOf } from '../model';
import type { Option } from './options';
import type { Pool } from './pool';

/** Whether a supply has the plug of a board. */
export const hasPlug = (
  { powerPlug: plug }: PartOf<'board'>['board'],
  { supply: { form } }: PartOf<'supply'>
): boolean => !plug || plug === 'either' || (form === 'atx') === (plug === 'atx');

interface Taken {
  key: string;
  drives: readonly PartOf<'drive'>['drive'][];
}

/** What is around a board, as far as it is known before the machine is put together: what is in the pool at all. */
export class Enclosures {
  /** By form and spacing of the slots of a board. */
  private readonly bayed = new Map<string, readonly boolean[]>();
  /** What bays each choice of drives takes: most choices take the same. */
  private readonly taken: readonly Taken[];

  constructor(
    private readonly pool: Pool,
    storage: readonly Option<PartOf<'drive'>>[]
  ) {
    this.taken = storage.map(({ parts }) => {
      const drives = parts.flatMap(({ part, count }) => Array.from({ length: count }, () => part.drive));
      const key = drives.map((d) => d.bay).sort();
      return { key: key.join(' '), drives };
    });
  }

  /** Whether a case, a supply and a keyboard for a board are to be had at all. */
  hasTrim({ board }: PartOf<'board'>): boolean {
    const some = <K extends Part['kind']>(kind: K, fits: (p: PartOf<K>) => boolean) => {
      const all = this.pool.of(kind);
      return all.length === 0 || all.some(fits);
    };
    const forms = this.pool.of('case').filter((p) => !boardInCase(board, p.chassis));
    return (
      some('case', (p) => forms.includes(p)) &&
      some(
        'supply',
        (p) =>
          hasPlug(board, p) &&
          (forms.length === 0 || forms.some((c) => c.chassis.supply.includes(p.supply.form)))
      ) &&
      some('keyboard', (p) => board.keyboard?.protocols.some((x) => p.keyboard.protocols.includes(x)) ?? true)
    );
  }

  /** For each choice of drives whether a case for a board has a bay for all of them. */
  bayedOn({ board }: PartOf<'board'>): readonly boolean[] {
    const key = `${board.form} ${board.slotSpacing}`;
    const known = this.bayed.get(key);
    if (known) return known;
    const all = this.pool.of('case');
    const cases = all.filter(({ chassis }) => !boardInCase(board, chassis));
    const holds = ({ drives }: Taken) =>
      all.length === 0 ||
      cases.some(({ chassis }) =>
        placeIn(chassis, drives, (d) => d.bay, drives.length).every(({ bay }) => bay !== null)
      );
    const held = new Map<string, boolean>();
    const out = this.taken.map((taken) => {
      const known = held.get(taken.key) ?? holds(taken);
      held.set(taken.key, known);
      return known;
    });
    this.bayed.set(key, out);
    return out;
  }
}
