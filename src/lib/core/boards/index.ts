export * from './cpu';
export * from './tolerances';
export * from './memory';
export * from './fillings';
export * from './waits';
export * from './memory-plan';
export * from './chips';
export * from './readings';
