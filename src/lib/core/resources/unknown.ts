import type { Part, Setting } from '../model';
import { claimSettings } from './lines';
import type { Fitted, Machine } from './machine';

/** Something on a line of the machine of which nothing is known, so that no answer about lines can cover it. */
export type Unknown =
  /** A card, or one of its functions, that names no claim: it may drive any line. */
  | { kind: 'claims'; item: string; function?: string }
  /** A switch or jumper that nobody knows: it is never moved, and what hangs on it is open. */
  | { kind: 'setting'; item: string; setting: string }
  /** A PCI function in a slot of which nobody knows where its interrupt pins go. */
  | { kind: 'routing'; item: string; function: string; slot: string };

/** Everything in a machine that no check of its lines can see, in the order of the machine. */
export const unknownsOf = (m: Machine): Unknown[] =>
  m.fitted.flatMap((f) => [
    ...claimless(f),
    ...unknownSettings(f.part).map((s): Unknown => ({ kind: 'setting', item: f.item.id, setting: s.id })),
    ...unrouted(m, f)
  ]);

function claimless({ item, part, slot }: Fitted): Unknown[] {
  if (!slot) return [];
  if (!part.functions.length) return [{ kind: 'claims', item: item.id }];
  // A PCI device is given its addresses at start, and need not ask for an interrupt.
  if (part.card?.bus === 'pci' || part.card?.bus === 'agp') return [];
  const silent = part.functions.filter((fn) => !fn.claims.length);
  if (silent.length === part.functions.length) return [{ kind: 'claims', item: item.id }];
  return silent.map((fn) => ({ kind: 'claims', item: item.id, function: fn.id }));
}

/** Settings of a part of which nobody knows what they do. */
export const unknownSettings = (part: Part): Setting[] => part.settings.filter((s) => !s.known);

const unrouted = (m: Machine, f: Fitted): Unknown[] =>
  f.seat === 'pci' && f.slot
    ? f.part.functions
        .filter((fn) =>
          fn.claims.some((c) => c.resource === 'irq' && c.pin && !claimSettings(m, f, c).length)
        )
        .map((fn) => ({ kind: 'routing', item: f.item.id, function: fn.id, slot: f.slot!.id }))
    : [];
