export {
  chainsOf,
  familyOf,
  ribbonsOf,
  unitsOf,
  ADAPTER_ID,
  type Chain,
  type Family,
  type Plugged
} from './chains';
export { adapterDue, dueOf, isDue, type Due } from './due';
export { faultsOf, type Fault } from './faults';
export { diskNumber, floppyLetter } from './lines';
export { withJumper, withRibbon, withSetup, type Jumpered } from './apply';
