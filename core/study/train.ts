import type { Layout } from '../document/layout';
import { inOrder } from '../document/in-order';
import { bulbAmps } from '../part/bulb';
import {
  colourDifference,
  colourWord,
  lightnessDifference,
  SEEN_COLOUR,
  SEEN_LIGHTNESS,
} from '../light/difference';
import { supplyKind } from '../supply';
import { bulbVolts } from '../supply/bulb-volts';
import { kindOf } from '../kinds';
import type { Look } from '../kinds/job-kind';
import { feltAmps, solvedTogether } from './shared-supply';
import { sourcesOf } from './sources';
import { solvedJob, type SolvedJob } from './solved-job';
import type { TrainRecord } from '../document/train-record';

/** Room between two coaches of a train, in millimetres. */
export const COUPLING_MILLIMETRES = 7;
/** One vehicle of a train as solved. */
export interface TrainCar extends SolvedJob {
  readonly carId: string;
  readonly turned: boolean;
  /** Where its left end stands from the head of the train, in millimetres. */
  readonly startMillimetres: number;
  readonly lengthMillimetres: number;
  /** It goes first, as a locomotive does. */
  readonly heads: boolean;
  /** How it looks beside its like; null for what is not looked at so. */
  readonly look: Look | null;
}

/** What a train draws from one supply. */
export interface TrainDraw {
  readonly supplyId: string;
  /** Coaches it feeds. */
  readonly cars: number;
  /** All together, and what the supply can give; null for cells, each coach having its own. */
  readonly amps: number;
  /** The current is a true RMS, which a transformer feels; else the mean. */
  readonly isRms: boolean;
  /** One vehicle's share, by the id of its job. */
  readonly carAmps: Readonly<Record<string, number>>;
  readonly limitAmps: number | null;
  /** What the same coaches with bulbs would draw, true RMS; null where bulbs make no sense. */
  readonly bulbAmps: number | null;
}

/** How a coach looks beside another one. */
export interface CarMatch {
  readonly carId: string;
  /** Difference of lightness, 0 to 100, and distance in u', v'. */
  readonly lightness: number;
  readonly colour: number;
  readonly brighter: boolean;
  readonly word: 'bluer' | 'warmer' | 'alike';
}

/** A train as solved. */
export interface TrainStudy {
  readonly trainId: string;
  readonly train: TrainRecord;
  readonly cars: readonly TrainCar[];
  readonly lengthMillimetres: number;
  readonly draws: readonly TrainDraw[];
}

/**
 * A train as solved: each vehicle as it is by itself, and what all of them draw together.
 * @param draws where they are known already
 */
export function trainStudy(
  layout: Layout,
  trainId: string,
  draws: readonly TrainDraw[] = trainDraws(layout, trainId),
): TrainStudy {
  const train = layout.trains[trainId];
  let start = 0;
  const cars = inOrder(train.cars).map((car): TrainCar => {
    const solved = solvedJob(layout, car.jobId);
    const kind = kindOf(solved.job.kind);
    const startMillimetres = start;
    const lengthMillimetres = kind.lengthMillimetres(solved.job);
    start += lengthMillimetres + COUPLING_MILLIMETRES;
    return {
      ...solved,
      carId: car.id,
      turned: car.turned,
      startMillimetres,
      lengthMillimetres,
      heads: kind.heads,
      look: kind.look(layout, car.jobId),
    };
  });
  return { trainId, train, cars, lengthMillimetres: Math.max(0, start - COUPLING_MILLIMETRES), draws };
}

/** What a train draws from each supply, its vehicles solved with the drop of all of them together. */
export function trainDraws(layout: Layout, trainId: string): TrainDraw[] {
  const jobIds = inOrder(layout.trains[trainId].cars).map((c) => c.jobId);
  return [...new Set(jobIds.map((id) => layout.jobs[id].supplyId))].map((supplyId) => {
    const supply = layout.supplies[supplyId];
    const own = jobIds.filter((id) => layout.jobs[id].supplyId === supplyId);
    const counts = new Map<string, number>();
    for (const id of own) counts.set(id, (counts.get(id) ?? 0) + 1);
    const carAmps = Object.fromEntries(
      [...solvedTogether(layout, counts)].map(([id, { bench, readings }]) => [
        id,
        bench && readings ? feltAmps(readings, sourcesOf(bench)[0]) : 0,
      ]),
    );
    const volts = bulbVolts(supply);
    const onCells = supply.kind === 'cell';
    return {
      supplyId,
      cars: own.length,
      amps: own.reduce((sum, id) => sum + carAmps[id], 0),
      carAmps,
      isRms: supplyKind(supply).feels(supply) === 'rms',
      limitAmps: onCells ? null : supplyKind(supply).limit(supply).amps,
      bulbAmps: onCells
        ? null
        : own.reduce((sum, id) => {
            const bulbs = kindOf(layout.jobs[id].kind).oldBulbs(layout.jobs[id]);
            return sum + (bulbs ? bulbAmps(bulbs, volts) : 0);
          }, 0),
    };
  });
}

/** How every vehicle of a train that is looked at so looks beside one of them. What is dark has no colour to differ by. */
export function matchBeside(study: TrainStudy, carId: string): CarMatch[] {
  const beside = study.cars.find((c) => c.carId === carId)?.look ?? null;
  return study.cars.flatMap(({ carId: id, look }): CarMatch[] =>
    look
      ? [
          {
            carId: id,
            lightness: beside ? lightnessDifference(look.lux, beside.lux) : 0,
            colour: beside?.xy && look.xy ? colourDifference(look.xy, beside.xy) : 0,
            brighter: beside !== null && look.lux > beside.lux,
            word: beside?.xy && look.xy ? colourWord(look.xy, beside.xy) : 'alike',
          },
        ]
      : [],
  );
}

/**
 * The vehicle the others are best told against: the one that differs least from all of them together.
 * @returns null for a train without any that is lit
 */
export function commonCar(study: TrainStudy): TrainCar | null {
  const lit = study.cars.flatMap((car) =>
    car.look?.xy ? [{ car, lux: car.look.lux, xy: car.look.xy }] : [],
  );
  const off = (of: (typeof lit)[number]): number =>
    lit.reduce(
      (sum, c) => sum + lightnessDifference(c.lux, of.lux) / 100 + 10 * colourDifference(c.xy, of.xy),
      0,
    );
  const best = lit.reduce<(typeof lit)[number] | null>(
    // Of two that differ alike the one farther ahead.
    (least, c) => (least === null || off(c) < off(least) * (1 - 1e-9) ? c : least),
    null,
  );
  return best?.car ?? null;
}

/** Whether an eye sees two coaches differ. */
export const isSeen = (m: CarMatch): boolean => m.colour >= SEEN_COLOUR || m.lightness >= SEEN_LIGHTNESS;
