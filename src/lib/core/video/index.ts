export * from './modes';
export * from './monitor';
