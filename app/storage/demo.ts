import demoFile from '../../demo/brackwater-quay.hazel.json?url';
import { checkLayout } from '../../core/document/file';
import type { Layout } from '../../core/document/layout';

/**
 * The demo layout, fetched when it is wanted and checked like any other file.
 * @throws Error when it cannot be fetched, or is broken
 */
export async function demoLayout(): Promise<Layout> {
  const answer = await fetch(demoFile);
  if (!answer.ok) throw new Error(`the demo layout could not be fetched (${answer.status})`);
  const read = checkLayout(await answer.json());
  if (!read.ok)
    throw new Error(`the demo layout is broken: ${read.complaints[0].path} ${read.complaints[0].reason}`);
  return read.layout;
}
