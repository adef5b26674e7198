import {
  advanced,
  joinedSteps,
  noStacks,
  replayed,
  type Stacks,
  type Step,
} from '../../core/document/history';
import { merged, type Clash } from '../../core/document/merge';
import type { Layout } from '../../core/document/layout';
import type { Choice, KeptStep } from './database';
import type { Known } from './commit';
import type { Shelf } from './shelf';

/** How the open layout stands with the disc. */
export type SaveState =
  | { readonly kind: 'idle' }
  | { readonly kind: 'saving' }
  | { readonly kind: 'saved'; readonly at: number }
  /** The browser has no room left. */
  | { readonly kind: 'full' }
  | { readonly kind: 'failed'; readonly reason: string };

/** What windows of one browser tell one another. */
export type Message =
  | {
      readonly kind: 'steps';
      readonly layoutId: string;
      readonly era: string | undefined;
      readonly steps: readonly KeptStep[];
    }
  /** Cards on the shelf have changed. */
  | { readonly kind: 'shelf' }
  /** A window has opened, with a program that writes this version of the file. */
  | { readonly kind: 'hello'; readonly version: number };

export interface KeeperSurroundings {
  /** The shelf, opened anew when it was closed. @throws when the browser keeps nothing */
  readonly shelf: () => Promise<Shelf>;
  readonly send: (message: Message) => void;
  readonly now: () => number;
  /** Another window's steps are in: the layout and what can be taken back, with what is not yet written. Choices where they may have changed. */
  readonly onMerged: (layout: Layout, stacks: Stacks, choices: readonly Choice[] | null) => void;
  /** Steps made here are on the disc: the layout as it is there now. */
  readonly onWritten: (known: Known) => void;
  readonly onState: (state: SaveState) => void;
  /** A newer program has written the layout: nothing more is written from here. */
  readonly onOutdated: () => void;
}

/** First pause before a write that failed is tried again; each further one is twice as long. */
const RETRY_MS = 500;
const LONGEST_RETRY_MS = 30_000;

/**
 * Keeps one open layout: writes its steps as they are made, one transaction after another without
 * waiting for quiet, and takes in those of other windows. What has not been written yet is never
 * dropped: a failed write is tried again with all that has come since.
 */
export class LayoutKeeper {
  private known: Known;
  private stacks: Stacks;
  private pending: Step[] = [];
  /** Clashes that are not written yet. */
  private refused: Clash[] = [];
  private writing = 0;
  private behind = false;
  private failures = 0;
  private retry: ReturnType<typeof setTimeout> | null = null;
  private stopped = false;
  private running: Promise<void> = Promise.resolve();

  constructor(
    readonly layoutId: string,
    known: Known,
    stacks: Stacks,
    private readonly around: KeeperSurroundings,
  ) {
    this.known = known;
    this.stacks = stacks;
  }

  /** Number of the newest step that is written. */
  get seq(): number {
    return this.known.seq;
  }

  /** Whether something is not written yet. */
  get waits(): boolean {
    return !this.stopped && (this.pending.length > 0 || this.refused.length > 0);
  }

  /** Takes a step that has been made here. */
  add(step: Step): void {
    if (this.stopped) return;
    const last = this.pending[this.pending.length - 1];
    const joins =
      step.kind === 'edit' &&
      last?.kind === 'edit' &&
      last.entryId === step.entryId &&
      this.pending.length > this.writing;
    if (joins) this.pending[this.pending.length - 1] = joinedSteps(last, step);
    else this.pending.push(step);
    this.around.onState({ kind: 'saving' });
    this.start();
  }

  /** Another window has written steps. */
  heard(steps: readonly KeptStep[], era: string | undefined): void {
    if (!this.stopped && era !== this.known.era) {
      this.lookAgain();
      return;
    }
    const fresh = steps.filter((s) => s.seq > this.known.seq);
    if (this.stopped || fresh.length === 0) return;
    if (this.writing > 0 || this.pending.length > 0 || fresh[0].seq !== this.known.seq + 1) {
      this.lookAgain();
      return;
    }
    this.known = {
      ...this.known,
      layout: replayed(this.known.layout, fresh),
      seq: fresh[fresh.length - 1].seq,
    };
    this.stacks = fresh.reduce(advanced, this.stacks);
    this.around.onMerged(this.known.layout, this.stacks, null);
  }

  /** Looks whether anything is there that was not heard of, and writes what waits. */
  lookAgain(): void {
    this.behind = true;
    this.start();
  }

  /** All is written, or cannot be for now. */
  async settled(): Promise<void> {
    await this.running;
  }

  /** Nothing is written from here any more. */
  stop(): void {
    this.stopped = true;
    if (this.retry) clearTimeout(this.retry);
  }

  private start(): void {
    if (this.writing > 0 || this.stopped) return;
    if (this.retry) {
      clearTimeout(this.retry);
      this.retry = null;
    }
    this.running = this.write();
  }

  private async write(): Promise<void> {
    while (!this.stopped && (this.pending.length > 0 || this.refused.length > 0 || this.behind)) {
      const batch = this.pending.slice();
      // Held while a transaction runs, an empty one too: steps of a batch are not joined any more.
      this.writing = Math.max(1, batch.length);
      this.behind = false;
      try {
        await this.writeBatch(batch);
        this.failures = 0;
      } catch (error) {
        this.writing = 0;
        this.tryLater(error);
        return;
      }
      this.writing = 0;
    }
    if (!this.stopped) this.around.onState({ kind: 'saved', at: this.around.now() });
  }

  private async writeBatch(batch: readonly Step[]): Promise<void> {
    const { around, layoutId } = this;
    const shelf = await around.shelf();
    const told = this.refused.length;
    const done = await shelf.commit(layoutId, this.known, batch, this.refused, around.now());
    if (this.stopped) return;
    if (done.kind === 'outdated') {
      this.stop();
      around.onOutdated();
      return;
    }
    if (done.kind === 'missing') {
      // The site's data were cleared: the layout as it was known is put there again, and then the steps.
      await shelf.putBack(layoutId, this.known, around.now());
      this.behind = true;
      return;
    }
    this.refused = this.refused.slice(told);
    this.known = { layout: done.layout, seq: done.card.head, era: done.card.era?.id };
    this.stacks = done.whole
      ? done.kept.reduce(advanced, noStacks)
      : [...done.theirs, ...done.kept].reduce(advanced, this.stacks);
    const since = this.pending.slice(batch.length);
    if (done.choices === null) this.pending = since;
    else {
      // What was made meanwhile goes on top of what is written now.
      const first = [...done.theirs, ...done.clashes.map((c) => c.step)];
      const { layout, kept, clashes } = merged(done.layout, first, since);
      this.pending = [...kept];
      this.refused.push(...clashes);
      around.onMerged(layout, kept.reduce(advanced, this.stacks), done.choices);
    }
    if (done.kept.length === 0) return;
    around.send({ kind: 'steps', layoutId, era: this.known.era, steps: done.kept });
    around.onWritten(this.known);
  }

  private tryLater(error: unknown): void {
    const full = error instanceof DOMException && error.name === 'QuotaExceededError';
    const reason = error instanceof Error ? error.message : String(error);
    this.around.onState(full ? { kind: 'full' } : { kind: 'failed', reason });
    const pause = Math.min(LONGEST_RETRY_MS, RETRY_MS * 2 ** this.failures++);
    this.retry = setTimeout(() => this.start(), pause);
  }
}
