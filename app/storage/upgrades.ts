import type { IDBPDatabase, IDBPTransaction } from 'idb';

/** A database while its version changes: of no fixed shape, for it is on its way from one to the next. */
export type Upgrading = IDBPTransaction<unknown, string[], 'versionchange'>;

/**
 * Brings a database of one version to the next. It is frozen with what it fills in: what the program
 * means by a record today is the business of later steps.
 */
type Upgrade = (db: IDBPDatabase<unknown>, transaction: Upgrading) => Promise<void> | void;

interface FirstEntry {
  readonly key: string;
  readonly savedAt: number;
  readonly layout: {
    readonly version?: number;
    readonly name?: string;
    readonly scale?: string;
    readonly jobs?: object;
  };
}

/** One layout, and copies of it now and then, become a layout of the shelf with a history. */
async function toShelf(db: IDBPDatabase<unknown>, transaction: Upgrading): Promise<void> {
  db.createObjectStore('cards', { keyPath: 'id' });
  db.createObjectStore('kept', { keyPath: ['layoutId', 'seq'] });
  db.createObjectStore('steps', { keyPath: ['layoutId', 'seq'] });
  db.createObjectStore('choices', { keyPath: 'id' }).createIndex('byLayout', 'layoutId');
  db.createObjectStore('settings');
  const first = transaction.objectStore('layouts');
  const entries: FirstEntry[] = [];
  for (const key of (await first.getAllKeys()) as string[])
    entries.push({ key, ...((await first.get(key)) as Omit<FirstEntry, 'key'>) });
  // `current` is the newest, whatever the clock said of it.
  entries.sort((a, b) => Number(a.key === 'current') - Number(b.key === 'current') || a.savedAt - b.savedAt);
  const id = 'first-layout';
  for (const [seq, { savedAt: at, layout }] of entries.entries()) {
    const bytes = JSON.stringify(layout)?.length ?? 0;
    const version = Number(layout?.version) || 0;
    const origin = 'Kept before there was a shelf';
    await transaction
      .objectStore('kept')
      .put({ layoutId: id, seq, at, version, layout, origin, name: null, says: [], bytes });
    if (seq < entries.length - 1) continue;
    const { name, scale, jobs } = layout ?? {};
    await transaction.objectStore('cards').put({
      id,
      name: typeof name === 'string' && name !== '' ? name : 'Without a name',
      scale: typeof scale === 'string' ? scale : '',
      jobs: typeof jobs === 'object' && jobs !== null ? Object.keys(jobs).length : 0,
      createdAt: at,
      changedAt: at,
      version,
      head: seq,
      kept: { seq, at },
      bytes,
      putAway: false,
      deletedAt: null,
      exported: null,
      picture: null,
    });
    await transaction.objectStore('settings').put(id, 'open');
  }
  db.deleteObjectStore('layouts');
}

/** Files beside the documents; records say which of them they speak of. */
function toBlobs(db: IDBPDatabase<unknown>, transaction: Upgrading): void {
  db.createObjectStore('blobs', { keyPath: 'name' });
  for (const store of ['kept', 'steps', 'choices'])
    transaction.objectStore(store).createIndex('byBlob', 'blobs', { multiEntry: true });
}

/** The step at place n brings a database of version n to the next; a new one goes through all. */
const upgrades: readonly Upgrade[] = [(db) => void db.createObjectStore('layouts'), toShelf, toBlobs];

export const DATABASE_VERSION = upgrades.length;

/** Brings a database up to date from the version it has; where a step fails, nothing of any is kept. */
export async function upgrade(
  db: IDBPDatabase<unknown>,
  from: number,
  transaction: Upgrading,
): Promise<void> {
  // Its failing is told by the opening.
  transaction.done.catch(() => undefined);
  try {
    for (const step of upgrades.slice(from)) await step(db, transaction);
  } catch (error) {
    transaction.abort();
    throw error;
  }
}
