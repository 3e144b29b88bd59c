export * from './kit';
export * from './cables';
export * from './bays';
export * from './memory';
export * from './module-bays';
export * from './chassis';
