import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import {
  CONTENTS,
  MOST_LAYOUTS,
  readArchive,
  writeArchive,
  type ArchivedLayout,
  type ReadArchive,
} from '../../core/document/archive';
import { checkLayout } from '../../core/document/file';
import { addLayout, shelf } from './session';
import type { KeptLayout, KeptStep } from './database';

/** Larger than any shelf without photographs. */
const MOST_ZIPPED_BYTES = 256 * 1024 * 1024;
/** What the texts of an archive may come to, unpacked: a small archive of a huge text is no shelf. */
const MOST_BYTES = 512 * 1024 * 1024;

/** The whole shelf, with its history, as one archive. Layouts that do not validate are left out and named. */
export async function writeShelf(): Promise<{
  readonly bytes: Uint8Array<ArrayBuffer>;
  readonly leftOut: readonly string[];
}> {
  const mine = await shelf();
  const leftOut: string[] = [];
  const layouts = [];
  for (const card of (await mine.cards()).filter((c) => c.deletedAt === null)) {
    const read = checkLayout(await mine.stateAt(card.id, card.head).catch(() => null));
    if (read.ok) {
      const { id: folder, changedAt } = card;
      layouts.push({ folder, changedAt, layout: read.layout, history: await mine.history(card.id) });
    } else leftOut.push(card.name);
  }
  const files = Object.entries(writeArchive(layouts)).map(([name, text]): [string, Uint8Array] => [
    name,
    strToU8(text),
  ]);
  // Not the kind that makes workers of its own: the page's security policy has no room for them.
  const bytes = zipSync(Object.fromEntries(files), { level: 6 });
  return { bytes: bytes as Uint8Array<ArrayBuffer>, leftOut };
}

/** Reads an archive of a shelf, without adding anything of it. */
export async function lookInto(file: Blob): Promise<ReadArchive> {
  if (file.size > MOST_ZIPPED_BYTES) return { ok: false, reason: 'it is larger than 256 MB: no shelf is' };
  let total = 0;
  let count = 0;
  const bytes = new Uint8Array(await file.arrayBuffer());
  const wanted = /^layouts\/[a-z0-9-]{1,60}\/(layout\.hazel|history)\.json$/;
  try {
    const files = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (name !== CONTENTS && !wanted.test(name)) return false;
        total += originalSize;
        count++;
        if (total > MOST_BYTES || count > 2 * MOST_LAYOUTS + 1)
          throw new RangeError('unpacked it is larger than any shelf');
        return true;
      },
    });
    const texts = Object.entries(files).map(([name, data]): [string, string] => [name, strFromU8(data)]);
    return readArchive(Object.fromEntries(texts));
  } catch (error) {
    const known = error instanceof RangeError;
    return {
      ok: false,
      reason: known ? error.message : 'it is not a whole archive: the file is damaged or cut off',
    };
  }
}

/** Adds a layout of an archive to the shelf, with its history where that fits. */
export async function addArchived({ layout, history }: ArchivedLayout, name: string): Promise<void> {
  if (!layout) return;
  const whole = history && {
    kept: history.kept.map((k): KeptLayout => ({ ...k, layoutId: '' })),
    steps: history.steps.map((s): KeptStep => ({ ...s, layoutId: '' })),
  };
  await addLayout(layout, `From the archive ${name}`, { history: whole, open: false });
}
