import { coachInterior } from './interior';
import { countedPoints, lampSources, LAMP_HALF_MILLIMETRES } from './light';
import { equalPlacing, rowsAcross, tenth } from './equal-placing';
import { onPartition } from './on-partition';
import type { LampPlace } from './places';
import type { CoachRecord } from './record';
import type { LedPart } from '../../part/led';

type Coach = Pick<CoachRecord, 'interior' | 'dimensions'>;

/** Lamps, all alike, that are to be placed. */
export interface PlacingWish {
  readonly led: LedPart;
  readonly tint: string;
  readonly aimDegrees: number;
  /** Lamps in each row; one row or two. */
  readonly perRow: readonly number[];
  /** Whether a lamp may stand on a partition that reaches it. */
  readonly onPartitions?: boolean;
  /** Distance between the places that are tried; about a 250th of the coach when left out. */
  readonly stepMillimetres?: number;
}

/** Places for lamps, and how evenly they then light the windows. */
export interface Placing {
  readonly places: readonly LampPlace[];
  /** Least over mean light at the windows, 0 to 1. */
  readonly evenness: number;
}

/** Lamps nearer to one another than this touch. */
const LEAST_GAP = 2 * LAMP_HALF_MILLIMETRES + 1;
/** Lamps keep this clear of the end walls. */
const END_GAP = 3;
const STEPS = 250;
/** Rounds of shaking and settling again. */
const ROUNDS = 40;
const SWEEPS = 12;
/** Up to so many ways all are tried. */
const MOST_WAYS = 30_000;

/** Least over mean light at the windows with lamps at given places, all shining alike. */
export function evennessOf(
  job: Coach,
  wish: Pick<PlacingWish, 'led' | 'tint' | 'aimDegrees'>,
  places: readonly LampPlace[],
): number {
  const trial = new Trial(job);
  for (const place of places) trial.add(columnAt(job, wish, place), 1);
  return trial.evenness();
}

/** Lux per lumen at the points of the windows that count. */
function columnAt(
  job: Coach,
  wish: Pick<PlacingWish, 'led' | 'tint' | 'aimDegrees'>,
  place: LampPlace,
): Float64Array {
  const { field } = coachInterior(job);
  const { points } = countedPoints(job);
  const column = new Float64Array(points.length);
  const lamp = { ...place, tint: wish.tint, aimDegrees: wish.aimDegrees };
  for (const { source, share } of lampSources(job, lamp, wish.led)) {
    const perLumen = field.perLumen(source);
    for (let i = 0; i < points.length; i++) column[i] += share * perLumen[points[i]];
  }
  return column;
}

/** The light of a set of lamps while they are moved about. */
class Trial {
  private readonly weights: Float64Array;
  readonly lux: Float64Array;

  constructor(job: Coach) {
    this.weights = countedPoints(job).weights;
    this.lux = new Float64Array(this.weights.length);
  }

  add(column: Float64Array, sign: 1 | -1): void {
    for (let i = 0; i < column.length; i++) this.lux[i] += sign * column[i];
  }

  /** Least over mean, with one lamp more where a column is given. */
  evenness(more?: Float64Array): number {
    let least = Infinity;
    let mean = 0;
    for (let i = 0; i < this.lux.length; i++) {
      const lux = more ? this.lux[i] + more[i] : this.lux[i];
      if (lux < least) least = lux;
      mean += this.weights[i] * lux;
    }
    return mean > 0 ? Math.max(0, least) / mean : 0;
  }

  /** How far it is from even, every point counting, the dark ones by far the most; below zero. */
  smooth(more: Float64Array): number {
    let mean = 0;
    for (let i = 0; i < this.lux.length; i++) mean += this.weights[i] * (this.lux[i] + more[i]);
    if (!(mean > 0)) return -Infinity;
    let sum = 0;
    for (let i = 0; i < this.lux.length; i++) {
      const x = 1 / (FLOOR + Math.max(0, this.lux[i] + more[i]) / mean);
      sum += x * x * x * x;
    }
    return -sum;
  }
}

/** Keeps what is quite dark from being all that counts, as a share of the mean. */
const FLOOR = 0.03;

