import { replayed, type Step } from '../../core/document/history';
import { VERSION, type Layout } from '../../core/document/layout';
import { merged, type Clash } from '../../core/document/merge';
import { patchesBetween } from '../../core/document/patch';
import { labelsOf } from '../../core/document/versions';
import {
  facts,
  keptLayout,
  newId,
  speaking,
  type Card,
  type Choice,
  type KeptStep,
  type ShelfDatabase,
} from './database';
import { from, stateIn, together } from './states';

/** Steps after which, or time after which, a layout is kept whole again. */
const KEEP_EVERY_STEPS = 50;
const KEEP_EVERY_MS = 10 * 60 * 1000;

/** A layout and the number of the newest step it holds. */
export interface Known {
  readonly layout: Layout;
  readonly seq: number;
  /** Under which name it was last put back, where it was. */
  readonly era?: string | undefined;
}

export type Committed =
  | {
      readonly kind: 'written';
      readonly card: Card;
      readonly theirs: readonly KeptStep[];
      /** What came from elsewhere is known as a whole only: there is nothing of it to take back step by step. */
      readonly whole: boolean;
      readonly kept: readonly KeptStep[];
      readonly clashes: readonly Clash[];
      readonly layout: Layout;
      /** All that are open, where another window's steps came between; else null. */
      readonly choices: readonly Choice[] | null;
    }
  /** A newer program has written it: this one may not. */
  | { readonly kind: 'outdated' }
  /** It is not there any more, as after the site's data were cleared. */
  | { readonly kind: 'missing' };

/** What happened elsewhere as one step, where its own are not known. */
const replacing = (layout: Layout, { id, head }: Card, at: number): KeptStep => ({
  id: `whole ${head}`,
  kind: 'edit',
  entryId: `whole ${head}`,
  label: 'Changes from elsewhere',
  at,
  patches: [{ op: 'replace', path: [], value: layout }],
  inverse: [],
  layoutId: id,
  seq: head,
});

/** Up to which step a window and the disc have the same: one of them may have lost what came after. */
const sharedSeq = ({ head, era }: Card, known: Known): number =>
  Math.min(known.seq, era && era.id !== known.era ? era.from : head);

/** What a window knows over a state that both have, as one step; where there is none, the whole. */
function onlyHere(base: Layout | null, { layout, seq }: Known, at: number): Step {
  const id = `kept again ${newId()} ${seq}`;
  return {
    id,
    kind: 'edit',
    entryId: id,
    label: 'What the browser had lost',
    at,
    patches: base ? patchesBetween(base, layout, []) : [{ op: 'replace', path: [], value: layout }],
    inverse: base ? patchesBetween(layout, base, []) : [],
  };
}

/**
 * Writes own steps behind the newest there are; what other windows wrote first is merged with them.
 * All of it happens or none.
 * @param refused clashes found since, to be written with them
 * @param known the layout without the own steps, as this window last had it from here
 */
export function commit(
  db: ShelfDatabase,
  id: string,
  known: Known,
  mine: readonly Step[],
  refused: readonly Clash[],
  at: number,
): Promise<Committed> {
  return together(db, async (transaction): Promise<Committed> => {
    const cards = transaction.objectStore('cards');
    const card = await cards.get(id);
    if (!card) return { kind: 'missing' };
    if (card.version > VERSION) return { kind: 'outdated' };
    const steps = transaction.objectStore('steps');
    const read = (seq: number): Promise<Layout> =>
      stateIn(transaction.objectStore('kept'), steps, id, seq) as Promise<Layout>;
    const shared = sharedSeq(card, known);
    // What the window had saved, and the browser lost since, goes before what it has made now.
    const base = shared < known.seq ? await read(shared).catch(() => null) : known.layout;
    const only = shared < known.seq ? [onlyHere(base, known, at)] : [];
    const theirs = card.head > shared ? await steps.getAll(from(id, shared + 1, card.head)) : [];
    // Steps may be gone, thinned out while this window slept, or the layout may have come whole from elsewhere.
    const whole = base === null || theirs.length < card.head - shared;
    const there = whole ? await read(card.head) : replayed(base, theirs);
    const before = whole ? [replacing(there, card, at)] : theirs;
    const { layout, kept, clashes } = merged(there, before, [...only, ...mine]);
    const written = kept.map((step, i): KeptStep =>
      speaking({ ...step, layoutId: id, seq: card.head + 1 + i }),
    );
    let bytes = card.bytes;
    for (const step of written) {
      bytes += JSON.stringify(step).length;
      await steps.add(step);
    }
    const open = transaction.objectStore('choices');
    for (const clash of [...refused, ...clashes])
      await open.put(speaking({ id: clash.step.id, layoutId: id, at, ...clash }));
    const head = card.head + written.length;
    let next: Card = { ...card, head };
    if (written.length > 0) {
      const due = head - card.kept.seq >= KEEP_EVERY_STEPS || at - card.kept.at >= KEEP_EVERY_MS;
      if (due) {
        const since = await steps.getAll(from(id, card.kept.seq + 1, head));
        const state = keptLayout(id, head, at, layout, null, labelsOf(since, layout));
        await transaction.objectStore('kept').put(state);
        bytes += state.bytes;
      }
      next = { ...next, ...facts(layout), changedAt: at, bytes, kept: due ? { seq: head, at } : card.kept };
      await cards.put(next);
    }
    const apart = before.length + clashes.length + refused.length > 0;
    const choices = apart ? await open.index('byLayout').getAll(id) : null;
    return { kind: 'written', card: next, theirs: before, whole, kept: written, clashes, layout, choices };
  });
}
