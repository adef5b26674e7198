import { z } from 'zod';
import { checkLayout, readLayout, writeLayout, type FileComplaint } from './file';
import { blobsIn, isBlobName, type BlobName } from './blobs';
import { replayed, type Step } from './history';
import type { Layout } from './layout';

/** The archive of a whole shelf: a layout file for each layout, its history beside it, and what is in it. */
export const ARCHIVE_FORMAT = 'hazel-spark-shelf';
export const ARCHIVE_VERSION = 1;
export const CONTENTS = 'contents.json';
export const MOST_LAYOUTS = 500;
export const MOST_BLOBS = 20_000;
/** What an archive says of the longest texts of a history; longer ones are cut as they are written. */
const LONGEST = { label: 200, origin: 200, name: 80, says: 240, saysOf: 40 } as const;

const patchRecord = z.object({
  op: z.enum(['replace', 'remove', 'add']),
  path: z.array(z.union([z.string(), z.number()])).max(40),
  value: z.unknown().optional(),
});
const seq = z.number().int().min(0).max(1e9);
const moment = z.number().min(0).max(1e14);
const stepRecord = z.object({
  id: z.string().min(1).max(80),
  kind: z.enum(['edit', 'undo', 'redo']),
  entryId: z.string().min(1).max(80),
  label: z.string().max(LONGEST.label),
  at: moment,
  patches: z.array(patchRecord),
  inverse: z.array(patchRecord),
  seq,
});
const keptRecord = z.object({
  seq,
  at: moment,
  version: z.number().int(),
  layout: z.unknown(),
  origin: z.string().max(LONGEST.origin).nullable(),
  name: z.string().max(LONGEST.name).nullable(),
  says: z.array(z.string().max(LONGEST.says)).max(LONGEST.saysOf),
  bytes: z.number().min(0),
});
const historyRecord = z.object({ kept: z.array(keptRecord).min(1), steps: z.array(stepRecord) });
const contentsRecord = z.object({
  format: z.literal(ARCHIVE_FORMAT),
  version: z.number().int().min(1),
  layouts: z
    .array(z.object({ folder: z.string().regex(/^[a-z0-9-]{1,60}$/), changedAt: moment }))
    .max(MOST_LAYOUTS)
    .refine((all) => new Set(all.map((l) => l.folder)).size === all.length),
  blobs: z
    .array(z.object({ name: z.string().refine(isBlobName), type: z.string().max(100) }))
    .max(MOST_BLOBS)
    .default([]),
});

/** A step with its place in a history, as an archive holds it. */
export type ArchivedStep = Step & { readonly seq: number };
/** A whole state of a layout in its history. */
export interface ArchivedState {
  readonly seq: number;
  readonly at: number;
  readonly version: number;
  readonly layout: unknown;
  /** How it came to be, where no steps lead to it: undo does not go behind it. Null for one kept in passing. */
  readonly origin: string | null;
  /** What the person called it. */
  readonly name: string | null;
  /** What was done since the kept state before, for when its steps have been thinned out. */
  readonly says: readonly string[];
  readonly bytes: number;
}
export interface ArchivedHistory {
  readonly kept: readonly ArchivedState[];
  readonly steps: readonly ArchivedStep[];
}

/** One layout of an archive as it was read. */
export interface ArchivedLayout {
  readonly folder: string;
  readonly changedAt: number;
  /** Null when it cannot be opened; `complaints` then say why. */
  readonly layout: Layout | null;
  readonly complaints: readonly FileComplaint[];
  /** Null without one that fits. */
  readonly history: ArchivedHistory | null;
  /** Why its history is left behind; null when it is not. */
  readonly historyRefused: string | null;
}

export interface ArchivedBlob {
  readonly name: BlobName;
  /** Its media type. */
  readonly type: string;
}

export type ReadArchive =
  | {
      readonly ok: true;
      readonly layouts: readonly ArchivedLayout[];
      /** Files beside the documents that it says it holds, by their content. */
      readonly blobs: readonly ArchivedBlob[];
    }
  | { readonly ok: false; readonly reason: string };

/** Names of the files of a layout in an archive. */
export const layoutFile = (folder: string): string => `layouts/${folder}/layout.hazel.json`;
export const historyFile = (folder: string): string => `layouts/${folder}/history.json`;
export const blobFile = (name: BlobName): string => `blobs/${name}`;

/** A history with its texts no longer than they are read again. */
const asRead = ({ kept, steps }: ArchivedHistory): ArchivedHistory => ({
  kept: kept.map((k) => ({
    ...k,
    origin: k.origin?.slice(0, LONGEST.origin) ?? null,
    name: k.name?.slice(0, LONGEST.name) ?? null,
    says: k.says.slice(-LONGEST.saysOf).map((t) => t.slice(0, LONGEST.says)),
  })),
  steps: steps.map((s) => ({ ...s, label: s.label.slice(0, LONGEST.label) })),
});

