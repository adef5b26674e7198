import type { Topology } from './topology';

export const oneResistor: Topology = {
  id: 'one-resistor',
  name: 'One resistor for all',
  says: 'Lamps of one colour in parallel behind one resistor. Fewest joints; two colours must not share one.',
  on: ['output'],
  resistors: 'shared',
  lay(w) {
    const { circuit, circuitId } = w;
    const line = w.resistor(
      w.one,
      `shared-resistor-${circuitId}`,
      `Resistor of ${circuit.name}`,
      circuit.ohms,
      'shared',
    );
    for (const lamp of w.lamps) w.lamp(lamp, line, w.two);
  },
};
