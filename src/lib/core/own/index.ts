export * from './collection';
export {
  BOARD_CLASSES,
  ON_BOARD_FUNCTIONS,
  boardFrom,
  type BoardClass,
  type BoardSeen,
  type OnBoard
} from './board';
export { factOf, withTelling, OFFERED, type Telling } from './tells';
export { TRIED, aloneOn, isAboutTried, triedIn } from './try-in';
