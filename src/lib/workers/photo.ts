import { errorWords } from '../words/errors';
import {
  CornersError,
  cutOut,
  readBlock,
  type BlockSeen,
  type BlockShape,
  type Corners,
  type Raster
} from '../core/photo';

export interface PhotoMessage {
  raster: Raster;
  corners: Corners;
  shape: BlockShape;
}
export type PhotoReply =
  | { kind: 'read'; value: BlockSeen; cutOut: Raster }
  | { kind: 'corners' }
  | { kind: 'error'; message: string };

self.onmessage = ({ data }: MessageEvent<PhotoMessage>) => {
  let reply: PhotoReply;
  try {
    reply = {
      kind: 'read',
      value: readBlock(data.raster, data.corners, data.shape),
      cutOut: cutOut(data.raster, data.corners)
    };
  } catch (error) {
    reply =
      error instanceof CornersError ? { kind: 'corners' } : { kind: 'error', message: errorWords(error) };
  }
  self.postMessage(reply);
};
