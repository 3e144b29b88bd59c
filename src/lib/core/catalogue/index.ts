export * from './search';
export * from './improbable';
