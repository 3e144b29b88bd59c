import type { Part } from './part';

/** Which facts a part of each kind must have; `checkPart` refuses one without. */
export const FACTS_OF_KIND = {
  board: 'board',
  cpu: 'cpu',
  fpu: 'fpu',
  memory: 'module',
  card: 'card',
  drive: 'drive',
  monitor: 'monitor',
  supply: 'supply',
  keyboard: 'keyboard',
  case: 'chassis',
  adapter: 'adapter',
  bios: 'firmware',
  oscillator: 'oscillator'
} as const satisfies Record<Part['kind'], keyof Part>;

/** A part that has these facts. */
export type PartWith<K extends keyof Part> = Part & { [F in K]-?: NonNullable<Part[F]> };
/** A part of a kind, with the facts of that kind. */
export type PartOf<K extends Part['kind']> = PartWith<(typeof FACTS_OF_KIND)[K]> & { kind: K };

export const hasFacts = <K extends keyof Part>(part: Part, key: K): part is PartWith<K> =>
  part[key] !== undefined;
export const isOfKind = <K extends Part['kind']>(part: Part, kind: K): part is PartOf<K> =>
  part.kind === kind && part[FACTS_OF_KIND[kind]] !== undefined;
