import { emptyLayout } from '../../core/document/empty-layout';
import { VERSION, type Layout } from '../../core/document/layout';
import { useLayoutStore } from '../store/layout-store';
import { useShelfStore } from '../store/shelf-store';
import { demoLayout } from './demo';
import {
  newId,
  openDatabase,
  type Card,
  type KeptLayout,
  type KeptStep,
  type ShelfDatabase,
} from './database';
import { LayoutKeeper, type Message } from './keeper';
import { reminded, reminderDue } from './reminder';
import { SecondCopies, type SecondCopy } from './second-copy';
import { Shelf, type Opened } from './shelf';

const CHANNEL = 'hazel-spark';
/** The layout this window had open, kept for its reload. */
const OPEN_HERE = 'hazel-open';

let opening: Promise<Shelf> | null = null;
let keeper: LayoutKeeper | null = null;
const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(CHANNEL);
export const tell = (message: Message): void => channel?.postMessage(message);
const state = useShelfStore.getState().set;
export const copies = new SecondCopies();

const events = {
  blocked: () => state({ trouble: { kind: 'blocked' } }),
  outdated: () => outdated(),
  closed: () => (opening = null),
};

/** Tries of the browser's own data, and the first pause between them; each further one is twice as long. */
const OPEN_TRIES = 5;
const OPEN_PAUSE_MS = 250;

/**
 * Opens the data. A browser that has just been killed can hold its own files for a moment longer: that
 * is waited for, and not taken for a browser that keeps nothing.
 */
async function opened(): Promise<ShelfDatabase> {
  for (let tries = 1; ; tries++) {
    try {
      return await openDatabase(events);
    } catch (error) {
      const newer = error instanceof DOMException && error.name === 'VersionError';
      if (newer) outdated();
      if (newer || tries === OPEN_TRIES || typeof indexedDB === 'undefined') throw error;
      await new Promise((done) => setTimeout(done, OPEN_PAUSE_MS * 2 ** (tries - 1)));
    }
  }
}

/** The shelf; it is opened at the first call, and anew after the browser has closed it. */
export function shelf(): Promise<Shelf> {
  opening ??= opened().then(
    (db) => {
      if (useShelfStore.getState().trouble?.kind === 'blocked') state({ trouble: null });
      db.addEventListener('close', () => (opening = null));
      return new Shelf(db);
    },
    (error: unknown) => {
      opening = null;
      throw error;
    },
  );
  return opening;
}

function outdated(): void {
  keeper?.stop();
  state({ trouble: { kind: 'outdated' } });
}

/** Reads the cards anew, here and in other windows. */
export async function refresh(everywhere = true): Promise<void> {
  const cards = await (await shelf()).cards();
  state({ cards });
  if (everywhere) tell({ kind: 'shelf' });
}

function hear(message: Message): void {
  if (message.kind === 'steps') {
    if (keeper?.layoutId === message.layoutId) keeper.heard(message.steps, message.era);
  } else if (message.kind === 'hello') {
    if (message.version > VERSION) outdated();
    else if (message.version < VERSION) tell({ kind: 'hello', version: VERSION });
  } else void refresh(false).catch(() => undefined);
}

/** Loads the page anew when what is typed is in the layout and the layout is saved; what cannot be saved is asked about by the browser. */
export async function reloadSafely(): Promise<void> {
  if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
  await keeper?.settled();
  location.reload();
}

/** All that can be written of the open layout is written. */
export const settled = async (): Promise<void> => keeper?.settled();
/** Whether something of it is not. */
export const isWaiting = (): boolean => keeper?.waits ?? false;
/** Looks for what was written elsewhere, and tries what waits again. */
export const lookAgain = (): void => keeper?.lookAgain();

/** The layout as it was last exported, where the browser keeps nothing. */
let exportedAs: Layout | null = null;
const keepsNothing = (): boolean => useShelfStore.getState().trouble?.kind === 'absent';
/** Whether the open layout has changes that nothing but this window has. */
function isOnlyHere(): boolean {
  const { layout, past } = useLayoutStore.getState();
  return keepsNothing() && layout !== null && past.length > 0 && layout !== exportedAs;
}

/** Asks whether the only copy of the open layout may go, where it is one. */
async function mayReplace(): Promise<boolean> {
  if (!isOnlyHere()) return true;
  const answer = await new Promise<boolean>((replacing) => state({ replacing }));
  state({ replacing: null });
  return answer;
}

