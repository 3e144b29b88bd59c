export * from './kit';
export * from './cables';
export * from './images';
export * from './bays';
export * from './memory';
export * from './module-bays';
export * from './chassis';
