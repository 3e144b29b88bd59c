/** A document that is saved as it is changed: a thing of the shelf, a notebook. */
export const kept = {
  away: 'The server does not answer. Your change is kept in this browser and sent when the server is back.',
  both: (fields: string) =>
    `Changed in another window too: ${fields}. What was saved there is shown; yours is kept until you choose.`,
  mine: (field: string) => `Yours, ${field}:`,
  useMine: 'Use mine',
  useTheirs: 'Leave it as shown',
  saved: 'Saved.',
  gone: 'It was deleted in another window; your last change is not saved.'
} as const;
