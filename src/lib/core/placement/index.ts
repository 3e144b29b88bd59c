export * from './best';
export * from './place';
export * from './present';
export * from './starts';
