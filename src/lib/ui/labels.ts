import type { Finding, Fix } from '../core/model';
import type { Machine } from '../core/resources';
import type { Move } from '../core/solver';

const setting = (m: Machine, item: string, id: string) =>
  m.find(item)?.part.settings.find((s) => s.id === id);
const titleOf = (m: Machine, item: string): string =>
  m.find(item)?.title ?? m.build.shelf.find((i) => i.id === item)?.label ?? item;

/** `Digit 16 J5: IRQ 5 → IRQ 10` */
export function moveText(m: Machine, move: Move): { card: string; block: string; from: string; to: string } {
  const known = setting(m, move.item, move.setting);
  const fitted = m.find(move.item);
  const block = fitted?.part.blocks.find((b) => b.id === known?.block);
  const label = (id: string | null) => known?.positions.find((p) => p.id === id)?.label ?? id ?? 'unknown';
  return {
    card: titleOf(m, move.item),
    block: block?.label ?? known?.label ?? move.setting,
    from: label(move.from),
    to: label(move.to)
  };
}

/** What a fix does, as a button says it. */
export function fixText(m: Machine, fix: Fix, partName: (item: string) => string): string {
  switch (fix.action) {
    case 'set':
      return `${titleOf(m, fix.item)}: ${setting(m, fix.item, fix.setting)?.positions.find((p) => p.id === fix.position)?.label ?? fix.position}`;
    case 'move-slot':
      return fix.swapWith
        ? `Swap ${titleOf(m, fix.item)} with ${titleOf(m, fix.swapWith)} (slot ${fix.slot})`
        : `Move ${titleOf(m, fix.item)} to slot ${fix.slot}`;
    case 'unlock':
      return `Unlock ${setting(m, fix.item, fix.setting)?.label ?? fix.setting} of ${titleOf(m, fix.item)}`;
    case 'switch-off':
      return `Switch off ${m.find(fix.item)?.part.functions.find((f) => f.id === fix.function)?.label ?? fix.function} of ${titleOf(m, fix.item)}`;
    case 'exchange':
      return `Exchange ${titleOf(m, fix.item)} for ${partName(fix.with)} from the shelf`;
    case 'take-out':
      return `Take ${titleOf(m, fix.item)} out`;
    case 'never-together':
      return 'Never used together';
  }
}

export const severityWord: Record<Finding['severity'], string> = {
  stop: 'Stop: do not power on',
  clash: 'Clash',
  caution: 'Caution',
  note: 'Note'
};