let turn: Promise<unknown> = Promise.resolve();
/** One opening of a layout after another: what was asked for last is what is open in the end. */
function inTurn<T>(does: () => Promise<T>): Promise<T> {
  const done = turn.then(does, does);
  turn = done.catch(() => undefined);
  return done;
}

/** The time by which old history and what lies in the bin may go. */
let throwingBy = 0;

let begun: Promise<void> | null = null;
/** Opens what this window, or this browser, had open last; the demo in a browser that never had anything. */
export function begin(): Promise<void> {
  begun ??= inTurn(beginOnce);
  return begun;
}

async function beginOnce(): Promise<void> {
  if (channel) channel.onmessage = (event: MessageEvent<Message>) => hear(event.data);
  tell({ kind: 'hello', version: VERSION });
  // Where windows cannot talk, coming back to one is when it looks.
  addEventListener('focus', () => keeper?.lookAgain());
  addEventListener('beforeunload', (event) => {
    if (keeper?.waits || isOnlyHere()) event.preventDefault();
  });
  let mine: Shelf;
  try {
    mine = await shelf();
  } catch (error) {
    if (useShelfStore.getState().trouble?.kind === 'outdated') return;
    const reason = error instanceof Error ? error.message : String(error);
    state({ trouble: { kind: 'absent', reason }, cards: [] });
    useLayoutStore.getState().open(await demoLayout());
    return;
  }
  const now = Date.now();
  const recovered: string[] = [];
  const second = await copies.all();
  try {
    for (const copy of second) if (await mine.takeBack(copy, now)) recovered.push(copy.id);
    throwingBy = await mine.begun(now);
    for (const id of await mine.emptyBin(throwingBy)) await copies.forget(id);
    await mine.sweepBlobs();
  } catch {
    // A full disc: what is there can be opened all the same.
  }
  const cards = await mine.cards();
  state({ cards, recovered: cards.filter((c) => recovered.includes(c.id)).map((c) => c.name) });
  if (cards.length === 0) {
    await add(await demoLayout(), 'The demo');
    return;
  }
  const there = new Set(cards.filter((c) => c.deletedAt === null).map((c) => c.id));
  const newest = second.reduce<SecondCopy | null>((a, b) => (a && a.at > b.at ? a : b), null);
  const wanted = [
    sessionStorage.getItem(OPEN_HERE),
    await mine.setting('open'),
    recovered.length > 0 ? newest?.id : null,
  ];
  const id = wanted.find((w): w is string => typeof w === 'string' && there.has(w));
  if (id === undefined) return;
  try {
    await open(id);
  } catch (error) {
    const reason = error instanceof Error ? error.message : String(error);
    const name = cards.find((c) => c.id === id)?.name ?? '';
    state({ notOpened: { id, name, complaints: [{ path: '', reason }] } });
  }
}

/** Opens a layout of the shelf in this window. One that does not validate stays as it is, and it is said why. */
export const openLayout = (id: string): Promise<boolean> => inTurn(() => open(id));

async function open(id: string): Promise<boolean> {
  const mine = await shelf();
  await leave();
  const opened = await mine.open(id, Date.now());
  if (!opened.ok) {
    const { complaints, card } = opened;
    state({ notOpened: { id, name: card.name, complaints } });
    useLayoutStore.getState().close();
    return false;
  }
  show(opened);
  // Only a convenience: without room it opens all the same.
  await mine.set('open', id).catch(() => undefined);
  copies.keep({ id, seq: opened.seq, at: Date.now(), layout: opened.layout });
  void mine.thin(id, throwingBy).then(
    () => refresh(false),
    () => undefined,
  );
  return true;
}

function show(opened: Opened & { readonly ok: true }): void {
  const { card, layout, seq, era, stacks, choices } = opened;
  const mine = new LayoutKeeper(card.id, { layout, seq, era }, stacks, {
    shelf,
    send: tell,
    onWritten: (known) => {
      copies.keep({ id: card.id, at: Date.now(), seq: known.seq, layout: known.layout });
      void afterWrite();
    },
    now: Date.now,
    onMerged: (...news) => useLayoutStore.getState().take(...news),
    onState: (save) => state({ save }),
    onOutdated: outdated,
  });
  keeper = mine;
  sessionStorage.setItem(OPEN_HERE, card.id);
  state({ notOpened: null, save: { kind: 'idle' }, remind: false });
  useLayoutStore
    .getState()
    .open(layout, { layoutId: card.id, stacks, choices, keep: (step) => mine.add(step) });
}

