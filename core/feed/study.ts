import { CircuitError } from '../circuit/error';
import { hangsOn, type HangsOn } from './hangs-on';
import { NetworkError } from './network';
import { feedReading, type FeedReading } from './reading';
import { shortsOf, type ShortReading } from './short';
import { FeedSolver } from './solve';
import type { Layout } from '../document/layout';

/** What rules of the network are told. */
export interface FeedStudy {
  readonly layout: Layout;
  /** What each place hangs on. */
  readonly fed: ReadonlyMap<string, HangsOn>;
  /** Null where it has no answer; why is told apart. */
  readonly reading: FeedReading | null;
  readonly shorts: ReadonlyMap<string, ShortReading>;
  /** Why it has no answer; null where it has. */
  readonly failure: string | null;
}

/** Solves the network of a layout for its judgement, as it is used and with a short at every place of it. */
export function feedStudy(layout: Layout, solver = new FeedSolver()): FeedStudy {
  try {
    const { fed } = solver.lower(layout);
    const reading = feedReading(layout, solver);
    let shorts: ReadonlyMap<string, ShortReading> | null = null;
    return {
      layout,
      fed,
      reading,
      // Who asks for volts alone need not wait for a short at every place.
      get shorts() {
        return (shorts ??= shortsOf(layout, reading.network));
      },
      failure: null,
    };
  } catch (error) {
    if (!(error instanceof NetworkError) && !(error instanceof CircuitError)) throw error;
    return { layout, fed: hangsOn(layout), reading: null, shorts: new Map(), failure: error.message };
  }
}

/** Studies one layout after another, keeping what an edit leaves as it was. */
export function feedStudies(): (layout: Layout) => FeedStudy {
  const solver = new FeedSolver();
  return (layout) => feedStudy(layout, solver);
}

/** Places and runs behind a place, as seen from the supply: what a short there is carried by. */
export interface Guarded {
  readonly place: string;
  readonly short: ShortReading;
  /** Fuses that carry nearly all of it, the weakest first: run, its number in the run, rating, speed. */
  readonly fuses: readonly Fuse[];
}
export interface Fuse {
  readonly run: string;
  readonly index: number;
  readonly amps: number;
  readonly speed: 'quick' | 'slow' | 'resettable';
  readonly carries: number;
}

/** A fuse guards a place where it carries at least this share of a short there: in a ring no single one does. */
const GUARDS_SHARE = 0.9;

/** What guards each place that hangs on a supply. */
export function guardedPlaces({ layout, shorts }: FeedStudy): Guarded[] {
  const fuses = Object.entries(layout.network.runs).flatMap(([run, { parts }]) =>
    parts.flatMap((p, index) => (p.kind === 'fuse' ? [{ run, index, amps: p.amps, speed: p.speed }] : [])),
  );
  return [...shorts].map(([place, short]) => ({
    place,
    short,
    fuses: fuses
      .map((f) => ({ ...f, carries: short.runs.get(f.run) ?? 0 }))
      .filter((f) => f.carries >= GUARDS_SHARE * short.amps)
      .sort((a, b) => a.amps - b.amps),
  }));
}