/** The blobs a layout of an archive speaks of, with its history. */
export const blobsOf = ({ layout, history }: Pick<ArchivedLayout, 'layout' | 'history'>): BlobName[] =>
  blobsIn([layout, history]);

/**
 * The files of an archive as texts, by name.
 * @param blobs what stands beside them, each as the file `blobFile` names
 */
export function writeArchive(
  layouts: readonly {
    readonly folder: string;
    readonly changedAt: number;
    readonly layout: Layout;
    readonly history: ArchivedHistory;
  }[],
  blobs: readonly ArchivedBlob[] = [],
): Record<string, string> {
  const contents = layouts.map(({ folder, changedAt }) => ({ folder, changedAt }));
  const files: [string, string][] = layouts.flatMap(({ folder, layout, history }) => [
    [layoutFile(folder), writeLayout(layout)],
    [historyFile(folder), JSON.stringify(asRead(history))],
  ]);
  const head = { format: ARCHIVE_FORMAT, version: ARCHIVE_VERSION, layouts: contents, blobs };
  return Object.fromEntries([[CONTENTS, `${JSON.stringify(head, null, 2)}\n`], ...files]);
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

/** A history that leads to its layout, or why it does not. */
function readHistory(
  text: string | undefined,
  layout: Layout,
): { history: ArchivedHistory | null; refused: string | null } {
  if (text === undefined) return { history: null, refused: 'it is not in the archive' };
  const read = historyRecord.safeParse(parsed(text));
  if (!read.success) return { history: null, refused: 'it is not built like one' };
  const { kept, steps } = read.data as unknown as ArchivedHistory;
  const rising = (list: readonly { seq: number }[]): boolean =>
    list.every((e, i) => i === 0 || e.seq > list[i - 1].seq);
  if (!rising(kept) || !rising(steps)) return { history: null, refused: 'its steps are out of order' };
  const last = kept[kept.length - 1];
  try {
    const end = replayed(
      last.layout as Layout,
      steps.filter((s) => s.seq > last.seq),
    );
    // Both as they are opened, so that what is looked at is what is added.
    const opened = checkLayout(end);
    if (!opened.ok || writeLayout(opened.layout) !== writeLayout(layout))
      return { history: null, refused: 'it does not lead to the layout beside it' };
  } catch {
    return { history: null, refused: 'its steps do not fit together' };
  }
  // What a state says of itself is not believed.
  const sound = kept.map((k) => ({
    ...k,
    version: Number((k.layout as { version?: unknown } | null)?.version) || 0,
    bytes: JSON.stringify(k.layout)?.length ?? 0,
  }));
  return { history: { kept: sound, steps }, refused: null };
}

/**
 * Reads the files of a shelf's archive. Each layout is read by itself: one that cannot be opened is
 * told with its reasons, and the others are not the worse for it.
 * @param tell how far it is, 0 to 1
 */
export function readArchive(
  files: Readonly<Record<string, string>>,
  tell: (share: number) => void = () => undefined,
): ReadArchive {
  const text = Object.hasOwn(files, CONTENTS) ? files[CONTENTS] : undefined;
  if (text === undefined)
    return { ok: false, reason: `it holds no ${CONTENTS}: this is not an archive of a shelf` };
  const raw = parsed(text);
  const { format, version } = (typeof raw === 'object' && raw !== null ? raw : {}) as {
    format?: unknown;
    version?: unknown;
  };
  if (format !== ARCHIVE_FORMAT) return { ok: false, reason: 'this is not an archive of a shelf' };
  if (typeof version === 'number' && version > ARCHIVE_VERSION)
    return {
      ok: false,
      reason: `it was saved by a newer Hazel Spark (archive version ${version}). Update, then open it again.`,
    };
  const contents = contentsRecord.safeParse(raw);
  if (!contents.success) return { ok: false, reason: `its ${CONTENTS} is not built like one` };
  const layouts = contents.data.layouts.map(({ folder, changedAt }, i, all): ArchivedLayout => {
    tell(i / all.length);
    const own = layoutFile(folder);
    const read = Object.hasOwn(files, own)
      ? readLayout(files[own])
      : { ok: false as const, complaints: [{ path: '', reason: `the archive holds no ${own}` }] };
    if (!read.ok)
      return {
        folder,
        changedAt,
        layout: null,
        complaints: read.complaints,
        history: null,
        historyRefused: null,
      };
    const beside = historyFile(folder);
    const { history, refused } = readHistory(
      Object.hasOwn(files, beside) ? files[beside] : undefined,
      read.layout,
    );
    return { folder, changedAt, layout: read.layout, complaints: [], history, historyRefused: refused };
  });
  return { ok: true, layouts, blobs: contents.data.blobs };
}
