export {
  elementsOf,
  guessesFor,
  hazardous,
  predicted,
  remaining,
  stateOf,
  templatesOf,
  type Element,
  type Guess,
  type Template
} from './guess';
export {
  nextTries,
  withState,
  type Barred,
  type NextTries,
  type NextTry,
  type NothingToTry,
  type Would
} from './next-try';
export { mergeFragments, standing, stateKey, type Cell, type CellKind, type MergedTable } from './merge';
export {
  clockCeiling,
  clockPlan,
  printedNumber,
  voltagePlan,
  type ClockPlan,
  type ClockReason,
  type ClockRating,
  type ClockTry
} from './clock';
export { partFrom } from './part';
