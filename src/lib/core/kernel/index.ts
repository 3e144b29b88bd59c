export * from './branch';
export * from './budget';
export * from './quick-xplain';
