import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { beforeEach, describe, expect, test } from 'vitest';
import { boatTrain, demo } from '../../tests/generated';
import { seeded } from '../../tests/edits';
import { CONTENTS, historyFile, layoutFile, type ArchivedHistory } from '../../core/document/archive';
import { emptyLayout } from '../../core/document/empty-layout';
import { writeLayout } from '../../core/document/file';
import { VERSION } from '../../core/document/layout';
import { patchesBetween } from '../../core/document/patch';
import { lookInto, writeShelf } from './archive';
import { blobName } from './blob-name';
import { openDatabase } from './database';
import { Shelf } from './shelf';

const NOW = 1_800_000_000_000;
const silent = { blocked: () => undefined, outdated: () => undefined, closed: () => undefined };
const nothing = (): void => undefined;
let shelf: Shelf;

beforeEach(async () => {
  globalThis.indexedDB = new IDBFactory();
  shelf = new Shelf(await openDatabase(silent));
});

type Files = Record<string, Uint8Array>;
const zipped = (files: Files): Blob => new Blob([zipSync(files) as Uint8Array<ArrayBuffer>]);
const filesOf = async (archive: Blob): Promise<Files> =>
  unzipSync(new Uint8Array(await archive.arrayBuffer()));
const json = (value: unknown): Uint8Array => strToU8(JSON.stringify(value));
async function looked(archive: Blob) {
  const read = await lookInto(archive, nothing);
  if (!read.ok) throw new Error(read.reason);
  return read;
}
const reasonOf = async (archive: Blob): Promise<string> => {
  const read = await lookInto(archive, nothing);
  return read.ok ? 'it was read' : read.reason;
};

/** A shelf of two layouts, one of them with a step and a photograph, and one in the bin. */
async function filled(): Promise<{ archive: Blob; photograph: string }> {
  const photograph = await shelf.putBlob(new Uint8Array([0xff, 0xd8, 1, 2, 3]).buffer, 'image/jpeg');
  const quay = emptyLayout('Quay');
  await shelf.add('quay', quay, 'Begun empty', NOW);
  const next = { ...quay, name: photograph };
  const [patches, inverse] = [patchesBetween(quay, next, []), patchesBetween(next, quay, [])];
  const step = { id: 'a', kind: 'edit' as const, entryId: 'a', label: 'Name', at: NOW, patches, inverse };
  await shelf.commit('quay', { layout: quay, seq: 0 }, [step], [], NOW);
  await shelf.add('train', boatTrain(), 'The demo', NOW);
  await shelf.add('gone', emptyLayout('Gone'), 'Begun empty', NOW);
  await shelf.mark('gone', { deletedAt: NOW });
  return { archive: (await writeShelf(shelf, nothing)).archive, photograph };
}

describe('an archive of the shelf', () => {
  test('comes back whole: layouts, history and the files that they speak of; what is in the bin stays there', async () => {
    const { archive, photograph } = await filled();
    const shares: number[] = [];
    const read = await lookInto(archive, (share) => void shares.push(share));
    if (!read.ok) throw new Error(read.reason);
    expect(read.layouts.map((l) => [l.layout?.name, l.history?.steps.length, l.historyRefused])).toEqual([
      [photograph, 1, null],
      [boatTrain().name, 0, null],
    ]);
    expect([...read.contents.keys()]).toEqual([photograph]);
    expect(read.contents.get(photograph)!.type).toBe('image/jpeg');
    expect([...shares].sort((a, b) => a - b)).toEqual(shares);
  });
  test('what is looked at is what is added, though its last state claims an older version', async () => {
    const layout = boatTrain();
    const older = { ...demo(), version: VERSION - 1, name: 'Another' };
    const history: ArchivedHistory = {
      kept: [
        {
          ...{ seq: 0, at: 1, version: VERSION - 1, layout: older },
          ...{ origin: null, name: null, says: [], bytes: 1e291 },
        },
      ],
      steps: [],
    };
    const contents = {
      format: 'hazel-spark-shelf',
      version: 1,
      layouts: [{ folder: 'a', changedAt: 1 }],
    };
    const files = (of: ArchivedHistory): Blob =>
      zipped({
        [CONTENTS]: json(contents),
        [layoutFile('a')]: strToU8(writeLayout(layout)),
        [historyFile('a')]: json(of),
      });
    const [other] = (await looked(files(history))).layouts;
    expect(other.history).toBeNull();
    expect(other.historyRefused).toMatch(/does not lead to the layout/);
    // Its own, with a size nobody believes.
    const own = { ...history, kept: [{ ...history.kept[0], layout }] };
    const [good] = (await looked(files(own))).layouts;
    expect(good.history!.kept[0]).toMatchObject({ version: VERSION, bytes: JSON.stringify(layout).length });
    const card = await shelf.add('a', good.layout, 'From an archive', NOW, {
      kept: good.history!.kept.map((k) => ({ ...k, layoutId: '' })),
      steps: [],
    });
    expect(card.bytes).toBeLessThan(1e7);
    const opened = await shelf.open('a', NOW);
    expect(opened.ok && writeLayout(opened.layout)).toBe(writeLayout(good.layout!));
  });
  test('texts longer than are read again are cut as they are written: the history comes', async () => {
    await shelf.add('quay', emptyLayout('Quay'), `From the archive ${'x'.repeat(400)}`, NOW);
    const [layout] = (await looked((await writeShelf(shelf, nothing)).archive)).layouts;
    expect(layout.historyRefused).toBeNull();
    expect(layout.history!.kept[0].origin).toHaveLength(200);
  });
});

