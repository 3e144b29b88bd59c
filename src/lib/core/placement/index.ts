export * from './place';
export * from './starts';
