import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Layout } from '../../core/document/layout';

interface Schema extends DBSchema {
  layouts: { key: string; value: { readonly savedAt: number; readonly layout: Layout } };
}

const CURRENT = 'current';
const MOST_SNAPSHOTS = 10;
/** A snapshot is kept at most this often. */
const SNAPSHOT_EVERY_MS = 5 * 60 * 1000;

let opened: Promise<IDBPDatabase<Schema>> | null = null;

function database(): Promise<IDBPDatabase<Schema>> {
  opened ??= openDB<Schema>('hazel-spark', 1, {
    upgrade: (db) => {
      db.createObjectStore('layouts');
    },
  });
  return opened;
}

/** The layout last saved in this browser, as it was stored: still to be checked. */
export async function loadSaved(): Promise<unknown> {
  return (await (await database()).get('layouts', CURRENT))?.layout;
}

/** Saves the layout, and now and then keeps a snapshot of it. */
export async function save(layout: Layout, savedAt: number): Promise<void> {
  const transaction = (await database()).transaction('layouts', 'readwrite');
  const { store } = transaction;
  await store.put({ savedAt, layout }, CURRENT);
  const snapshots = (await store.getAllKeys()).filter((k) => k.startsWith('snapshot ')).sort();
  const newest = snapshots[snapshots.length - 1];
  if (newest === undefined || savedAt - Number(newest.slice('snapshot '.length)) >= SNAPSHOT_EVERY_MS) {
    await store.put({ savedAt, layout }, `snapshot ${savedAt}`);
    for (const old of snapshots.slice(0, Math.max(0, snapshots.length + 1 - MOST_SNAPSHOTS)))
      await store.delete(old);
  }
  await transaction.done;
}
