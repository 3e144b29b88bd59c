export * from './offer';
export * from './systems';
export * from './slowing';
export * from './unmet';
export * from './own-program';
