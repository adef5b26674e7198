import demo from '../../demo/brackwater-quay.hazel.json';
import { checkLayout } from '../../core/document/file';
import { useLayoutStore } from '../store/layout-store';
import { loadSaved } from './database';
import type { Layout } from '../../core/document/layout';

/** The demo layout, checked like any other file. */
export function demoLayout(): Layout {
  const read = checkLayout(structuredClone(demo));
  if (!read.ok)
    throw new Error(`the demo layout is broken: ${read.complaints[0].path} ${read.complaints[0].reason}`);
  return read.layout;
}

/**
 * Opens what was saved last, else the demo.
 * @returns what to tell the person, when the saved layout could not be opened
 */
export async function openLastOrDemo(): Promise<string | null> {
  let saved: unknown;
  try {
    saved = await loadSaved();
  } catch {
    useLayoutStore.getState().open(demoLayout());
    return 'This browser does not let the application keep data: export your work before you close the page.';
  }
  if (saved === undefined) {
    useLayoutStore.getState().open(demoLayout());
    return null;
  }
  const read = checkLayout(saved);
  useLayoutStore.getState().open(read.ok ? read.layout : demoLayout());
  return read.ok
    ? null
    : `The saved layout could not be opened (${read.complaints[0].path}: ${read.complaints[0].reason}). The demo is shown instead.`;
}
