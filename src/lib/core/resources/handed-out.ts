import { blockOf, byId, type Block, type Item } from '../model';
import { claimSettings, type Line } from './lines';
import { isEntered, isLookedAt, type Machine } from './machine';

/**
 * Whether two lines are numbers that the BIOS gives out as it starts, or one of them such a number and the other one of
 * the board itself, so that it does not give one number twice: inputs of PCI interrupts, and Plug and Play cards where the
 * BIOS configures them. Says so only where at least one of them is the usual number and nobody read what was given: two
 * numbers that were read or chosen are what they are.
 */
export function keptApart(m: Machine): (a: Line, b: Line) => boolean {
  const kinds: Block['kind'][] = m.firmware?.firmware.pnp ? ['startup', 'pnp'] : ['startup'];
  const state = (line: Line): 'usual' | 'given' | 'own' | 'other' => {
    const owner = m.get(line.item);
    const claim = owner.part.functions.find((f) => f.id === line.function)?.claims[line.index];
    const given = claim
      ? claimSettings(m, owner, claim).flatMap(({ item, setting }) => {
          const holder = m.get(item);
          const block = blockOf(holder.part, byId(holder.part.settings, setting));
          return block && kinds.includes(block.kind) ? [{ item: holder.item, setting }] : [];
        })
      : [];
    if (given.some(({ item, setting }) => !isLookedAt(item, setting))) return 'usual';
    if (given.length && given.every((g) => isSeen(g.item, g.setting))) return 'given';
    return owner === m.board || !isEntered(owner) ? 'own' : 'other';
  };
  return (a, b) => {
    const [x, y] = [state(a), state(b)];
    return (x === 'usual' && y !== 'other') || (y === 'usual' && x !== 'other');
  };
}

const isSeen = (item: Item, setting: string) =>
  item.chosen[setting] === undefined || item.chosen[setting] === item.asFound[setting];
