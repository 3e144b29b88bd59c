/** The words of the server, apart from those that pages load. */
export * from './en/server';
export * from './en/api';
