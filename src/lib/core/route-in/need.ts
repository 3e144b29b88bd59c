import type { Part } from '../model';

/** Where something that a link needs is to be had. */
export type Where = 'here' | 'shelf' | 'missing';
export interface LinkNeed {
  what: string;
  where: Where;
  /** The part that serves, when there is one. */
  part?: string;
}

/** Costs of what a link needs. */
export const PRICE: Record<Where, number> = { here: 0, shelf: 1.5, missing: 8 };

export const need = (
  what: string,
  part: Part | undefined,
  where: Where = part ? 'shelf' : 'missing'
): LinkNeed => ({
  what,
  where,
  ...(part ? { part: part.id } : {})
});
