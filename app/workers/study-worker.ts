import { expose } from 'comlink';
import { changedBy, type Patch } from '../../core/document/patch';
import { kindQuestions } from '../kinds/questions';
import { inTurns, Left } from './in-turns';
import { PROGRAM } from './program';
import { questions, type Heard, type Tell } from './questions';
import type { Steps } from '../../core/quantity/steps';
import type { Layout } from '../../core/document/layout';
import type { LiveRun, RunControls, RunSample, RunStart } from '../../core/study/live-run';

type Answering = (layout: Layout, of: unknown, tell: Tell) => unknown;

/** Layouts it has been told of, by the number they are known under. */
const held = new Map<number, Layout>();
/** Questions that are no longer wanted. */
const left = new Set<number>();
/** Work in steps is done in the order it was asked for, one after the other. */
let before: Promise<unknown> = Promise.resolve();
let run: LiveRun | null = null;

const isSteps = (made: unknown): made is Steps<unknown, unknown> =>
  typeof made === 'object' && made !== null && Symbol.iterator in made && 'next' in made;

async function answering(name: string): Promise<Answering> {
  const [kind, own] = name.split('/');
  const table = own === undefined ? questions : await kindQuestions[kind as keyof typeof kindQuestions]();
  return (table as unknown as Record<string, Answering>)[own ?? kind];
}

const layoutOf = (id: number): Layout => {
  const layout = held.get(id);
  if (!layout) throw new Error('the layout asked about was let go');
  return layout;
};

const desk = {
  /** Says that it lives. */
  ping: (): boolean => true,
  program: (): string => PROGRAM,
  /** Tells of a layout, whole. */
  hold(id: number, layout: Layout): void {
    held.set(id, layout);
  },
  /** Tells of a layout by what differs from one it has: what they share stays the same object, and so what is known of it. */
  holdChanged(id: number, base: number, patches: readonly Patch[]): void {
    held.set(id, changedBy(layoutOf(base), patches).layout);
  },
  release(id: number): void {
    held.delete(id);
  },
  async ask(
    ticket: number,
    name: string,
    layoutId: number,
    of: unknown,
    hear: (heard: Heard) => void,
  ): Promise<unknown> {
    const layout = layoutOf(layoutId);
    try {
      const made = await (await answering(name))(layout, of, (share) => hear({ share }));
      if (!isSteps(made)) return made;
      const mine = before.then(() => {
        if (left.has(ticket)) throw new Left();
        return inTurns(
          made,
          () => !left.has(ticket),
          (early) => hear({ early }),
        );
      });
      before = mine.catch(() => undefined);
      return await mine;
    } finally {
      left.delete(ticket);
    }
  },
  leave(ticket: number): void {
    left.add(ticket);
  },
  async startRun(layoutId: number, start: Omit<RunStart, 'layout'>): Promise<void> {
    const layout = layoutOf(layoutId);
    const { LiveRun } = await import('../../core/study/live-run');
    run = new LiveRun({ ...start, layout });
  },
  control(set: Partial<RunControls>): void {
    run?.control(set);
  },
  /** Plays the run until a moment. */
  advance(seconds: number): RunSample[] {
    if (!run) throw new Error('What plays was lost: play it anew.');
    return run.advance(seconds);
  },
};

export type DeskTasks = typeof desk;
expose(desk);
