import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { ArchivedState, ArchivedStep } from '../../core/document/archive';
import type { Step } from '../../core/document/history';
import type { ClashPlace } from '../../core/document/merge';
import { blobsIn, type BlobName } from '../../core/document/blobs';
import type { LineSketch } from '../../core/study/line-sketch';
import type { Glow } from '../../core/study/glow';
import { DATABASE_VERSION, upgrade, type Upgrading } from './upgrades';

/** What the shelf shows of a layout without reading it. */
export interface Card {
  readonly id: string;
  readonly name: string;
  readonly scale: string;
  readonly jobs: number;
  readonly createdAt: number;
  readonly changedAt: number;
  /** Version of the file's schema it was last written with. */
  readonly version: number;
  /** Number of its newest step or kept state. */
  readonly head: number;
  /**
   * The browser had lost it and a window put it back: a name of its own, and the number of the step as of which.
   * Whoever knows it under another name may know less of it, or more.
   */
  readonly era?: { readonly id: string; readonly from: number };
  /** Its newest kept state. */
  readonly kept: { readonly seq: number; readonly at: number };
  /** Room that it takes with its history. */
  readonly bytes: number;
  readonly putAway: boolean;
  /** When it was thrown away; null while it was not. */
  readonly deletedAt: number | null;
  /** When it was last exported and at which step; null for never. */
  readonly exported: { readonly at: number; readonly seq: number } | null;
  readonly picture: LineSketch | null;
  /** How each of its jobs last looked on the Line, by id: shown at once, until it is solved. */
  readonly glows?: Readonly<Record<string, Glow>>;
}

/** Which blobs a record speaks of, for the index that finds those nothing speaks of. */
interface Speaking {
  readonly blobs?: readonly BlobName[] | undefined;
}

/** The same record, with the blobs it speaks of. */
export function speaking<T extends object>(record: T): T & Speaking {
  const blobs = blobsIn({ ...record, blobs: undefined });
  return { ...record, blobs: blobs.length > 0 ? blobs : undefined };
}

/** A whole layout as it was after a step, and how it came to be; `layout` as stored is still to be checked. */
export type KeptLayout = ArchivedState & Speaking & { readonly layoutId: string };

export type KeptStep = ArchivedStep & Speaking & { readonly layoutId: string };

/** A change that did not go together with another window's: kept until the person has chosen. */
export interface Choice extends Speaking {
  readonly id: string;
  readonly layoutId: string;
  readonly at: number;
  readonly step: Step;
  readonly reason: string;
  readonly places: readonly ClashPlace[];
}

/** A file kept beside the documents, by its content. */
export interface StoredBlob {
  readonly name: BlobName;
  /** Its media type, as `image/jpeg`. */
  readonly type: string;
  readonly content: ArrayBuffer;
  /** Nothing spoke of it when the shelf was last swept. */
  readonly loose: boolean;
}

export interface ShelfSchema extends DBSchema {
  cards: { key: string; value: Card };
  kept: { key: [string, number]; value: KeptLayout; indexes: { byBlob: BlobName } };
  steps: { key: [string, number]; value: KeptStep; indexes: { byBlob: BlobName } };
  choices: { key: string; value: Choice; indexes: { byLayout: string; byBlob: BlobName } };
  blobs: { key: BlobName; value: StoredBlob };
  settings: { key: string; value: unknown };
}

export type ShelfDatabase = IDBPDatabase<ShelfSchema>;

export const DATABASE = 'hazel-spark';

interface DatabaseEvents {
  /** Another window holds the data open with an older program and does not let go. */
  readonly blocked: () => void;
  /** A newer program wants the data: this one has let go and may not write any more. */
  readonly outdated: () => void;
  /** The browser closed it, as when the site's data are cleared. */
  readonly closed: () => void;
}

/** Opens the database, bringing an older one up to date. */
export function openDatabase(events: DatabaseEvents): Promise<ShelfDatabase> {
  return openDB<ShelfSchema>(DATABASE, DATABASE_VERSION, {
    upgrade: (db, from, _to, transaction) => {
      // A step that fails has its transaction aborted: the opening fails with it.
      upgrade(db as unknown as IDBPDatabase<unknown>, from, transaction as unknown as Upgrading).catch(
        () => undefined,
      );
    },
    blocked: events.blocked,
    blocking: (_current, wanted, event) => {
      (event.target as IDBDatabase | null)?.close();
      // No version is wanted where it is to be deleted: it is opened anew, and what is open put back.
      if (wanted === null) events.closed();
      else events.outdated();
    },
    terminated: events.closed,
  });
}

/** A layout as it is kept whole. What it holds is taken as it is. */
export function keptLayout(
  layoutId: string,
  seq: number,
  at: number,
  layout: unknown,
  origin: string | null,
  says: readonly string[] = [],
): KeptLayout {
  const version = Number((layout as { version?: unknown } | null)?.version) || 0;
  const bytes = JSON.stringify(layout)?.length ?? 0;
  return speaking({ layoutId, seq, at, version, layout, origin, name: null, says, bytes });
}

/** A new id on the shelf. */
export const newId = (): string => {
  const parts = crypto.getRandomValues(new Uint8Array(8));
  return Array.from(parts, (b) => b.toString(16).padStart(2, '0')).join('');
};

/** What the shelf shows of a layout that may be of any shape. */
export const facts = (layout: unknown): Pick<Card, 'name' | 'scale' | 'jobs'> => {
  const { name, scale, jobs } = (layout ?? {}) as { name?: unknown; scale?: unknown; jobs?: unknown };
  return {
    name: typeof name === 'string' && name !== '' ? name : 'Without a name',
    scale: typeof scale === 'string' ? scale : '',
    jobs: typeof jobs === 'object' && jobs !== null ? Object.keys(jobs).length : 0,
  };
};

/** A new card for a layout that is kept as its first state. */
export const cardOf = (kept: KeptLayout, createdAt: number): Card => ({
  id: kept.layoutId,
  ...facts(kept.layout),
  createdAt,
  changedAt: kept.at,
  version: kept.version,
  head: kept.seq,
  kept: { seq: kept.seq, at: kept.at },
  bytes: kept.bytes,
  putAway: false,
  deletedAt: null,
  exported: null,
  picture: null,
});
