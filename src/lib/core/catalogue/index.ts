export * from './search';
