import type { Layout } from '../document/layout';
import { inOrder } from '../document/in-order';
import { bulbAmps } from '../part/bulb';
import { colourDifference, colourWord, lightnessDifference, type Chromaticity } from '../light/difference';
import { mixedXy } from '../light/tinted';
import { supplyKind } from '../supply';
import { bulbVolts } from './old-bulbs';
import { solvedJob, type SolvedJob } from './solved-job';
import type { TrainRecord } from '../document/train-record';

/** Room between two coaches of a train, in millimetres. */
export const COUPLING_MILLIMETRES = 7;
/** The bulbs of a coach whose own were never read: 0.22 A at 14 V (common practice, no source). */
const USUAL_BULBS = { volts: 14, amps: 0.22 };

/** Less than this at the seats is dark: a thousandth of a well-lit window and less. */
const DARK_LUX = 0.1;

/** One coach of a train as solved. */
export interface TrainCar extends SolvedJob {
  readonly carId: string;
  readonly turned: boolean;
  /** Where its left end stands from the head of the train, in millimetres. */
  readonly startMillimetres: number;
  readonly litLux: number;
  /** Colour of its windows together; null in the dark. */
  readonly xy: Chromaticity | null;
}

/** What a train draws from one supply. */
export interface TrainDraw {
  readonly supplyId: string;
  /** Coaches it feeds. */
  readonly cars: number;
  /** Mean of all together, and what the supply can give; null for cells, each coach having its own. */
  readonly amps: number;
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
 * Solves every coach of a train. Coaches are alone on their supply but for its current: what one
 * draws hardly lowers the voltage of the others (source and track have fractions of an ohm).
 */
export function trainStudy(layout: Layout, trainId: string): TrainStudy {
  const train = layout.trains[trainId];
  let start = 0;
  const cars = inOrder(train.cars).map((car): TrainCar => {
    const solved = solvedJob(layout, car.jobId);
    const startMillimetres = start;
    start += solved.job.dimensions.lengthMillimetres + COUPLING_MILLIMETRES;
    return {
      ...solved,
      carId: car.id,
      turned: car.turned,
      startMillimetres,
      litLux: solved.light?.litLux ?? 0,
      xy: (solved.light?.litLux ?? 0) < DARK_LUX ? null : windowsXy(solved),
    };
  });
  return {
    trainId,
    train,
    cars,
    lengthMillimetres: Math.max(0, start - COUPLING_MILLIMETRES),
    draws: drawsOf(layout, cars),
  };
}

/** Colour of all windows of a coach together; null in the dark. */
function windowsXy({ light }: SolvedJob): Chromaticity | null {
  const windows = [...(light?.near ?? []), ...(light?.far ?? [])];
  return mixedXy(windows.flatMap((w) => (w.xy ? [{ lumens: w.lux, ...w.xy }] : [])));
}

function drawsOf(layout: Layout, cars: readonly TrainCar[]): TrainDraw[] {
  const ids = [...new Set(cars.map((c) => c.job.supplyId))];
  return ids.map((supplyId) => {
    const supply = layout.supplies[supplyId];
    const own = cars.filter((c) => c.job.supplyId === supplyId);
    const volts = bulbVolts(supply);
    const onCells = supply.kind === 'cell';
    return {
      supplyId,
      cars: own.length,
      amps: own.reduce((sum, c) => sum + (c.steady?.supplyAmps.mean ?? 0), 0),
      limitAmps: onCells ? null : supplyKind(supply).limit(supply).amps,
      bulbAmps: onCells
        ? null
        : own.reduce((sum, c) => sum + bulbAmps(c.job.oldBulbs ?? USUAL_BULBS, volts), 0),
    };
  });
}

/** How every coach of a train looks beside one of them. Dark coaches have no colour to differ by. */
export function matchBeside(study: TrainStudy, carId: string): CarMatch[] {
  const beside = study.cars.find((c) => c.carId === carId);
  return study.cars.map((car) => ({
    carId: car.carId,
    lightness: beside ? lightnessDifference(car.litLux, beside.litLux) : 0,
    colour: beside?.xy && car.xy ? colourDifference(car.xy, beside.xy) : 0,
    brighter: beside !== undefined && car.litLux > beside.litLux,
    word: beside?.xy && car.xy ? colourWord(car.xy, beside.xy) : 'alike',
  }));
}

/**
 * The coach the others are best told against: the one that differs least from all of them together.
 * @returns null for a train without lit coaches
 */
export function commonCar(study: TrainStudy): TrainCar | null {
  const lit = study.cars.filter((c) => c.xy !== null);
  const off = (car: TrainCar): number =>
    lit.reduce(
      (sum, c) =>
        sum + lightnessDifference(c.litLux, car.litLux) / 100 + 10 * colourDifference(c.xy!, car.xy!),
      0,
    );
  return lit.reduce<TrainCar | null>((best, c) => (best === null || off(c) < off(best) ? c : best), null);
}
