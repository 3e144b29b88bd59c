export { difference, type Change } from './difference';
export { merge, type Merge, type MergeLine, type Side } from './merge';
export { buildOf, unitsOf } from './units';
export { stateText } from './words';
