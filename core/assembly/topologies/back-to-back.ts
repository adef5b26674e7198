import type { Topology } from './topology';

export const backToBack: Topology = {
  id: 'back-to-back',
  name: 'A pair back to back, shining both ways',
  says: 'Two like lamps the other way round behind one resistor: one of them shines whichever way it runs.',
  on: ['track'],
  resistors: 'shared',
  lay(w) {
    const { one, two, circuit, circuitId } = w;
    const line = w.resistor(
      one,
      `shared-resistor-${circuitId}`,
      `Resistor of ${circuit.name}`,
      circuit.ohms,
      'shared',
    );
    w.lamps.forEach((lamp, i) => {
      if (i % 2 === 0) w.lamp(lamp, line, two);
      else w.lamp(lamp, two, line);
    });
  },
};
