import { storedAt } from '../charge';
import { withinStep } from '../average';
import { CircuitError } from '../error';
import { settle } from '../operating-point';
import { compile, type Plan } from '../plan';
import { voltageProbe, type Probe } from '../probe';
import { checkStructure } from '../structure';
import { operatingPoint, sweep } from '../sweep';
import { System } from '../system';
import { Transient } from '../transient';
import { DeckError } from './error';
import { openedUp, ownerOf, wholeCurrentProbe, type OpenedUp } from './open-up';
import type { Analysis, Deck } from './read';
import type { Element, Netlist } from '../netlist';

/** What a deck's analysis gave: a heading for each column, and rows of figures in SI units. */
export interface DeckAnswer {
  readonly headings: readonly string[];
  readonly rows: readonly (readonly number[])[];
}

/**
 * Solves the analysis a deck asks for.
 * @param mostSteps steps of a run after which it is given up
 * @throws DeckError with a line of the deck when it cannot be solved
 */
export function answerDeck(deck: Deck, mostSteps = MOST_STEPS): DeckAnswer {
  try {
    const answer = solve(deck, mostSteps);
    for (const row of answer.rows) {
      if (!row.every(Number.isFinite))
        throw new DeckError(deck.analysis.line, 'a figure came out that is not a number');
      const beyond = row.find((f) => Math.abs(f) > BEYOND);
      if (beyond !== undefined)
        throw new DeckError(
          deck.analysis.line,
          `${beyond.toPrecision(3)} came out, which no circuit has: is a source or a part written with the wrong prefix?`,
        );
    }
    return answer;
  } catch (error) {
    if (error instanceof CircuitError) {
      const lines = error.elements.flatMap((id) => deck.lineOf.get(ownerOf(id)) ?? []);
      throw new DeckError(lines.at(0) ?? deck.analysis.line, error.message);
    }
    throw error;
  }
}

function probesOf(deck: Deck, beside: OpenedUp['beside']): (plan: Plan) => Probe[] {
  return (plan) =>
    deck.vectors.map((v) =>
      v.kind === 'voltage' ? voltageProbe(plan, v.plus, v.minus) : wholeCurrentProbe(plan, v.element, beside),
    );
}

function solve(deck: Deck, mostSteps: number): DeckAnswer {
  const { analysis, netlist } = deck;
  const { elements, beside } = openedUp(netlist.elements);
  const opened: Netlist = { ...netlist, elements };
  const labels = deck.vectors.map((v) => v.label);
  if (analysis.kind === 'op')
    return { headings: labels, rows: [operatingPoint(opened, probesOf(deck, beside))] };
  if (analysis.kind === 'dc') {
    return { headings: ['sweep', ...labels], rows: sweep(opened, analysis.ranges, probesOf(deck, beside)) };
  }
  checkStructure(opened, analysis.fromGiven);
  const plan = compile(opened);
  const probes = probesOf(deck, beside)(plan);
  const start = analysis.fromGiven
    ? { stored: givenStored(opened, deck, plan) }
    : deck.nodeVolts.size > 0
      ? { stored: heldStored(deck, opened) }
      : ('rest' as const);
  const { stop } = analysis;
  const longestStep = analysis.longestStep ?? usualLongest(analysis, plan);
  const run = new Transient(
    plan,
    { stop, longestStep, start, readEvery: analysis.step, ...(rings(plan) ? { relative: RING_ERROR } : {}) },
    probes,
  );
  const rows: number[][] = [];
  const count = Math.floor((analysis.stop - analysis.start) / analysis.step + 1e-6);
  const time = (i: number): number => Number((analysis.start + i * analysis.step).toPrecision(12));
  let next = 0;
  if (analysis.start === 0) rows.push([time(next++), ...run.step.after]);
  let due = time(next);
  run.onStep = (step) => {
    const span = step.to - step.from;
    const slack = 1e-9 * analysis.step;
    while (next <= count && due <= step.to + slack) {
      const share = Math.min(1, Math.max(0, (due - step.from) / span));
      const row = [due];
      for (let p = 0; p < probes.length; p++) row.push(withinStep(step, p, share));
      rows.push(row);
      due = time(++next);
    }
  };
  while (!run.done) {
    run.advance(10000);
    // What it will take is clear long before it has taken it.
    const willTake = run.steps / Math.max(run.step.to / analysis.stop, Number.EPSILON);
    if (run.steps > mostSteps || (run.steps >= ENOUGH_TO_TELL && willTake > mostSteps * SURE)) {
      throw new DeckError(
        analysis.line,
        `the run takes more than ${mostSteps} steps: shorten it, or its sources are too fast for it`,
      );
    }
  }
  if (next <= count) throw new DeckError(analysis.line, 'the run ended before its stop time');
  return { headings: ['time', ...labels], rows };
}

/** Rows that may be read off one step: between its ends the solution is a curve. */
const ROWS_A_STEP = 20;

/** A circuit of coils and capacitors may ring, and loses little over many swings only with small errors. */
const rings = ({ states }: Plan): boolean => states.capacitors > 0 && states.ids.length > states.capacitors;
const RING_ERROR = 5e-5;

function usualLongest({ step, stop, start }: Extract<Analysis, { kind: 'tran' }>, { states }: Plan): number {
  // What has a coil may ring, and is followed from row to row.
  const rows = states.ids.length > states.capacitors ? 1 : ROWS_A_STEP;
  return Math.min(rows * step, (stop - start) / 50);
}

/** With UIC: IC= of each element, else what `.ic` gives its nodes, else nothing. */
function givenStored(netlist: Netlist, deck: Deck, plan: Plan): Float64Array {
  const byId = new Map(netlist.elements.map((e) => [e.id, e]));
  const at = (node: string): number => deck.nodeVolts.get(node) ?? 0;
  return plan.states.initial.map((initial, s) => {
    const e = byId.get(plan.states.ids[s]);
    const level = Number.isNaN(initial) ? (e?.kind === 'capacitor' ? at(e.a) - at(e.b) : 0) : initial;
    return storedAt(plan.states, s, level);
  });
}

/** Steps after which a run is given up: about a minute of work, and three minutes of DCC. */
const MOST_STEPS = 20_000_000;
/** Steps after which it is reckoned how many there will be, and how far beyond the most that has to lie. */
const ENOUGH_TO_TELL = 100_000;
const SURE = 4;
/** No voltage, current or time of a circuit that can be built comes near it. */
const BEYOND = 1e12;

/** A resistance through which `.ic` holds a node while the operating point is found. */
const HOLD_OHMS = 1e-6;

/** Without UIC: the operating point with the nodes of `.ic` held at their voltages. */
function heldStored(deck: Deck, netlist: Netlist): Float64Array {
  const holds = [...deck.nodeVolts].flatMap(([node, volts]): Element[] => [
    { kind: 'voltage', id: `.ic ${node}`, a: `.ic ${node}`, b: '0', wave: { kind: 'dc', level: volts } },
    { kind: 'resistor', id: `.ic ${node} hold`, a: `.ic ${node}`, b: node, ohms: HOLD_OHMS },
  ]);
  const plan = compile({ ...netlist, elements: [...netlist.elements, ...holds] });
  const system = new System(plan, true);
  system.setSources(0);
  settle(system, 0, false);
  const { states } = plan;
  return states.capacity.map((_, s) =>
    storedAt(
      states,
      s,
      s < states.capacitors ? system.x[states.a[s]] - system.x[states.b[s]] : system.x[states.branch[s]],
    ),
  );
}
