export * from './geometry';
export * from './translation';
export * from './barriers';
export * from './fat';
export * from './types';
