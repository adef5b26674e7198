import fc from 'fast-check';
import { createHash } from 'node:crypto';
import { inOrder } from '../../core/document/in-order';
import { checkJob } from '../../core/finding/check';
import { checkVehicle } from '../../core/finding/locomotive/check-vehicle';
import { benchOf } from '../../core/study/bench';
import { steadyStudy } from '../../core/study/steady';
import { truthTable } from '../../core/study/locomotive/states';
import { everyday, vehicleOf } from '../../core/study/locomotive/vehicle';
import { vehicleNetlist } from '../../core/study/locomotive/vehicle-deck';
import { boatTrain, demoJob, generatedLayout } from '../generated';
import { generatedVehicle, vehicleId } from '../vehicles';
import type { Element } from '../../core/circuit/netlist';
import type { Finding } from '../../core/finding/finding';
import type { Layout } from '../../core/document/layout';

/** What the program answers for one job, short enough to be kept and plain enough to be compared. */
export interface Answer {
  readonly job: string;
  /** Rule, severity and the first figure of each finding, in their order. */
  readonly findings: readonly (readonly [rule: string, severity: string, figure: number | null])[];
  /** Mean current of the supply and of each lamp, state by state, in amperes. */
  readonly amps: readonly number[];
  /** How many states there are, and a digest of the circuit: kinds, values and what hangs together. */
  readonly states: number;
  readonly circuit: string;
  /** Why there is no answer; null where there is one. */
  readonly failure: string | null;
}

const said = (findings: readonly Finding[]): Answer['findings'] =>
  findings.map((f) => [f.rule, f.severity, Object.values(f.figures)[0] ?? null] as const);

/** A digest of a circuit that does not hang on what its elements and nodes are called. */
function digest(elements: readonly Element[]): string {
  const names = new Map<unknown, number>();
  const plain = elements.map((e) => {
    const { id, of, a, b, ...rest } = e as Element & { readonly a: string; readonly b: string };
    void id;
    void of;
    const node = (name: string): number => names.get(name) ?? (names.set(name, names.size), names.size - 1);
    return [rest, node(a), node(b)];
  });
  // The last digits of a logarithm differ from one Node.js to the next.
  const round = (_: string, v: unknown): unknown => (typeof v === 'number' ? v.toPrecision(9) : v);
  return createHash('sha256').update(JSON.stringify(plain, round)).digest('hex').slice(0, 12);
}

function coachAnswer(layout: Layout, id: string): Omit<Answer, 'job' | 'failure'> {
  const bench = benchOf(layout, id);
  const steady = steadyStudy(bench);
  return {
    findings: said(checkJob(layout, id, [], 'quick')),
    amps: [steady.supplyAmps.mean, ...steady.lamps.map((l) => l.amps.mean)],
    states: 1,
    circuit: digest(bench.lowered.netlist.elements),
  };
}

function vehicleAnswer(layout: Layout, id: string): Omit<Answer, 'job' | 'failure'> {
  const vehicle = vehicleOf(layout, id);
  const { rows } = truthTable(vehicle);
  return {
    findings: said(checkVehicle(layout, id)),
    amps: rows.slice(0, 8).flatMap((r) => [r.lit.supplyAmps, ...r.lit.lamps.map((l) => l.amps)]),
    states: rows.length,
    circuit: digest(vehicleNetlist(vehicle, everyday(vehicle)).elements),
  };
}

function answer(job: string, layout: Layout, id: string): Answer {
  try {
    const own = layout.jobs[id].kind === 'coach' ? coachAnswer(layout, id) : vehicleAnswer(layout, id);
    return { job, ...own, failure: null };
  } catch (error) {
    const failure = error instanceof Error ? error.message : String(error);
    return { job, findings: [], amps: [], states: 0, circuit: '', failure };
  }
}

/** Generated jobs of each kind. */
const EACH = 200;

/** The answers for every job of the demo and for generated jobs of every kind, the same ones each time. */
export function answersNow(): Answer[] {
  const demo = boatTrain();
  const coaches = fc.sample(generatedLayout, { numRuns: EACH, seed: 20 });
  const vehicles = fc.sample(generatedVehicle, { numRuns: EACH, seed: 20 });
  return [
    ...inOrder(demo.jobs).map((j) => answer(`demo ${j.id}`, demo, j.id)),
    ...coaches.map((l, i) => answer(`coach ${i}`, l, demoJob)),
    ...vehicles.map((l, i) => answer(`locomotive ${i}`, l, vehicleId)),
  ];
}
