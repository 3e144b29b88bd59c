export * from './best';
export * from './line';
export * from './place';
export * from './present';
export * from './starts';