describe('an archive that is no good', () => {
  test('one folder named 500 times is not read 500 times', async () => {
    const { archive } = await filled();
    const files = await filesOf(archive);
    const contents = JSON.parse(strFromU8(files[CONTENTS])) as { layouts: unknown[] };
    const layouts = Array.from({ length: 500 }, () => contents.layouts[0]);
    files[CONTENTS] = json({ ...contents, layouts });
    expect(await reasonOf(zipped(files))).toMatch(/contents\.json is not built like one/);
  });
  test('what it comes to is counted as it comes, whatever it says of its sizes', async () => {
    const { archive } = await filled();
    const files = await filesOf(archive);
    files[layoutFile('quay')] = new Uint8Array(65 * 1024 * 1024);
    const bytes = zipSync(files);
    expect(await reasonOf(new Blob([bytes as Uint8Array<ArrayBuffer>]))).toMatch(/larger than any shelf/);
    // The size it declares, in the header of the file and in the directory at the end (APPNOTE 4.4.9): one byte.
    const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.length);
    for (let at = 0; at + 30 < bytes.length; at++) {
      if (view.getUint32(at, true) === 0x04034b50) view.setUint32(at + 22, 1, true);
      if (view.getUint32(at, true) === 0x02014b50) view.setUint32(at + 24, 1, true);
    }
    expect(await reasonOf(new Blob([bytes as Uint8Array<ArrayBuffer>]))).toMatch(/larger than any shelf/);
  });
  test('a photograph that is not what it is called by is not taken', async () => {
    const { archive, photograph } = await filled();
    const files = await filesOf(archive);
    files[`blobs/${photograph}`] = new Uint8Array([1, 2, 3]);
    expect(await reasonOf(zipped(files))).toMatch(/is not what it is called by/);
  });
  test.each([22, 40, 200, 2000])('cut off %i bytes before its end it is told so', async (cut) => {
    const { archive } = await filled();
    expect(await reasonOf(archive.slice(0, archive.size - cut))).toMatch(/damaged or cut off/);
  });
  test('a shelf’s worth of damage: each is read or refused in a sentence, and nothing wrong comes of it (500, seed 32)', async () => {
    const { archive, photograph } = await filled();
    const whole = new Uint8Array(await archive.arrayBuffer());
    const random = seeded(32);
    const any = (n: number): number => Math.floor(random() * n);
    for (let i = 0; i < 500; i++) {
      const bytes = whole.slice();
      for (let k = 0; k <= any(4); k++) bytes[any(bytes.length)] = any(256);
      const at = any(bytes.length);
      const damaged = any(5) === 0 ? bytes.slice(0, at) : any(5) === 0 ? bytes.slice(at) : bytes;
      const read = await lookInto(new Blob([damaged]), nothing);
      if (!read.ok) {
        expect(read.reason).not.toBe('');
        continue;
      }
      for (const { layout } of read.layouts) if (layout) expect(() => writeLayout(layout)).not.toThrow();
      for (const [name, content] of read.contents)
        expect(blobName(await content.arrayBuffer())).toBe(name === photograph ? photograph : name);
    }
  });
});
