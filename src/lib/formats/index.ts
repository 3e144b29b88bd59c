export * from './build-file';
export * from './part-file';
export * from './schema';
export * from './sheet';
export * from './tables';
export * from './workshop';
export { sheetMarkdown } from './markdown';
export * from './export';
