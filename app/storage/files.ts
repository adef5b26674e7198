import { MOST_CHARACTERS, readLayout, writeLayout, type ReadLayout } from '../../core/document/file';
import type { Layout } from '../../core/document/layout';

/** Hands the layout to the person as a `.hazel.json` file. */
export function exportLayout(layout: Layout): void {
  const name =
    layout.name
      .replace(/[^\p{L}\p{N}]+/gu, '-')
      .replace(/^-|-$/g, '')
      .toLowerCase() || 'layout';
  saveFile(`${name}.hazel.json`, writeLayout(layout), 'application/json');
}

/** Hands a text, or bytes, to the person as a file. */
export function saveFile(name: string, content: string | Uint8Array<ArrayBuffer>, type: string): void {
  const url = URL.createObjectURL(new Blob([content], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 1000);
}

/** Reads a file the person chose: a layout, or what is wrong with it. */
export async function importLayout(file: File): Promise<ReadLayout> {
  // A character takes at least a byte, so a longer file need not be read at all.
  if (file.size > 4 * MOST_CHARACTERS) {
    return { ok: false, complaints: [{ path: '', reason: 'the file is larger than 64 MB: no layout is' }] };
  }
  return readLayout(await file.text());
}
