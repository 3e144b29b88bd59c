import type { Block, State } from '$lib/core/model';
import type { BlockSeen, BlockShape } from '$lib/core/photo';
import { upSide } from '$lib/core/settings';

/** What a photograph can be read of; null: other kinds of blocks are not read. */
export const shapeOf = (block: Block): BlockShape | null =>
  block.kind === 'dip'
    ? { kind: 'dip', switches: block.switches }
    : block.kind === 'header' &&
        (block.rows === 1 || block.rows === 2) &&
        (block.rows === 2 || block.columns > 1)
      ? { kind: 'header', rows: block.rows, columns: block.columns }
      : null;

/** One place of a block as the picture shows it, to be confirmed by a tap where it is doubtful. */
export interface Place {
  name: string;
  isOn: boolean;
  isDoubtful: boolean;
}

/** The reading as places, with the side that closes a switch of this block. */
export const placesOf = (block: Block, seen: BlockSeen): Place[] =>
  seen.kind === 'dip'
    ? seen.switches.map((s) => ({
        name: String(s.n),
        isOn: block.kind === 'dip' && (s.side === 'up') === (upSide(block) === 'on'),
        isDoubtful: s.isDoubtful
      }))
    : seen.jumpers.map((j) => ({ name: j.pins.join('–'), isOn: j.isOn, isDoubtful: j.isDoubtful }));

/** What is recorded: of switches those that are sure or were tapped; of jumpers all of them, or none while one is doubtful. */
export function stateOf(block: Block, places: readonly Place[]): State | null {
  const sure = places.filter((p) => !p.isDoubtful);
  if (block.kind === 'dip')
    return sure.length
      ? {
          switches: Object.fromEntries(sure.map((p) => [p.name, p.isOn ? ('on' as const) : ('off' as const)]))
        }
      : null;
  if (sure.length < places.length) return null;
  return {
    caps: places
      .filter((p) => p.isOn)
      .map((p) => {
        const [a, b] = p.name.split('–').map(Number);
        return [a!, b!] as [number, number];
      })
  };
}
