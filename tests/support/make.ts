import { z } from 'zod';
import { check as checkFacts } from '../../src/lib/core/rules';
import { Build, Part, partSet, type PartSet } from '../../src/lib/core/model';
import { tell, type ToldFinding } from '../../src/lib/words';

/** The findings of a build in the words that a person reads. */
export const check = (build: Build, parts: PartSet): ToldFinding[] => checkFacts(build, parts).map(tell);

type PartIn = z.input<typeof Part>;
export type ClaimIn = NonNullable<NonNullable<PartIn['functions']>[number]['claims']>[number];
type BuildIn = z.input<typeof Build>;

/** A board with slots s1, s2 … of the given buses. */
export function board(cls: 'xt' | 'at', buses: string[], extra: Partial<PartIn> = {}): PartIn {
  return {
    id: 'mainboard',
    kind: 'board',
    maker: 'test',
    name: 'Mainboard',
    ...extra,
    board: {
      class: cls,
      slots: buses.map((bus, i) => ({ id: `s${i + 1}`, bus: bus as 'isa8' })),
      ...extra.board
    }
  };
}

/** A card with one function `f`; each setting listed as id → positions. */
export function card(
  id: string,
  claims: ClaimIn[],
  extra: Partial<PartIn> & { bus?: string; fn?: Partial<NonNullable<PartIn['functions']>[number]> } = {}
): PartIn {
  const { bus = 'isa16', fn = {}, ...rest } = extra;
  return {
    id,
    kind: 'card',
    maker: 'test',
    name: id,
    card: { bus: bus as 'isa8', fallback8: 'yes' },
    functions: [{ id: 'f', label: `f of ${id}`, kind: 'other', ...fn, claims }],
    ...rest
  };
}

/** A jumper setting with one column a position, named by the numbers in hex. */
export function jumper(id: string, numbers: number[], fallback = numbers[0]) {
  const name = (n: number) => n.toString(16);
  return {
    block: { id: `b-${id}`, kind: 'header' as const, rows: 2, columns: numbers.length },
    setting: {
      id,
      label: id,
      block: `b-${id}`,
      positions: numbers.map((n, i) => ({
        id: name(n),
        label: name(n),
        state: { caps: [[2 * i + 1, 2 * i + 2] as [number, number]] }
      })),
      default: name(fallback)
    },
    from: { setting: id, values: Object.fromEntries(numbers.map((n) => [name(n), n])) }
  };
}

/** A card whose claims are read from jumpers: resource → numbers. */
export function jumpered(
  id: string,
  lines: Partial<Record<'irq' | 'dma' | 'io', number[]>>,
  extra: Parameters<typeof card>[2] = {}
) {
  const made = Object.entries(lines).map(([resource, numbers]) => ({
    resource,
    ...jumper(resource, numbers)
  }));
  return card(
    id,
    made.map(
      ({ resource, from }) => ({ resource, from, ...(resource === 'io' ? { length: 16 } : {}) }) as ClaimIn
    ),
    { ...extra, blocks: made.map((m) => m.block), settings: made.map((m) => m.setting) }
  );
}

/** A machine of a board and cards in slots s1, s2 … as items a, b, c … */
export function machineOf(
  mainboard: PartIn,
  cards: PartIn[],
  extra: Omit<Partial<BuildIn>, 'items'> & {
    items?: Partial<NonNullable<BuildIn['items']>[number]>[];
    more?: PartIn[];
  } = {}
): { build: Build; parts: PartSet } {
  const { items = [], more = [], ...rest } = extra;
  const build = Build.parse({
    id: 'machine',
    name: 'Machine',
    board: { id: 'board', part: mainboard.id },
    items: cards.map((c, i) => ({ id: 'abcdefghijklmnop'[i], part: c.id, slot: `s${i + 1}`, ...items[i] })),
    ...rest
  });
  const unique = new Map([mainboard, ...cards, ...more].map((p) => [p.id, Part.parse(p)]));
  return { build, parts: partSet(unique.values()) };
}

/** What a check finds, less what it says of boards and cards of which a test describes only the lines, and nobody looked. */
export const checkKnown = (build: Build, parts: PartSet): ToldFinding[] =>
  check(build, parts).filter((f) => !f.rule.startsWith('unknown.') && f.rule !== 'setting.unread');
