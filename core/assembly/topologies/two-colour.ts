import type { Topology } from './topology';

export const twoColour: Topology = {
  id: 'two-colour',
  name: 'Two-colour lamps side by side',
  says: 'Two-lead lamps that shine one colour each way, in parallel behind one resistor: all the same way round, or one shines the other colour.',
  on: ['track'],
  resistors: 'shared',
  lay(w) {
    const { one, two, circuit, circuitId } = w;
    const line = w.resistor(
      one,
      `resistor-${circuitId}`,
      `Resistor of ${circuit.name}`,
      circuit.ohms,
      'shared',
    );
    for (const lamp of w.lamps) {
      if (lamp.sense > 0) w.lamp(lamp, line, two);
      else w.lamp(lamp, two, line);
    }
  },
};
