import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { openDB } from 'idb';
import { readdirSync, readFileSync } from 'node:fs';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { emptyLayout } from '../../core/document/empty-layout';
import { attempt } from '../../core/document/gate';
import { blobName } from './blob-name';
import { DATABASE, openDatabase, type Card, type ShelfDatabase } from './database';
import { Shelf } from './shelf';
import { DATABASE_VERSION } from './upgrades';
import type { Step } from '../../core/document/history';
import type { Layout } from '../../core/document/layout';

const DAY = 24 * 3600 * 1000;
const NOW = 1_800_000_000_000;
const silent = { blocked: () => undefined, outdated: () => undefined, closed: () => undefined };
let db: ShelfDatabase;
let shelf: Shelf;

beforeEach(async () => {
  globalThis.indexedDB = new IDBFactory();
  db = await openDatabase(silent);
  shelf = new Shelf(db);
});
afterEach(() => vi.restoreAllMocks());

/** A step that names a layout. */
function naming(id: string, layout: Layout, name: string, at = NOW): { step: Step; layout: Layout } {
  const made = attempt(layout, (draft) => void (draft.name = name));
  if (!made.ok) throw new Error(made.reason);
  const { patches, inverse } = made.change;
  return {
    step: { id, kind: 'edit', entryId: id, label: name, at, patches, inverse },
    layout: made.change.layout,
  };
}

/** Names a layout several times over, each as a step that is written. */
async function named(id: string, names: readonly string[], at: (i: number) => number): Promise<void> {
  for (const [i, name] of names.entries()) {
    const opened = await shelf.open(id, NOW);
    if (!opened.ok) throw new Error('not opened');
    const { step } = naming(`${id} ${i} ${name}`, opened.layout, name, at(i));
    await shelf.commit(id, opened, [step], [], at(i));
  }
}

/** All that the database holds. */
async function held(of: ShelfDatabase): Promise<unknown> {
  const stores = [...of.objectStoreNames];
  return Object.fromEntries(
    await Promise.all(stores.map(async (s) => [s, [await of.getAllKeys(s), await of.getAll(s)]])),
  );
}

const bytes = (...of: number[]): ArrayBuffer => new Uint8Array(of).buffer;

describe('a transaction that is aborted', () => {
  const old = naming('old', emptyLayout('Quay'), 'Old quay');
  const clash = { step: naming('clash', emptyLayout('Quay'), 'Other').step, reason: 'Both.', places: [] };
  const tasks: Readonly<Record<string, () => Promise<unknown>>> = {
    'a layout added': () => shelf.add('new', emptyLayout('New'), 'Begun empty', NOW),
    'with its history': () =>
      shelf.add('new', old.layout, 'From a file', NOW, {
        kept: [
          {
            ...{ layoutId: '', seq: 0, at: NOW, version: 12, layout: emptyLayout('Quay') },
            ...{ origin: null, name: null, says: [], bytes: 10 },
          },
        ],
        steps: [{ ...old.step, layoutId: '', seq: 1 }],
      }),
    'steps written': async () => {
      const opened = await shelf.open('quay', NOW);
      if (!opened.ok) throw new Error('not opened');
      const first = naming('a', opened.layout, 'A');
      const second = naming('b', first.layout, 'B');
      // Long after the last kept state: one is kept too.
      return shelf.commit('quay', opened, [first.step, second.step], [clash], NOW + DAY);
    },
    'a state named': () => shelf.nameState('quay', 2, 'Half way', NOW),
    'a card marked': () => shelf.mark('quay', { deletedAt: NOW }),
    'a layout erased': () => shelf.erase('quay'),
    'a layout taken back': () =>
      shelf.takeBack({ id: 'quay', seq: 9, at: NOW, layout: emptyLayout('Q') }, NOW),
    'a layout put back': () => shelf.putBack('lost', { layout: emptyLayout('Lost'), seq: 7 }, NOW),
    'a history thinned out': () => shelf.thin('quay', NOW + 400 * DAY),
    'blobs swept': () => shelf.sweepBlobs(),
  };
  test.each(Object.keys(tasks))('%s: at each of its requests all or nothing is written', async (task) => {
    const prepare = async (): Promise<void> => {
      globalThis.indexedDB = new IDBFactory();
      db = await openDatabase(silent);
      shelf = new Shelf(db);
      await shelf.add('quay', emptyLayout('Quay'), 'Begun empty', NOW);
      await named('quay', ['One', 'Two', 'Three', 'Four'], () => NOW);
      await shelf.putBlob(bytes(1, 2, 3), 'image/jpeg');
    };
    let aborted = 0;
    for (let at = 1; ; at++) {
      await prepare();
      const before = await held(db);
      let count = 0;
      for (const name of ['put', 'add', 'delete'] as const) {
        const real = IDBObjectStore.prototype[name];
        vi.spyOn(IDBObjectStore.prototype, name).mockImplementation(function (
          this: IDBObjectStore,
          ...given: unknown[]
        ) {
          const request = Reflect.apply(real, this, given) as IDBRequest;
          if (++count === at) this.transaction.abort();
          return request as never;
        });
      }
      const failed = await tasks[task]().then(
        () => false,
        () => true,
      );
      vi.restoreAllMocks();
      if (count < at) break;
      aborted++;
      expect(failed, `request ${at}`).toBe(true);
      if (task !== 'a history thinned out') expect(await held(db)).toEqual(before);
      const opened = await shelf.open('quay', NOW);
      expect(opened.ok && opened.layout.name).toBe('Four');
      // What failed can be done again.
      await tasks[task]();
    }
    expect(aborted).toBeGreaterThan(0);
  });
  test('what fails in between writes nothing of it either', async () => {
    await shelf.add('quay', emptyLayout('Quay'), 'Begun empty', NOW);
    const before = await held(db);
    const opened = await shelf.open('quay', NOW);
    if (!opened.ok) throw new Error('not opened');
    const good = naming('good', opened.layout, 'Good').step;
    // Its own text cannot be made: the second step fails after the first was handed over.
    const bad = { ...naming('bad', opened.layout, 'Bad').step, toJSON: () => JSON.parse('{') as never };
    await expect(shelf.commit('quay', opened, [good, bad as Step], [], NOW)).rejects.toThrow();
    expect(await held(db)).toEqual(before);
  });
});

