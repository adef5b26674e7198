import { deckName, deckNode, writeDeck } from '../circuit/deck/write';
import type { Bench } from './bench';
import type { SteadyStudy } from './steady';

/** Shortest run of a written deck, in periods and in seconds: enough to compare, short enough to wait for. */
const LEAST_PERIODS = 2;
const LEAST_SECONDS = 2.3e-3;
/** Print steps over one period. */
const STEPS_PER_PERIOD = 58;
const SLOW_STEPS_PER_PERIOD = 400;

/**
 * A job as a SPICE deck: its circuit, starting in its own steady state, with the voltage of every
 * lamp and the current of the supply to be printed.
 */
export function jobDeck(bench: Bench, steady: SteadyStudy): string {
  const { netlist, nodeOf } = bench.lowered;
  const capacitors = netlist.elements.filter((e) => e.kind === 'capacitor');
  const initial = new Map(capacitors.map((e, i) => [e.id, steady.stored[i] / e.farads]));
  const between = (plus: string, minus: string): string =>
    minus === '0' ? `v(${deckNode(plus)})` : `v(${deckNode(plus)},${deckNode(minus)})`;
  // A lamp whose lead goes nowhere has no voltage but what leaks: there is nothing to print.
  const vectors = steady.lamps
    .filter((l) => bench.job.lamps[l.lampId].groupId !== null)
    .map((l) => between(nodeOf.get(`${l.part}.anode`)!, nodeOf.get(`${l.part}.cathode`)!));
  const sources = netlist.elements.filter((e) => e.kind === 'voltage').map((e) => `i(${deckName(e)})`);
  const asked = [...new Set([...sources, ...vectors])].join(' ');
  if (steady.period === 0) return writeDeck(netlist, { initial, cards: ['.op', `.print op ${asked}`] });
  const periods = Math.max(LEAST_PERIODS, Math.round(LEAST_SECONDS / steady.period));
  const steps = periods > LEAST_PERIODS ? STEPS_PER_PERIOD : SLOW_STEPS_PER_PERIOD;
  const step = steady.period / steps;
  return writeDeck(netlist, {
    initial,
    cards: [
      `.tran ${Number(step.toPrecision(6))} ${Number((periods * steady.period).toPrecision(9))} uic`,
      `.print tran ${asked}`,
    ],
  });
}
