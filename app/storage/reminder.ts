import type { Card } from './database';
import type { Shelf } from './shelf';

const WEEK = 7 * 24 * 3600 * 1000;
/** Steps since the last export that count as much. */
const MUCH = 60;

/** What the person has said about being reminded to export. */
interface Reminders {
  readonly lastAt: number;
  readonly never: boolean;
}

const read = async (shelf: Shelf): Promise<Reminders> => {
  const kept = (await shelf.setting('reminders')) as Reminders | undefined;
  return kept ?? { lastAt: 0, never: false };
};

/** Whether much has changed since a layout was exported, and nothing was said of it for a week. */
export async function reminderDue(shelf: Shelf, card: Card, now: number): Promise<boolean> {
  if (card.head - (card.exported?.seq ?? 0) < MUCH) return false;
  const { lastAt, never } = await read(shelf);
  return !never && now - lastAt >= WEEK;
}

/** Is not said again for a week, or never. */
export async function reminded(shelf: Shelf, now: number, never: boolean): Promise<void> {
  await shelf.set('reminders', { lastAt: now, never });
}
