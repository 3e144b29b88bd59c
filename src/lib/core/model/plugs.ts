/** Plugs and sockets at which rails are read. */
export const PLUGS = ['at', 'atx20', 'drive', 'floppy', 'slot'] as const;
