/** The store cannot be used: one sentence that says what, where, and what to do. */
export class StoreTrouble extends Error {
  constructor(
    message: string,
    readonly code: string
  ) {
    super(message);
    this.name = 'StoreTrouble';
  }
}

type Sentence = (where: string) => string;

/** What the file system and SQLite say, in words for a person. Result codes by their first two words. */
const sentences: Record<string, Sentence> = {
  EACCES: (w) =>
    `${w} cannot be written by this user. Give it to the user who runs the program, or set YJ_DATA to another folder.`,
  EROFS: (w) => `${w} is on a read-only disk. Make it writable, or set YJ_DATA to another folder.`,
  ENOTDIR: (w) =>
    `${w} cannot be a folder: a file of that name is in the way. Set YJ_DATA to another folder.`,
  ENOSPC: (w) => `The disk that holds ${w} is full. Make room and start again.`,
  SQLITE_FULL: (w) =>
    `The disk that holds ${w} is full. Make room and try again; what was saved before is safe.`,
  SQLITE_IOERR: (w) =>
    `The disk that holds ${w} reports an error. Copy the folder elsewhere before anything else.`,
  SQLITE_READONLY: (w) =>
    `${w} cannot be written by this user. Give it to the user who runs the program, or set YJ_DATA to another folder.`,
  SQLITE_CANTOPEN: (w) => `${w} cannot be opened. Look at who owns it and whether the disk is there.`,
  SQLITE_BUSY: (w) =>
    `Another program keeps ${w} locked. Close it (a second Yellow Jumper, a database browser) and try again.`,
  SQLITE_CORRUPT: (w) => damaged(w),
  SQLITE_NOTADB: (w) => damaged(w)
};
sentences.EPERM = sentences.EACCES;
sentences.EEXIST = sentences.ENOTDIR;
sentences.SQLITE_LOCKED = sentences.SQLITE_BUSY;

export const damaged = (where: string): string =>
  `${where} is damaged or is no Yellow Jumper database. Nothing in it was changed. Bring back a backup: yj restore FILE (this file is then kept under another name).`;

export const replaced = (where: string): string =>
  `${where} was deleted, moved or exchanged while the program is running, so nothing can be saved. Your changes are kept on this page. Put the file back, or start the program again to use the file that is there now.`;

/** The same error as a StoreTrouble, when it is one of the disk or the database. */
export function storeTrouble(error: unknown, where: string): StoreTrouble | null {
  if (error instanceof StoreTrouble) return error;
  const code = (error as { code?: unknown })?.code;
  if (typeof code !== 'string') return null;
  const short = code.split('_').slice(0, 2).join('_');
  const sentence = sentences[short];
  return sentence ? new StoreTrouble(sentence(where), short) : null;
}