/** One lamp's row and the place it has in the row's list of candidates. */
interface Spot {
  readonly row: number;
  at: number;
}

/**
 * The best places for lamps, judged by the least over the mean of the light at the windows. Small
 * cases are tried out whole; larger ones by moving one lamp at a time to its best place, from
 * equal spacing and from many other beginnings. Never less even than equal spacing, where that
 * keeps off the partitions. The same wish gives the same places.
 * @param onProgress told how much is done, 0 to 1; return true to stop and take the best so far
 */
export function placeLamps(
  job: Coach,
  wish: PlacingWish,
  onProgress?: (share: number) => boolean | undefined,
): Placing {
  const across = rowsAcross(job, wish.perRow.length);
  const rows = wish.perRow.map((_, row) => candidates(job, wish, tenth(across[row])));
  const gap = Math.max(wish.led.unitMillimetres ?? 0, LEAST_GAP);
  const spots: Spot[] = wish.perRow.flatMap((count, row) =>
    Array.from({ length: count }, () => ({ row, at: 0 })),
  );
  const equal = equalPlacing(job, wish.perRow);
  let best: Placing = { places: equal, evenness: -1 };
  const offer = (places: readonly LampPlace[], evenness: number): void => {
    if (evenness > best.evenness + 1e-12) best = { places, evenness };
  };
  if (spots.length === 0 || countedPoints(job).points.length === 0) return { places: equal, evenness: 0 };
  if (wish.onPartitions || !equal.some((p) => onPartition(job, wish, p)))
    offer(equal, evennessOf(job, wish, equal));
  const search = new Search(job, rows, spots, gap, offer);
  if (search.ways() <= MOST_WAYS) search.tryAll(onProgress);
  else search.settle(equal, onProgress);
  if (best.evenness < 0) offer(equal, evennessOf(job, wish, equal));
  return best;
}

interface Candidate {
  readonly place: LampPlace;
  readonly column: Float64Array;
}

function candidates(job: Coach, wish: PlacingWish, acrossMillimetres: number): Candidate[] {
  const { lengthMillimetres: length } = job.dimensions;
  const step = wish.stepMillimetres ?? Math.max(1, Math.round(length / STEPS));
  const clear = Math.max(END_GAP, (wish.led.unitMillimetres ?? 0) / 2);
  const all: LampPlace[] = [];
  for (let x = clear; x <= length - clear + 1e-9; x += step)
    all.push({ placeMillimetres: tenth(x), acrossMillimetres });
  if (all.length === 0) all.push({ placeMillimetres: tenth(length / 2), acrossMillimetres });
  const off = wish.onPartitions ? all : all.filter((p) => !onPartition(job, wish, p));
  return (off.length > 0 ? off : all).map((place) => ({ place, column: columnAt(job, wish, place) }));
}

class Search {
  private readonly trial: Trial;
  private state = 20261125;
  private most = -1;

  constructor(
    job: Coach,
    private readonly rows: readonly (readonly Candidate[])[],
    private readonly spots: Spot[],
    private readonly gap: number,
    private readonly offer: (places: readonly LampPlace[], evenness: number) => void,
  ) {
    this.trial = new Trial(job);
  }

  /** How many ways there are to put the lamps, gaps not looked at. */
  ways(): number {
    return this.rows.reduce((product, row, r) => {
      const count = this.spots.filter((s) => s.row === r).length;
      let ways = 1;
      for (let i = 0; i < count; i++) ways = (ways * (row.length - i)) / (i + 1);
      return product * Math.max(1, ways);
    }, 1);
  }

  tryAll(onProgress?: (share: number) => boolean | undefined): void {
    const { spots } = this;
    let stopped = false;
    const next = (i: number): void => {
      if (stopped) return;
      if (i === spots.length) {
        this.found();
        return;
      }
      const spot = spots[i];
      const row = this.rows[spot.row];
      const first = i > 0 && spots[i - 1].row === spot.row ? spots[i - 1].at + 1 : 0;
      for (let c = first; c < row.length; c++) {
        if (!this.fits(spots, i, c, i)) continue;
        spot.at = c;
        this.trial.add(row[c].column, 1);
        next(i + 1);
        this.trial.add(row[c].column, -1);
        if (i === 0 && onProgress?.((c + 1) / row.length)) stopped = true;
      }
    };
    next(0);
  }

