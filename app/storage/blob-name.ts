import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';
import type { BlobName } from '../../core/document/blobs';

/** The name of a content: SHA-256 (FIPS 180-4), in code, for the browser's own is not there over plain HTTP. */
export const blobName = (content: ArrayBuffer): BlobName =>
  `sha256-${bytesToHex(sha256(new Uint8Array(content)))}`;
