/** What a photograph, or any other file kept beside the documents, is called: `sha256-` and the hash of its content in hex. */
export type BlobName = string;

const BLOB_NAME = /^sha256-[0-9a-f]{64}$/;

export const isBlobName = (text: string): text is BlobName => BLOB_NAME.test(text);

/** The names of all blobs that a plain value speaks of: a document, a patch, a step; each once, in order. */
export function blobsIn(value: unknown): BlobName[] {
  const found = new Set<BlobName>();
  const left: unknown[] = [value];
  while (left.length > 0) {
    const next = left.pop();
    if (typeof next === 'string') {
      if (isBlobName(next)) found.add(next);
    } else if (typeof next === 'object' && next !== null) {
      for (const entry of Object.values(next)) left.push(entry);
    }
  }
  return [...found].sort();
}
