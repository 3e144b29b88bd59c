export * from './check';
export * from './finding';
export * from './read';
export { loadedOf, managerOf, type Situation } from './situation';
export { regionsOf } from './check-high';
export { batchOf, choicesOf, configOf } from './walk';
export * from './explain';
export { planBeside } from './present';
