import { readLayout } from '../core/document/file';
import type { Layout } from '../core/document/layout';
import { inOrder } from '../core/document/in-order';
import { Complaint } from './complaint';
import { readText } from './file';

/**
 * Reads a layout file.
 * @throws Complaint with the first thing wrong with it
 */
export function readLayoutFile(path: string): Layout {
  const read = readLayout(readText(path));
  if (read.ok) return read.layout;
  const [first] = read.complaints;
  const more = read.complaints.length > 1 ? ` (and ${read.complaints.length - 1} more)` : '';
  throw new Complaint(`${path}: ${first.path === '' ? '' : `${first.path}: `}${first.reason}${more}`);
}

/**
 * The jobs asked for: one by its id, or all in order.
 * @throws Complaint when there is no such job
 */
export function jobIds(layout: Layout, asked: string | undefined, path: string): string[] {
  const all = inOrder(layout.jobs).map((j) => j.id);
  if (asked === undefined) return all;
  if (!all.includes(asked))
    throw new Complaint(`${path}: there is no job ${asked}; there are ${all.join(', ') || 'none'}`);
  return [asked];
}
