import type { BlobName } from '../../core/document/blobs';
import { checkLayout, type FileComplaint } from '../../core/document/file';
import { MOST_ENTRIES, noStacks, stacksOf, type Stacks, type Step } from '../../core/document/history';
import { VERSION, type Layout } from '../../core/document/layout';
import type { Clash } from '../../core/document/merge';
import {
  cardOf,
  facts,
  keptLayout,
  newId,
  speaking,
  type Card,
  type Choice,
  type KeptLayout,
  type KeptStep,
  type ShelfDatabase,
  type StoredBlob,
} from './database';
import { putBlob, sweepBlobs } from './blobs';
import { commit, type Committed, type Known } from './commit';
import { from, stateIn, together } from './states';
import { thin } from './thin';
import type { SecondCopy } from './second-copy';

/** How long a layout that was thrown away can be taken back. */
export const BIN_DAYS = 30;
const DAY = 24 * 3600 * 1000;

/** A layout as the shelf opens it, or why it cannot be. */
export type Opened =
  | {
      readonly ok: true;
      readonly card: Card;
      readonly layout: Layout;
      readonly seq: number;
      readonly era: string | undefined;
      readonly stacks: Stacks;
      readonly choices: readonly Choice[];
    }
  | {
      readonly ok: false;
      readonly card: Card;
      readonly complaints: readonly FileComplaint[];
      /** As it is stored. */
      readonly raw: unknown;
      /** The newest state before that is sound; null when there is none. */
      readonly sound: { readonly seq: number; readonly at: number; readonly layout: Layout } | null;
    };

/** Every layout kept in this browser. */
export class Shelf {
  constructor(private readonly db: ShelfDatabase) {}

  cards(): Promise<Card[]> {
    return this.db.getAll('cards');
  }

  setting(name: string): Promise<unknown> {
    return this.db.get('settings', name);
  }

  async set(name: string, value: unknown): Promise<void> {
    await this.db.put('settings', value, name);
  }

  /**
   * Says that a window has begun. @returns the time by which things may be thrown away: no later than
   * at the day of use before, so that a clock that is wrong for a day throws nothing away
   */
  async begun(now: number): Promise<number> {
    const said = (await this.setting('begun')) as
      { readonly at: number; readonly before: number } | undefined;
    const sameDay = said !== undefined && Math.floor(said.at / DAY) === Math.floor(now / DAY);
    const before = sameDay ? said.before : (said?.at ?? 0);
    await this.set('begun', { at: now, before });
    return Math.min(now, before);
  }

  /** Adds a layout, whole. @returns its card */
  async add(
    id: string,
    layout: unknown,
    origin: string,
    at: number,
    history: { readonly kept: readonly KeptLayout[]; readonly steps: readonly KeptStep[] } | null = null,
  ): Promise<Card> {
    return together(this.db, async (transaction) => {
      const last = history?.kept[history.kept.length - 1];
      const head = history
        ? Math.max(...history.kept.map((k) => k.seq), ...history.steps.map((s) => s.seq))
        : 0;
      // Without a history, or where the last kept state lies behind it, the layout itself is one.
      const own =
        !last || last.seq < head || !history
          ? keptLayout(id, history ? head + 1 : 0, at, layout, origin)
          : last;
      const all = history ? [...history.kept.filter((k) => k !== own), own] : [own];
      for (const k of all) await transaction.objectStore('kept').put(speaking({ ...k, layoutId: id }));
      for (const s of history?.steps ?? [])
        await transaction.objectStore('steps').put(speaking({ ...s, layoutId: id }));
      const bytes =
        all.reduce((sum, k) => sum + k.bytes, 0) +
        (history?.steps ?? []).reduce((sum, s) => sum + JSON.stringify(s).length, 0);
      const card: Card = { ...cardOf({ ...own, layoutId: id }, all[0].at), changedAt: at, bytes };
      await transaction.objectStore('cards').put(card);
      return card;
    });
  }

