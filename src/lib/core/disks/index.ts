export {
  choicesFor,
  diskOfPart,
  disksOf,
  firmwareFacts,
  geometryOf,
  sameShape,
  sizeOf,
  standing,
  typedOf,
  type KitDisk,
  type WhatIf
} from './disks';
export { floppyChains, type FloppyChain, type FloppyNote, type Link } from './floppies';
export { interfaceNotes, interleaves, type DiskBus, type InterfaceNote } from './interfaces';
export { setupLines, type SetupLine } from './setup-lines';
export { freeWindows } from './windows';
