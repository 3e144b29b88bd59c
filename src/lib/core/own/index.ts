export * from './collection';
export {
  BOARD_CLASSES,
  ON_BOARD_FUNCTIONS,
  boardFrom,
  type BoardClass,
  type BoardSeen,
  type OnBoard
} from './board';
