/** What went wrong, for the command line and whatever runs beside a page. */
export * from './en/errors';