  /**
   * Takes back what the database has lost, from a second copy: a layout that is not there any more, or
   * only in an older state. What is there as new or newer is not touched.
   * @returns whether anything was lost
   */
  async takeBack({ id, seq, layout }: SecondCopy, at: number): Promise<boolean> {
    return together(this.db, async (transaction) => {
      const cards = transaction.objectStore('cards');
      const card = await cards.get(id);
      if (card && card.head >= seq) return false;
      const kept = keptLayout(id, seq, at, layout, 'From the second copy: the browser had lost its own');
      await transaction.objectStore('kept').put(kept);
      const next = card ?? cardOf(kept, at);
      const bytes = (card?.bytes ?? 0) + kept.bytes;
      await cards.put({
        ...next,
        ...facts(layout),
        version: kept.version,
        head: seq,
        era: { id: newId(), from: seq },
        kept: { seq, at },
        bytes,
      });
      return true;
    });
  }

  /**
   * Puts a layout back as a window knows it, where the browser's data were cleared; its steps go on from the
   * number they had. Does nothing where another window was first.
   */
  async putBack(id: string, { layout, seq }: Known, at: number): Promise<void> {
    return together(this.db, async (transaction) => {
      if (await transaction.objectStore('cards').get(id)) return;
      const kept = keptLayout(id, seq, at, layout, 'Kept again: the browser’s data had been cleared');
      await transaction.objectStore('kept').put(kept);
      await transaction.objectStore('cards').put({ ...cardOf(kept, at), era: { id: newId(), from: seq } });
    });
  }

  /** Changes what the card of a layout says; does nothing when it is gone. */
  async mark(id: string, change: Partial<Omit<Card, 'id' | 'head'>>): Promise<void> {
    await together(this.db, async (transaction) => {
      const card = await transaction.objectStore('cards').get(id);
      if (!card) return;
      // Thrown away after it was last changed, whatever the clock says.
      const thrown = typeof change.deletedAt === 'number' && {
        deletedAt: Math.max(change.deletedAt, card.changedAt),
      };
      await transaction.objectStore('cards').put({ ...card, ...change, ...thrown });
    });
  }

  /** Takes a layout away for good, with its history. */
  async erase(id: string): Promise<void> {
    return together(this.db, async (transaction) => {
      await transaction.objectStore('cards').delete(id);
      await transaction.objectStore('kept').delete(from(id, -Infinity));
      await transaction.objectStore('steps').delete(from(id, -Infinity));
      for (const key of await transaction.objectStore('choices').index('byLayout').getAllKeys(id))
        await transaction.objectStore('choices').delete(key);
    });
  }

  /** Takes away for good what has lain in the bin long enough. @param now as `begun` tells it @returns the ids of what went */
  async emptyBin(now: number): Promise<string[]> {
    const over = (await this.cards()).filter(
      (c) => c.deletedAt !== null && now - c.deletedAt > BIN_DAYS * DAY,
    );
    for (const { id } of over) await this.erase(id);
    return over.map((c) => c.id);
  }

  choices(layoutId: string): Promise<Choice[]> {
    return this.db.getAllFromIndex('choices', 'byLayout', layoutId);
  }

  async chosen(choiceId: string): Promise<void> {
    await this.db.delete('choices', choiceId);
  }

  /**
   * Opens a layout as it is after its newest step. What an older program wrote is brought up to date
   * and kept as it was besides; what does not validate is left as it stands.
   */
  async open(id: string, now: number): Promise<Opened> {
    const card = await this.db.get('cards', id);
    if (!card) throw new Error('This layout is not on the shelf any more.');
    let raw: unknown;
    try {
      raw = await this.stateAt(id, card.head);
    } catch (error) {
      const reason = error instanceof Error ? error.message : String(error);
      return this.broken(card, null, [{ path: '', reason: `its history does not fit together: ${reason}` }]);
    }
    const read = checkLayout(raw);
    if (!read.ok) return this.broken(card, raw, read.complaints);
    if (read.migratedFrom !== null) {
      const kept = keptLayout(
        id,
        card.head + 1,
        now,
        read.layout,
        `Brought up to version ${VERSION} of the file`,
      );
      const next = {
        ...card,
        version: VERSION,
        head: kept.seq,
        kept: { seq: kept.seq, at: now },
        bytes: card.bytes + kept.bytes,
      };
      const isMine = await together(this.db, async (transaction) => {
        // Another window may have done it, or gone on, meanwhile.
        const there = await transaction.objectStore('cards').get(id);
        if (there?.head !== card.head) return false;
        await transaction.objectStore('kept').put(kept);
        await transaction.objectStore('cards').put(next);
        return true;
      });
      if (!isMine) return this.open(id, now);
      return {
        ok: true,
        card: next,
        layout: read.layout,
        seq: kept.seq,
        era: card.era?.id,
        stacks: noStacks,
        choices: await this.choices(id),
      };
    }
    return {
      ok: true,
      card,
      layout: read.layout,
      seq: card.head,
      era: card.era?.id,
      stacks: stacksOf(await this.stepsSinceOrigin(id, card.head)),
      choices: await this.choices(id),
    };
  }

