import { blobsOf, type ArchivedLayout } from '../../core/document/archive';
import { useShelfStore } from '../store/shelf-store';
import { addLayout, shelf } from './session';
import type { KeptLayout, KeptStep } from './database';

/** Of a file's name in what is said of where a layout came from. */
const MOST_NAME = 120;

/**
 * Adds a layout of an archive to the shelf, with its history where that fits and the files it speaks of.
 * Where the browser keeps nothing it is opened.
 * @returns whether it was added
 */
export async function addArchived(
  { layout, history }: ArchivedLayout,
  contents: ReadonlyMap<string, Blob>,
  name: string,
): Promise<boolean> {
  if (!layout) return false;
  const open = useShelfStore.getState().trouble?.kind === 'absent';
  if (!open) {
    const mine = await shelf();
    for (const blob of blobsOf({ layout, history })) {
      const content = contents.get(blob);
      if (content) await mine.putBlob(await content.arrayBuffer(), content.type);
    }
  }
  const whole = history && {
    kept: history.kept.map((k): KeptLayout => ({ ...k, layoutId: '' })),
    steps: history.steps.map((s): KeptStep => ({ ...s, layoutId: '' })),
  };
  return addLayout(layout, `From the archive ${name.slice(0, MOST_NAME)}`, { history: whole, open });
}
