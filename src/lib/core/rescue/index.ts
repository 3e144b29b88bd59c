export * from './imaging';
export * from './state';
