export * from './information';
export * from './rates';
export * from './sets';
export * from './trials';
