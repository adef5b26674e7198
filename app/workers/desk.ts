import { proxy } from 'comlink';
import { concerns } from '../../core/document/concerns';
import type { Layout } from '../../core/document/layout';
import type { Steps } from '../../core/quantity/steps';
import type { KindQuestions } from '../kinds/questions';
import { numberOf, Told } from './told';
import type { Heard, questions, Tell } from './questions';

export type Questions = typeof questions & KindQuestions;
export type QuestionName = keyof Questions;
/** What a question is about, and its answer. */
export type Of<Q extends QuestionName> =
  Parameters<Questions[Q]> extends [unknown, infer O, ...unknown[]] ? O : Record<string, never>;
export type Answer<Q extends QuestionName> =
  Awaited<ReturnType<Questions[Q]>> extends Steps<infer T, unknown> ? T : Awaited<ReturnType<Questions[Q]>>;

/** An overtaken answer may still come for so long before its worker is thrown away: starting anew costs as much. */
const GRACE_MS = 250;

/** What was asked for is no longer wanted. */
export class Overtaken extends Error {}

export interface Asking<T> {
  readonly answer: Promise<T>;
  /** Has what can be said before the answer told, once it is there. */
  readonly onEarly: (listener: (early: T) => void) => void;
  /** Has it told how far a long answer is, 0 to 1. */
  readonly onShare: (listener: (share: number) => void) => void;
  /** It is no longer wanted. */
  readonly leave: () => void;
}

let tickets = 0;
const tellNothing: Tell = () => undefined;

/** Keeps what is said before an answer for whoever listens, now or later. */
class Early<T> {
  private said: { readonly early: T } | null = null;
  private readonly listeners: ((early: T) => void)[] = [];
  private readonly shareListeners: ((share: number) => void)[] = [];

  readonly hear = (heard: Heard): void => {
    if ('share' in heard) {
      for (const listener of this.shareListeners) listener(heard.share);
      return;
    }
    this.said = { early: heard.early as T };
    for (const listener of this.listeners) listener(this.said.early);
  };
  readonly onShare = (listener: (share: number) => void): void => {
    this.shareListeners.push(listener);
  };
  readonly onEarly = (listener: (early: T) => void): void => {
    this.listeners.push(listener);
    if (this.said) listener(this.said.early);
  };
}

/** Questions whose answers tell notes, prices and ticks too. */
export const TELL_REMARKS: ReadonlySet<QuestionName> = new Set<QuestionName>(['sheet', 'shopping', 'howFar']);

/** Answers to one question kept for whoever asks the same next: of all jobs of a large layout, and of the last frames. */
const MOST_KEPT = 250;
const MOST_FRAMES = 48;

/** Layouts in which a job was the same, by the number they share; the newest last. */
const sameFor = new Map<string, { readonly layout: Layout; readonly number: number }[]>();
const MOST_SAME = 3;

/** The number of what a question is about: of a job, the same as long as nothing changes that concerns it. */
function aboutNumber(name: string, layout: Layout, of: unknown): number {
  const { jobId } = (of ?? {}) as { readonly jobId?: unknown };
  if (typeof jobId !== 'string' || TELL_REMARKS.has(name as QuestionName)) return numberOf(layout);
  const known = sameFor.get(jobId) ?? [];
  sameFor.set(jobId, known);
  const same = known.findLast((k) => k.layout === layout || !concerns(k.layout, layout, jobId));
  if (same?.layout === layout) return same.number;
  const number = same?.number ?? numberOf(layout);
  known.push({ layout, number });
  if (known.length > MOST_SAME) known.shift();
  return number;
}

/** Questions asked of the same by several, as by a panel and the picture beside it: asked once, left when all have left. */
class Shared {
  private readonly kept = new Map<string, Map<string, { readonly asking: Asking<unknown>; users: number }>>();

  ask<T>(name: string, layout: Layout, of: unknown, begin: () => Asking<T>): Asking<T> {
    const kept =
      this.kept.get(name) ?? new Map<string, { readonly asking: Asking<unknown>; users: number }>();
    this.kept.set(name, kept);
    const key = JSON.stringify([aboutNumber(name, layout, of), of]);
    let known = kept.get(key);
    if (!known) {
      known = { asking: begin(), users: 0 };
      kept.set(key, known);
      known.asking.answer.catch(() => kept.delete(key));
      if (kept.size > (name === 'frame' ? MOST_FRAMES : MOST_KEPT)) kept.delete(kept.keys().next().value!);
    }
    const mine = known;
    mine.users++;
    let isLeft = false;
    return {
      answer: mine.asking.answer as Promise<T>,
      onEarly: (listener) => mine.asking.onEarly((early) => !isLeft && listener(early as T)),
      onShare: (listener) => mine.asking.onShare((share) => !isLeft && listener(share)),
      leave: () => {
        if (isLeft) return;
        isLeft = true;
        if (--mine.users === 0) mine.asking.leave();
      },
    };
  }

