import type { PartFunction, Resource } from '../model';
import type { Machine } from './machine';

/** The claim by which a program knows a function: the first of a resource. −1: it has none. */
export const firstClaim = (fn: PartFunction, resource: Resource): number =>
  fn.claims.findIndex((c) => c.resource === resource);

/** Numbers that a program accepts, as the machine counts them: on AT class a request on IRQ 2 arrives as 9. */
export const acceptedIn = (m: Machine, resource: Resource, numbers: readonly number[]): number[] =>
  resource === 'irq' && m.class === 'at' ? numbers.map((n) => (n === 2 ? 9 : n)) : [...numbers];
