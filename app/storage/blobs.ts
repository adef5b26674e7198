import type { BlobName } from '../../core/document/blobs';
import { together } from './states';
import type { ShelfDatabase } from './database';

/** Keeps a content once, however often it comes. Speak of it in a document next: one that nothing speaks of is swept away. */
export async function putBlob(db: ShelfDatabase, content: ArrayBuffer, type: string): Promise<BlobName> {
  // Fetched where something is to be kept: most pages never do.
  const { blobName } = await import('./blob-name');
  const name = blobName(content);
  await db.put('blobs', { name, type, content, loose: false });
  return name;
}

/** The stores whose records tell which blobs they speak of. */
const SPEAKING = ['kept', 'steps', 'choices'] as const;

/**
 * Throws away what no layout, history, bin or open choice speaks of, now and at the sweep before: what
 * has just been put, and is not yet spoken of, stays.
 * @returns the names of what went
 */
export function sweepBlobs(db: ShelfDatabase): Promise<BlobName[]> {
  return together(db, async (transaction) => {
    const blobs = transaction.objectStore('blobs');
    const gone: BlobName[] = [];
    for (const name of await blobs.getAllKeys()) {
      const counts = SPEAKING.map((store) => transaction.objectStore(store).index('byBlob').count(name));
      const loose = (await Promise.all(counts)).every((count) => count === 0);
      const blob = (await blobs.get(name))!;
      if (loose && blob.loose) {
        await blobs.delete(name);
        gone.push(name);
      } else if (loose !== blob.loose) await blobs.put({ ...blob, loose });
    }
    return gone;
  });
}
