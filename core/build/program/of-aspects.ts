import { inOrder } from '../../document/in-order';
import { askedOf, outputOf } from '../../study/aspects';
import { truthTable } from '../../study/truth-table';
import { Solver } from '../../study/solver';
import { driverKind } from '../../supply/drivers';
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

/** Outputs of a job that lamps hang on, by number from 1, ascending. */
export function usedOutputs(job: AnyJob): number[] {
  const used = Object.keys(job.lamps).flatMap((id) => outputOf(job, id) ?? []);
  return [...new Set(used)].map((o) => Number(o.slice(3))).sort((a, b) => a - b);
}

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

/**
 * How a job hangs on the pins of a small computer: what each output carries as solved, at the supply's
 * highest, and what all pins may carry.
 * @param pins number of the pin of each output that lamps hang on
 * @throws CircuitError when it cannot be solved
 */
export function wiringOfPins(bench: Bench, pins: readonly number[]): ProgramWiring {
  const { job } = bench;
  const { driver } = job as AnyJob & Driven;
  const build = driver ? driverKind(driver).build(driver) : null;
  const { rows } = truthTable(bench, new Solver(bench), 'highest');
  return {
    name: job.name,
    channelPins: pins,
    stringPin: null,
    colourOrder: 'grb',
    pulsePins: [],
    channelAmps: usedOutputs(job).map((n) =>
      Math.max(0, ...rows.map((r) => r.readings.outputAmps.get(`out${n}`) ?? 0)),
    ),
    stringLamp: NO_STRING,
    limitAmps: build?.totalAmps ?? 0,
    // Lamps that share plus are lit by a pin that is low; a transistor behind the pin turns it over.
    litBy: driver?.kind === 'pins' && !driver.transistors && build?.switches === 'minus' ? 'low' : 'high',
  };
}
