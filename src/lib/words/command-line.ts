/** What the command line says besides its data. */
export * from './en/command-line';
