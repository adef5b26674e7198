import { wrap, type Remote } from 'comlink';
import { patchesBetween } from '../../core/document/patch';
import { useProgramStore } from '../store/program-store';
import { PROGRAM } from './program';
import type { Layout } from '../../core/document/layout';
import type { DeskTasks } from './study-worker';

/** Layouts a worker is kept told of: what is open, what is looked at, and those that answers still come for. */
const MOST_HELD = 6;
/** How often a worker with work is asked whether it lives. */
const BEAT_MS = 5000;
/** Pause before one that was lost is started anew. */
const ANEW_MS = 300;

/** What computes was lost at this question, and again when it was asked once more. */
export class WorkerLost extends Error {
  constructor() {
    super('What computes has stopped at this twice. Your layout is safe; a reload starts everything anew.');
  }
}

const numbers = new WeakMap<Layout, number>();
let count = 0;
/** The number a layout is known under, here and in every worker. */
export function numberOf(layout: Layout): number {
  let number = numbers.get(layout);
  if (number === undefined) numbers.set(layout, (number = ++count));
  return number;
}

// In a build it stands beside the page, so that the two share their files.
const start = (): Worker =>
  new Worker(import.meta.env.DEV ? '/app/workers/study-worker.ts' : '/study-worker.js', { type: 'module' });

/** Sends a question, once more to another worker where the first was lost. */
type Send<T> = (tasks: Remote<DeskTasks>, layout: number) => Promise<T>;

interface Call {
  readonly send: () => void;
  readonly fail: (error: WorkerLost) => void;
  tries: number;
}

/**
 * A worker that lives and is told by patches what has changed. It is watched: one that does not load,
 * dies, or is silent for too long is started anew, and asked once more what it had not answered.
 */
export class Told {
  private worker: Worker | null = null;
  private tasks: Remote<DeskTasks> | null = null;
  private held: { readonly number: number; readonly layout: Layout }[] = [];
  private readonly calls = new Set<Call>();
  private beat: ReturnType<typeof setInterval> | null = null;
  /** Beats since it last said that it lives. */
  private missed = 0;

  /** @param mostMissed beats of silence, five seconds each, after which it is given up */
  constructor(
    private readonly make: () => Worker = start,
    private readonly mostMissed = 6,
    private readonly anewMs = ANEW_MS,
  ) {}

  /**
   * Asks the worker of a layout.
   * @throws WorkerLost when it was lost twice at this question
   */
  ask<T>(layout: Layout, send: Send<T>): Promise<T> {
    return new Promise<T>((resolve, reject) => {
      const call: Call = {
        tries: 0,
        send: () => {
          call.tries++;
          const worker = this.started();
          const over = (settle: () => void): void => {
            // What a worker says that has been given up is not heard.
            if (this.worker !== worker || !this.calls.delete(call)) return;
            if (this.calls.size === 0) this.rest();
            settle();
          };
          send(this.tasks!, this.hold(layout)).then(
            (answer) => over(() => resolve(answer)),
            (error: unknown) => over(() => reject(error)),
          );
        },
        fail: reject,
      };
      this.calls.add(call);
      call.send();
      this.watch();
    });
  }

  /** Tells it something that has no answer; a worker that is not there need not hear it. */
  tell(says: (tasks: Remote<DeskTasks>) => Promise<unknown>): void {
    if (this.tasks) says(this.tasks).catch(() => undefined);
  }

  /** Throws the worker away, whatever it does. */
  stop(): void {
    this.rest();
    this.worker?.terminate();
    this.worker = null;
    this.tasks = null;
    this.held = [];
    this.calls.clear();
  }

  private started(): Worker {
    if (this.worker) return this.worker;
    const worker = this.make();
    this.worker = worker;
    this.tasks = wrap<DeskTasks>(worker);
    const lost = (event: Event): void => {
      event.preventDefault();
      if (this.worker === worker) this.lost();
    };
    worker.addEventListener('error', lost);
    worker.addEventListener('messageerror', lost);
    this.tasks.program().then(
      (program) => {
        if (program !== PROGRAM) useProgramStore.getState().say({ kind: 'updated' });
      },
      () => undefined,
    );
    return worker;
  }

  /** Tells of a layout, as far as it is not known. @returns its number */
  private hold(layout: Layout): number {
    const tasks = this.tasks!;
    const number = numberOf(layout);
    const at = this.held.findIndex((h) => h.number === number);
    if (at >= 0) {
      this.held.push(...this.held.splice(at, 1));
      return number;
    }
    const base = this.held[this.held.length - 1];
    (base
      ? tasks.holdChanged(number, base.number, patchesBetween(base.layout, layout, []))
      : tasks.hold(number, layout)
    ).catch(() => undefined);
    this.held.push({ number, layout });
    if (this.held.length > MOST_HELD) tasks.release(this.held.shift()!.number).catch(() => undefined);
    return number;
  }

  private watch(): void {
    if (this.beat !== null) return;
    this.missed = 0;
    let waits = false;
    // Counted in beats, not by the clock: a machine that slept has missed none.
    this.beat = setInterval(() => {
      if (waits && ++this.missed >= this.mostMissed) {
        this.lost();
        return;
      }
      if (waits) return;
      waits = true;
      this.tasks?.ping().then(
        () => {
          waits = false;
          this.missed = 0;
        },
        () => undefined,
      );
    }, BEAT_MS);
  }

  private rest(): void {
    if (this.beat !== null) clearInterval(this.beat);
    this.beat = null;
  }

  private lost(): void {
    const open = [...this.calls];
    this.stop();
    for (const call of open) {
      if (call.tries > 1) {
        call.fail(new WorkerLost());
        useProgramStore.getState().say({ kind: 'computing' });
      } else this.calls.add(call);
    }
    if (this.calls.size === 0) return;
    setTimeout(() => {
      for (const call of open) if (this.calls.has(call)) call.send();
      this.watch();
    }, this.anewMs);
  }
}
