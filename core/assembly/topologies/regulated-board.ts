import { reservoirBehind } from './reservoir-behind';
import { t, type Topology } from './topology';

/** Dropout and own current of a small regulator (typical, from memory). */
const DROPOUT_VOLTS = 1.2;
const QUIESCENT_AMPS = 0.002;

export const regulatedBoard: Topology = {
  id: 'regulated-board',
  name: 'Board with its own regulator',
  says: 'Fully lit as soon as there is track power. Each direction has its own diode and regulator; lamps keep a resistor each.',
  on: ['track'],
  resistors: 'each',
  lay(w) {
    for (const sense of [1, -1] as const) {
      const lamps = w.lamps.filter((l) => l.sense === sense);
      if (lamps.length === 0) continue;
      const way = sense > 0 ? 'one' : 'other';
      const [plus, minus] = sense > 0 ? [w.one, w.two] : [w.two, w.one];
      const diode = `diode-${way}-${w.circuitId}`;
      const regulator = `regulator-${way}-${w.circuitId}`;
      w.add({
        id: diode,
        kind: 'diode',
        label: `Diode of ${w.circuit.name}`,
        diode: 'silicon',
        role: 'rectifier',
        path: w.path('topology'),
      });
      w.wire(plus, t(diode, 'anode'));
      reservoirBehind(w, t(diode, 'cathode'), minus, `-${way}`);
      w.add({
        id: regulator,
        kind: 'regulator',
        label: `Regulator of ${w.circuit.name}`,
        outVolts: w.circuit.regulatedVolts,
        dropoutVolts: DROPOUT_VOLTS,
        quiescentAmps: QUIESCENT_AMPS,
        path: w.path('regulatedVolts'),
      });
      w.wire(t(diode, 'cathode'), t(regulator, 'in'));
      w.wire(minus, t(regulator, 'common'));
      for (const lamp of lamps) {
        const head = w.resistor(
          t(regulator, 'out'),
          `resistor-${lamp.id}`,
          'Resistor',
          lamp.lamp.ohms,
          'each',
        );
        w.lamp(lamp, head, minus);
      }
    }
  },
};