  /** Steps that undo can go back over: those since the layout last came whole from elsewhere, as far as they are wanted. */
  private async stepsSinceOrigin(id: string, head: number): Promise<KeptStep[]> {
    const steps = await this.db.getAll('steps', from(id, head - 2 * MOST_ENTRIES, head));
    let origin = -Infinity;
    let cursor = await this.db.transaction('kept').store.openCursor(from(id, -Infinity, head), 'prev');
    for (; cursor; cursor = await cursor.continue()) {
      if (cursor.value.origin === null) continue;
      origin = cursor.value.seq;
      break;
    }
    return steps.filter((s) => s.seq > origin);
  }

  private async broken(card: Card, raw: unknown, complaints: readonly FileComplaint[]): Promise<Opened> {
    let cursor = await this.db.transaction('kept').store.openCursor(from(card.id, -Infinity), 'prev');
    for (; cursor; cursor = await cursor.continue()) {
      const { seq, at, layout } = cursor.value;
      const read = checkLayout(layout);
      if (read.ok) return { ok: false, card, complaints, raw, sound: { seq, at, layout: read.layout } };
    }
    return { ok: false, card, complaints, raw, sound: null };
  }

  /** A layout as it was after a step, as stored. @throws Error when it has been thinned out, or steps do not fit */
  stateAt(id: string, seq: number): Promise<unknown> {
    const transaction = this.db.transaction(['kept', 'steps']);
    return stateIn(transaction.objectStore('kept'), transaction.objectStore('steps'), id, seq);
  }

  /** All that is kept of a layout's past. */
  async history(id: string): Promise<{ readonly kept: KeptLayout[]; readonly steps: KeptStep[] }> {
    const transaction = this.db.transaction(['kept', 'steps']);
    const [kept, steps] = await Promise.all([
      transaction.objectStore('kept').getAll(from(id, -Infinity)),
      transaction.objectStore('steps').getAll(from(id, -Infinity)),
    ]);
    return { kept, steps };
  }

  /** Gives a state a name, or takes it away; a named one is kept whole, for good. */
  async nameState(id: string, seq: number, name: string | null, at: number): Promise<void> {
    const layout = await this.stateAt(id, seq);
    return together(this.db, async (transaction) => {
      const kept = await transaction.objectStore('kept').get([id, seq]);
      const card = await transaction.objectStore('cards').get(id);
      const next = { ...(kept ?? keptLayout(id, seq, at, layout, null)), name };
      await transaction.objectStore('kept').put(next);
      if (card && !kept)
        await transaction.objectStore('cards').put({ ...card, bytes: card.bytes + next.bytes });
    });
  }

  /** Writes own steps behind the newest there are, merged with what other windows wrote first. */
  commit(
    id: string,
    known: Known,
    mine: readonly Step[],
    refused: readonly Clash[],
    at: number,
  ): Promise<Committed> {
    return commit(this.db, id, known, mine, refused, at);
  }

  putBlob(content: ArrayBuffer, type: string): Promise<BlobName> {
    return putBlob(this.db, content, type);
  }

  blob(name: BlobName): Promise<StoredBlob | undefined> {
    return this.db.get('blobs', name);
  }

  sweepBlobs(): Promise<BlobName[]> {
    return sweepBlobs(this.db);
  }

  /** Thins out a layout's history. @param now as `begun` tells it @returns the room it then takes */
  thin(id: string, now: number, stepDays?: number): Promise<number> {
    return thin(this.db, id, now, stepDays);
  }
}
