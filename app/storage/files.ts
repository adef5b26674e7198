import { writeLayout } from '../../core/document/file';
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
export function saveFile(name: string, content: string | Blob | Uint8Array<ArrayBuffer>, type: string): void {
  const url = URL.createObjectURL(new Blob([content], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 1000);
}
