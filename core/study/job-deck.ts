import { GROUND } from '../circuit/netlist';
import { terminalKey } from '../assembly/assembly';
import { deckName, deckNode, writeDeck } from '../circuit/deck/write';
import { loweredAt } from './netlist-at';
import { usualState } from './states';
import type { Netlist } from '../circuit/netlist';
import type { State } from '../supply/state';
import type { Bench } from './bench';
import type { Readings } from './readings';

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
export function jobDeck(
  bench: Bench,
  readings: Readings,
  state: State = usualState(bench),
): { deck: string; netlist: Netlist } {
  const { netlist, nodeOf } = loweredAt(bench, state);
  const capacitors = netlist.elements.filter((e) => e.kind === 'capacitor');
  const initial = new Map(capacitors.map((e, i) => [e.id, readings.stored[i] / e.farads]));
  const node = (part: string, terminal: string): string =>
    nodeOf.get(terminalKey({ part, terminal })) ?? GROUND;
  const between = (plus: string, minus: string): string =>
    minus === GROUND ? `v(${deckNode(plus)})` : `v(${deckNode(plus)},${deckNode(minus)})`;
  // A lamp whose lead goes nowhere has no voltage but what leaks: there is nothing to print.
  const vectors = readings.dies
    .filter((d) => d.circuitId !== null && !d.second)
    .map((d) =>
      d.led
        ? between(node(d.part, 'anode'), node(d.part, 'cathode'))
        : between(node(d.part, 'one'), node(d.part, 'two')),
    );
  const sources = netlist.elements.filter((e) => e.kind === 'voltage').map((e) => `i(${deckName(e)})`);
  const asked = [...new Set([...sources, ...vectors])].join(' ');
  if (readings.period === 0)
    return { netlist, deck: writeDeck(netlist, { initial, cards: ['.op', `.print op ${asked}`] }) };
  const periods = Math.max(LEAST_PERIODS, Math.round(LEAST_SECONDS / readings.period));
  const steps = periods > LEAST_PERIODS ? STEPS_PER_PERIOD : SLOW_STEPS_PER_PERIOD;
  const step = readings.period / steps;
  const deck = writeDeck(netlist, {
    initial,
    cards: [
      `.tran ${Number(step.toPrecision(6))} ${Number((periods * readings.period).toPrecision(9))} uic`,
      `.print tran ${asked}`,
    ],
  });
  return { deck, netlist };
}