describe('the clock', () => {
  const names = (n: number): string[] => Array.from({ length: n }, (_, i) => `Name ${i}`);
  test('set back six years for three edits: those made after it by the right clock stay, with their undo', async () => {
    await shelf.add('quay', emptyLayout('Quay'), 'Begun empty', NOW);
    await named('quay', names(6), (i) => (i < 3 ? NOW - 6 * 365 * DAY : NOW + i));
    await shelf.thin('quay', NOW + DAY);
    const opened = await shelf.open('quay', NOW);
    expect(opened.ok && opened.stacks.past.length).toBeGreaterThanOrEqual(3);
    expect(opened.ok && opened.layout.name).toBe('Name 5');
  });
  test('set back after right edits: none of them goes', async () => {
    await shelf.add('quay', emptyLayout('Quay'), 'Begun empty', NOW);
    await named('quay', names(6), (i) => (i < 3 ? NOW + i : NOW - 6 * 365 * DAY));
    await shelf.thin('quay', NOW + DAY);
    const opened = await shelf.open('quay', NOW);
    expect(opened.ok && opened.stacks.past.length).toBe(6);
  });
  test('a month ahead for a day: the bin is not emptied, however often the page is loaded', async () => {
    await shelf.begun(NOW);
    await shelf.add('quay', emptyLayout('Quay'), 'Begun empty', NOW);
    await shelf.mark('quay', { deletedAt: NOW });
    for (const at of [NOW + 31 * DAY, NOW + 31 * DAY + 60_000, NOW + 2 * DAY])
      expect(await shelf.emptyBin(await shelf.begun(at))).toEqual([]);
    // Right again, and a month later.
    expect(await shelf.emptyBin(await shelf.begun(NOW + 33 * DAY))).toEqual([]);
    expect(await shelf.emptyBin(await shelf.begun(NOW + 34 * DAY))).toEqual(['quay']);
  });
  test('thrown away while it is set back: in the bin from its last change on', async () => {
    await shelf.add('quay', emptyLayout('Quay'), 'Begun empty', NOW);
    await shelf.mark('quay', { deletedAt: NOW - 6 * 365 * DAY });
    expect(await shelf.emptyBin(NOW + 29 * DAY)).toEqual([]);
    expect(await shelf.emptyBin(NOW + 31 * DAY)).toEqual(['quay']);
  });
});

describe('the database let go of', () => {
  test.each<[string, () => void, string]>([
    ['deleted from elsewhere, it is opened anew', () => void indexedDB.deleteDatabase(DATABASE), 'closed'],
    [
      'wanted by a newer program, it is written no more',
      () => void openDB(DATABASE, DATABASE_VERSION + 1).catch(() => undefined),
      'outdated',
    ],
  ])('%s', async (_, asks, event) => {
    db.close();
    const said: string[] = [];
    const other = await openDatabase({
      blocked: () => void said.push('blocked'),
      outdated: () => void said.push('outdated'),
      closed: () => void said.push('closed'),
    });
    asks();
    await vi.waitFor(() => expect(said).toEqual([event]));
    expect(() => other.transaction('cards')).toThrow();
  });
});

interface Dump {
  readonly version: number;
  readonly stores: Readonly<
    Record<
      string,
      {
        readonly keyPath: string | string[] | null;
        readonly indexes: readonly { readonly name: string; readonly keyPath: string }[];
        readonly records: readonly { readonly key?: string; readonly value: unknown }[];
      }
    >
  >;
}

