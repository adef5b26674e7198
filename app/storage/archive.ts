import { strToU8, zipSync, type Zippable } from 'fflate';
import {
  blobFile,
  blobsOf,
  CONTENTS,
  MOST_BLOBS,
  MOST_LAYOUTS,
  readArchive,
  writeArchive,
  type ArchivedBlob,
  type ReadArchive,
} from '../../core/document/archive';
import { isBlobName } from '../../core/document/blobs';
import { checkLayout, MOST_CHARACTERS } from '../../core/document/file';
import { blobName } from './blob-name';
import { unpacked } from './unpack';
import type { Shelf } from './shelf';

/** What an archive may come to, unpacked, in all and in each of its files: a small archive of a huge text is no shelf. */
const MOST_BYTES = 2048 * 1024 * 1024;
const MOST_HISTORY_BYTES = 256 * 1024 * 1024;
const MOST_BLOB_BYTES = 64 * 1024 * 1024;
const MOST_CONTENTS_BYTES = 8 * 1024 * 1024;
const ON_THE_WAY = 0.7;

const LAYOUT = /^layouts\/[a-z0-9-]{1,60}\/layout\.hazel\.json$/;
const HISTORY = /^layouts\/[a-z0-9-]{1,60}\/history\.json$/;
const BLOB = /^blobs\/(.*)$/;

/** The most a file of an archive may hold, unpacked; null for one that is not read. */
function mostOf(name: string): number | null {
  if (name === CONTENTS) return MOST_CONTENTS_BYTES;
  // A character takes four bytes at most.
  if (LAYOUT.test(name)) return 4 * MOST_CHARACTERS;
  if (HISTORY.test(name)) return MOST_HISTORY_BYTES;
  return isBlobName(BLOB.exec(name)?.[1] ?? '') ? MOST_BLOB_BYTES : null;
}

export type Tell = (share: number) => void;

/** An archive as it was looked into, with the files beside its documents. */
export type LookedInto =
  | (ReadArchive & { readonly ok: true } & { readonly contents: ReadonlyMap<string, Blob> })
  | (ReadArchive & { readonly ok: false });

/** The whole shelf, with its history and the files beside it, as one archive. Layouts that do not validate are left out and named. */
export async function writeShelf(
  mine: Shelf,
  tell: Tell,
): Promise<{ readonly archive: Blob; readonly leftOut: readonly string[] }> {
  const leftOut: string[] = [];
  const layouts = [];
  const cards = (await mine.cards()).filter((c) => c.deletedAt === null);
  for (const [i, card] of cards.entries()) {
    tell((ON_THE_WAY * i) / cards.length);
    const read = checkLayout(await mine.stateAt(card.id, card.head).catch(() => null));
    if (read.ok) {
      const { id: folder, changedAt } = card;
      layouts.push({ folder, changedAt, layout: read.layout, history: await mine.history(card.id) });
    } else leftOut.push(card.name);
  }
  const blobs: ArchivedBlob[] = [];
  const beside: Zippable = {};
  for (const name of new Set(layouts.flatMap(blobsOf))) {
    const blob = await mine.blob(name);
    if (!blob) continue;
    blobs.push({ name, type: blob.type });
    // Photographs are packed already.
    beside[blobFile(name)] = [new Uint8Array(blob.content), { level: 0 }];
  }
  const texts = Object.entries(writeArchive(layouts, blobs)).map(([name, text]) => [name, strToU8(text)]);
  tell(ON_THE_WAY);
  // Not the kind that makes workers of its own: the page's security policy has no room for them.
  const bytes = zipSync({ ...(Object.fromEntries(texts) as Zippable), ...beside }, { level: 6 });
  return { archive: new Blob([bytes as Uint8Array<ArrayBuffer>], { type: 'application/zip' }), leftOut };
}

/** Reads an archive of a shelf, without adding anything of it. */
export async function lookInto(file: Blob, tell: Tell): Promise<LookedInto> {
  const texts: Record<string, string> = {};
  const contents = new Map<string, Blob>();
  try {
    const bounds = {
      bytes: MOST_BYTES,
      bytesOf: (name: string) => mostOf(name) ?? 0,
      files: 2 * MOST_LAYOUTS + 1 + MOST_BLOBS,
    };
    const files = await unpacked(
      file,
      (name) => mostOf(name) !== null,
      bounds,
      (share) => tell(ON_THE_WAY * share),
    );
    for (const [path, pieces] of files) {
      const name = BLOB.exec(path)?.[1];
      const whole = new Blob(pieces as Uint8Array<ArrayBuffer>[]);
      files.set(path, []);
      if (name === undefined) texts[path] = await whole.text();
      else if (blobName(await whole.arrayBuffer()) === name) contents.set(name, whole);
      else return { ok: false, reason: `its file ${path} is not what it is called by: it is damaged` };
    }
  } catch (error) {
    const known = error instanceof RangeError;
    return {
      ok: false,
      reason: known ? error.message : 'it is not a whole archive: the file is damaged or cut off',
    };
  }
  const read = readArchive(texts, (share) => tell(ON_THE_WAY + (1 - ON_THE_WAY) * share));
  if (!read.ok) return read;
  // Of the kind that it is said to be, which nothing but showing it hangs on.
  for (const { name, type } of read.blobs) {
    const content = contents.get(name);
    if (content) contents.set(name, new Blob([content], { type }));
  }
  return { ...read, contents };
}
