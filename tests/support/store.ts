import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { BuildStore } from '../../src/lib/server/builds';
import { openDatabase, type Db } from '../../src/lib/server/database';
import { parts } from './demo';

/** A store in a folder of its own, for each test of a suite. */
export class Shop {
  folder!: string;
  db!: Db;
  store!: BuildStore;

  async open(): Promise<BuildStore> {
    this.db = await openDatabase(this.folder);
    this.store = new BuildStore(this.db, [...parts.values()]);
    return this.store;
  }
  async close(): Promise<void> {
    await this.db.destroy();
  }
}

export const emptyFolder = (): string => mkdtempSync(join(tmpdir(), 'yj-store-'));

export function useShop(): Shop {
  const shop = new Shop();
  beforeEach(async () => {
    shop.folder = emptyFolder();
    await shop.open();
  });
  afterEach(async () => {
    await shop.close();
    rmSync(shop.folder, { recursive: true, force: true });
  });
  return shop;
}

/** Expects an error of a type, with a sentence; returns it. */
export async function fails(
  work: Promise<unknown>,
  type: new (...args: never[]) => Error,
  pattern = /./
): Promise<Error> {
  try {
    await work;
  } catch (error) {
    expect(error).to.be.instanceOf(type);
    expect((error as Error).message).to.match(pattern);
    return error as Error;
  }
  throw new Error('did not fail');
}
