/** The words of the server, the command line and the workers, apart from those that pages load. */
export * from './en/server';
export * from './en/api';
export * from './en/errors';
