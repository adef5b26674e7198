import { inOrder } from '../../document/in-order';
import { askedOf, usedOutputs } from '../../study/aspects';
import { truthTable } from '../../study/truth-table';
import { Solver } from '../../study/solver';
import { driverKind } from '../../supply/drivers';
import { pinsOf } from '../../supply/drivers/driver-kind';
import { stringLampOf } from '../../study/play';
import type { Moving } from '../../document/moving-record';
import type { Driven } from '../../document/aspect-record';
import type { AnyJob } from '../../document/layout';
import type { Bench } from '../../study/bench';
import type { Timeline, TimelineClip } from '../../supply/drivers/timeline';
import type { ProgramWiring } from './board';

/** How long each aspect is shown where one follows the other. */
const EACH_SECONDS = 4;
/** Frames of such a program. */
const FRAME_MS = 20;
/** What no job has: the string of its wiring is without lamps. */
const NO_STRING = { colourAmps: 0, idleAmps: 0 };

/**
 * The time line that shows aspects of a job on the pins of a small computer, one after the other, each
 * for some whole flashes; one alone without an end. A channel for each output that lamps hang on.
 * @param perMinute flashes of each lamp
 */
export function timelineOfAspects(
  job: AnyJob & Driven,
  aspects: readonly string[],
  perMinute: number,
): Timeline {
  const outputs = usedOutputs(job);
  const period = 2 * FRAME_MS * Math.round(30_000 / perMinute / FRAME_MS);
  const lasts = period * Math.max(1, Math.round((1000 * EACH_SECONDS) / period));
  const clips = aspects.flatMap((id, k): TimelineClip[] => {
    const from = k * lasts;
    return [...askedOf(job, job.aspects[id])].map(([output, show]) => {
      const clip = {
        group: output,
        toMilliseconds: from + lasts,
        colour: [0, 0, 0] as const,
      };
      if (show === 'steady') return { ...clip, fromMilliseconds: from, effect: 'steady', parameters: [100] };
      // The other half begins dark.
      const late = show === 'flash' ? 0 : period / 2;
      return { ...clip, fromMilliseconds: from + late, effect: 'wink', parameters: [period, 50] };
    });
  });
  return {
    groups: outputs.map((n, k) => ({
      id: `out${n}`,
      name:
        inOrder(job.lines).find((l) => l.from.kind === 'output' && l.from.output === `out${n}`)?.name ??
        `Output ${n}`,
      kind: 'channels',
      lamps: [k],
    })),
    clips,
    lastsMilliseconds: lasts * Math.max(1, aspects.length),
    seed: 0,
    frameMilliseconds: FRAME_MS,
    capPercent: 100,
    channels: outputs.length,
    lamps: 0,
  };
}

/** What of a job's driver goes to a pin each: its outputs that lamps hang on, or the rows and columns of a matrix. */
export function pinNames(job: AnyJob & Driven): readonly string[] {
  const { driver } = job;
  if (driver?.kind === 'matrix') return pinsOf(driverKind(driver).build(driver)).map((p) => p.name);
  return usedOutputs(job).map((n) => `Output ${n}`);
}

/** Outputs of the usual small 8-bit board that dim by pulse width (common practice, no source). */
const PULSED_ON_EIGHT_BITS = [3, 5, 6, 9, 10, 11];

/** Pins of a job's program that can dim: any in MicroPython, some of an 8-bit board's. */
export const dimmingPins = (pins: readonly number[], language: 'micropython' | 'cpp'): number[] =>
  language === 'micropython' ? [...pins] : pins.filter((p) => PULSED_ON_EIGHT_BITS.includes(p));

/**
 * The same where a time line moves the lamps: their string on a pin of its own, and what its supply gives.
 * @throws CircuitError when it cannot be solved
 */
export function wiringOfScene(
  bench: Bench & { readonly job: AnyJob & Moving },
  pins: readonly number[],
  stringPin: number,
  language: 'micropython' | 'cpp',
): ProgramWiring {
  const { string } = bench.job;
  return {
    ...wiringOfPins(bench, pins),
    stringPin: string ? stringPin : null,
    stringLamp: stringLampOf(bench.job),
    stringLimitAmps: string?.supplyAmps ?? 0,
    pulsePins: dimmingPins(pins, language),
  };
}

/**
 * How a job hangs on the pins of a small computer: what each output carries as solved, at the supply's
 * highest, and what all pins may carry.
 * @param pins number of the pin of each output that lamps hang on; of a matrix those of its rows, then of its columns
 * @throws CircuitError when it cannot be solved
 */
export function wiringOfPins(bench: Bench, pins: readonly number[]): ProgramWiring {
  const { job } = bench;
  const { driver } = job as AnyJob & Driven;
  const build = driver ? driverKind(driver).build(driver) : null;
  const { rows } = truthTable(bench, new Solver(bench), 'highest');
  const outputs = usedOutputs(job);
  const matrix =
    driver?.kind === 'matrix'
      ? {
          rowPins: pins.slice(0, driver.rows),
          columnPins: pins.slice(driver.rows, driver.rows + driver.columns),
          crossings: outputs.map((n) => n - 1),
          transistors: driver.transistors,
        }
      : null;
  return {
    name: job.name,
    channelPins: matrix ? [] : pins,
    matrix,
    stringPin: null,
    colourOrder: 'grb',
    pulsePins: [],
    channelAmps: outputs.map((n) => {
      // Of a crossing what its row carries while it is on, at most: one row is at a time.
      const contact = build?.outputs.find((o) => o.id === `out${n}`)?.between?.[0] ?? `out${n}`;
      return (
        Math.max(0, ...rows.map((r) => r.readings.outputAmps.get(contact) ?? 0)) * (build?.litShare ?? 1)
      );
    }),
    stringLamp: NO_STRING,
    limitAmps: build?.totalAmps ?? 0,
    stringLimitAmps: 0,
    // Lamps that share plus are lit by a pin that is low; a transistor behind the pin turns it over.
    litBy: driver?.kind === 'pins' && !driver.transistors && build?.switches === 'minus' ? 'low' : 'high',
  };
}
