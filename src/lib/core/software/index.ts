export * from './offer';
export * from './unmet';