  settle(equal: readonly LampPlace[], onProgress?: (share: number) => boolean | undefined): void {
    const { spots } = this;
    for (let round = 0; round < ROUNDS; round++) {
      if (round === 0) {
        spots.forEach((s, i) => (s.at = this.nearest(s.row, equal[i].placeMillimetres)));
        this.spread();
      } else if (round % 4 === 0) {
        for (const s of spots) s.at = Math.floor(this.random() * this.rows[s.row].length);
        this.spread();
      } else {
        // Shaken: two lamps are put elsewhere, and all settle again.
        for (let k = 0; k < 2; k++) {
          const i = Math.floor(this.random() * spots.length);
          const to = Math.floor(this.random() * this.rows[spots[i].row].length);
          if (this.fits(spots, i, to)) spots[i].at = to;
        }
      }
      this.reckon();
      this.descend((column) => this.trial.smooth(column));
      this.descend((column) => this.trial.evenness(column));
      if (onProgress?.((round + 1) / ROUNDS)) return;
    }
  }

  /** Moves one lamp after another to where it is best, until none moves. */
  private descend(weigh: (column: Float64Array) => number): void {
    const { spots, rows, trial } = this;
    for (let sweep = 0; sweep < SWEEPS; sweep++) {
      let moved = false;
      for (let i = 0; i < spots.length; i++) {
        const spot = spots[i];
        const row = rows[spot.row];
        trial.add(row[spot.at].column, -1);
        let best = spot.at;
        let most = weigh(row[best].column);
        for (let c = 0; c < row.length; c++) {
          if (c === spot.at || !this.fits(spots, i, c)) continue;
          const value = weigh(row[c].column);
          if (value > most + 1e-12) {
            most = value;
            best = c;
          }
        }
        if (best !== spot.at) moved = true;
        spot.at = best;
        trial.add(row[best].column, 1);
      }
      if (!moved) break;
    }
    if (this.spots.every((s, i) => this.fits(this.spots, i, s.at))) this.found();
  }

  private found(): void {
    const near = this.trial.evenness();
    if (near < this.most - 1e-4) return;
    this.reckon();
    this.most = Math.max(this.most, this.trial.evenness());
    this.offer(
      [...this.spots].sort((a, b) => a.row - b.row || a.at - b.at).map((s) => this.rows[s.row][s.at].place),
      this.trial.evenness(),
    );
  }

  /** The light anew, so that no rounding adds up. */
  private reckon(): void {
    this.trial.lux.fill(0);
    for (const s of this.spots) this.trial.add(this.rows[s.row][s.at].column, 1);
  }

  /** Whether a lamp at a candidate keeps its distance from the others of its row. */
  private fits(spots: readonly Spot[], i: number, candidate: number, upTo = spots.length): boolean {
    const { row } = spots[i];
    const x = this.rows[row][candidate].place.placeMillimetres;
    for (let j = 0; j < upTo; j++) {
      if (j === i || spots[j].row !== row) continue;
      if (Math.abs(this.rows[row][spots[j].at].place.placeMillimetres - x) < this.gap - 1e-9) return false;
    }
    return true;
  }

  /** Moves lamps that stand in one another's way on to the next free place. */
  private spread(): void {
    this.spots.forEach((s, i) => {
      const { length } = this.rows[s.row];
      for (let k = 0; k < length; k++) {
        const c = (s.at + k) % length;
        if (this.fits(this.spots, i, c, i)) {
          s.at = c;
          return;
        }
      }
    });
  }

  private nearest(row: number, millimetres: number): number {
    const off = (c: Candidate): number => Math.abs(c.place.placeMillimetres - millimetres);
    return this.rows[row].reduce((best, c, i) => (off(c) < off(this.rows[row][best]) ? i : best), 0);
  }

  /** Park and Miller's generator (1988), 0 to 1: the same search every time. */
  private random(): number {
    this.state = (this.state * 48271) % 2147483647;
    return this.state / 2147483647;
  }
}
