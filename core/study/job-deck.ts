import { deckName, deckNode, writeDeck } from '../circuit/deck/write';
import type { Bench } from './bench';
import type { SteadyStudy } from './steady';

/** Periods a written deck runs for: enough to compare, short enough to wait for. */
const PERIODS = 20;
/** Print steps over one half-bit of DCC. */
const STEPS_PER_PERIOD = 58;

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
  const step = steady.period / STEPS_PER_PERIOD;
  return writeDeck(netlist, {
    initial,
    cards: [
      `.tran ${Number(step.toPrecision(6))} ${Number((PERIODS * steady.period).toPrecision(9))} uic`,
      `.print tran ${[...new Set([...sources, ...vectors])].join(' ')}`,
    ],
  });
}
