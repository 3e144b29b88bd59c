export * from './readings';
export * from './halving';
export * from './mishap';
