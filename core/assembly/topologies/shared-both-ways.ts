import type { Topology } from './topology';

export const sharedBothWays: Topology = {
  id: 'shared-both-ways',
  name: 'One shared resistor, one colour each way',
  says: 'One resistor in the lead; lamps that lead and lamps that trail lie across one another the other way round. Good while one colour lights at a time.',
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
