import { server } from '../words/server';
import { dropOldest } from './drop-oldest';
import { createHash, randomBytes } from 'node:crypto';
import { hostname, networkInterfaces } from 'node:os';
import bcrypt from 'bcryptjs';
import { transact, type Db } from './database';

/** Days that a sign-in lasts. */
const DAYS = 30;
export const COOKIE = 'yj_session';
/** Wrong passphrases from one address before it has to wait, and the first wait in seconds; it doubles. */
const TRIES = 5;
const FIRST_WAIT = 30;
const LONGEST_WAIT = 3600;
const COST = 12;

/** Why a passphrase cannot be used, or null. bcrypt reads no more than 72 bytes. */
export function passphraseProblem(passphrase: string): string | null {
  if ([...passphrase].length < 12) return server.passphraseShort;
  if (Buffer.byteLength(passphrase) > 72) return server.passphraseLong;
  return null;
}

/** Sets the passphrase of a shared server; everybody has to sign in again. */
export async function setPassphrase(db: Db, passphrase: string): Promise<void> {
  const wrong = passphraseProblem(passphrase);
  if (wrong) throw new Error(wrong);
  const value = await bcrypt.hash(passphrase, COST);
  await transact(db, async (trx) => {
    await trx
      .insertInto('settings')
      .values({ name: 'passphrase', value })
      .onConflict((c) => c.column('name').doUpdateSet({ value }))
      .execute();
    await trx.deleteFrom('sessions').execute();
  });
}

export const passphraseHash = async (db: Db): Promise<string | undefined> =>
  (await db.selectFrom('settings').select('value').where('name', '=', 'passphrase').executeTakeFirst())
    ?.value;

const hashed = (token: string) => createHash('sha256').update(token).digest('hex');

export type SignIn =
  | { result: 'in'; token: string; seconds: number }
  | { result: 'wrong' }
  | { result: 'wait'; seconds: number };

/** Keeps the door of a shared server. */
export class Gate {
  private readonly wrong = new Map<string, { count: number; until: number }>();
  private readonly busy = new Set<string>();
  private readonly listeners = new Map<string, Set<() => void>>();

  constructor(
    private readonly db: Db,
    private readonly now: () => number = Date.now
  ) {}

  async signIn(passphrase: string, address: string): Promise<SignIn> {
    const tried = this.wrong.get(address);
    const left = Math.ceil(((tried?.until ?? 0) - this.now()) / 1000);
    // One try at a time from one address, so that waiting cannot be passed by many at once.
    if (left > 0 || this.busy.has(address)) return { result: 'wait', seconds: Math.max(1, left) };
    this.busy.add(address);
    try {
      const hash = await passphraseHash(this.db);
      if (!hash || passphraseProblem(passphrase) || !(await bcrypt.compare(passphrase, hash))) {
        this.count(address, (tried?.count ?? 0) + 1);
        return { result: 'wrong' };
      }
    } finally {
      this.busy.delete(address);
    }
    this.wrong.delete(address);
    const token = randomBytes(32).toString('base64url');
    const expires = new Date(this.now() + DAYS * 86_400_000).toISOString();
    await this.db.deleteFrom('sessions').where('expires', '<', new Date(this.now()).toISOString()).execute();
    await this.db
      .insertInto('sessions')
      .values({ token: hashed(token), expires })
      .execute();
    return { result: 'in', token, seconds: DAYS * 86_400 };
  }

  async isSignedIn(token: string | undefined): Promise<boolean> {
    if (!token || token.length > 100) return false;
    const row = await this.db
      .selectFrom('sessions')
      .select('expires')
      .where('token', '=', hashed(token))
      .executeTakeFirst();
    return row !== undefined && row.expires > new Date(this.now()).toISOString();
  }

  async signOut(token: string | undefined): Promise<void> {
    if (!token) return;
    await this.db.deleteFrom('sessions').where('token', '=', hashed(token)).execute();
    for (const over of [...(this.listeners.get(token) ?? [])]) over();
  }

  /** Calls back when a session is signed out here. @returns how to stop listening */
  whenOver(token: string, over: () => void): () => void {
    const own = this.listeners.get(token) ?? new Set();
    this.listeners.set(token, own.add(over));
    return () => {
      own.delete(over);
      if (!own.size) this.listeners.delete(token);
    };
  }

  private count(address: string, count: number): void {
    const wait = count < TRIES ? 0 : Math.min(LONGEST_WAIT, FIRST_WAIT * 2 ** (count - TRIES));
    this.wrong.delete(address);
    this.wrong.set(address, { count, until: this.now() + wait * 1000 });
    if (this.wrong.size > 10_000) dropOldest(this.wrong);
  }
}

/** Whether the server is open to other computers: `--share` was given. */
export const isShared = (): boolean => process.env.YJ_SHARED === '1';

const loopback = /^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/;

/** Whether a Host header is a name of this computer; a page elsewhere cannot pass itself off as ours then. */
export function isOwnName(host: string): boolean {
  if (loopback.test(host)) return true;
  if (!isShared()) return false;
  const name = host
    .replace(/:\d+$/, '')
    .replace(/^\[|\]$/g, '')
    .toLowerCase();
  const own = [
    hostname(),
    `${hostname()}.local`,
    ...(process.env.YJ_NAMES ?? '').split(','),
    ...Object.values(networkInterfaces()).flatMap((list) => (list ?? []).map((i) => i.address))
  ];
  return own.some((n) => n.trim().toLowerCase() === name);
}
