import type { Fix } from '../core/model';
import type { Machine } from '../core/resources';
import { isHandBlock } from '../core/settings';
import type { Move } from '../core/solver';
import { text } from '../words/en/screens';

const setting = (m: Machine, item: string, id: string) =>
  m.find(item)?.part.settings.find((s) => s.id === id);
const titleOf = (m: Machine, item: string): string =>
  m.find(item)?.title ?? m.build.shelf.find((i) => i.id === item)?.label ?? item;

/** `Digit 16 J5: IRQ 5 → IRQ 10` */
export function moveText(m: Machine, move: Move): { card: string; block: string; from: string; to: string } {
  const known = setting(m, move.item, move.setting);
  const fitted = m.find(move.item);
  const block = fitted?.part.blocks.find((b) => b.id === known?.block);
  const label = (id: string | null) =>
    known?.positions.find((p) => p.id === id)?.label ?? id ?? text.tray.unknownPosition;
  return {
    card: titleOf(m, move.item),
    // What a program or the start-up sets has no pins to look for: there the setting is its name.
    block: (block && isHandBlock(block) ? block.label : undefined) ?? known?.label ?? move.setting,
    from: move.from === null ? text.tray.notLooked : label(move.from),
    to: label(move.to)
  };
}

const words = text.tray.fixes;

/** What a fix does, as a button says it. */
export function fixText(m: Machine, fix: Fix, partName: (item: string) => string): string {
  switch (fix.action) {
    case 'set':
      return `${titleOf(m, fix.item)}: ${setting(m, fix.item, fix.setting)?.positions.find((p) => p.id === fix.position)?.label ?? fix.position}`;
    case 'move-slot':
      return fix.swapWith
        ? words.swap(titleOf(m, fix.item), titleOf(m, fix.swapWith), fix.slot)
        : words.move(titleOf(m, fix.item), fix.slot);
    case 'unlock':
      return words.unlock(setting(m, fix.item, fix.setting)?.label ?? fix.setting, titleOf(m, fix.item));
    case 'switch-off':
      return words.off(
        m.find(fix.item)?.part.functions.find((f) => f.id === fix.function)?.label ?? fix.function,
        titleOf(m, fix.item)
      );
    case 'exchange':
      return words.exchange(titleOf(m, fix.item), partName(fix.with));
    case 'take-out':
      return words.out(titleOf(m, fix.item));
    case 'never-together':
      return words.apart;
    case 'jumper':
      return fix.unit === undefined
        ? words.terminators(partName(fix.item), fix.terminated === true)
        : `${partName(fix.item)}: ${fix.unit}`;
    case 'image':
      return words.image(titleOf(m, fix.item), fix.kib);
    case 'ribbon':
      return `${titleOf(m, fix.item)}: ${text.tray.ribbons[fix.ribbon]}`;
    case 'declare':
      return words.declare(partName(fix.item), fix.setup.cylinders);
    case 'acknowledge':
      return words.known;
  }
}
