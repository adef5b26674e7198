import { t, type Topology } from './topology';

export const inSeries: Topology = {
  id: 'in-series',
  name: 'In series behind one resistor',
  says: 'One after another: the same current in each, half the current in all. Needs the volts of all of them.',
  on: ['track', 'output'],
  resistors: 'shared',
  lay(w) {
    const { circuit, circuitId } = w;
    for (const sense of [1, -1] as const) {
      const string = w.lamps.filter((l) => l.sense === sense);
      if (string.length === 0) continue;
      const [plus, minus] = sense > 0 ? [w.one, w.two] : [w.two, w.one];
      const id = sense > 0 ? `shared-resistor-${circuitId}` : `back-resistor-${circuitId}`;
      let at = w.resistor(plus, id, `Resistor of ${circuit.name}`, circuit.ohms, 'shared');
      string.forEach((lamp, i) => {
        const next = string[i + 1];
        const far = next ? t(`lamp-${next.id}`, next.lamp.reversed ? 'cathode' : 'anode') : minus;
        w.lamp(lamp, at, far);
        // The next lamp's own lead to this one is laid by this one.
        if (next) at = far;
      });
    }
  },
};
