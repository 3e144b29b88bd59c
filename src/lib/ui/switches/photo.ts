import type { Block, State } from '$lib/core/model';
import type { BlockSeen, BlockShape, Raster } from '$lib/core/photo';
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
        return [a, b] as [number, number];
      })
  };
}

/** How many places the picture left open, or showed otherwise than they were confirmed. */
export const toldIn = (read: readonly Place[], confirmed: readonly Place[]): number =>
  read.filter((p, i) => (p.isDoubtful && !confirmed[i]?.isDoubtful) || p.isOn !== confirmed[i]?.isOn).length;

/** What is kept of a cut-out, in characters; a build holds it. */
const MOST_CHARACTERS = 12_000;

/** A cut-out as a picture that a build can hold. */
export function pictureOf({ width, height, rgb }: Raster): string | null {
  const canvas = Object.assign(document.createElement('canvas'), { width, height });
  const ink = canvas.getContext('2d');
  if (!ink) return null;
  const rgba = new Uint8ClampedArray(width * height * 4).fill(255);
  for (let i = 0; i < width * height; i++) rgba.set(rgb.subarray(i * 3, i * 3 + 3), i * 4);
  ink.putImageData(new ImageData(rgba, width, height), 0, 0);
  const tries = [0.8, 0.6, 0.4, 0.2].map((quality) => canvas.toDataURL('image/jpeg', quality));
  return tries.find((image) => image.length <= MOST_CHARACTERS) ?? null;
}
