export * from './features';
export * from './rank';
export { draftFrom } from './draft';
export * from './display-memory';
export * from './drive-label';
export * from './keyboard-kind';
export * from './plugs';
export * from './supply-label';
