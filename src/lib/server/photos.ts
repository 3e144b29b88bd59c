import { server } from '../words/server';
import { InvalidDocument } from '../words';

/** Largest photograph that is taken in, in bytes and in pixels, and the longer side that is kept. */
export const MAX_PHOTO = 16 * 1024 * 1024;
const MAX_PIXELS = 80_000_000;
const KEPT_SIDE = 1600;
const KINDS = ['jpeg', 'png', 'webp'];

export interface Picture {
  data: Buffer;
  width: number;
  height: number;
}

/**
 * Checks by its contents that a file is a photograph, turns it upright, makes it smaller, and writes it anew as
 * JPEG, so that nothing of what the camera wrote into it (place, time, device) is left.
 * @throws InvalidDocument when it is no picture of a known kind, or larger than anybody needs
 */
export async function readPhoto(bytes: Uint8Array): Promise<Picture> {
  const wrong = (message: string) => new InvalidDocument([{ path: '', message }], server.what.photograph);
  try {
    // Brought in with the first photograph: most starts of the server see none.
    const { default: sharp } = await import('sharp');
    const image = sharp(bytes, { limitInputPixels: MAX_PIXELS, failOn: 'error' });
    const { format } = await image.metadata();
    if (!format || !KINDS.includes(format)) throw wrong(server.noPicture);
    const { data, info } = await image
      .rotate()
      .resize({ width: KEPT_SIDE, height: KEPT_SIDE, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .jpeg({ quality: 82 })
      .toBuffer({ resolveWithObject: true });
    return { data, width: info.width, height: info.height };
  } catch (error) {
    if (error instanceof InvalidDocument) throw error;
    const text = error instanceof Error ? error.message : '';
    throw wrong(text.includes('pixel limit') ? server.tooManyPixels(MAX_PIXELS / 1e6) : server.cutOffPicture);
  }
}
