import { GeometryError } from '../../src/lib/core/storage';
import { NotationError } from '../../src/lib/core/settings';
import { geometryFlawWords, notationFlawWords } from '../../src/lib/words';

/** The sentence with which something is refused; empty when it is not. */
export function refused(work: () => unknown): string {
  try {
    work();
    return '';
  } catch (error) {
    if (error instanceof GeometryError) return geometryFlawWords(error.flaw);
    if (error instanceof NotationError) return notationFlawWords(error.flaw);
    throw error;
  }
}
