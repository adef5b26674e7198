import { Unzip, UnzipInflate, type UnzipFile } from 'fflate';

/** Read at a time. */
const READ_BYTES = 1024 * 1024;
/** Unpacked at a time; deflate makes at most a thousand times as much of it. */
const PIECE_BYTES = 16 * 1024;

/** What an archive ends with (APPNOTE 4.3.16): a record of 22 bytes, and a comment of 65,535 at most. */
const END = [0x50, 0x4b, 0x05, 0x06];
const MOST_END_BYTES = 22 + 65_535;

async function hasEnd(archive: Blob): Promise<boolean> {
  const tail = new Uint8Array(await archive.slice(-MOST_END_BYTES).arrayBuffer());
  return tail.some((_, i) => END.every((byte, k) => tail[i + k] === byte));
}

export interface UnpackBounds {
  /** Of all files together, and of one by its name; unpacked. */
  readonly bytes: number;
  readonly bytesOf: (name: string) => number;
  readonly files: number;
}

/**
 * Unpacks the wanted files of a zip archive piece by piece. What it may come to is counted as it comes,
 * whatever the archive says of itself.
 * @param tell how far it is, 0 to 1
 * @throws RangeError when it is more than the bounds
 * @throws Error when it is damaged or cut off
 */
export async function unpacked(
  archive: Blob,
  isWanted: (name: string) => boolean,
  bounds: UnpackBounds,
  tell: (share: number) => void,
): Promise<Map<string, Uint8Array[]>> {
  if (!(await hasEnd(archive))) throw new Error('its end is missing');
  const files = new Map<string, Uint8Array[]>();
  let total = 0;
  let open = 0;
  const take = (file: UnzipFile): void => {
    if (!isWanted(file.name)) return;
    if (files.has(file.name)) throw new RangeError(`it holds ${file.name} twice`);
    if (files.size === bounds.files) throw new RangeError('it holds more files than any shelf');
    const pieces: Uint8Array[] = [];
    let own = 0;
    files.set(file.name, pieces);
    open++;
    file.ondata = (error, piece, final) => {
      if (error) throw error;
      own += piece.length;
      total += piece.length;
      if (own > bounds.bytesOf(file.name) || total > bounds.bytes)
        throw new RangeError('unpacked it is larger than any shelf');
      if (piece.length > 0) pieces.push(piece);
      if (final) open--;
    };
    file.start();
  };
  const unzip = new Unzip(take);
  unzip.register(UnzipInflate);
  for (let at = 0; at < archive.size; at += READ_BYTES) {
    const read = new Uint8Array(await archive.slice(at, at + READ_BYTES).arrayBuffer());
    const last = at + READ_BYTES >= archive.size;
    for (let k = 0; k < read.length; k += PIECE_BYTES)
      unzip.push(read.subarray(k, k + PIECE_BYTES), last && k + PIECE_BYTES >= read.length);
    tell((at + read.length) / archive.size);
  }
  if (open > 0) throw new Error('a file of it is cut off');
  return files;
}
