export {
  MAX_ARCHIVE,
  MAX_UNPACKED,
  type KeptBuild,
  type KeptPhoto,
  type RawBuild,
  type RawRevision,
  type ReadWorkshop,
  type Workshop,
  type WrittenWorkshop
} from './layout';
export { readWorkshop } from './read';
export { revisionOf, writeWorkshop } from './write';
