import type { OnRails } from '../document/job-record';

/** A stretch of a short loop of track that a person has painted. */
export interface DirtyStretch {
  readonly fromMillimetres: number;
  readonly toMillimetres: number;
  /** `dead` as a frog without current, or `dirty`: dead in short pieces here and there. */
  readonly kind: 'dead' | 'dirty';
}

export interface Loop {
  readonly lengthMillimetres: number;
  readonly stretches: readonly DirtyStretch[];
}

/** Pieces of a dirty stretch, dead and sound in turn: shortest and longest, in millimetres. */
const LEAST_PIECE = 3;
const MOST_PIECE = 14;

type Span = readonly [from: number, to: number];

/** Numbers from 0 to 1, the same for the same seed (mulberry32). */
function seeded(seed: number): () => number {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = a;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** The dead pieces of a loop, ascending and apart, within [0, length). Dirt lies where its seed puts it. */
export function deadSpans(loop: Loop, seed: number): Span[] {
  const { lengthMillimetres, stretches } = loop;
  const spans: Span[] = [];
  stretches.forEach((stretch, i) => {
    const from = Math.max(0, Math.min(stretch.fromMillimetres, stretch.toMillimetres));
    const to = Math.min(lengthMillimetres, Math.max(stretch.fromMillimetres, stretch.toMillimetres));
    if (to <= from) return;
    if (stretch.kind === 'dead') {
      spans.push([from, to]);
      return;
    }
    const next = seeded(seed * 7919 + i);
    for (let at = from, dead = true; at < to; dead = !dead) {
      const end = Math.min(to, at + LEAST_PIECE + next() * (MOST_PIECE - LEAST_PIECE));
      if (dead) spans.push([at, end]);
      at = end;
    }
  });
  return united(spans);
}

function united(spans: readonly Span[]): Span[] {
  const sorted = [...spans].sort((a, b) => a[0] - b[0]);
  const result: [number, number][] = [];
  for (const [from, to] of sorted) {
    const last = result[result.length - 1];
    if (last && from <= last[1]) last[1] = Math.max(last[1], to);
    else result.push([from, to]);
  }
  return result;
}

function common(a: readonly Span[], b: readonly Span[]): Span[] {
  return a.flatMap(([f0, t0]) =>
    b.flatMap(([f1, t1]): Span[] => {
      const [from, to] = [Math.max(f0, f1), Math.min(t0, t1)];
      return to > from ? [[from, to]] : [];
    }),
  );
}

/**
 * Places of the leading wheel at which the vehicle is without current: where every collecting wheel
 * of a rail stands on a dead piece. Ascending, within [0, length).
 */
export function lostSpans(loop: Loop, seed: number, pickups: OnRails['pickups']): Span[] {
  const { lengthMillimetres: length } = loop;
  const dead = deadSpans(loop, seed);
  const wheels = Math.max(1, pickups.wheelsPerRail);
  let lost: Span[] = [[0, length]];
  for (let i = 0; i < wheels; i++) {
    const behind = wheels === 1 ? 0 : (pickups.baseMillimetres * i) / (wheels - 1);
    const shift = behind % length;
    // The wheel is on [from, to] while the leading one is that much further on; what passes the end comes round.
    const seen = united(
      dead.flatMap(([from, to]): Span[] => {
        const [a, b] = [from + shift, to + shift];
        if (a >= length) return [[a - length, b - length]];
        return b > length
          ? [
              [a, length],
              [0, b - length],
            ]
          : [[a, b]];
      }),
    );
    lost = common(lost, seen);
  }
  return united(lost);
}

/** Contact over a stretch of time at constant speed. */
export interface Contact {
  readonly made: boolean;
  /** Moments at which it changes, ascending, in seconds. */
  readonly toggleSeconds: readonly number[];
}

/** Changes nearer together than this are one: the rail is no sharper. */
const LEAST_SECONDS = 2e-4;

/**
 * Contact while the vehicle runs from a place at constant speed.
 * @param millimetresPerSecond positive forwards, negative backwards, 0 standing
 */
export function contactOver(
  lost: readonly Span[],
  lengthMillimetres: number,
  placeMillimetres: number,
  millimetresPerSecond: number,
  fromSeconds: number,
  toSeconds: number,
): Contact {
  const isLost = (place: number): boolean => {
    const at = ((place % lengthMillimetres) + lengthMillimetres) % lengthMillimetres;
    return lost.some(([from, to]) => at >= from && at < to);
  };
  const made = !isLost(placeMillimetres);
  if (millimetresPerSecond === 0 || lost.length === 0) return { made, toggleSeconds: [] };
  const toggles: number[] = [];
  const travel = millimetresPerSecond * (toSeconds - fromSeconds);
  const [low, high] = [Math.min(0, travel) + placeMillimetres, Math.max(0, travel) + placeMillimetres];
  for (let lap = Math.floor(low / lengthMillimetres); lap * lengthMillimetres <= high; lap++) {
    for (const span of lost) {
      for (const end of span) {
        const t = fromSeconds + (lap * lengthMillimetres + end - placeMillimetres) / millimetresPerSecond;
        if (t > fromSeconds && t < toSeconds) toggles.push(t);
      }
    }
  }
  toggles.sort((a, b) => a - b);
  const apart: number[] = [];
  for (let i = 0; i < toggles.length; i++) {
    // Two changes at once are none: one dead piece ends where the next begins, as round the end of the loop.
    if (i + 1 < toggles.length && toggles[i + 1] - toggles[i] < LEAST_SECONDS) i++;
    else apart.push(toggles[i]);
  }
  return { made, toggleSeconds: apart };
}
