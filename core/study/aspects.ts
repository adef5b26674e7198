import { inOrder } from '../document/in-order';
import { chainOf } from '../document/line-stages';
import { driverOf } from '../document/aspect-record';
import { driverKind } from '../supply/drivers';
import { reverseOf } from '../supply/drivers/driver-kind';
import { ASPECT, type Input, type State } from '../supply/state';
import type { AspectRecord, Driven } from '../document/aspect-record';
import type { AnyJob } from '../document/layout';
import type { LampCore } from '../document/lamp-record';
import type { JobCore } from '../document/job-record';
import type { Asked, OutputId, Show } from '../supply/drivers/driver-kind';

/** The first of the aspects of a job, which it shows until another is set. */
const firstOf = ({ aspects }: Driven): string => inOrder(aspects)[0].id;

/** What sets which aspect is shown. */
export function aspectInput(job: Driven): Input {
  const aspects = inOrder(job.aspects);
  return {
    id: ASPECT,
    name: 'Aspect',
    domain: {
      values: aspects.map((a) => a.id),
      names: Object.fromEntries(aspects.map((a) => [a.id, a.name])),
    },
    usual: firstOf(job),
    key: 'a',
  };
}

/** Id of the aspect of a state; the first where the state names none that there is. */
export function aspectIdIn(job: Driven, state: State): string {
  const id = state[ASPECT];
  return typeof id === 'string' && Object.hasOwn(job.aspects, id) ? id : firstOf(job);
}

/** The aspect of a state. */
export const aspectIn = (job: Driven, state: State): AspectRecord => job.aspects[aspectIdIn(job, state)];

/**
 * The output that lights a lamp; null where it hangs on none. Of lamps back to back on two contacts that
 * change sides, every other one is lit by the output the other way round.
 */
export function outputOf(
  job: Pick<JobCore, 'lamps' | 'circuits' | 'lines'>,
  lampId: string,
): OutputId | null {
  const { circuitId } = job.lamps[lampId];
  if (circuitId === null) return null;
  const circuit = job.circuits[circuitId];
  const [{ from }] = chainOf(job, circuit.lineId);
  if (from.kind !== 'output') return null;
  const output = from.output as OutputId;
  const driver = driverOf(job);
  if (!driver || circuit.senses !== 'in-turn') return output;
  const place = inOrder<LampCore>(job.lamps)
    .filter((l) => l.circuitId === circuitId)
    .findIndex((l) => l.id === lampId);
  const turned = (place % 2 === 1) !== circuit.swapped;
  return (turned ? reverseOf(driverKind(driver).build(driver), output) : null) ?? output;
}

/** Outputs of a job that lamps hang on, by number from 1, ascending. */
export function usedOutputs(job: Pick<JobCore, 'lamps' | 'circuits' | 'lines'>): number[] {
  const used = Object.keys(job.lamps).flatMap((id) => outputOf(job, id) ?? []);
  return [...new Set(used)].map((o) => Number(o.slice(3))).sort((a, b) => a - b);
}

/** What an aspect asks of a driver: the outputs of its lamps, each with how it shows; lamps of one output show as the first that is lit. */
export function askedOf(job: Pick<JobCore, 'lamps' | 'circuits' | 'lines'>, aspect: AspectRecord): Asked {
  const asked = new Map<OutputId, Show>();
  for (const { id } of inOrder(job.lamps)) {
    if (!Object.hasOwn(aspect.lamps, id)) continue;
    const output = outputOf(job, id);
    if (output !== null && !asked.has(output)) asked.set(output, aspect.lamps[id]);
  }
  return asked;
}

/** What the aspect of a state asks of a driver. */
export const askedIn = (job: AnyJob, state: State): Asked =>
  'aspects' in job ? askedOf(job, aspectIn(job as unknown as Driven, state)) : new Map();
