export * from './cpu';
export * from './memory';
export * from './fillings';
