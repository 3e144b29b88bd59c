export * from './best';
export * from './line';
export type { PlacedLine } from './orders';
export * from './place';
export * from './present';
export * from './starts';
