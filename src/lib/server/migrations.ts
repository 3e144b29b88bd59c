import type { Kysely } from 'kysely';

/** Forward steps of the schema; the number of steps is the schema's version. */
// eslint-disable-next-line @typescript-eslint/no-explicit-any -- a step knows only the schema of its time
export const migrations: ((db: Kysely<any>) => Promise<void>)[] = [
  async (db) => {
    await db.schema
      .createTable('builds')
      .addColumn('id', 'text', (c) => c.primaryKey())
      .addColumn('name', 'text', (c) => c.notNull())
      .addColumn('head', 'integer', (c) => c.notNull())
      .addColumn('created', 'text', (c) => c.notNull())
      .addColumn('updated', 'text', (c) => c.notNull())
      .execute();
    // Every save is a row that points to the one before; undo moves the head, nothing is deleted.
    await db.schema
      .createTable('revisions')
      .addColumn('id', 'integer', (c) => c.primaryKey().autoIncrement())
      .addColumn('build', 'text', (c) => c.notNull())
      .addColumn('parent', 'integer')
      .addColumn('document', 'text', (c) => c.notNull())
      .addColumn('note', 'text', (c) => c.notNull())
      .addColumn('at', 'text', (c) => c.notNull())
      .execute();
    await db.schema.createIndex('revisions_by_parent').on('revisions').columns(['build', 'parent']).execute();
    await db.schema
      .createTable('parts')
      .addColumn('id', 'text', (c) => c.primaryKey())
      .addColumn('document', 'text', (c) => c.notNull())
      .addColumn('at', 'text', (c) => c.notNull())
      .execute();
  },
  async (db) => {
    await db.schema.alterTable('builds').addColumn('deleted', 'text').execute();
    await db.schema.createIndex('revisions_by_build').on('revisions').columns(['build', 'id']).execute();
    await db.schema
      .createTable('marks')
      .addColumn('revision', 'integer', (c) => c.primaryKey())
      .addColumn('name', 'text', (c) => c.notNull())
      .addColumn('at', 'text', (c) => c.notNull())
      .execute();
    await db.schema
      .createTable('summaries')
      .addColumn('build', 'text', (c) => c.primaryKey())
      .addColumn('head', 'integer', (c) => c.notNull())
      .addColumn('key', 'text', (c) => c.notNull())
      .addColumn('document', 'text', (c) => c.notNull())
      .execute();
    await db.schema
      .createTable('settings')
      .addColumn('name', 'text', (c) => c.primaryKey())
      .addColumn('value', 'text', (c) => c.notNull())
      .execute();
    await db.schema
      .createTable('sessions')
      .addColumn('token', 'text', (c) => c.primaryKey())
      .addColumn('expires', 'text', (c) => c.notNull())
      .execute();
  },
  async (db) => {
    // `version` counts saves of an item, so that two windows do not overwrite each other in silence.
    await db.schema
      .createTable('shelf')
      .addColumn('id', 'text', (c) => c.primaryKey())
      .addColumn('part', 'text', (c) => c.notNull())
      .addColumn('document', 'text', (c) => c.notNull())
      .addColumn('version', 'integer', (c) => c.notNull())
      .addColumn('created', 'text', (c) => c.notNull())
      .addColumn('updated', 'text', (c) => c.notNull())
      .addColumn('deleted', 'text')
      .execute();
    await db.schema.createIndex('shelf_by_part').on('shelf').column('part').execute();
    await db.schema
      .createTable('photos')
      .addColumn('id', 'text', (c) => c.primaryKey())
      .addColumn('item', 'text', (c) => c.notNull())
      .addColumn('name', 'text', (c) => c.notNull())
      .addColumn('width', 'integer', (c) => c.notNull())
      .addColumn('height', 'integer', (c) => c.notNull())
      .addColumn('data', 'blob', (c) => c.notNull())
      .addColumn('at', 'text', (c) => c.notNull())
      .execute();
    await db.schema.createIndex('photos_by_item').on('photos').column('item').execute();
    await db.schema
      .createTable('sightings')
      .addColumn('id', 'text', (c) => c.primaryKey())
      .addColumn('document', 'text', (c) => c.notNull())
      .addColumn('at', 'text', (c) => c.notNull())
      .execute();
  },
  async (db) => {
    await db.schema
      .alterTable('photos')
      .addColumn('marks', 'text', (c) => c.notNull().defaultTo('[]'))
      .execute();
    await db.schema
      .createTable('notebooks')
      .addColumn('id', 'text', (c) => c.primaryKey())
      .addColumn('document', 'text', (c) => c.notNull())
      .addColumn('version', 'integer', (c) => c.notNull())
      .addColumn('at', 'text', (c) => c.notNull())
      .execute();
  },
  async (db) => {
    await db.schema
      .alterTable('sightings')
      .addColumn('version', 'integer', (c) => c.notNull().defaultTo(1))
      .execute();
  }
];
