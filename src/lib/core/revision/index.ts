export { difference, type Fact } from './difference';
export { merge, type Merge, type MergeLine, type Side } from './merge';
export { buildOf, unitsOf } from './units';
