export * from './build-file';
export * from './part-file';
export * from './schema';
export * from './sheet';
