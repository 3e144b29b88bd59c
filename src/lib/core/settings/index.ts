export { meaningsOf, isByHand, isHandBlock, settingsOn, type Meant } from './meaning';
export { notLookedAt, notSeen, unseenOnLines, type SeenAt } from './unlooked';
export { factRules } from './facts';
export { standingMHz } from './look';
export type { Consequence, Reason, SlotName, Want } from './reasons';
export {
  byFact,
  differences,
  required,
  settle,
  withSettings,
  type Difference,
  type FactGroup,
  type Required
} from './required';
export {
  blockState,
  foundState,
  isAsPictured,
  positionShown,
  recordBlock,
  recordPicture,
  recordPosition,
  unrecorded,
  type Unrecorded
} from './record';
export {
  decode,
  encode,
  encodeFacts,
  factsTold,
  handBlocks,
  EncodeError,
  type EncodeFlaw,
  type Reading
} from './decode';
export { NotationError, type NotationFlaw, readRow, upSide, writeRow } from './notation';
export { clearTicks, planned, seatKey, settingKey, tickSeat, tickSetting, tickStep, untick } from './tick';
