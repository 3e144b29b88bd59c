import { ChipsError } from '../../core/boards';
import { CornersError } from '../../core/photo';
import { EncodeError, NotationError } from '../../core/settings';
import { TooLarge } from '../../core/solver';
import { GeometryError } from '../../core/storage';
import { chipsFlawWords, encodeFlawWords, geometryFlawWords, notationFlawWords } from './refusals';
import { tooLargeWords } from './solver';

/** What went wrong, as far as it is anything that a person can mend; else the message of the error. */
export function errorWords(error: unknown): string {
  if (error instanceof GeometryError) return geometryFlawWords(error.flaw);
  if (error instanceof NotationError) return notationFlawWords(error.flaw);
  if (error instanceof EncodeError) return encodeFlawWords(error.flaw);
  if (error instanceof ChipsError) return chipsFlawWords(error.flaw);
  if (error instanceof TooLarge) return tooLargeWords;
  if (error instanceof CornersError)
    return 'the four corners go round the block one after the other, none in a line with two others';
  return error instanceof Error ? error.message : String(error);
}