describe('a database of every earlier version', () => {
  const folder = 'tests/databases';
  const dumps = readdirSync(folder).map(
    (file) => JSON.parse(readFileSync(`${folder}/${file}`, 'utf8')) as Dump,
  );
  /** A database as an earlier program left it. */
  async function asItWas({ version, stores }: Dump): Promise<void> {
    globalThis.indexedDB = new IDBFactory();
    const old = await openDB(DATABASE, version, {
      upgrade: (made) => {
        for (const [name, { keyPath, indexes }] of Object.entries(stores)) {
          const store = made.createObjectStore(name, keyPath === null ? {} : { keyPath });
          for (const index of indexes) store.createIndex(index.name, index.keyPath);
        }
      },
    });
    for (const [name, { records }] of Object.entries(stores))
      for (const { key, value } of records) await old.put(name, value, key);
    old.close();
  }
  test('there is one of each', () => {
    expect(dumps.map((d) => d.version).sort()).toEqual(
      Array.from({ length: DATABASE_VERSION - 1 }, (_, i) => i + 1),
    );
  });
  test.each(dumps.map((d): [number, Dump] => [d.version, d]))(
    'version %i opens with its layouts, history, bin and choices as they were, and goes on',
    async (version, dump) => {
      await asItWas(dump);
      db = await openDatabase(silent);
      shelf = new Shelf(db);
      expect(db.version).toBe(DATABASE_VERSION);
      if (version === 1) {
        const [card] = await shelf.cards();
        const opened = await shelf.open(card.id, NOW);
        expect(opened.ok && opened.layout.name).toBe('Quay of late');
        expect((await shelf.history(card.id)).kept).toHaveLength(2);
        expect(await shelf.setting('open')).toBe(card.id);
      } else {
        for (const [name, { records }] of Object.entries(dump.stores))
          expect(await db.getAll(name as 'cards'), name).toEqual(records.map((r) => r.value as Card));
        const opened = await shelf.open('quay', NOW);
        expect(opened.ok && opened.layout.name).toBe('Quay 3');
        expect(opened.ok && opened.choices).toHaveLength(1);
        expect((await shelf.cards()).find((c) => c.id === 'old')?.deletedAt).not.toBeNull();
      }
      const [{ id }] = (await shelf.cards()).filter((c) => c.deletedAt === null);
      await named(id, ['Goes on'], () => NOW);
      expect(((await shelf.stateAt(id, (await db.get('cards', id))!.head)) as Layout).name).toBe('Goes on');
    },
  );
  test('a step that fails leaves it as it was', async () => {
    await asItWas(dumps.find((d) => d.version === 1)!);
    const real = IDBObjectStore.prototype.put;
    let count = 0;
    vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(function (
      this: IDBObjectStore,
      ...given: unknown[]
    ) {
      if (++count === 2) throw new Error('no more room');
      return Reflect.apply(real, this, given) as IDBRequest<IDBValidKey>;
    });
    await expect(openDatabase(silent)).rejects.toThrow();
    vi.restoreAllMocks();
    const old = await openDB(DATABASE);
    expect(old.version).toBe(1);
    expect(await old.count('layouts')).toBe(2);
    old.close();
    db = await openDatabase(silent);
    expect((await new Shelf(db).cards()).map((c) => c.name)).toEqual(['Quay of late']);
  });
});

describe('files beside the documents', () => {
  const photograph = bytes(0xff, 0xd8, 0xff, 0xe0);
  test('are named by their content: SHA-256, FIPS 180-4', () => {
    // FIPS 180-4, example of one block: “abc”.
    expect(blobName(new TextEncoder().encode('abc').buffer)).toBe(
      'sha256-ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad',
    );
  });
  test('are kept once, and stay while a state, a step or a choice speaks of them', async () => {
    const name = await shelf.putBlob(photograph, 'image/jpeg');
    expect(await shelf.putBlob(photograph, 'image/jpeg')).toBe(name);
    expect(await db.count('blobs')).toBe(1);
    await shelf.add('quay', emptyLayout('Quay'), 'Begun empty', NOW);
    await named('quay', [`With ${name}`, name, 'Without'], () => NOW);
    for (let visit = 0; visit < 3; visit++) expect(await shelf.sweepBlobs()).toEqual([]);
    expect(new Uint8Array((await shelf.blob(name))!.content)).toEqual(new Uint8Array(photograph));
    await shelf.mark('quay', { deletedAt: NOW });
    for (let visit = 0; visit < 3; visit++) expect(await shelf.sweepBlobs()).toEqual([]);
    await shelf.emptyBin(NOW + 40 * DAY);
    expect(await shelf.sweepBlobs()).toEqual([]);
    expect(await shelf.sweepBlobs()).toEqual([name]);
    expect(await shelf.blob(name)).toBeUndefined();
  });
  test('one that has just been put is not swept away before it is spoken of', async () => {
    const name = await shelf.putBlob(photograph, 'image/jpeg');
    expect(await shelf.sweepBlobs()).toEqual([]);
    // Put again, as by another window.
    await shelf.putBlob(photograph, 'image/jpeg');
    expect(await shelf.sweepBlobs()).toEqual([]);
    await shelf.add('quay', { ...emptyLayout('Quay'), name }, 'Begun empty', NOW);
    for (let visit = 0; visit < 3; visit++) expect(await shelf.sweepBlobs()).toEqual([]);
  });
});
