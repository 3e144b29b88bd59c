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
export { nextTries, withState, type NextTries, type NextTry } from './next-try';
export { mergeFragments, standing, stateKey, type Cell, type CellKind, type MergedTable } from './merge';
export { clockPlan, type ClockPlan, type ClockTry } from './clock';
export { partFrom } from './part';
