import { errorWords } from '../src/lib/words/errors';
import { statSync } from 'node:fs';
import { CornersError, blockShape, readBlock, type Corners, type Point } from '../src/lib/core/photo';
import { pathRefusals, photoRefusals as refusals, photoUsage } from '../src/lib/words/command-line';
import { TEXT, readArgs } from './args';
import { Usage } from './io';

const MOST_BYTES = 40 * 1024 * 1024;
const MOST_PIXELS = 80_000_000;
/** Longest side that is looked at; a larger photograph is made smaller first. */
const MOST_SIDE = 3000;

const fail = (why: string): never => {
  throw new Usage(`${why}\n\n${photoUsage}`);
};

function cornersOf(text: string | undefined): [Point, Point, Point, Point] {
  const numbers = (text ?? '').split(',').map(Number);
  if (numbers.length !== 8 || numbers.some((n) => !Number.isFinite(n))) return fail(refusals.corners);
  const at = (i: number): Point => ({ x: numbers[2 * i]!, y: numbers[2 * i + 1]! });
  return [at(0), at(1), at(2), at(3)];
}

/** What a block in a photograph shows, as JSON. */
export async function photoReport(args: readonly string[]): Promise<object> {
  const options = { corners: TEXT, block: TEXT, slider: TEXT, on: TEXT };
  const { words, told } = readArgs(args, options, 1, photoUsage);
  const [file] = words;
  if (!file) return fail(refusals.what);
  const shape = blockShape(told.block ?? '') ?? fail(refusals.block);
  const { slider, on = 'up' } = told;
  if (slider !== undefined && slider !== 'light' && slider !== 'dark') return fail(refusals.slider);
  if (on !== 'up' && on !== 'down') return fail(refusals.on);
  const corners = cornersOf(told.corners);
  let picture;
  try {
    if (statSync(file).size > MOST_BYTES)
      return fail(`${file}: ${pathRefusals.largerThan(MOST_BYTES / 1024 / 1024)}`);
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
    throw new Usage(`${file}: ${refusals.unreadable}\n`);
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
