export * from './collection';
export { readBays, type BaySeen, type BaysRead } from './bays';
export {
  BOARD_CLASSES,
  CLOSED,
  ON_BOARD_FUNCTIONS,
  boardFrom,
  type BoardClass,
  type BoardSeen,
  type Closed,
  type OnBoard
} from './board';
export { factOf, withTelling, OFFERED, type Telling } from './tells';
export { TRIED, aloneOn, isAboutTried, triedIn } from './try-in';
export { markPlaces, type MarkPlace } from './mark-places';
