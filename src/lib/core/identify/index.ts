export * from './features';
export * from './rank';
export { draftFrom } from './draft';
