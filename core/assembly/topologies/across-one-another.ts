import type { Wiring } from './topology';

/** One resistor in the first lead; behind it the lamps across one another, each conducting its own way. */
export function acrossOneAnother(w: Wiring): void {
  const { one, two, circuit, circuitId } = w;
  const label = `Resistor of ${circuit.name}`;
  const line = w.resistor(one, `shared-resistor-${circuitId}`, label, circuit.ohms, 'shared');
  for (const lamp of w.lamps) {
    if (lamp.sense > 0) w.lamp(lamp, line, two);
    else w.lamp(lamp, two, line);
  }
}