  /** Forgets what was asked and will not be answered. */
  forget(asking: Asking<unknown>): void {
    for (const kept of this.kept.values())
      for (const [key, known] of kept) if (known.asking === asking) kept.delete(key);
  }
}

/** Answers what is there within a frame or soon: a frame at once, work in steps as it was asked for. */
export class Desk {
  readonly told: Told;
  private readonly shared = new Shared();

  constructor(make?: () => Worker) {
    this.told = new Told(make);
  }

  ask<Q extends QuestionName>(name: Q, layout: Layout, of: Of<Q>): Asking<Answer<Q>> {
    return this.shared.ask(name, layout, of, () => {
      const ticket = ++tickets;
      let answered = false;
      const { hear, onEarly, onShare } = new Early<Answer<Q>>();
      const asking: Asking<Answer<Q>> = {
        answer: this.told
          .ask(
            layout,
            (tasks, number) => tasks.ask(ticket, name, number, of, proxy(hear)) as Promise<Answer<Q>>,
          )
          .finally(() => (answered = true)),
        onEarly,
        onShare,
        leave: () => {
          if (answered) return;
          this.shared.forget(asking);
          this.told.tell((tasks) => tasks.leave(ticket));
        },
      };
      return asking;
    });
  }
}

interface Waiting {
  readonly name: string;
  readonly layout: Layout;
  readonly of: unknown;
  readonly tell: Tell;
  readonly resolve: (answer: unknown) => void;
  readonly reject: (error: unknown) => void;
}

/** Slow work may keep a worker from saying that it lives: two minutes. */
const MOST_MISSED_AT_WORK = 24;

/** Does slow work, one piece after another; a piece that is no longer wanted is stopped. */
export class Hand {
  private readonly told: Told;
  private readonly shared = new Shared();
  private readonly waiting: Waiting[] = [];
  private doing: Waiting | null = null;

  constructor(make?: () => Worker) {
    this.told = new Told(make, MOST_MISSED_AT_WORK);
  }

  ask<Q extends QuestionName>(name: Q, layout: Layout, of: Of<Q>): Asking<Answer<Q>> {
    return this.shared.ask(name, layout, of, () => this.begin(name, layout, of, tellNothing, GRACE_MS));
  }

  /** The same for what a person pressed for: it goes before what waits, tells how far it is, and stops at once. */
  search<Q extends QuestionName>(
    name: Q,
    layout: Layout,
    of: Of<Q>,
    tell: Tell = tellNothing,
  ): Asking<Answer<Q>> {
    return this.begin(name, layout, of, tell, 0);
  }

  private begin<T>(name: string, layout: Layout, of: unknown, tell: Tell, graceMs: number): Asking<T> {
    let mine: Waiting;
    const answer = new Promise<unknown>((resolve, reject) => {
      mine = { name, layout, of, tell, resolve, reject };
      if (graceMs === 0) this.waiting.unshift(mine);
      else this.waiting.push(mine);
      this.next();
    }) as Promise<T>;
    const asking: Asking<T> = {
      answer,
      // Slow work is said when it is done.
      onEarly: () => undefined,
      // A search tells who pressed for it.
      onShare: () => undefined,
      leave: () => {
        if (!this.isOpen(mine)) return;
        this.shared.forget(asking);
        this.leave(mine, graceMs);
      },
    };
    return asking;
  }

  private isOpen(mine: Waiting): boolean {
    return this.doing === mine || this.waiting.includes(mine);
  }

  private next(): void {
    if (this.doing) return;
    const mine = this.waiting.shift();
    if (!mine) return;
    this.doing = mine;
    const done = (settle: () => void): void => {
      if (this.doing !== mine) return;
      this.doing = null;
      settle();
      this.next();
    };
    const hear = proxy((heard: Heard) => 'share' in heard && mine.tell(heard.share));
    this.told
      .ask(mine.layout, (tasks, number) => tasks.ask(++tickets, mine.name, number, mine.of, hear))
      .then(
        (answer) => done(() => mine.resolve(answer)),
        (error: unknown) => done(() => mine.reject(error)),
      );
  }

  private leave(mine: Waiting, graceMs: number): void {
    const at = this.waiting.indexOf(mine);
    if (at >= 0) {
      this.waiting.splice(at, 1);
      mine.reject(new Overtaken());
      return;
    }
    if (this.doing !== mine) return;
    setTimeout(() => {
      if (this.doing !== mine) return;
      this.told.stop();
      this.doing = null;
      mine.reject(new Overtaken());
      this.next();
    }, graceMs);
  }
}

/** The one desk and the one hand of this window. */
export const desk = new Desk();
export const hand = new Hand();
