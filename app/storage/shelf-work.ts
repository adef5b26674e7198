import { checkLayout } from '../../core/document/file';
import type { Layout } from '../../core/document/layout';
import { useLayoutStore } from '../store/layout-store';
import { newId } from './database';
import {
  addLayout,
  copies,
  drawPicture,
  isWaiting,
  lookAgain,
  refresh,
  settled,
  shelf,
  tell,
} from './session';

/** Draws the small pictures that are missing, one after another: asked for where they are shown. */
export function drawMissing(): Promise<void> {
  drawing ??= drawEachMissing().finally(() => (drawing = null));
  return drawing;
}
let drawing: Promise<void> | null = null;

async function drawEachMissing(): Promise<void> {
  const mine = await shelf();
  for (const card of await mine.cards()) {
    if (card.picture !== null || card.deletedAt !== null) continue;
    const read = checkLayout(await mine.stateAt(card.id, card.head).catch(() => null));
    if (read.ok) await drawPicture(card.id, read.layout);
  }
}

/** Adds a copy of a layout as it is now, without its history. */
export async function duplicate(id: string): Promise<void> {
  const opened = await (await shelf()).open(id, Date.now());
  if (!opened.ok) throw new Error('A layout that cannot be opened cannot be duplicated.');
  const { layout } = opened;
  await addLayout({ ...layout, name: `${layout.name.slice(0, 113)} (copy)` }, `Copied from ${layout.name}`);
}

/** Renames a layout: a step of its history like any other. */
export async function rename(id: string, name: string): Promise<void> {
  const label = 'Name of the layout';
  if (useLayoutStore.getState().layoutId === id) {
    useLayoutStore.getState().edit(label, (draft) => void (draft.name = name));
    await settled();
  } else {
    const mine = await shelf();
    const opened = await mine.open(id, Date.now());
    if (!opened.ok) throw new Error('A layout that cannot be opened cannot be renamed.');
    const stepId = newId();
    const step = {
      id: stepId,
      kind: 'edit' as const,
      entryId: stepId,
      label,
      at: Date.now(),
      patches: [{ op: 'replace' as const, path: ['name'], value: name }],
      inverse: [{ op: 'replace' as const, path: ['name'], value: opened.layout.name }],
    };
    const done = await mine.commit(id, opened, [step], [], Date.now());
    if (done.kind === 'written')
      tell({ kind: 'steps', layoutId: id, era: done.card.era?.id, steps: done.kept });
  }
  await refresh();
}

/** Takes a layout off the shelf for good. */
export async function erase(id: string): Promise<void> {
  await (await shelf()).erase(id);
  await copies.forget(id);
  await refresh();
}

/** Makes room: thins out what is older than a week in every layout. @returns the room it then takes, in bytes */
export async function makeRoom(): Promise<number> {
  const mine = await shelf();
  let bytes = 0;
  for (const card of await mine.cards()) {
    // What cannot be opened is not touched: nothing of it may be lost before it is mended.
    const read = checkLayout(await mine.stateAt(card.id, card.head).catch(() => null));
    bytes += read.ok ? await mine.thin(card.id, Date.now(), 7) : card.bytes;
  }
  lookAgain();
  await refresh();
  return bytes;
}

/** Takes a choice between two windows: one's own change is made now, or let go. */
export async function choose(choiceId: string, take: 'mine' | 'theirs'): Promise<string | null> {
  const { choices, apply, setChoices } = useLayoutStore.getState();
  const choice = choices.find((c) => c.id === choiceId);
  if (!choice) return null;
  if (take === 'mine') {
    const refused = apply(choice.step.label, choice.step.patches);
    if (refused !== null) return refused;
    await settled();
    // Taken off the list only when the disc has it.
    if (isWaiting()) return 'it is made here, but could not be saved yet';
  }
  await (await shelf()).chosen(choiceId);
  setChoices(useLayoutStore.getState().choices.filter((c) => c.id !== choiceId));
  return null;
}

/** The open layout as another state of its history had it, as a new step. */
export function restore(layout: Layout, says: string): string | null {
  return useLayoutStore.getState().apply(says, [{ op: 'replace', path: [], value: layout }]);
}
