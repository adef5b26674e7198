import fc from 'fast-check';
import { createHash } from 'node:crypto';
import { inOrder } from '../../core/document/in-order';
import { judge } from '../../core/finding/check';
import { gravestFirst } from '../../core/finding/gravest-first';
import { StudyDesk } from '../../core/finding/studies';
import { benchOf } from '../../core/study/bench';
import { loweredAt } from '../../core/study/netlist-at';
import { usualState } from '../../core/study/states';
import { truthTable } from '../../core/study/truth-table';
import { boatTrain } from '../generated';
import { generatedJobs, generatedKinds } from '../kinds';
import type { Element } from '../../core/circuit/netlist';
import type { Judgement } from '../../core/finding/finding';
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

const said = (findings: readonly (Judgement & { readonly rule: string })[]): Answer['findings'] =>
  findings.map((f) => [f.rule, f.severity, f.figures[0]?.is ?? null] as const);

/** Turns in which every node takes up what its neighbours are: enough to tell apart what these circuits hold. */
const DIGEST_TURNS = 6;

/**
 * A digest of a circuit that hangs neither on what its elements and nodes are called nor on their
 * order: nodes are coloured by what hangs on them, again and again (Weisfeiler and Leman 1968).
 */
function digest(elements: readonly Element[]): string {
  const hash = (of: unknown): string =>
    createHash('sha256').update(JSON.stringify(of)).digest('hex').slice(0, 12);
  // The last digits of a logarithm differ from one Node.js to the next.
  const round = (_: string, v: unknown): unknown => (typeof v === 'number' ? v.toPrecision(9) : v);
  const plain = elements.map((e) => {
    const { id, of, a, b, ...rest } = e;
    void id;
    void of;
    const third = e.kind === 'regulator' ? e.c : null;
    return {
      law: JSON.stringify({ ...rest, c: undefined }, round),
      ends: third === null ? [a, b] : [a, b, third],
    };
  });
  let colours = new Map<string, string>();
  const colour = (node: string): string => colours.get(node) ?? (node === '0' ? 'ground' : '');
  const branch = (e: (typeof plain)[number]): string => hash([e.law, e.ends.map(colour)]);
  for (let turn = 0; turn < DIGEST_TURNS; turn++) {
    const met = new Map<string, string[]>();
    for (const e of plain) {
      const own = branch(e);
      e.ends.forEach((node, end) => met.set(node, [...(met.get(node) ?? []), `${own} ${end}`]));
    }
    colours = new Map([...met].map(([node, all]) => [node, hash([colour(node), all.sort()])]));
  }
  return hash(plain.map(branch).sort());
}

function solvedAnswer(layout: Layout, id: string): Omit<Answer, 'job' | 'failure'> {
  const bench = benchOf(layout, id);
  const { rows } = truthTable(bench);
  return {
    findings: said(gravestFirst(judge(new StudyDesk(bench), 'quick'))),
    amps: rows
      .slice(0, 8)
      .flatMap((r) => [r.readings.supplyAmps.mean, ...r.dies.filter((d) => !d.second).map((d) => d.litAmps)]),
    states: rows.length,
    circuit: digest(loweredAt(bench, usualState(bench)).netlist.elements),
  };
}

function answer(job: string, layout: Layout, id: string): Answer {
  try {
    const own = solvedAnswer(layout, id);
    return { job, ...own, failure: null };
  } catch (error) {
    const failure = error instanceof Error ? error.message : String(error);
    return { job, findings: [], amps: [], states: 0, circuit: '', failure };
  }
}

/** Generated jobs of each kind. */
const EACH = 100;

/** The answers for every job of the demo and for generated jobs of every kind, the same ones each time. */
export function answersNow(): Answer[] {
  const demo = boatTrain();
  return [
    ...inOrder(demo.jobs).map((j) => answer(`demo ${j.id}`, demo, j.id)),
    ...generatedKinds.flatMap((kind) =>
      fc
        .sample(generatedJobs[kind], { numRuns: EACH, seed: 20 })
        .map(({ layout, jobId }, i) => answer(`${kind} ${i}`, layout, jobId)),
    ),
  ];
}
