import { labelsOf } from '../../core/document/versions';
import { thinnedOut } from '../../core/document/thinning';
import { keptLayout, type ShelfDatabase } from './database';
import { from, stateIn, together } from './states';

const DAY = 24 * 3600 * 1000;
/** Steps older than this are thinned out; kept states tell what was. */
const STEP_DAYS = 30;
/** Steps before a state that tell what was done up to it. */
const TELLING_STEPS = 50;

/**
 * Thins out a layout's history: kept states by their age, and steps older than some days.
 * @returns the room it then takes
 */
export async function thin(
  db: ShelfDatabase,
  id: string,
  now: number,
  stepDays = STEP_DAYS,
): Promise<number> {
  const oldest = now - stepDays * DAY;
  const all = await db.getAll('steps', from(id, -Infinity));
  // No step is older than one before it, whatever the clock said when it was made.
  const young = all.findIndex((s) => s.at >= oldest);
  const lastOld = all[(young < 0 ? all.length : young) - 1];
  if (lastOld) await keepState(db, id, lastOld.seq, lastOld.at);
  return together(db, async (transaction) => {
    const kept = transaction.objectStore('kept');
    const states = await kept.getAll(from(id, -Infinity));
    const newest = states.reduce((a, b) => (b.origin !== null ? b : a), states[0]);
    // The state that the first remaining step begins from has to stay too.
    const first = all.find((s) => s.seq > (lastOld?.seq ?? -1));
    const base = first && states.findLast((s) => s.seq < first.seq);
    // So have those among the steps that no step leads to.
    const between = states.filter((s) => s.origin !== null && first && s.seq > first.seq).map((s) => s.seq);
    const anchors = new Set([lastOld?.seq, base?.seq, newest?.seq, ...between]);
    const going = thinnedOut(
      states.map((s) => ({ seq: s.seq, at: s.at, forGood: s.name !== null || anchors.has(s.seq) })),
      now,
    );
    for (const seq of going) await kept.delete([id, seq]);
    if (lastOld) await transaction.objectStore('steps').delete(from(id, -Infinity, lastOld.seq));
    const rest = await kept.getAll(from(id, -Infinity));
    const steps = await transaction.objectStore('steps').getAll(from(id, -Infinity));
    const bytes =
      rest.reduce((sum, k) => sum + k.bytes, 0) + steps.reduce((sum, s) => sum + JSON.stringify(s).length, 0);
    const card = await transaction.objectStore('cards').get(id);
    if (card) {
      const last = rest[rest.length - 1];
      await transaction.objectStore('cards').put({ ...card, bytes, kept: { seq: last.seq, at: last.at } });
    }
    return bytes;
  });
}

/** Keeps a state whole where it is not yet. */
async function keepState(db: ShelfDatabase, id: string, seq: number, at: number): Promise<void> {
  if (await db.get('kept', [id, seq])) return;
  const transaction = db.transaction(['kept', 'steps']);
  const layout = await stateIn(transaction.objectStore('kept'), transaction.objectStore('steps'), id, seq);
  const before = await db.getAll('steps', from(id, -Infinity, seq));
  await db.add('kept', keptLayout(id, seq, at, layout, null, labelsOf(before.slice(-TELLING_STEPS), layout)));
}
