import { storeTroubles } from '../words/server';

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

/** The same error as a StoreTrouble, when it is one of the disk or the database. */
export function storeTrouble(error: unknown, where: string): StoreTrouble | null {
  if (error instanceof StoreTrouble) return error;
  const code = (error as { code?: unknown })?.code;
  if (typeof code !== 'string') return null;
  const short = code.split('_').slice(0, 2).join('_');
  const sentence = storeTroubles[short];
  return sentence ? new StoreTrouble(sentence(where), short) : null;
}
