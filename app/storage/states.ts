import { replayed } from '../../core/document/history';
import type { Layout } from '../../core/document/layout';
import type { KeptLayout, KeptStep, ShelfDatabase, ShelfSchema } from './database';
import type { IDBPTransaction } from 'idb';

/** The two stores that states are put together from, within a transaction. */
interface KeptStore {
  readonly openCursor: (range: IDBKeyRange, way: 'prev') => Promise<{ readonly value: KeptLayout } | null>;
}
interface StepStore {
  readonly getAll: (range: IDBKeyRange) => Promise<KeptStep[]>;
}

export type Writing = IDBPTransaction<
  ShelfSchema,
  ('cards' | 'kept' | 'steps' | 'choices' | 'settings' | 'blobs')[],
  'readwrite'
>;

const stores = ['cards', 'kept', 'steps', 'choices', 'settings', 'blobs'] as const;
/** Written when the machine's disc has it, so that a power cut takes the last edit at most. */
const writing = (db: ShelfDatabase): Writing =>
  db.transaction([...stores], 'readwrite', { durability: 'strict' }) as Writing;

/**
 * Writes in one transaction: all of it happens or none, also where what writes fails in between.
 * @throws the reason for which nothing was written, as a full disc
 */
export async function together<T>(db: ShelfDatabase, writes: (within: Writing) => Promise<T>): Promise<T> {
  const within = writing(db);
  // Its end is awaited below, or told by what failed before it.
  within.done.catch(() => undefined);
  try {
    const made = await writes(within);
    await within.done;
    return made;
  } catch (error) {
    const reason = within.error ?? error;
    try {
      within.abort();
    } catch {
      // It has ended already.
    }
    throw reason;
  }
}

/** Of one layout, from a step on. */
export const from = (layoutId: string, seq: number, to = Infinity): IDBKeyRange =>
  IDBKeyRange.bound([layoutId, seq], [layoutId, to]);

/** A layout as it was after a step. @throws Error when it is not kept any more */
export async function stateIn(
  kept: KeptStore,
  stepStore: StepStore,
  id: string,
  seq: number,
): Promise<Layout> {
  const cursor = await kept.openCursor(from(id, -Infinity, seq), 'prev');
  if (!cursor) throw new Error('this state is not kept any more');
  const { seq: start, layout } = cursor.value;
  const steps = start < seq ? await stepStore.getAll(from(id, start + 1, seq)) : [];
  if (steps.length !== seq - start) throw new Error('this state is not kept any more');
  return replayed(layout as Layout, steps);
}