/** Quiet after the last write before the small picture is drawn anew. */
const QUIET_MS = 4000;

let asked = false;
/** What is due when something has been written: the cards, the reminder, and once the wish to be kept. */
async function afterWrite(): Promise<void> {
  if (!asked) {
    asked = true;
    // Only where the browser offers it: a secure origin.
    await navigator.storage?.persist?.().catch(() => false);
  }
  if (refreshing) clearTimeout(refreshing);
  refreshing = setTimeout(() => void settle().catch(() => undefined), QUIET_MS);
}
let refreshing: ReturnType<typeof setTimeout> | null = null;

/** After a while of quiet: cards, the small picture, and whether an export is due. */
async function settle(): Promise<void> {
  const { layout, layoutId } = useLayoutStore.getState();
  const mine = await shelf();
  if (layout && layoutId !== null) {
    await drawPicture(layoutId, layout);
    const card = (await mine.cards()).find((c) => c.id === layoutId);
    const now = Date.now();
    if (card && (await reminderDue(mine, card, now))) {
      state({ remind: true });
      // Said is said, whether it is answered or not: not again for a week.
      await reminded(mine, now, false);
    }
  }
  await refresh();
}

/** Sketches the line of a layout for its card, beside the interface. */
export async function drawPicture(id: string, layout: Layout): Promise<void> {
  const { hand } = await import('../workers/desk');
  const picture = await hand.ask('lineSketch', layout, {}).answer;
  await (await shelf()).mark(id, { picture });
  await refresh();
}

/** Keeps how the jobs of a layout look on the Line, for when it is next opened. */
export async function keepGlows(id: string, glows: NonNullable<Card['glows']>): Promise<void> {
  await (await shelf()).mark(id, { glows });
  await refresh(false);
}

/**
 * Writes what waits of the open layout and lets go of it.
 * @throws Error when it cannot be written: letting go would lose it
 */
async function leave(): Promise<void> {
  await keeper?.settled();
  if (keeper?.waits)
    throw new Error('The open layout could not be saved yet: export it first, or make room.');
  keeper?.stop();
  keeper = null;
}

interface AddWays {
  readonly history?: { readonly kept: readonly KeptLayout[]; readonly steps: readonly KeptStep[] } | null;
  readonly open?: boolean;
}

/**
 * Adds a layout to the shelf and, unless told otherwise, opens it. Where nothing is kept it is only opened.
 * @returns false when the person would rather keep the only copy of what is open
 */
export const addLayout = (layout: Layout, origin: string, ways?: AddWays): Promise<boolean> =>
  inTurn(() => add(layout, origin, ways));

async function add(
  layout: Layout,
  origin: string,
  { history = null, open: opens = true }: AddWays = {},
): Promise<boolean> {
  if (keepsNothing()) {
    if (!(await mayReplace())) return false;
    useLayoutStore.getState().open(layout);
    return true;
  }
  const mine = await shelf();
  const card = await mine.add(newId(), layout, origin, Date.now(), history);
  copies.keep({ id: card.id, seq: card.head, at: Date.now(), layout });
  if (opens) await open(card.id);
  await refresh();
  return true;
}

export const newLayout = (): Promise<boolean> => addLayout(emptyLayout('My layout'), 'Begun empty');
export const freshDemo = async (): Promise<boolean> => addLayout(await demoLayout(), 'The demo');

/** Changes what a card says: put away, thrown away, exported. */
export async function mark(
  id: string,
  change: Partial<Pick<Card, 'putAway' | 'deletedAt' | 'exported'>>,
): Promise<void> {
  const mine = await shelf();
  const closes = typeof change.deletedAt === 'number' && useLayoutStore.getState().layoutId === id;
  if (closes) await leave();
  await mine.mark(id, change);
  if (closes) {
    sessionStorage.removeItem(OPEN_HERE);
    useLayoutStore.getState().close();
  }
  await refresh();
}

/** Says that the open layout was exported as it is now. */
export async function exported(): Promise<void> {
  const { layout, layoutId } = useLayoutStore.getState();
  state({ remind: false });
  exportedAs = layout;
  if (layoutId !== null && keeper) await mark(layoutId, { exported: { at: Date.now(), seq: keeper.seq } });
}
