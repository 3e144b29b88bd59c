export * from './offer';
export * from './systems';
export * from './unmet';
export * from './own-program';
