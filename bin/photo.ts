import { errorWords } from '../src/lib/words/errors';
import { statSync } from 'node:fs';
import { CornersError, blockShape, readBlock, type Corners, type Point } from '../src/lib/core/photo';
import { TEXT, readArgs } from './args';
import { Usage } from './io';

export const PHOTO_USAGE = `  photo IMAGE --corners X1,Y1,X2,Y2,X3,Y3,X4,Y4 --block dip:8 [--slider light|dark] [--on up|down]
                                reads a block out of a photograph: dip:N, header:2xN or header:1xN. Corners in pixels:
                                top left of the block as it is read, then clockwise. Doubtful positions are marked
`;

const MOST_BYTES = 40 * 1024 * 1024;
const MOST_PIXELS = 80_000_000;
/** Longest side that is looked at; a larger photograph is made smaller first. */
const MOST_SIDE = 3000;

const fail = (why: string): never => {
  throw new Usage(`${why}\n\n${PHOTO_USAGE}`);
};

function cornersOf(text: string | undefined): [Point, Point, Point, Point] {
  const numbers = (text ?? '').split(',').map(Number);
  if (numbers.length !== 8 || numbers.some((n) => !Number.isFinite(n)))
    return fail('--corners wants eight numbers, x and y of each corner');
  const at = (i: number): Point => ({ x: numbers[2 * i]!, y: numbers[2 * i + 1]! });
  return [at(0), at(1), at(2), at(3)];
}

/** What a block in a photograph shows, as JSON. */
export async function photoReport(args: readonly string[]): Promise<object> {
  const options = { corners: TEXT, block: TEXT, slider: TEXT, on: TEXT };
  const { words, told } = readArgs(args, options, 1, PHOTO_USAGE);
  const [file] = words;
  if (!file) return fail('name a picture');
  const shape =
    blockShape(told.block ?? '') ?? fail('--block wants dip:1 to dip:16, header:2xN or header:1xN');
  const { slider, on = 'up' } = told;
  if (slider !== undefined && slider !== 'light' && slider !== 'dark')
    return fail('--slider is light or dark');
  if (on !== 'up' && on !== 'down') return fail('--on is up or down');
  const corners = cornersOf(told.corners);
  let picture;
  try {
    if (statSync(file).size > MOST_BYTES)
      return fail(`${file}: is larger than ${MOST_BYTES / 1024 / 1024} MiB`);
    // Loaded when a picture is read: no other command waits for it.
    const { default: sharp } = await import('sharp');
    const image = sharp(file, { limitInputPixels: MOST_PIXELS });
    const { width } = await image.metadata();
    picture = await image
      .resize(MOST_SIDE, MOST_SIDE, { fit: 'inside', withoutEnlargement: true })
      .removeAlpha()
      .toColourspace('srgb')
      .raw()
      .toBuffer({ resolveWithObject: true });
    const scale = picture.info.width / (width ?? picture.info.width);
    for (const c of corners) {
      c.x *= scale;
      c.y *= scale;
    }
  } catch (error) {
    if (error instanceof Usage) throw error;
    throw new Usage(`${file}: is not a picture that can be read\n`);
  }
  const { info, data } = picture;
  const raster = { width: info.width, height: info.height, rgb: new Uint8Array(data) };
  try {
    const seen = readBlock(raster, corners as Corners, shape, slider);
    if (seen.kind === 'header')
      return {
        block: told.block,
        jumpers: seen.jumpers,
        doubtful: seen.jumpers.filter((j) => j.isDoubtful).length
      };
    return {
      block: told.block,
      slider: seen.slider,
      sliderSure: seen.isSliderSure,
      onIs: on,
      positions: seen.switches.map((s) => ({
        switch: s.n,
        side: s.side,
        state: s.side === on ? 'on' : 'off',
        certainty: s.certainty,
        doubtful: s.isDoubtful
      })),
      row: seen.switches.map((s) => (s.isDoubtful ? '?' : s.side === on ? 'on' : 'off')).join(' '),
      doubtful: seen.switches.filter((s) => s.isDoubtful).length
    };
  } catch (error) {
    if (error instanceof CornersError) return fail(errorWords(error));
    throw error;
  }
}
